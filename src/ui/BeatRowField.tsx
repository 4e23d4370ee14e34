"use client";

import { type KeyboardEvent, useId, useRef, useState } from "react";
import { describeBeatRowProblem, fitBeatRow, formatBeatRow, readBeatRow } from "@/core/rhythm";
import { type KeyAct, keyAct } from "./keys";
import { useReady } from "./use-ready";
import { useTyped } from "./use-typed";

const LONGEST_ROW = 800;

type Props = {
  /** What the row belongs to: "line 2 of Verse 1". */
  readonly label: string;
  /** Beats of the line's chords. */
  readonly beats: readonly number[];
  /** Beats of a bar, and of it gone where the line begins. */
  readonly bar: number;
  readonly from: number;
  readonly guessed: boolean;
  /** How many chords the lines of its section have, from this one on. */
  readonly chordsBelow: readonly number[];
  /** Counts the lines below that are likely the same; asked where the field is entered. */
  readonly countAlike: () => number;
  /** @param rows beats of this line, and of those below it that the row goes on over; @param alsoAlike for like lines too */
  readonly onSet: (rows: readonly (readonly number[])[], alsoAlike: boolean) => void;
};

/** The beats of a line's chords as one row to type: "6 2 | 4 4". Enter goes on to the next line. */
export function BeatRowField({ label, beats, bar, from, guessed, chordsBelow, countAlike, onSet }: Props) {
  const id = useId();
  const ready = useReady();
  const written = formatBeatRow(beats, bar, from);
  const { text, problem, type, refuse, stand, leave, back } = useTyped(written);
  /** Lines below like this one, while the field is worked at. */
  const [alike, setAlike] = useState(0);
  /** The text that was set last: leaving the field does not set it again. */
  const set = useRef<string | null>(null);

  /**
   * @param isMeant whether a key says so: a guess that is left as it is stays one
   * @returns whether the row stands
   */
  const commit = (alsoAlike: boolean, isMeant = true): boolean => {
    const isSame = text.trim() === written || text === set.current;
    if (isSame && !alsoAlike && !(isMeant && guessed)) return true;
    const row = readBeatRow(text);
    const fitted = row.ok ? fitBeatRow(row.value, chordsBelow) : row;
    if (!fitted.ok) {
      refuse(describeBeatRowProblem(fitted.problem));
      return false;
    }
    set.current = text;
    stand(formatBeatRow(fitted.value[0]!, bar, from));
    onSet(fitted.value, alsoAlike);
    return true;
  };
  const acts: Readonly<Record<KeyAct<"beat row">, (field: HTMLInputElement) => void>> = {
    set: (field) => commit(false) && goBy(field, 1),
    alike: () => commit(true),
    down: (field) => goBy(field, 1),
    up: (field) => goBy(field, -1),
    back,
  };
  const onKey = (event: KeyboardEvent<HTMLInputElement>) => {
    const act = keyAct("beat row", event);
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    acts[act](event.currentTarget);
  };
  return (
    <span className="relative block">
      <input
        id={id}
        data-beat-row
        aria-label={`Beats of ${label}`}
        aria-describedby={`${id}-said`}
        aria-invalid={problem !== ""}
        className={`input input-sm w-full text-right font-mono ${
          problem
            ? "input-error"
            : guessed
              ? "border-dotted border-base-content/70"
              : "border-base-content/40"
        }`}
        value={text}
        readOnly={!ready}
        maxLength={LONGEST_ROW}
        spellCheck={false}
        onChange={(event) => {
          set.current = null;
          type(event.target.value);
        }}
        onFocus={() => setAlike(countAlike())}
        onBlur={() => {
          commit(false, false);
          leave();
          setAlike(0);
        }}
        onKeyDown={onKey}
      />
      {/* It lies over what follows: a line that moved away under the pointer would be missed. */}
      <span id={`${id}-said`} className="absolute top-full right-0 z-10 w-max max-w-64 text-right text-sm">
        {problem && (
          <span
            role="alert"
            className="block rounded-field border border-error bg-base-100 px-2 py-1 text-error"
          >
            {problem}
          </span>
        )}
        {!problem && alike > 0 && (
          <button
            type="button"
            tabIndex={-1}
            className="rounded-field border border-base-content/40 bg-base-100 px-2 underline"
            onPointerDown={(event) => event.preventDefault()}
            onClick={() => commit(true)}
          >
            {alike === 1 ? "also the line like it" : `also ${alike} lines like it`}{" "}
            <kbd className="kbd kbd-xs">Ctrl ↵</kbd>
          </button>
        )}
      </span>
    </span>
  );
}

/** To the row of the next line, or the one before. */
function goBy(field: HTMLInputElement, by: number): void {
  const rows = [...document.querySelectorAll<HTMLInputElement>("[data-beat-row]")];
  const next = rows[rows.indexOf(field) + by];
  next?.focus();
  next?.select();
}
