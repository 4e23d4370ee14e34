import type { Ticks } from "../../../base";
import type { SheetPart, SheetRow } from "../../parts";
import { isOnset } from "../../rhythm";
import { MOST_LAYER_BARS } from "../../song/schema";
import { chordsOfRow, cutChords, shortestRound } from "./layer-round";
import type { NewLayer } from "./loop-commands";

/**
 * A layer taken from a part of the sheet: its chords (the shortest run that comes round), its pattern or its line. It is
 * wanted wherever the section comes, which is said at the section's first use.
 * @returns null where the part is silent or has no whole bar
 */
export function layerOfPart(row: SheetRow, part: SheetPart, barTicks: Ticks): Partial<NewLayer> | null {
  const chordsOf = part.out ? null : chordsOfRow(row, barTicks);
  if (!chordsOf) return null;
  const { bars, chords } = chordsOf;
  const round = shortestRound(chords, bars, barTicks);
  const { player, technique, pattern, riff, cell } = part;
  const isDrum = player.instrument === "drums";
  const isBass = player.instrument === "bass" || cell.role.value === "bass";
  const plays = isDrum
    ? "thump"
    : riff
      ? "line"
      : isBass
        ? "thumb bass"
        : player.instrument === "voice"
          ? "voice"
          : pattern?.strokes.some(isOnset)
            ? "strum"
            : "chords";
  const lineBars =
    riff && riff.ticks % barTicks === 0 ? Math.min(MOST_LAYER_BARS, riff.ticks / barTicks) : null;
  const said = technique ? technique.words : plays;
  return {
    name: `${player.name}: ${said}`.slice(0, 60),
    plays,
    pitch: isDrum ? "unpitched" : "pitched",
    ...(lineBars && round.bars % lineBars !== 0 && lineBars % round.bars !== 0
      ? { bars, chords: cutChords(chords, bars * barTicks) }
      : round),
    riffId: riff?.id ?? null,
    strumId: cell.strumId.value,
    fromSectionId: row.section.id,
    fromPlayerId: player.id,
    needs: player.instrument === "voice" ? ["mouth"] : ["hands"],
    steady: part.onsets.length > 1,
  };
}
