import type { Style } from "../../fretboard";
import type { VersionBody } from "../schema/documents";
import type { Cell } from "../schema/parts";
import type { Player } from "../schema/players";
import type { Role } from "../schema/roles";
import type { Use } from "../schema/sections";
import type { TechniqueId } from "../schema/technique-ids";
import type { Outline } from "./outline";
import { techniqueOf } from "./techniques";

/** Where a value on the sheet comes from: this cell, the section's first use, or the player's default. */
type Origin = "own" | "first use" | "player";

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
  /** Null is all bars. */
  readonly bars: Inherited<readonly (readonly [from: number, to: number])[] | null>;
  readonly phrases: Inherited<readonly { readonly from: number; readonly to: number; readonly role: Role }[]>;
  readonly doubles: Inherited<string | null>;
};

/** Whether a part is silent: without light, or told to stay out. */
export const isOut = (cell: Pick<ResolvedCell, "light" | "role">): boolean =>
  cell.light.value === 0 || cell.role.value === "out";

export const cellKey = (useId: string, playerId: string): string => `${useId} ${playerId}`;

/** Cells by use and player, and the first use of each section: what resolving needs, read once. */
export type CellIndex = {
  readonly cells: ReadonlyMap<string, Cell>;
  readonly firstUse: ReadonlyMap<string, string>;
};

export function indexCells(body: Pick<VersionBody, "cells">, outline: Pick<Outline, "form">): CellIndex {
  const cells = new Map(Object.values(body.cells).map((cell) => [cellKey(cell.useId, cell.playerId), cell]));
  const firstUse = new Map<string, string>();
  for (const use of outline.form) if (!firstUse.has(use.sectionId)) firstUse.set(use.sectionId, use.id);
  return { cells, firstUse };
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
  const technique = pick<TechniqueId | null>("technique", null);
  const asBefore = technique.from !== "own";
  const usual = technique.value ? techniqueOf(technique.value).style : STYLE_OF_INSTRUMENT[player.instrument];
  return {
    cell,
    light: pick("light", player.light),
    role: pick("role", player.role),
    style: pick<Style>("style", usual, asBefore),
    strings: pick<readonly number[] | null>("strings", null),
    capo: pick("capo", player.capo),
    note: pick("note", ""),
    technique,
    strumId: pick<string | null>("strumId", null, asBefore),
    riffId: pick<string | null>("riffId", null, asBefore),
    sound: pick("sound", ""),
    bars: pick<ResolvedCell["bars"]["value"]>("bars", null),
    phrases: pick<ResolvedCell["phrases"]["value"]>("phrases", []),
    doubles: pick<string | null>("doubles", null),
  };
}
