"use client";

import { memo } from "react";
import type { LineFinger, NoteFit, NoteStroke } from "@/core/fretboard";
import type { SectionChord } from "@/core/parts";
import type { Riff, RiffNote } from "@/core/song/schema";
import { strokeSign } from "@/ui/stroke-signs";
import { signOfNote } from "@/ui/TabLines";
import type { TabGridModel } from "./use-tab-grid";

/** One bar of the grid: strings down, the floor's string on top, a column for each step of a beat. */
export function TabBar({
  bar,
  model,
  riff,
  notes,
  fits,
  strokes,
  fingers,
  chords,
  strings: names,
  chordName,
  nameOf,
}: {
  readonly bar: number;
  readonly model: TabGridModel;
  readonly riff: Riff;
  readonly notes: readonly RiffNote[];
  readonly fits: readonly NoteFit[];
  /** A stroke a note. */
  readonly strokes: readonly (NoteStroke | null)[];
  /** A finger a note. */
  readonly fingers: readonly (LineFinger | null)[];
  readonly chords: readonly SectionChord[];
  /** Names of the strings. */
  readonly strings: readonly string[];
  /** How a chord that sounds is told. */
  readonly chordName: (symbol: string) => string;
  readonly nameOf: (note: RiffNote) => string;
}) {
  const { strings, columns, inBar, inBeat, step, cursor, noteAt, pick, onKeyDown } = model;
  const columnsHere = Array.from(
    { length: Math.min(inBar, columns - bar * inBar) },
    (_, at) => bar * inBar + at,
  );
  const strokeIn = (column: number) => {
    const at = notes.findIndex(({ tick }) => tick >= column * step && tick < (column + 1) * step);
    return at < 0 ? "" : strokeSign(notes[at]!, strokes[at] ?? null);
  };
  const fingersIn = (column: number) =>
    notes
      .flatMap(({ tick }, at) =>
        tick >= column * step && tick < (column + 1) * step ? (fingers[at] ?? []) : [],
      )
      .join(" ");
  const chordAt = (from: number) => chords.find((chord) => chord.tick >= from && chord.tick < from + step);
  return (
    <table className="border-collapse" aria-label={`Bar ${bar + 1} of ${riff.name}`} onKeyDown={onKeyDown}>
      <thead>
        <tr>
          <td className="pr-2 text-right text-xs">bar {bar + 1}</td>
          {columnsHere.map((column) => (
            <th key={column} scope="col" className="h-5 text-left font-mono text-xs">
              {chordName(chordAt(column * step)?.symbol ?? "")}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {Array.from({ length: strings }, (__, down) => strings - 1 - down).map((string) => (
          <tr key={string}>
            <th scope="row" className="pr-2 text-right text-sm font-normal">
              {names[string]}
            </th>
            {columnsHere.map((column) => {
              const from = column * step;
              const note = noteAt(string, from);
              const held = notes.some(
                (other) => other.string === string && other.tick < from && other.tick + other.ticks > from,
              );
              return (
                <GridCell
                  key={column}
                  string={string}
                  column={column}
                  beat={column % inBeat === 0}
                  sign={note ? signOfNote(note) : ""}
                  told={note ? nameOf(note) : ""}
                  held={held}
                  fit={note ? (fits[notes.indexOf(note)] ?? "none") : "none"}
                  on={cursor.string === string && cursor.column === column}
                  onPick={pick}
                />
              );
            })}
          </tr>
        ))}
        <tr>
          <td />
          {columnsHere.map((column) => (
            <td key={column} className="text-xs">
              {column % inBeat === 0 ? (column % inBar) / inBeat + 1 : ""}
            </td>
          ))}
        </tr>
        {columnsHere.some((column) => fingersIn(column) !== "") && (
          <tr>
            <th scope="row" className="pr-2 text-right text-xs font-normal">
              fingers
            </th>
            {columnsHere.map((column) => (
              <td key={column} className="text-center text-xs">
                {fingersIn(column)}
              </td>
            ))}
          </tr>
        )}
        {columnsHere.some((column) => strokeIn(column) !== "") && (
          <tr>
            <th scope="row" className="pr-2 text-right text-xs font-normal">
              strokes
            </th>
            {columnsHere.map((column) => (
              <td key={column} className="text-center text-sm font-bold">
                {strokeIn(column)}
              </td>
            ))}
          </tr>
        )}
      </tbody>
    </table>
  );
}

type CellProps = {
  readonly string: number;
  readonly column: number;
  readonly beat: boolean;
  readonly sign: string;
  readonly told: string;
  readonly held: boolean;
  readonly fit: NoteFit;
  readonly on: boolean;
  readonly onPick: (string: number, column: number) => void;
};

const GridCell = memo(function GridCell({
  string,
  column,
  beat,
  sign,
  told,
  held,
  fit,
  on,
  onPick,
}: CellProps) {
  return (
    <td className={`p-0 ${beat ? "border-l border-base-content/40" : ""}`}>
      <button
        type="button"
        data-at={`${string}-${column}`}
        tabIndex={on ? 0 : -1}
        aria-label={
          sign
            ? `${sign}, ${told}${fit === "outside" ? ", outside chord and scale" : ""}`
            : held
              ? "held"
              : "empty"
        }
        className={`relative block h-7 w-full min-w-8 px-0.5 font-mono text-sm font-bold ${on ? "bg-base-300 ring-2 ring-base-content" : ""} ${fit === "outside" ? "outline-2 outline-dashed -outline-offset-2" : ""}`}
        onClick={() => onPick(string, column)}
        onFocus={() => onPick(string, column)}
      >
        <span
          aria-hidden="true"
          className={`absolute inset-x-0 top-1/2 ${held ? "h-1 -translate-y-1/2 bg-primary" : "h-px bg-base-content/40"}`}
        />
        {sign && <span className="relative bg-base-100 px-0.5">{sign}</span>}
      </button>
    </td>
  );
});
