import type { Ticks } from "../../../base";
import type { SheetRow } from "../../parts";
import type { LoopLayerRow } from "../../song/schema";
import { layerOfPart } from "./layer-of-part";
import { chordsOfRow, shortestRound } from "./layer-round";
import type { NewLayer } from "./loop-commands";

/** What a layer would take over from the sheet, and what of it is otherwise there now. */
export type Followed = {
  readonly fields: Partial<Pick<NewLayer, "bars" | "chords" | "strumId" | "riffId">>;
  readonly differs: readonly ("chords" | "length" | "pattern" | "line")[];
};

const sameChords = (a: LoopLayerRow["chords"], b: LoopLayerRow["chords"]): boolean =>
  a.length === b.length &&
  a.every(({ symbol, ticks }, at) => symbol === b[at]!.symbol && ticks === b[at]!.ticks);

/**
 * What is otherwise on the sheet than in a layer that came from it: of a part its chords, pattern and line; of a section its chords.
 * @param rows the sheet of the band
 * @returns null where the layer came from nowhere, or has what the sheet has
 */
export function followSheet(
  rows: readonly SheetRow[],
  layer: LoopLayerRow,
  barTicks: Ticks,
): Followed | null {
  const row = rows.find(({ section }) => section.id === layer.fromSectionId);
  if (!row) return null;
  const part = row.parts.find(({ player }) => player.id === layer.fromPlayerId);
  const taken = part ? layerOfPart(row, part, barTicks) : null;
  if (part && !taken) return null;
  const found = chordsOfRow(row, barTicks);
  if (!found) return null;
  const round = taken
    ? { bars: taken.bars!, chords: taken.chords! }
    : shortestRound(found.chords, found.bars, barTicks);
  const isOther = !sameChords(round.chords, layer.chords);
  const fields = {
    ...(isOther ? { chords: round.chords } : {}),
    ...(isOther && round.bars !== layer.bars ? { bars: round.bars } : {}),
    ...(taken && taken.strumId !== layer.strumId ? { strumId: taken.strumId! } : {}),
    ...(taken && taken.riffId !== layer.riffId ? { riffId: taken.riffId! } : {}),
  };
  const differs = [
    ...("chords" in fields ? (["chords"] as const) : []),
    ...("bars" in fields ? (["length"] as const) : []),
    ...("strumId" in fields ? (["pattern"] as const) : []),
    ...("riffId" in fields ? (["line"] as const) : []),
  ];
  return differs.length === 0 ? null : { fields, differs };
}
