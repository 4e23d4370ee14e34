import type { BandSheet, SheetRow } from "../band";
import type { Finding } from "./finding";

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
export function lightFindings({ rows }: BandSheet): Finding[] {
  const found: Finding[] = [];
  const lights = rows.map((row) => row.parts.map((part) => (part.out ? 0 : part.cell.light.value)).join());
  const sounding = rows.some((row) => lightOfRow(row) > 0);
  if (rows.length >= FEWEST_USES && sounding && new Set(lights).size === 1)
    found.push({ kind: "light-flat", id: "light-flat", ...song(), light: lightOfRow(rows[0]!), fixes: [] });
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
export function idleFindings({ players, rows }: BandSheet): Finding[] {
  if (rows.length === 0) return [];
  return players.flatMap((player, at): Finding[] => {
    if (rows.some((row) => !row.parts[at]!.out)) return [];
    return [{ kind: "idle", id: `idle ${player.id}`, ...song([player]), fixes: [] }];
  });
}
