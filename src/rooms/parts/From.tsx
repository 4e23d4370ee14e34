"use client";

import type { Inherited } from "@/core/song/read";

const FROM_WORDS = {
  own: "",
  "first use": "from this section’s first time",
  player: "the player’s usual",
  entrance: "not in the song here",
} as const;

/** Where a value comes from; an own one can be given back. */
export function From({
  value,
  what,
  onClear,
}: {
  value: Inherited<unknown>;
  /** The field, for readers who hear the button alone. */
  what: string;
  onClear: () => void;
}) {
  if (value.from === "own") {
    return (
      <button type="button" className="link text-sm" onClick={onClear}>
        let it follow again<span className="sr-only">: {what}</span>
      </button>
    );
  }
  const empty =
    value.value === "" || value.value === null || (Array.isArray(value.value) && value.value.length === 0);
  return empty ? null : <span className="text-sm italic">{FROM_WORDS[value.from]}</span>;
}
