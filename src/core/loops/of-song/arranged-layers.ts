import { applyEdit, type MakeId, singles } from "../../../document";
import { type ArrangeCell, type BandSheet, bandSheet } from "../../parts";
import { ticksOfBar } from "../../rhythm";
import { batch, removalIn, type VersionCommand, type VersionStep } from "../../song/edit";
import { DOCUMENTS, type VersionBody } from "../../song/schema";
import { layerOfPart } from "./layer-of-part";
import { addLayer, PLAIN_LAYER } from "./loop-commands";

/**
 * A split that is taken over, with what goes round in it as layers of the looper: what is played the first time through a
 * section is recorded, and wanted in the times in which something else is played over it. A layer of that name that is there
 * already makes room.
 * @param taking the act that takes the split's cells over
 * @param cells by use and player in the order of the sheet; those that are taken
 * @returns the same act, where nothing goes round
 */
export function withLayers(
  body: VersionBody,
  sheet: BandSheet,
  taking: VersionCommand,
  cells: readonly (readonly (ArrangeCell | undefined)[])[],
  makeId: MakeId,
): VersionCommand {
  if (!cells.some((row) => row.some((cell) => cell?.over !== undefined))) return taking;
  const applied = applyEdit(DOCUMENTS.version, body, taking);
  if (!applied.ok) return taking;
  const after = applied.value.body;
  const { rows } = bandSheet(after);
  const steps: VersionStep[] = [];
  let layers = after.loopLayers;
  for (const [who, player] of sheet.players.entries())
    for (const section of new Set(rows.map((row) => row.section.id))) {
      const rounds = rows.flatMap((row, at) => (row.section.id === section ? [at] : []));
      const over = rounds.filter((at) => cells[at]?.[who]?.over !== undefined);
      const [first] = rounds;
      const part = rows[first ?? -1]?.parts.find((one) => one.player.id === player.id);
      if (first === undefined || !part || over.length === 0) continue;
      const row = rows[first]!;
      const layer = layerOfPart(row, part, ticksOfBar(row.passage.meter));
      if (!layer) continue;
      const name = `${layer.name}, ${row.section.label}`.slice(0, 60);
      const old = Object.values(after.loopLayers).filter((one) => one.name === name);
      for (const { id } of old) steps.push(...removalIn(after, "loopLayers", id));
      const { [old[0]?.id ?? ""]: _gone, ...others } = layers;
      const wants = over.map((at) => ({ useId: rows[at]!.use.id, from: 0, to: null }));
      const adding = singles(addLayer({ loopLayers: others }, { ...layer, name }, makeId, wants));
      for (const step of adding) {
        if (step.type === "add" && step.table === "loopLayers")
          layers = { ...others, [step.row.id]: { ...PLAIN_LAYER, ...step.row } };
        steps.push(step);
      }
    }
  const label = taking.type === "batch" ? taking.label : "Take a split over";
  return batch(label, [...singles(taking), ...steps]);
}
