"use client";

import { beatUnitOf, METER_UNITS, MOST_BEATS_IN_A_BAR, MOST_BPM } from "@/core/rhythm";
import { set } from "@/core/song/edit";
import type { VersionRow } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { describeKey } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { useAct, useNames } from "../open";
import { KeyChoice } from "./KeyChoice";
import { keyChoices } from "./key-choices";

const BEAT_NAMES: Readonly<Record<string, string>> = {
  "1/2": "half notes",
  "1/4": "quarters",
  "1/8": "eighths",
  "1/4.": "dotted quarters",
  "1/16": "sixteenths",
};

/** Key, tempo and metre. */
export function Settings({ version }: { version: VersionRow }) {
  const act = useAct();
  const change = (fields: Partial<VersionRow>) => act(set("version", version.id, fields));
  const setMeter = (fields: { meterBeats?: number; meterUnit?: VersionRow["meterUnit"] }) => {
    const beats = fields.meterBeats ?? version.meterBeats;
    const unit = fields.meterUnit ?? version.meterUnit;
    change({ ...fields, beatUnit: beatUnitOf({ beats, unit }) });
  };
  const namer = useNames()();
  const told = (key: string) => ({ value: key, label: describeKey(namer.keyNamed(key)) });
  return (
    <section aria-label="How it is played" className="rounded-box bg-base-200 p-4">
      <h2 className="mb-2">Key, tempo, metre</h2>
      <div className="flex flex-wrap gap-3">
        <KeyChoice label="Sounds in" />
        <NumberField
          label="Tempo"
          value={version.bpm}
          least={1}
          most={MOST_BPM}
          whole={false}
          unit={`${BEAT_NAMES[version.beatUnit] ?? version.beatUnit} a minute`}
          onSet={(bpm) => change({ bpm })}
        />
        <NumberField
          label="Beats in a bar"
          value={version.meterBeats}
          least={1}
          most={MOST_BEATS_IN_A_BAR}
          onSet={(meterBeats) => setMeter({ meterBeats })}
        />
        <SelectField
          label="of a note of"
          className="w-24"
          value={String(version.meterUnit)}
          options={METER_UNITS.map((unit) => ({ value: String(unit), label: `1/${unit}` }))}
          onSet={(unit) => setMeter({ meterUnit: Number(unit) as VersionRow["meterUnit"] })}
        />
      </div>
      <p className="mt-2 text-sm">
        Written in {namer.keyNamed(version.writtenKey)}
        {version.key !== version.writtenKey && `, moved to ${namer.keyNamed(version.key)}`}.{" "}
        {!version.keySure && (
          <>
            The key is a guess from the chords.{" "}
            <button type="button" className="link font-bold" onClick={() => change({ keySure: true })}>
              It is right
            </button>
          </>
        )}
      </p>
      {!version.keySure && (
        <SelectField
          label="The chords are written in"
          className="mt-2 w-44"
          value={version.writtenKey}
          options={[
            ...keyChoices(version.writtenKey),
            ...keyChoices(
              version.writtenKey.endsWith("m") ? version.writtenKey.slice(0, -1) : `${version.writtenKey}m`,
            ),
          ].map(told)}
          onSet={(writtenKey) => change({ writtenKey, key: writtenKey, keySure: true })}
        />
      )}
    </section>
  );
}
