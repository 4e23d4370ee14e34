"use client";

import { byOrder } from "@/document";
import { SelectField } from "@/ui/SelectField";
import { useRowsLater } from "./open-song";

type Said = { readonly sourceId: string | null; readonly sure: boolean };

/** Where a line, a shape or a sound comes from, and whether somebody doubts it. */
export function SourceAndDoubt({
  what,
  said,
  onSet,
}: {
  /** "this line", for who hears the fields alone. */
  readonly what: string;
  readonly said: Said;
  readonly onSet: (fields: Partial<Said>) => void;
}) {
  const sources = Object.values(useRowsLater("sources").sources).sort(byOrder);
  return (
    <span className="flex flex-wrap items-end gap-3">
      <SelectField
        label={`Where ${what} is from`}
        className="w-44"
        value={said.sourceId ?? ""}
        options={[
          { value: "", label: "not said" },
          ...sources.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onSet={(id) => onSet({ sourceId: id || null })}
      />
      <label className="flex items-center gap-2 pb-1 text-sm">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={!said.sure}
          onChange={(event) => onSet({ sure: !event.target.checked })}
        />
        not sure
      </label>
    </span>
  );
}
