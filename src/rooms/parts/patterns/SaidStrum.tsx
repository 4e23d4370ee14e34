"use client";

import { useId, useState } from "react";
import {
  describeSaidProblem,
  drawnRow,
  formatStrokes,
  isCompound,
  type Meter,
  readSaidPatterns,
  type SaidPattern,
  STRUM_FEELS,
  type StrumFeel,
  type Tempo,
} from "@/core/rhythm";
import { SelectField } from "@/ui/SelectField";
import { StrumRow } from "@/ui/StrumRow";
import { useReady } from "@/ui/use-ready";
import { HearThis, scoreOfPattern } from "../../hear";

const FEEL_WORDS: Readonly<Record<StrumFeel, string>> = {
  straight: "straight",
  shuffle: "shuffle: three to a beat",
};
/** Times round a candidate is heard. */
const HEARD = 2;
const LONGEST = 2000;

type Props = {
  readonly meter: Meter;
  readonly tempo: Tempo;
  /** What taking one does, said on its button: "Play it here". */
  readonly taking: string;
  readonly onTake: (said: SaidPattern, words: string) => void;
};

/** A strum as people say it: the patterns it may mean are drawn, can be heard, and one is taken. */
export function SaidStrum({ meter, tempo, taking, onTake }: Props) {
  const id = useId();
  const ready = useReady();
  const [words, setWords] = useState("");
  const [feel, setFeel] = useState<StrumFeel>("straight");
  const isEmpty = words.trim() === "";
  const read = isEmpty ? null : readSaidPatterns(words, meter, feel);
  const candidates = read?.ok ? read.value : [];
  const take = (said: SaidPattern) => {
    onTake(said, words.trim().replaceAll(/\s+/gu, " "));
    setWords("");
  };
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <span className="flex min-w-60 grow flex-col gap-1">
          <label htmlFor={id} className="text-sm">
            Say the strum
          </label>
          <input
            id={id}
            className={`input input-sm w-full ${read && !read.ok ? "input-error" : ""}`}
            value={words}
            readOnly={!ready}
            maxLength={LONGEST}
            placeholder="down down up up down up"
            autoComplete="off"
            aria-describedby={`${id}-told`}
            onChange={(event) => setWords(event.target.value)}
            onKeyDown={(event) => {
              if (event.key !== "Enter" || !candidates[0]) return;
              event.preventDefault();
              take(candidates[0]);
            }}
          />
        </span>
        {!isCompound(meter) && (
          <SelectField
            label="Feel"
            className="w-52"
            value={feel}
            options={STRUM_FEELS.map((value) => ({ value, label: FEEL_WORDS[value] }))}
            onSet={setFeel}
          />
        )}
      </div>
      <p id={`${id}-told`} className="text-sm" role={read && !read.ok ? "alert" : undefined}>
        {read && !read.ok
          ? describeSaidProblem(read.problem)
          : "In your words: down and up (or bas haut, ab auf, giù su …), ↓↑, ddudu, or counts: 1 2 & 4. A rest skips a place, x is a dead stroke."}
      </p>
      <ul className="flex flex-col gap-2">
        {candidates.map((said, at) => {
          const strokes = formatStrokes(said.pattern.strokes);
          const name = `${said.pattern.subdivision} ${strokes}`;
          return (
            <li key={name} className="rounded-field border border-base-300 p-2">
              <StrumRow row={drawnRow(said.pattern)} />
              <p className="text-sm">
                {said.why}
                {said.bars < 1 ? "; half a bar" : said.bars > 1 ? `; ${said.bars} bars` : ""}
              </p>
              <p className="mt-1 flex flex-wrap gap-2">
                <button type="button" className="btn btn-sm" onClick={() => take(said)}>
                  {taking}
                  {at === 0 && <span className="kbd kbd-xs">Enter</span>}
                </button>
                <HearThis
                  what={strokes}
                  className="btn-sm btn-ghost"
                  isKeyed={false}
                  score={() => scoreOfPattern(said.pattern, tempo, roundsOf(said))}
                />
              </p>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** Half a bar is heard twice as often as a whole one. */
const roundsOf = ({ bars }: SaidPattern): number => (bars < 1 ? HEARD * 2 : HEARD);
