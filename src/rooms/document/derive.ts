import type { BarSum } from "@/core/rhythm";
import {
  type CellIndex,
  indexCells,
  type Outline,
  outlineOf,
  sectionSums,
  type Timeline,
  timelineOf,
  type VersionBody,
} from "@/core/song";

/** Remembers the last few results by the tables they were computed from. */
function byTables<Value>(
  tables: readonly (keyof VersionBody)[],
  compute: (body: VersionBody) => Value,
): (body: VersionBody) => Value {
  let last: { readonly seen: readonly unknown[]; readonly value: Value } | null = null;
  return (body) => {
    if (last?.seen.every((table, index) => table === body[tables[index]!])) return last.value;
    const value = compute(body);
    last = { seen: tables.map((table) => body[table]), value };
    return value;
  };
}

const SONG = ["sections", "lines", "words", "chords", "uses"] as const;

export const outline: (body: VersionBody) => Outline = byTables(SONG, outlineOf);
export const timeline: (body: VersionBody) => Timeline = byTables([...SONG, "version"], (body) =>
  timelineOf(body, outline(body)),
);
export const sums: (body: VersionBody) => ReadonlyMap<string, BarSum> = byTables(
  [...SONG, "version"],
  (body) => sectionSums(body, outline(body)),
);
export const cellIndex: (body: VersionBody) => CellIndex = byTables([...SONG, "cells"], (body) =>
  indexCells(body, outline(body)),
);
