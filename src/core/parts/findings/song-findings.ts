import { techniqueOf, techniquesFor } from "../../song/read";
import { FULL_LIGHT, type Player } from "../../song/schema";
import type { BandSheet, SheetRow } from "../band";
import type { Fix, SheetFinding } from "./sheet-finding";

/** Fewer uses than this have no course of light to speak of. */
const FEWEST_USES = 3;

/** All the light of a row together. */
export const lightOfRow = (row: SheetRow): number =>
  row.parts.reduce((sum, part) => sum + (part.out ? 0 : part.cell.light.value), 0);

const song = (players: BandSheet["players"] = []) => ({
  useId: null,
  label: "",
  players: players.map((player) => player.name),
  playerIds: players.map((player) => player.id),
});

/** Light that never changes, and light that drops at the last chorus. */
export function lightFindings({ rows }: BandSheet): SheetFinding[] {
  const found: SheetFinding[] = [];
  const lights = rows.map((row) => row.parts.map((part) => (part.out ? 0 : part.cell.light.value)).join());
  const sounding = rows.some((row) => lightOfRow(row) > 0);
  if (rows.length >= FEWEST_USES && sounding && new Set(lights).size === 1)
    found.push({
      kind: "light-flat",
      id: "light-flat",
      ...song(),
      light: lightOfRow(rows[0]!),
      fixes: brighterChoruses(rows),
    });
  const choruses = rows.filter((row) => row.section.kind === "chorus");
  const [before, last] = [choruses.at(-2), choruses.at(-1)];
  if (before && last && lightOfRow(last) < lightOfRow(before)) {
    const cells = last.parts.flatMap((part, at) => {
      const then = before.parts[at]!;
      if (then.out || (!part.out && part.cell.light.value >= then.cell.light.value)) return [];
      const fields = { light: then.cell.light.value, ...(part.out ? { role: then.cell.role.value } : {}) };
      return [{ useId: last.use.id, playerId: part.player.id, fields }];
    });
    found.push({
      kind: "light-drops",
      id: `light-drops ${last.use.id}`,
      ...song(),
      useId: last.use.id,
      label: last.label,
      from: lightOfRow(before),
      to: lightOfRow(last),
      fixes: [{ code: { do: "as-before" }, cells }],
    });
  }
  return found;
}

/** Players who never play. */
export function idleFindings({ players, rows }: BandSheet): SheetFinding[] {
  if (rows.length === 0) return [];
  return players.flatMap((player, at): SheetFinding[] => {
    if (rows.some((row) => !row.parts[at]!.out)) return [];
    return [{ kind: "idle", id: `idle ${player.id}`, ...song([player]), fixes: letIn(player, rows) }];
  });
}

const chorusesOf = (rows: readonly SheetRow[]): readonly SheetRow[] => {
  const choruses = rows.filter((row) => row.section.kind === "chorus");
  return choruses.length === 0 ? rows.slice(-1) : choruses;
};

/** Choruses a step brighter than the rest; the last section, where there are none. */
function brighterChoruses(rows: readonly SheetRow[]): Fix[] {
  const cells = chorusesOf(rows).flatMap((row) =>
    row.parts.flatMap((part) =>
      part.out || part.cell.light.value >= FULL_LIGHT
        ? []
        : [
            {
              useId: row.use.id,
              playerId: part.player.id,
              fields: { light: part.cell.light.value + 1 },
            },
          ],
    ),
  );
  return cells.length > 0 ? [{ code: { do: "choruses-brighter" }, cells }] : [];
}

/** A little to play in the choruses, that a beginner can. */
function letIn(player: Player, rows: readonly SheetRow[]): Fix[] {
  const technique = techniquesFor(player.instrument).find((id) => {
    const one = techniqueOf(id);
    return one.needs === "beginner" && one.roles[0] === "support" && !one.looped;
  });
  if (!technique) return [];
  const cells = chorusesOf(rows).map((row) => ({
    useId: row.use.id,
    playerId: player.id,
    fields: { role: "support" as const, light: 1, technique },
  }));
  return [{ code: { do: "let-in", player: player.name, technique }, cells }];
}
