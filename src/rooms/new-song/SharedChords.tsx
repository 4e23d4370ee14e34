"use client";

import type { Adjustments } from "@/core/formats";
import type { Shared } from "@/core/song/edit";

/** Sections of like chords: what the song keeps once, each to be kept apart instead. */
export function SharedChords({
  shared,
  adjustments: { apart = [] },
  onChange,
}: {
  readonly shared: readonly Shared[];
  readonly adjustments: Adjustments;
  readonly onChange: (fields: Partial<Adjustments>) => void;
}) {
  if (shared.length === 0) return null;
  const set = (label: string, shares: boolean) =>
    onChange({ apart: shares ? apart.filter((one) => one !== label) : [...apart, label] });
  return (
    <fieldset className="my-2 text-sm">
      <legend className="font-bold">Chords kept once: a change in the first reaches the others</legend>
      <ul className="flex flex-wrap gap-x-5 gap-y-1">
        {shared.map(({ sectionId, label, like }) => (
          <li key={sectionId}>
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={!apart.includes(label)}
                onChange={(event) => set(label, event.target.checked)}
              />
              {label} has the chords of {like}
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
