"use client";

import type { SungPiece } from "@/core/song/read";
import { KEYS, showKeys } from "@/ui/keys";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { MARK_ACTS, type MarkAct, type Marks } from "./use-marks";

const keyOf = (act: MarkAct): string =>
  KEYS.find((key) => key.place === "chord" && key.act === act)?.keys[0] ?? "";

/** What can be done with a chord, and at which times. */
export function ChordMarks({
  piece,
  marks,
  label,
  toWritten,
}: {
  readonly piece: SungPiece;
  readonly marks: Marks;
  readonly label: string;
  readonly toWritten?: (text: string) => string | null;
}) {
  return (
    <fieldset className="my-1 flex flex-wrap items-end gap-2 rounded-field border border-base-300 bg-base-100 p-2 text-base">
      <legend className="sr-only">{`${piece.name} in ${label}`}</legend>
      <strong className="pb-1 font-mono">{piece.name}</strong>
      {(Object.keys(MARK_ACTS) as MarkAct[]).map((act) => (
        <button
          key={act}
          type="button"
          className="btn btn-sm"
          title={MARK_ACTS[act].long}
          onClick={() => marks.press(piece.id, act)}
        >
          {MARK_ACTS[act].words} <kbd className="kbd kbd-xs">{showKeys(keyOf(act))}</kbd>
        </button>
      ))}
      {toWritten && (
        <TextField
          label="Another chord"
          value=""
          clears
          longest={40}
          className="w-28"
          check={(text) =>
            text.trim() === "" || toWritten(text) !== null
              ? null
              : `“${text}” is no chord: write such as Am7.`
          }
          onSet={(text) => {
            const symbol = toWritten(text);
            if (symbol) marks.rename(piece.id, symbol);
          }}
        />
      )}
      {marks.homes.length > 1 && (
        <SelectField
          label="When"
          className="w-52"
          value={marks.value}
          options={marks.homes.map(({ value, label: words }) => ({ value, label: words }))}
          onSet={marks.setValue}
        />
      )}
    </fieldset>
  );
}
