"use client";

import { type KeyboardEvent, memo, useCallback, useRef, useState } from "react";
import { LAST_FRET, NOTE_ARTS, type NoteArt, type NoteFit, PLAIN_NOTE } from "@/core/fretboard";
import type { SectionChord } from "@/core/parts";
import { beatUnitOf, type Meter, ticksOfBar, ticksOfBeatUnit } from "@/core/rhythm";
import { add, remove, set } from "@/core/song/edit";
import type { Riff, RiffNote } from "@/core/song/schema";
import { type KeyAct, keyAct } from "@/ui/keys";
import { NumberField } from "@/ui/NumberField";
import { pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { signOfNote } from "@/ui/TabLines";
import { Tick } from "@/ui/Tick";
import { namesOfStrings } from "@/ui/voicing-words";
import { makeId, useAct } from "../../open";

const ART_WORDS: Readonly<Record<NoteArt, string>> = {
  plain: "plucked",
  hammer: "hammered on",
  pull: "pulled off",
  slide: "slid to",
  dead: "dead",
};
const BEND_WORDS = [
  "none",
  "a quarter tone",
  "a semitone",
  "three quarter tones",
  "a whole tone",
  "5 quarter tones",
  "3 semitones",
  "7 quarter tones",
  "two whole tones",
];
const MOST_BEND = 8;

type Props = {
  readonly riff: Riff;
  readonly notes: readonly RiffNote[];
  readonly fits: readonly NoteFit[];
  readonly meter: Meter;
  /** Ticks between columns. */
  readonly step: number;
  readonly chords: readonly SectionChord[];
  readonly nameOf: (note: RiffNote) => string;
};

type Cursor = { readonly string: number; readonly column: number };

/** The grid a line is written on: strings down, the floor's string on top, a column for each step of a beat. */
export function TabGrid({ riff, notes, fits, meter, step, chords, nameOf }: Props) {
  const act = useAct();
  const strings = riff.tuning.length;
  const names = namesOfStrings(riff.tuning);
  const columns = Math.max(1, Math.ceil(riff.ticks / step));
  const inBar = Math.max(1, Math.round(ticksOfBar(meter) / step));
  const inBeat = Math.max(1, Math.round(ticksOfBeatUnit(beatUnitOf(meter))! / step));
  const [kept, setCursor] = useState<Cursor>({ string: strings - 1, column: 0 });
  const cursor = { string: Math.min(kept.string, strings - 1), column: Math.min(kept.column, columns - 1) };
  const grid = useRef<HTMLDivElement>(null);
  /** A digit typed a moment ago at a place, for frets of two digits. */
  const typed = useRef<{ readonly at: string; readonly digit: number; readonly when: number } | null>(null);
  const tick = Math.round(cursor.column * step);
  const noteAt = (string: number, from: number) =>
    notes.find((note) => note.string === string && note.tick >= from && note.tick < from + step);
  const here = noteAt(cursor.string, tick);
  const change = (fields: Partial<RiffNote>) => {
    if (here) act(set("riffNotes", here.id, fields));
  };
  const putNew = (fields: Partial<RiffNote>) =>
    act(
      add("riffNotes", {
        ...PLAIN_NOTE,
        id: makeId(),
        riffId: riff.id,
        tick,
        ticks: Math.round(step),
        string: cursor.string,
        fret: 0,
        ...fields,
      }),
    );
  const putFret = (fret: number) => {
    if (here) change({ fret, ...(here.art === "dead" ? { art: "plain" as const } : {}) });
    else putNew({ fret });
  };
  const go = (to: Cursor) => {
    const next = {
      string: Math.max(0, Math.min(strings - 1, to.string)),
      column: Math.max(0, Math.min(columns - 1, to.column)),
    };
    setCursor(next);
    grid.current?.querySelector<HTMLElement>(`[data-at="${next.string}-${next.column}"]`)?.focus();
  };
  const onDigit = (digit: number) => {
    const at = `${cursor.string} ${cursor.column}`;
    const before = typed.current;
    const two =
      before?.at === at && performance.now() - before.when < 900 ? before.digit * 10 + digit : digit;
    putFret(two <= LAST_FRET ? two : digit);
    typed.current = { at, digit, when: performance.now() };
  };
  const art = (wanted: NoteArt) => () => here && change({ art: wanted });
  const acts: Readonly<Record<KeyAct<"lines">, (key: string) => void>> = {
    left: () => go({ ...cursor, column: cursor.column - 1 }),
    right: () => go({ ...cursor, column: cursor.column + 1 }),
    // The string nearest the floor stands on top.
    up: () => go({ ...cursor, string: cursor.string + 1 }),
    down: () => go({ ...cursor, string: cursor.string - 1 }),
    first: () => go({ ...cursor, column: 0 }),
    last: () => go({ ...cursor, column: columns - 1 }),
    fret: (key) => onDigit(Number(key)),
    hammer: art("hammer"),
    pull: art("pull"),
    slide: art("slide"),
    plain: art("plain"),
    dead: () => (here ? change({ art: "dead" }) : putNew({ art: "dead" })),
    bend: () => here && change({ bend: (here.bend + 1) % (MOST_BEND + 1) }),
    ring: () => here && change({ ring: !here.ring }),
    short: () => here && change({ short: !here.short }),
    optional: () => here && change({ optional: !here.optional }),
    longer: () => here && change({ ticks: here.ticks + Math.round(step) }),
    shorter: () => here && change({ ticks: Math.max(Math.round(step), here.ticks - Math.round(step)) }),
    take: () => here && act(remove("riffNotes", here)),
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const pressed = keyAct("lines", event);
    if (!pressed) return;
    event.preventDefault();
    acts[pressed](event.key);
  };
  const pick = useCallback((string: number, column: number) => setCursor({ string, column }), []);
  const chordAt = (from: number) => chords.find((chord) => chord.tick >= from && chord.tick < from + step);
  return (
    <>
      <div ref={grid} className="flex flex-wrap gap-x-6 gap-y-3">
        {Array.from({ length: Math.ceil(columns / inBar) }, (_, bar) => {
          const own = Array.from(
            { length: Math.min(inBar, columns - bar * inBar) },
            (__, at) => bar * inBar + at,
          );
          return (
            <table
              key={bar}
              className="border-collapse"
              aria-label={`Bar ${bar + 1} of ${riff.name}`}
              onKeyDown={onKeyDown}
            >
              <thead>
                <tr>
                  <td className="pr-2 text-right text-xs">bar {bar + 1}</td>
                  {own.map((column) => (
                    <th key={column} scope="col" className="h-5 text-left font-mono text-xs">
                      {pretty(chordAt(column * step)?.symbol ?? "")}
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
                    {own.map((column) => {
                      const from = column * step;
                      const note = noteAt(string, from);
                      const held = notes.some(
                        (one) => one.string === string && one.tick < from && one.tick + one.ticks > from,
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
                  {own.map((column) => (
                    <td key={column} className="text-xs">
                      {column % inBeat === 0 ? (column % inBar) / inBeat + 1 : ""}
                    </td>
                  ))}
                </tr>
              </tbody>
            </table>
          );
        })}
      </div>
      <p className="mt-2 text-sm">
        Digits put a fret, arrows move, Delete takes away. h hammer, p pull, / slide, x dead, n plucked, b
        bends by quarter tones, r rings, s short, o may be left out, + and − the length.
      </p>
      <fieldset className="mt-2 flex flex-wrap items-end gap-3">
        <legend className="text-sm">
          {names[cursor.string]} string, bar {Math.floor(cursor.column / inBar) + 1}, beat{" "}
          {Math.floor((cursor.column % inBar) / inBeat) + 1}
          {here ? `: ${nameOf(here)}` : ": nothing"}
        </legend>
        <NumberField label="Fret" value={here?.fret ?? 0} least={0} most={LAST_FRET} onSet={putFret} />
        {here ? (
          <>
            <SelectField
              label="Begun"
              className="w-32"
              value={here.art}
              options={NOTE_ARTS.map((art) => ({ value: art, label: ART_WORDS[art] }))}
              onSet={(art) => change({ art: art as NoteArt })}
            />
            <SelectField
              label="Bent up"
              className="w-40"
              value={String(here.bend)}
              options={BEND_WORDS.map((label, bend) => ({ value: String(bend), label }))}
              onSet={(bend) => change({ bend: Number(bend) })}
            />
            <SelectField
              label="Which time"
              className="w-32"
              value={String(here.round ?? "")}
              options={[
                { value: "", label: "every time" },
                ...[1, 2, 3, 4].map((round) => ({ value: String(round), label: `only time ${round}` })),
              ]}
              onSet={(round) => change({ round: round === "" ? null : Number(round) })}
            />
            <Tick label="rings" on={here.ring} onSet={(ring) => change({ ring })} />
            <Tick label="short" on={here.short} onSet={(short) => change({ short })} />
            <Tick label="may be left out" on={here.optional} onSet={(optional) => change({ optional })} />
          </>
        ) : (
          <button type="button" className="btn btn-sm" onClick={() => putFret(0)}>
            Put the open string here
          </button>
        )}
      </fieldset>
    </>
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
