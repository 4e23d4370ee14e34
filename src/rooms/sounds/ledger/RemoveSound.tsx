"use client";

import { useState } from "react";
import type { Sound } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";

/** Removes a sound; where sections use it, asks what they take instead. */
export function RemoveSound({
  sound,
  uses,
  others,
  onRemove,
}: {
  sound: Sound;
  uses: number;
  others: readonly Sound[];
  onRemove: (instead: string | null) => void;
}) {
  const [asking, setAsking] = useState(false);
  const [instead, setInstead] = useState("");
  if (!asking)
    return (
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => (uses === 0 ? onRemove(null) : setAsking(true))}
      >
        Remove this sound
      </button>
    );
  return (
    <div
      className="rounded-box border-2 border-base-content p-3"
      role="alertdialog"
      aria-label="Remove this sound"
    >
      <p className="mb-2">
        “{sound.name}” is named in {uses} {uses === 1 ? "part" : "parts"} of the sheet. What do they take
        instead?
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <SelectField
          label="They take"
          className="w-48"
          value={instead}
          options={[
            { value: "", label: "keep the name, undescribed" },
            ...others.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onSet={setInstead}
        />
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => onRemove(others.find(({ id }) => id === instead)?.name ?? null)}
        >
          Remove it
        </button>
        <button type="button" className="btn btn-sm btn-ghost underline" onClick={() => setAsking(false)}>
          Keep it
        </button>
      </div>
    </div>
  );
}
