import { z } from "zod";
import { BOX_PROFILES } from "@/core/loops";
import { outlineOf } from "@/core/song/read";
import {
  BODY_PARTS,
  LAYER_PITCHES,
  LAYER_SOUNDS,
  type LoopLayerRow,
  type LoopWant,
  type VersionBody,
} from "@/core/song/schema";
import { ordersFor } from "@/document";
import { makeId } from "../ids";

const BAR = 3840;

/** What the demo says of a looper: a kind of box, whose feet, layers, and where each is wanted. */
export const demoLoops = z.object({
  box: z.string(),
  /** The one player of this version. */
  player: z.string(),
  layers: z.array(
    z.object({
      name: z.string(),
      plays: z.enum(LAYER_SOUNDS),
      pitch: z.enum(LAYER_PITCHES),
      bars: z.int(),
      /** One chord a bar. */
      chords: z.array(z.string()).default([]),
      needs: z.array(z.enum(BODY_PARTS)),
      steady: z.boolean().default(true),
      level: z.number(),
      with: z.string().optional(),
    }),
  ),
  /** By place in the form and layer: stretches in bars, to null for the end. */
  wants: z.array(
    z.object({
      use: z.int(),
      layer: z.string(),
      from: z.int().default(0),
      to: z.int().nullable().default(null),
      want: z.enum(["on", "either"]).default("on"),
    }),
  ),
});

const byId = <Row extends { readonly id: string }>(rows: readonly Row[]): Record<string, Row> =>
  Object.fromEntries(rows.map((row) => [row.id, row]));

/** Lays a looper on a version: one player stays, with layers and what is wanted of them. */
export function withLoops(version: VersionBody, loops: z.infer<typeof demoLoops>): VersionBody {
  const profile = BOX_PROFILES.find(({ name }) => name === loops.box);
  const player = Object.values(version.players).find(({ name }) => name === loops.player);
  if (!profile || !player)
    throw new Error(`Expected a kind of box and a player, got ${loops.box}, ${loops.player}.`);
  const orders = ordersFor(loops.layers.length);
  const ids = new Map(loops.layers.map(({ name }) => [name, makeId()]));
  const layers = loops.layers.map(
    ({ with: other, chords, ...layer }, at): LoopLayerRow => ({
      ...layer,
      id: ids.get(layer.name)!,
      originId: null,
      order: orders[at]!,
      chords: chords.map((symbol) => ({ symbol, ticks: BAR })),
      riffId: null,
      strumId: null,
      recordWithId: other === undefined ? null : ids.get(other)!,
      doublesId: null,
      track: null,
      laterUseId: null,
      laterBar: null,
      buildPlace: null,
      fromSectionId: null,
      fromPlayerId: null,
      voicing: null,
    }),
  );
  const { form } = outlineOf(version);
  const wants = new Map<string, LoopWant>();
  for (const { use, layer, from, to, want } of loops.wants) {
    const place = { layerId: ids.get(layer)!, useId: form[use]!.id };
    const key = `${place.layerId} ${place.useId}`;
    const row = wants.get(key) ?? { id: makeId(), ...place, stretches: [] };
    const stretch = { from: from * BAR, to: to === null ? null : to * BAR, want };
    wants.set(key, { ...row, stretches: [...row.stretches, stretch] });
  }
  const box = { ...profile, id: makeId(), order: "V", playerId: player.id, pedals: [...profile.pedals] };
  return {
    ...version,
    players: { [player.id]: { ...player, loops: true } },
    cells: Object.fromEntries(
      Object.entries(version.cells).filter(([, cell]) => cell.playerId === player.id),
    ),
    choices: Object.fromEntries(
      Object.entries(version.choices).filter(([, one]) => one.playerId === player.id),
    ),
    bookShapes: Object.fromEntries(
      Object.entries(version.bookShapes).filter(([, one]) => one.playerId === player.id),
    ),
    sounds: {},
    soundMoves: {},
    soundBoxes: {},
    loopBoxes: { [box.id]: box },
    loopLayers: byId(layers),
    loopWants: byId([...wants.values()]),
  };
}
