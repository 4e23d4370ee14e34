import type { SheetRow } from "../band";
import type { Fix, SheetFinding } from "./sheet-finding";

/** Lines that can't stay on their strings where they sound otherwise: how they are played is to be chosen. */
export function lineFindings(row: SheetRow): SheetFinding[] {
  return row.parts.flatMap((part): SheetFinding[] => {
    const { follow, riff, player, out } = part;
    if (out || !follow || !riff || follow.isSettled) return [];
    const lost = follow.ways[0]!.lost;
    return [
      {
        kind: "line-moved",
        id: `line-moved ${row.use.id} ${player.id}`,
        useId: row.use.id,
        label: row.label,
        players: [player.name],
        playerIds: [player.id],
        line: riff.name,
        by: follow.by,
        lost,
        fixes: follow.ways.flatMap((way): Fix[] => {
          const fields =
            way.how === "capo"
              ? { capo: way.capo! }
              : way.how === "re-fingered"
                ? { lineWay: "re-fingered" as const }
                : null;
          if (!fields) return [];
          const code = { do: "line-way" as const, player: player.name, ...way };
          const { notes: _notes, ...told } = code;
          return [{ code: told, cells: [{ useId: row.use.id, playerId: player.id, fields }] }];
        }),
      },
    ];
  });
}
