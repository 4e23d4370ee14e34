import { byOrder, type MakeId } from "../../../document";
import { outlineOf } from "../read/outline";
import { cellKey, indexCells, type ResolvedCell, resolveCell } from "../read/resolve-cells";
import type { VersionBody } from "../schema/documents";
import { type Cell, EMPTY_CELL } from "../schema/parts";
import type { VersionStep } from "./edits";
import { add, set } from "./makers";

const FIELDS = Object.keys(EMPTY_CELL) as (keyof typeof EMPTY_CELL)[];

/**
 * Writes out what parts took from their section's first use, where a change of the form would have them take something
 * else. What nobody said before, and can't be said as nothing, is left as it comes.
 * @param before the version as it was
 * @param after the same with its form changed
 */
export function keepParts(before: VersionBody, after: VersionBody, makeId: MakeId): VersionStep[] {
  if (Object.keys(before.cells).length === 0) return [];
  const [was, is] = [read(before), read(after)];
  const uses = new Map(was.form.map((use) => [use.id, use]));
  const players = Object.values(after.players).sort(byOrder);
  return is.form.flatMap((use) => {
    const earlier = uses.get(use.id) ?? uses.get(use.originId ?? "");
    if (!earlier) return [];
    return players.flatMap((player): VersionStep[] => {
      const [then, now] = [resolveCell(was.index, earlier, player), resolveCell(is.index, use, player)];
      const said = FIELDS.flatMap((field) => {
        const value = saidOf(then, field);
        return value === null || JSON.stringify(value) === JSON.stringify(saidOf(now, field))
          ? []
          : [[field, value] as const];
      });
      if (said.length === 0) return [];
      const fields = Object.fromEntries(said) as Partial<Cell>;
      const cell = is.index.cells.get(cellKey(use.id, player.id));
      return cell
        ? [set("cells", cell.id, fields)]
        : [add("cells", { ...EMPTY_CELL, id: makeId(), useId: use.id, playerId: player.id, ...fields })];
    });
  });
}

const read = (body: VersionBody) => {
  const outline = outlineOf(body);
  return { form: outline.form, index: indexCells(body, outline) };
};

/** A field of a cell as it may be written. */
const saidOf = (cell: ResolvedCell, field: keyof typeof EMPTY_CELL): unknown => {
  const { value, from } = field === "bars" ? cell.barsSaid : cell[field];
  return from === "entrance" ? null : value;
};
