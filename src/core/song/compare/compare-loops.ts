import { byOrder, copiedRow, differingFields, type MakeId, type Pair } from "../../../document";
import { orderAtEnd } from "../edit/commands";
import type { VersionStep } from "../edit/edits";
import { add, remove, set } from "../edit/makers";
import { DOCUMENTS } from "../schema/documents";
import type { LoopWant } from "../schema/loops";
import type { Use } from "../schema/sections";
import { rowDifferences, soleDifference, tellFields } from "./compare-rows";
import { type Difference, matesOf, pairKin, type Side } from "./side";

/** What differs of the looper: the box, layers on one side only, and what is said and wanted of layers of both. */
export function loopDifferences(
  a: Side,
  b: Side,
  uses: readonly Pair<Use, Use>[],
  makeId: MakeId,
): Difference[] {
  const rows = <Row extends { order: string; id: string }>(table: Readonly<Record<string, Row>>) =>
    Object.values(table).sort(byOrder);
  const [mine, theirs] = [rows(a.body.loopLayers), rows(b.body.loopLayers)];
  const pairs = pairKin(mine, theirs);
  const box = rows(b.body.loopBoxes)[0] ?? null;
  const lone = (name: string, place: string) => ({ where: "Loops", words: `layer “${name}” only ${place}` });
  return [
    ...soleDifference(
      a,
      b,
      "loopBoxes",
      { mine: rows(a.body.loopBoxes)[0] ?? null, theirs: box },
      { playerId: null },
      { id: "looper", where: "Loops", noun: "the looper" },
      makeId,
    ),
    ...rowDifferences(
      a,
      pairs,
      { loopLayers: matesOf(pairs) },
      {
        table: "loopLayers",
        noun: "layer",
        label: "Take a layer over",
        onlyHere: ({ name }) => lone(name, "here"),
        onlyThere: ({ name }) => lone(name, "there"),
        otherwise: (own, there, fields, inside) => ({
          where: `Loops, ${own.name}`,
          words: [
            ...tellFields(a, b, "loopLayers", own, there, Object.keys(fields)),
            ...(inside > 0
              ? [`wanted otherwise in ${inside} ${inside === 1 ? "place" : "places"} there`]
              : []),
          ].join("; "),
        }),
        added: () => ({ order: orderAtEnd(mine), recordWithId: null, doublesId: null }),
        inside: (layerId, { id }) => wantChanges(a, b, layerId, id, uses, makeId),
      },
      makeId,
    ),
  ];
}

const wantIn = (side: Side, layerId: string, useId: string): LoopWant | null =>
  Object.values(side.body.loopWants).find((row) => row.layerId === layerId && row.useId === useId) ?? null;

/** Edits that make what is wanted of a layer as it is there, at places both versions have. */
function wantChanges(
  a: Side,
  b: Side,
  layerId: string,
  otherId: string,
  uses: readonly Pair<Use, Use>[],
  makeId: MakeId,
): VersionStep[] {
  return uses.flatMap(({ a: mine, b: theirs }): VersionStep[] => {
    if (!mine || !theirs) return [];
    const [own, there] = [wantIn(a, layerId, mine.id), wantIn(b, otherId, theirs.id)];
    const fields = differingFields(DOCUMENTS.version, "loopWants", own, there, {});
    if (Object.keys(fields).length === 0) return [];
    if (!there) return [remove("loopWants", own!)];
    if (own) return [set("loopWants", own.id, fields)];
    const mates = { loopLayers: new Map([[otherId, layerId]]), uses: new Map([[theirs.id, mine.id]]) };
    return [add("loopWants", copiedRow(DOCUMENTS.version, "loopWants", there, makeId(), mates))];
  });
}
