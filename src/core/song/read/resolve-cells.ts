import { groupBy } from "../../../base";
import type { Style } from "../../fretboard";
import type { BarsSaid } from "../schema/bars-said";
import type { VersionBody } from "../schema/documents";
import type { Cell, LineFill } from "../schema/parts";
import type { Player } from "../schema/players";
import type { Role } from "../schema/roles";
import type { Use } from "../schema/sections";
import type { TechniqueId } from "../schema/technique-ids";
import { type BarRanges, inBoth, rangesOf } from "./bar-ranges";
import type { Outline } from "./outline";
import { type Stay, staysOf } from "./stays";
import { techniqueOf } from "./techniques";
import { type Passage, type Timeline, type TimelineTables, timelineOf } from "./timeline";

/**
 * Where a value on the sheet comes from: this cell, the section's first use, the player's default, or where the player
 * comes into the song.
 */
type Origin = "own" | "first use" | "player" | "entrance";

export type Inherited<Value> = { readonly value: Value; readonly from: Origin };

/** A cell of the sheet with nothing left open. */
export type ResolvedCell = {
  readonly cell: Cell | null;
  readonly light: Inherited<number>;
  readonly role: Inherited<Role>;
  readonly style: Inherited<Style>;
  /** The strings voicings keep to; null is all of them. */
  readonly strings: Inherited<readonly number[] | null>;
  readonly capo: Inherited<number>;
  readonly note: Inherited<string>;
  readonly technique: Inherited<TechniqueId | null>;
  /** A pattern and a line by id. A cell with a technique of its own takes neither from the first use. */
  readonly strumId: Inherited<string | null>;
  readonly riffId: Inherited<string | null>;
  readonly sound: Inherited<string>;
  /** The bars played each time, as they were said; null is all. */
  readonly barsSaid: Inherited<BarsSaid | null>;
  /** The same in numbers. Which of them are played in one round is {@link barsAt}. */
  readonly bars: Inherited<BarRanges | null>;
  /** When the player is in the song at all, a round of the use each; null is always. */
  readonly stays: readonly Stay[] | null;
  readonly phrases: Inherited<readonly { readonly from: number; readonly to: number; readonly role: Role }[]>;
  readonly doubles: Inherited<string | null>;
  /** Whether it may be played or not. */
  readonly optional: Inherited<boolean>;
  /** The fret shapes lie about; null is wherever they are usual. */
  readonly fret: Inherited<number | null>;
  readonly approach: Inherited<boolean>;
  /** The pattern of chords of half a bar or less; null is the pattern of all. */
  readonly shortStrumId: Inherited<string | null>;
  /** The pattern of the last beats before a chord changes; null is none. */
  readonly fillStrumId: Inherited<string | null>;
  /** Whether one small shape is moved along the neck as it is. */
  readonly moved: Inherited<boolean>;
  /** How a line fills the bars it is played in. */
  readonly lineFill: Inherited<LineFill>;
  /** How a line that can't stay on its strings here is played; null is not chosen yet. */
  readonly lineWay: Inherited<"re-fingered" | null>;
};

/** The bars played in one round of a use: those of the cell while the player is in. Null is all of them. */
export const barsAt = (
  { bars, stays }: Pick<ResolvedCell, "bars" | "stays">,
  round: number,
): BarRanges | null => inBoth(bars.value, stays?.[Math.min(round, stays.length - 1)] ?? null);

/** Whether a part is silent: without light, or told to stay out. */
export const isOut = (cell: Pick<ResolvedCell, "light" | "role">): boolean =>
  cell.light.value === 0 || cell.role.value === "out";

export const cellKey = (useId: string, playerId: string): string => `${useId} ${playerId}`;

/** Cells by use and player, and the first use of each section: what resolving needs, read once. */
export type CellIndex = {
  readonly cells: ReadonlyMap<string, Cell>;
  readonly firstUse: ReadonlyMap<string, string>;
  /** When a player is in, by use; null where nothing is said of it. */
  readonly staysOf: (playerId: string) => ReadonlyMap<string, readonly Stay[]> | null;
  /** One time through a use. */
  readonly passageOf: (useId: string) => Passage | undefined;
};

/** The tables cells are resolved from. */
export type CellTables = TimelineTables & Pick<VersionBody, "cells" | "entrances">;

/**
 * Reads cells and entrances once.
 * @param timelineMade the song played out, where it is known; else it is made when something needs it
 */
export function indexCells(
  body: CellTables,
  outline: Outline,
  timelineMade: () => Timeline = () => timelineOf(body, outline),
): CellIndex {
  const cells = new Map(Object.values(body.cells).map((cell) => [cellKey(cell.useId, cell.playerId), cell]));
  const firstUse = new Map<string, string>();
  for (const use of outline.form) if (!firstUse.has(use.sectionId)) firstUse.set(use.sectionId, use.id);
  let made: Timeline | null = null;
  const timeline = (): Timeline => (made ??= timelineMade());
  const entrances = groupBy(Object.values(body.entrances), ({ playerId }) => playerId);
  const stays = new Map<string, ReadonlyMap<string, readonly Stay[]> | null>();
  const staysFor = (playerId: string) => {
    const own = entrances.get(playerId);
    if (!own) return null;
    const known = stays.get(playerId);
    if (known !== undefined) return known;
    const found = staysOf(own, timeline());
    stays.set(playerId, found);
    return found;
  };
  return {
    cells,
    firstUse,
    staysOf: staysFor,
    passageOf: (useId) => timeline().passages.find(({ use }) => use.id === useId),
  };
}

/** Bars as they are said, in numbers. Those by number already need no timeline. */
function rangesSaid(index: CellIndex, useId: string, said: BarsSaid | null): BarRanges | null {
  if (said === null) return null;
  if (said.every(([how]) => typeof how === "number")) return said as BarRanges;
  const passage = index.passageOf(useId);
  return passage ? rangesOf(said, passage) : null;
}

const STYLE_OF_INSTRUMENT: Readonly<Record<Player["instrument"], Style>> = Object.freeze({
  guitar: "full",
  bass: "bass",
  keys: "full",
  drums: "full",
  voice: "full",
});

/** An empty field takes the section's first use, then the player's default. */
export function resolveCell(index: CellIndex, use: Use, player: Player): ResolvedCell {
  const cell = index.cells.get(cellKey(use.id, player.id)) ?? null;
  const firstId = index.firstUse.get(use.sectionId);
  const first =
    firstId === undefined || firstId === use.id
      ? null
      : (index.cells.get(cellKey(firstId, player.id)) ?? null);
  const pick = <Value>(field: keyof Cell, fallback: Value, inherits = true): Inherited<Value> => {
    if (cell && cell[field] !== null) return { value: cell[field] as Value, from: "own" };
    if (inherits && first && first[field] !== null)
      return { value: first[field] as Value, from: "first use" };
    return { value: fallback, from: "player" };
  };
  const stays = index.staysOf(player.id)?.get(use.id) ?? null;
  const barsSaid = pick<BarsSaid | null>("bars", null);
  const bars = rangesSaid(index, use.id, barsSaid.value);
  const isAway = stays?.every((stay) => inBoth(bars, stay)?.length === 0) ?? false;
  const technique = pick<TechniqueId | null>("technique", null);
  const asBefore = technique.from !== "own";
  const usual = technique.value ? techniqueOf(technique.value).style : STYLE_OF_INSTRUMENT[player.instrument];
  return {
    cell,
    light: pick("light", player.light),
    role: isAway ? { value: "out", from: "entrance" } : pick("role", player.role),
    style: pick<Style>("style", usual, asBefore),
    strings: pick<readonly number[] | null>("strings", null),
    capo: pick("capo", player.capo),
    note: pick("note", ""),
    technique,
    strumId: pick<string | null>("strumId", null, asBefore),
    riffId: pick<string | null>("riffId", null, asBefore),
    sound: pick("sound", ""),
    barsSaid,
    bars: { value: bars, from: barsSaid.from },
    stays,
    phrases: pick<ResolvedCell["phrases"]["value"]>("phrases", []),
    doubles: pick<string | null>("doubles", null),
    optional: pick("optional", false),
    fret: pick<number | null>("fret", null, asBefore),
    approach: pick("approach", false, asBefore),
    shortStrumId: pick<string | null>("shortStrumId", null, asBefore),
    fillStrumId: pick<string | null>("fillStrumId", null, asBefore),
    moved: pick("moved", false, asBefore),
    lineFill: pick<LineFill>("lineFill", "again", asBefore),
    // How it goes in one section says nothing of another: the first may not be raised.
    lineWay: { value: cell?.lineWay ?? null, from: cell?.lineWay ? "own" : "player" },
  };
}
