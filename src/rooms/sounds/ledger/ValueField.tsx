"use client";

import { describeNote } from "@/core/rhythm";
import { type SettingKey, type SettingValue, settingOf } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { Tick } from "@/ui/Tick";

/** The field for one setting: a tick, a choice or a number with its unit. */
export function ValueField({
  setting,
  value,
  hideLabel = false,
  onSet,
}: {
  setting: SettingKey;
  value: SettingValue;
  hideLabel?: boolean;
  onSet: (value: SettingValue) => void;
}) {
  const table = settingOf(setting);
  switch (table.kind) {
    case "flag":
      return <Tick label={table.words} on={value === true} onSet={onSet} />;
    case "choice":
      return (
        <SelectField
          label={table.words}
          hideLabel={hideLabel}
          className="w-44"
          value={String(value)}
          options={table.choices.map((choice) => ({
            value: choice,
            label: choice.startsWith("1/") ? describeNote(choice) : choice,
          }))}
          onSet={onSet}
        />
      );
    case "number":
      return (
        <NumberField
          label={table.words}
          hideLabel={hideLabel}
          value={Number(value)}
          least={table.least}
          most={table.most}
          unit={table.unit}
          whole={false}
          onSet={onSet}
        />
      );
  }
}
