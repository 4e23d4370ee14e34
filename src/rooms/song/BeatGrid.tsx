"use client";

import { type BeatUnit, beatsOfTicks, countBeats, formatBeats, type LineSum } from "@/core/rhythm";
import type { Namer } from "@/core/song/names";
import type { OutlineLine } from "@/core/song/read";
import type { VersionRow } from "@/core/song/schema";
import { useBeatGrid } from "./use-beat-grid";

type Props = {
  readonly line: OutlineLine;
  readonly version: VersionRow;
  readonly sum: LineSum | undefined;
  readonly label: string;
  /** Tells the line's chords, and reads what is typed. */
  readonly namer: Namer;
};

/**
 * A line's beats as a grid of cells under its words: each chord an underline as long as its time. A letter puts a
 * chord at the marked beat, arrows go from beat to beat, square brackets make a chord shorter and longer.
 */
export function BeatGrid({ line, version, sum, label, namer }: Props) {
  const {
    grid,
    mark,
    setAt,
    typing,
    setTyping,
    problem,
    setProblem,
    chord,
    cells,
    beat,
    bar,
    unit,
    put,
    onKey,
  } = useBeatGrid(line, version, namer);
  const carryIn = sum?.carryIn ?? 0;
  const describeMark = `${label}, beat ${mark + 1} of ${cells - 1}: ${
    chord ? `${namer.chord(chord.symbol)}, ${countBeats(beatsOfTicks(chord.ticks, unit))}` : "past the end"
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
          <Cells
            line={line}
            beat={beat}
            cells={cells}
            mark={mark}
            barAt={(index) => (carryIn + index * beat) % bar}
            onMark={setAt}
          />
          <Underlines line={line} beat={beat} mark={mark} namer={namer} />
        </div>
      </div>
      <p id={`${line.line.id}-mark`} aria-live="polite" className="mt-1 text-sm">
        {describeMark}.{sum && <Sum sum={sum} unit={unit} />}
      </p>
      {typing !== null && (
        <PutChord
          beat={mark + 1}
          typing={typing}
          problem={problem}
          onType={setTyping}
          onPut={put}
          onLeave={() => {
            setTyping(null);
            setProblem("");
            grid.current?.focus();
          }}
        />
      )}
    </div>
  );
}

/** The beats of a line, counted within their bars; the one past the end takes a chord too. */
function Cells({
  line,
  beat,
  cells,
  mark,
  barAt,
  onMark,
}: {
  line: OutlineLine;
  beat: number;
  cells: number;
  mark: number;
  /** Ticks from the last downbeat to a beat. */
  barAt: (index: number) => number;
  onMark: (index: number) => void;
}) {
  return Array.from({ length: cells }, (_, index) => {
    const place = barAt(index);
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
        onClick={() => onMark(index)}
        aria-label={`Beat ${index + 1}`}
      >
        {index * beat < line.ticks ? formatBeats(place / beat + 1) : "+"}
      </button>
    );
  });
}

/** The chord that is typed at a beat. */
function PutChord({
  beat,
  typing,
  problem,
  onType,
  onPut,
  onLeave,
}: {
  beat: number;
  typing: string;
  problem: string;
  onType: (text: string) => void;
  onPut: () => void;
  onLeave: () => void;
}) {
  return (
    <form
      className="mt-1 flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onPut();
      }}
    >
      <label className="flex items-center gap-2 text-sm">
        Chord at beat {beat}
        <input
          // biome-ignore lint/a11y/noAutofocus: it opens because a letter was typed, and takes the rest of them
          autoFocus
          className={`input input-sm w-32 font-mono ${problem ? "input-error" : ""}`}
          value={typing}
          maxLength={40}
          aria-invalid={problem !== ""}
          onChange={(event) => onType(event.target.value)}
          onKeyDown={(event) => event.key === "Escape" && onLeave()}
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
function Underlines({
  line,
  beat,
  mark,
  namer,
}: {
  line: OutlineLine;
  beat: number;
  mark: number;
  namer: Namer;
}) {
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
          {namer.chord(chord.symbol)}
          {!chord.sure && "?"}
        </span>
        {!whole && <span className="text-xs"> {formatBeats(chord.ticks / beat)}</span>}
      </span>
    );
  });
}
