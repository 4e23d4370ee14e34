"use client";

import { type KeyboardEvent, useCallback, useRef, useState } from "react";
import { LAST_FRET, type NoteArt, PLAIN_NOTE } from "@/core/fretboard";
import { beatUnitOf, type Meter, ticksOfBar, ticksOfBeatUnit } from "@/core/rhythm";
import { add, remove, set } from "@/core/song/edit";
import type { Riff, RiffNote } from "@/core/song/schema";
import { type KeyAct, keyAct } from "@/ui/keys";
import { makeId, useAct } from "../../open";

/** Quarter tones a note may be bent at most. */
const MOST_BEND = 8;
/** Digits nearer to each other than this are one fret, ms. Ours, no source. */
const ONE_FRET_MS = 900;

/** Plain, accented, light, plain again. */
const NEXT_WEIGHT = { 1: 2, 2: 3, 3: 1 } as const;

type Cursor = { readonly string: number; readonly column: number };

/**
 * The model of the grid a line is written on: where the cursor is, the note there, and what keys do.
 * @param step ticks between columns
 */
export function useTabGrid(riff: Riff, notes: readonly RiffNote[], meter: Meter, step: number) {
  const act = useAct();
  const strings = riff.tuning.length;
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
      before?.at === at && performance.now() - before.when < ONE_FRET_MS ? before.digit * 10 + digit : digit;
    putFret(two <= LAST_FRET ? two : digit);
    typed.current = { at, digit, when: performance.now() };
  };
  const acts = actsOf({ act, step, columns, cursor, here, go, change, putNew, onDigit });
  const onKeyDown = (event: KeyboardEvent) => {
    const pressed = keyAct("lines", event);
    if (!pressed) return;
    event.preventDefault();
    acts[pressed](event.key);
  };
  const pick = useCallback((string: number, column: number) => setCursor({ string, column }), []);
  return {
    grid,
    strings,
    columns,
    inBar,
    inBeat,
    step,
    cursor,
    here,
    noteAt,
    change,
    putFret,
    pick,
    onKeyDown,
  };
}

type Grid = {
  readonly act: ReturnType<typeof useAct>;
  readonly step: number;
  readonly columns: number;
  readonly cursor: Cursor;
  /** The note under the cursor. */
  readonly here: RiffNote | undefined;
  readonly go: (to: Cursor) => void;
  readonly change: (fields: Partial<RiffNote>) => void;
  readonly putNew: (fields: Partial<RiffNote>) => void;
  readonly onDigit: (digit: number) => void;
};

type KeyActs = Readonly<Record<KeyAct<"lines">, (key: string) => void>>;

/** What each key of the grid does. */
function actsOf({ act, step, columns, cursor, here, go, change, putNew, onDigit }: Grid): KeyActs {
  const art = (wanted: NoteArt) => () => here && change({ art: wanted });
  return {
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
    weight: () => here && change({ weight: NEXT_WEIGHT[here.weight] }),
    stroke: () =>
      here && change({ stroke: here.stroke === null ? "down" : here.stroke === "down" ? "up" : null }),
    longer: () => here && change({ ticks: here.ticks + Math.round(step) }),
    shorter: () => here && change({ ticks: Math.max(Math.round(step), here.ticks - Math.round(step)) }),
    take: () => here && act(remove("riffNotes", here)),
  };
}

export type TabGridModel = ReturnType<typeof useTabGrid>;
