"use client";

import { type KeyboardEvent, useRef, useState } from "react";
import {
  type BeatUnit,
  beatsOfTicks,
  countBeats,
  formatBeats,
  type LineSum,
  ticksOfBar,
  ticksOfBeatUnit,
} from "@/core/rhythm";
import { liftChord, moveChordStart, moveChordWord, placeChord, spotAt, stretchChord } from "@/core/song/edit";
import type { OutlineLine } from "@/core/song/read";
import type { VersionRow } from "@/core/song/schema";
import { type KeyAct, keyAct } from "@/ui/keys";
import { pretty } from "@/ui/pretty";
import { makeId, useAct, useCurrentVersion } from "../open";
import { checkSymbol } from "./check-symbol";

type Props = {
  readonly line: OutlineLine;
  readonly version: VersionRow;
  readonly sum: LineSum | undefined;
  readonly label: string;
};

/**
 * A line's beats as a grid of cells under its words: each chord an underline as long as its time. A letter puts a
 * chord at the marked beat, arrows go from beat to beat, square brackets make a chord shorter and longer.
 */
export function BeatGrid({ line, version, sum, label }: Props) {
  const act = useAct();
  const current = useCurrentVersion();
  const grid = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState(0);
  const [typing, setTyping] = useState<string | null>(null);
  const [problem, setProblem] = useState("");
  const unit: BeatUnit = version.beatUnit;
  const beat = ticksOfBeatUnit(unit) ?? 960;
  const bar = ticksOfBar({ beats: version.meterBeats, unit: version.meterUnit });
  const cells = Math.ceil(line.ticks / beat) + 1;
  const mark = Math.min(at, cells - 1);
  const spot = spotAt(line, mark * beat);
  const chord = spot ? line.chords[spot.index]!.chord : null;
  const carryIn = sum?.carryIn ?? 0;

  const put = () => {
    const symbol = (typing ?? "").trim();
    const found = checkSymbol(symbol);
    setProblem(found ?? "");
    if (found) return;
    act(placeChord(line, mark * beat, symbol, bar, makeId));
    setTyping(null);
    grid.current?.focus();
  };
  const run = (command: ReturnType<typeof stretchChord>) => {
    if (command) act(command);
  };
  const index = spot?.index ?? -1;
  const goTo = (to: number) => setAt(Math.min(cells - 1, Math.max(0, to)));
  const moveStart = (by: number) => {
    const moved = moveChordStart(line, index, by * beat, beat);
    run(moved);
    if (moved) setAt(Math.max(0, mark + by));
  };
  const acts: Readonly<Record<KeyAct<"beats">, (key: string) => void>> = {
    left: () => goTo(mark - 1),
    right: () => goTo(mark + 1),
    first: () => goTo(0),
    last: () => goTo(cells - 1),
    earlier: () => moveStart(-1),
    later: () => moveStart(1),
    "word-before": () => run(moveChordWord(line, index, -1)),
    "word-after": () => run(moveChordWord(line, index, 1)),
    longer: () => run(stretchChord(line, index, beat, beat)),
    shorter: () => run(stretchChord(line, index, -beat, beat)),
    "half-longer": () => run(stretchChord(line, index, beat / 2, beat / 2)),
    "half-shorter": () => run(stretchChord(line, index, -beat / 2, beat / 2)),
    lift: () => spot && act(liftChord(current(), line, spot.index)),
    type: (key) => {
      setProblem("");
      setTyping(key.toUpperCase());
    },
  };
  const onKey = (event: KeyboardEvent) => {
    const pressed = typing === null ? keyAct("beats", event) : null;
    if (!pressed) return;
    event.preventDefault();
    acts[pressed](event.key);
  };
  const describeMark = `${label}, beat ${mark + 1} of ${cells - 1}: ${
    chord ? `${chord.symbol}, ${countBeats(beatsOfTicks(chord.ticks, unit))}` : "past the end"
  }`;
  return (
    <div className="mt-1">
      <div
        ref={grid}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: the grid is worked by keys as one widget
        tabIndex={0}
        role="application"
        aria-label={`Beats of ${label}`}
        aria-describedby={`${line.line.id}-mark`}
        className="overflow-x-auto rounded-field border border-base-300 bg-base-100 p-2"
        onKeyDown={onKey}
      >
        <div className="beat-grid" style={{ gridTemplateColumns: `repeat(${cells}, minmax(2.4rem, 1fr))` }}>
          {Array.from({ length: cells }, (_, index) => {
            const place = (carryIn + index * beat) % bar;
            return (
              <button
                key={index}
                type="button"
                tabIndex={-1}
                className="beat-cell"
                data-bar={place === 0}
                data-mark={index === mark}
                data-past={index * beat >= line.ticks}
                style={{ gridColumn: index + 1, gridRow: 1 }}
                onClick={() => setAt(index)}
                aria-label={`Beat ${index + 1}`}
              >
                {index * beat < line.ticks ? formatBeats(place / beat + 1) : "+"}
              </button>
            );
          })}
          <Underlines line={line} beat={beat} mark={mark} />
        </div>
      </div>
      <p id={`${line.line.id}-mark`} aria-live="polite" className="mt-1 text-sm">
        {describeMark}.{sum && <Sum sum={sum} unit={unit} />}
      </p>
      {typing !== null && (
        <form
          className="mt-1 flex flex-wrap items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            put();
          }}
        >
          <label className="flex items-center gap-2 text-sm">
            Chord at beat {mark + 1}
            <input
              // biome-ignore lint/a11y/noAutofocus: it opens because a letter was typed, and takes the rest of them
              autoFocus
              className={`input input-sm w-32 font-mono ${problem ? "input-error" : ""}`}
              value={typing}
              maxLength={40}
              aria-invalid={problem !== ""}
              onChange={(event) => setTyping(event.target.value)}
              onKeyDown={(event) => {
                if (event.key !== "Escape") return;
                setTyping(null);
                setProblem("");
                grid.current?.focus();
              }}
            />
          </label>
          <button type="submit" className="btn btn-sm">
            Put it there
          </button>
          {problem && (
            <span role="alert" className="text-sm text-error">
              {problem}
            </span>
          )}
        </form>
      )}
    </div>
  );
}

/** The sum of the line, and what it takes in from the bar before and carries on. */
function Sum({ sum, unit }: { sum: LineSum; unit: BeatUnit }) {
  const beats = (ticks: number) => countBeats(beatsOfTicks(ticks, unit));
  return (
    <>
      {" "}
      <strong>The line: {beats(sum.ticks)}</strong>
      {sum.carryIn > 0 && `, begins ${beats(sum.carryIn)} into a bar`}
      {sum.carryOut > 0 ? `, carries ${beats(sum.carryOut)} of a bar into the next` : ", ends with its bar"}.
    </>
  );
}

/** Chords as underlines over the cells they last, their names hung on them. */
function Underlines({ line, beat, mark }: { line: OutlineLine; beat: number; mark: number }) {
  let start = 0;
  return line.chords.map(({ chord }, index) => {
    const from = start;
    start += chord.ticks;
    const words = line.text
      .slice(line.chords[index]!.at, line.chords[index + 1]?.at ?? line.text.length)
      .trim();
    const whole = from % beat === 0 && chord.ticks % beat === 0;
    const here = mark * beat >= from && mark * beat < start;
    return (
      <span
        key={chord.id}
        className="beat-chord"
        data-here={here}
        data-guessed={chord.guessed}
        style={{
          gridColumn: `${Math.floor(from / beat) + 1} / ${Math.max(Math.floor(from / beat) + 2, Math.ceil(start / beat) + 1)}`,
          gridRow: whole ? 2 : 2 + (index % 2),
        }}
      >
        <span className="block truncate text-sm">{words || "\u00A0"}</span>
        <span className="beat-line" aria-hidden="true" />
        <span className="font-mono font-bold">
          {pretty(chord.symbol)}
          {!chord.sure && "?"}
        </span>
        {!whole && <span className="text-xs"> {formatBeats(chord.ticks / beat)}</span>}
      </span>
    );
  });
}
