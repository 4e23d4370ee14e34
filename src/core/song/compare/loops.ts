import { byOrder, type MakeId } from "../../../document";
import { orderAtEnd, removalIn } from "../edit/commands";
import type { VersionStep } from "../edit/edits";
import { add, batch, set } from "../edit/makers";
import type { LoopBox, LoopLayerRow, LoopWant } from "../schema/loops";
import type { Use } from "../schema/sections";

import { pairUses } from "./form";
import { areKin, type Difference, type SectionPair, type Side } from "./side";

const LAYER_WORDS = Object.freeze({
  name: "name",
  plays: "way of playing",
  pitch: "pitch",
  bars: "length",
  chords: "chords",
  needs: "what it takes",
  steady: "pulse",
  level: "level",
  track: "track",
} satisfies Partial<Record<keyof LoopLayerRow, string>>);
const LAYER_FIELDS = Object.keys(LAYER_WORDS) as (keyof typeof LAYER_WORDS)[];

const BOX_FIELDS = [
  "name",
  "tracks",
  "allStart",
  "allStop",
  "quantised",
  "sharedLength",
  "undoLast",
  "pedals",
  "school",
  "startFrom",
  "listen",
] as const satisfies readonly (keyof LoopBox)[];

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const boxIn = (side: Side): LoopBox | null => Object.values(side.body.loopBoxes).sort(byOrder)[0] ?? null;
const layersIn = (side: Side): LoopLayerRow[] => Object.values(side.body.loopLayers).sort(byOrder);
const wantIn = (side: Side, layerId: string, useId: string): LoopWant | null =>
  Object.values(side.body.loopWants).find((row) => row.layerId === layerId && row.useId === useId) ?? null;

/** What differs of the looper: the box, layers on one side only, and what is said and wanted of layers of both. */
export function loopDifferences(
  a: Side,
  b: Side,
  sections: readonly SectionPair[],
  makeId: MakeId,
): Difference[] {
  const places = pairUses(a, b, sections).flatMap(({ a: mine, b: theirs }) =>
    mine && theirs ? [[mine, theirs] as const] : [],
  );
  const [mine, theirs] = [layersIn(a), layersIn(b)];
  const partner = (layer: LoopLayerRow, among: readonly LoopLayerRow[]) =>
    among.find((other) => areKin(layer, other)) ?? among.find((other) => other.name === layer.name);
  const here = mine.flatMap((layer): Difference[] => {
    const other = partner(layer, theirs);
    if (other) return layerDifference(a, b, layer, other, places, makeId);
    const take = batch("Remove a layer", removalIn(a.body, "loopLayers", layer.id));
    return [{ id: `layer ${layer.id}`, where: "Loops", words: `layer “${layer.name}” only here`, take }];
  });
  const there = theirs
    .filter((layer) => !partner(layer, mine))
    .map((layer): Difference => {
      const id = makeId();
      const row = { ...layer, id, originId: layer.id, order: orderAtEnd(mine), ...LET_GO_OF_LAYER };
      const wants = wantChanges(a, b, id, layer.id, places, makeId);
      const take = batch("Take a layer over", [add("loopLayers", row), ...wants]);
      return { id: `layer ${layer.id}`, where: "Loops", words: `layer “${layer.name}” only there`, take };
    });
  return [...boxDifference(a, b, makeId), ...here, ...there];
}

/** References to rows of the other version. */
const LET_GO_OF_LAYER = Object.freeze({ riffId: null, strumId: null, recordWithId: null, doublesId: null });

function boxDifference(a: Side, b: Side, makeId: MakeId): Difference[] {
  const [mine, theirs] = [boxIn(a), boxIn(b)];
  if (!theirs) return [];
  const fields = BOX_FIELDS.filter((field) => !same(mine?.[field], theirs[field]));
  if (fields.length === 0) return [];
  const values = Object.fromEntries(fields.map((field) => [field, theirs[field]]));
  const take = mine
    ? set("loopBoxes", mine.id, values)
    : add("loopBoxes", { ...theirs, id: makeId(), playerId: null });
  return [{ id: "looper", where: "Loops", words: `the looper is “${theirs.name}” there`, take }];
}

function layerDifference(
  a: Side,
  b: Side,
  layer: LoopLayerRow,
  other: LoopLayerRow,
  places: readonly (readonly [Use, Use])[],
  makeId: MakeId,
): Difference[] {
  const fields = LAYER_FIELDS.filter((field) => !same(layer[field], other[field]));
  const wants = wantChanges(a, b, layer.id, other.id, places, makeId);
  if (fields.length + wants.length === 0) return [];
  const words = [
    ...fields.map((field) => `other ${LAYER_WORDS[field]}`),
    ...(wants.length > 0
      ? [`wanted otherwise in ${wants.length} ${wants.length === 1 ? "place" : "places"}`]
      : []),
  ].join(", ");
  const values = Object.fromEntries(fields.map((field) => [field, other[field]]));
  const told = fields.length > 0 ? [set("loopLayers", layer.id, values)] : [];
  const take = batch("Take a layer over", [...told, ...wants]);
  return [{ id: `layer ${layer.id}`, where: `Loops, ${layer.name}`, words: `${words} there`, take }];
}

/** Edits that make what is wanted of a layer as it is there, at places both versions have. */
function wantChanges(
  a: Side,
  b: Side,
  layerId: string,
  otherId: string,
  places: readonly (readonly [Use, Use])[],
  makeId: MakeId,
): VersionStep[] {
  return places.flatMap(([mine, theirs]): VersionStep[] => {
    const [own, there] = [wantIn(a, layerId, mine.id), wantIn(b, otherId, theirs.id)];
    if (same(own?.stretches, there?.stretches)) return [];
    if (!there) return [{ type: "remove", table: "loopWants", id: own!.id }];
    if (own) return [set("loopWants", own.id, { stretches: there.stretches })];
    return [add("loopWants", { id: makeId(), layerId, useId: mine.id, stretches: there.stretches })];
  });
}
