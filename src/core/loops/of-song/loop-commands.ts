import type { Ticks } from "../../../base";
import { type MakeId, ordersFor } from "../../../document";
import { add, batch, freshName, orderAtEnd, removalIn, set, type VersionCommand } from "../../song/edit";
import type { Outline } from "../../song/read";
import type { LoopBox, LoopLayerRow, VersionBody } from "../../song/schema";
import type { Want } from "../loop-case";
import { boxOf } from "./loop-boxes";
import { paint, wantsOf } from "./wanted-spans";

export type NewLayer = Omit<LoopLayerRow, "id" | "originId" | "order">;

/** A layer about which nothing is said yet. */
export const PLAIN_LAYER: NewLayer = Object.freeze<NewLayer>({
  name: "New layer",
  plays: "thump",
  pitch: "unpitched",
  bars: 2,
  chords: [],
  riffId: null,
  strumId: null,
  needs: ["hands"],
  steady: true,
  recordWithId: null,
  doublesId: null,
  level: -12,
  track: null,
  laterUseId: null,
  laterBar: null,
  buildPlace: null,
  fromSectionId: null,
  fromPlayerId: null,
  voicing: null,
});

/** Adds a layer at the end of the list; `wants` says where it is wanted from the start. */
export function addLayer(
  body: Pick<VersionBody, "loopLayers">,
  layer: Partial<NewLayer>,
  makeId: MakeId,
  wants: readonly { readonly useId: string; readonly from: Ticks; readonly to: Ticks | null }[] = [],
): VersionCommand {
  const id = makeId();
  const taken = Object.values(body.loopLayers).map((one) => one.name);
  const name = freshName(layer.name ?? PLAIN_LAYER.name, taken).slice(0, 60);
  const order = orderAtEnd(Object.values(body.loopLayers));
  const rows = new Map<string, { from: Ticks; to: Ticks | null; want: "on" }[]>();
  for (const { useId, from, to } of wants)
    rows.set(useId, [...(rows.get(useId) ?? []), { from, to, want: "on" as const }]);
  return batch("Add a layer", [
    add("loopLayers", { ...PLAIN_LAYER, ...layer, name, id, originId: null, order }),
    ...[...rows].map(([useId, stretches]) =>
      add("loopWants", { id: makeId(), layerId: id, useId, stretches }),
    ),
  ]);
}

export const setLayer = (id: string, fields: Partial<NewLayer>): VersionCommand =>
  set("loopLayers", id, fields);

/**
 * Puts a pass of the build at another place; all passes then have places of their own.
 * @param order the passes as they are, by the ids of their layers
 * @param to the place among the others, counted from 0
 */
export function movePass(order: readonly (readonly string[])[], from: number, to: number): VersionCommand {
  const passes = order.toSpliced(from, 1).toSpliced(to, 0, order[from]!);
  const places = ordersFor(passes.length);
  return batch(
    "Change the order of the build",
    passes.flatMap((ids, at) => ids.map((id) => set("loopLayers", id, { buildPlace: places[at]! }))),
  );
}

/** Leaves the order of the build to the plan again. */
export const orderByPlan = (body: Pick<VersionBody, "loopLayers">): VersionCommand =>
  batch(
    "Leave the order of the build to the plan",
    Object.values(body.loopLayers)
      .filter(({ buildPlace }) => buildPlace !== null)
      .map(({ id }) => set("loopLayers", id, { buildPlace: null })),
  );

/** Removes a layer with what is wanted of it. */
export const removeLayer = (body: VersionBody, id: string): VersionCommand =>
  batch("Remove a layer", removalIn(body, "loopLayers", id));

/** A stretch of a strand that is drawn, cut or loosened. */
export type Stroke = {
  readonly layerId: string;
  readonly useId: string;
  readonly from: Ticks;
  readonly to: Ticks;
  readonly total: Ticks;
  readonly want: Want;
};

/** Draws, cuts or loosens strands. A use that took its wants from the section's first use has its own from then on. */
export function strokeWants(
  body: Pick<VersionBody, "loopWants">,
  outline: Pick<Outline, "form">,
  strokes: readonly Stroke[],
  makeId: MakeId,
): VersionCommand {
  const wants = wantsOf(body, outline);
  const painted = new Map<string, { readonly stroke: Stroke; readonly spans: ReturnType<typeof paint> }>();
  for (const stroke of strokes) {
    const key = `${stroke.layerId} ${stroke.useId}`;
    const before = painted.get(key)?.spans ?? wants(stroke.layerId, stroke.useId).spans;
    painted.set(key, { stroke, spans: paint(before, stroke.from, stroke.to, stroke.want, stroke.total) });
  }
  return batch(
    "Draw what is wanted",
    [...painted.values()].map(({ stroke: { layerId, useId }, spans }) => {
      const { row } = wants(layerId, useId);
      return row
        ? set("loopWants", row.id, { stretches: spans })
        : add("loopWants", { id: makeId(), layerId, useId, stretches: spans });
    }),
  );
}

/** Lets uses want again what their section's first use wants. */
export const followAgain = (body: Pick<VersionBody, "loopWants">, useId: string): VersionCommand =>
  batch(
    "Let a place want what the first one wants",
    Object.values(body.loopWants)
      .filter((row) => row.useId === useId)
      .map((row) => ({ type: "remove", table: "loopWants", id: row.id })),
  );

/** Changes the looper of a version; the default one is written down first. */
export function setBox(
  body: Pick<VersionBody, "loopBoxes">,
  fields: Partial<Omit<LoopBox, "id">>,
  makeId: MakeId,
): VersionCommand {
  const box = boxOf(body);
  return body.loopBoxes[box.id]
    ? set("loopBoxes", box.id, fields)
    : add("loopBoxes", { ...box, ...fields, id: makeId() });
}
