import { playerPart } from "../../parts";
import { hzOf } from "../../pitch";
import {
  type HeldShape,
  type Onset,
  onsetsOf,
  type PartOnsets,
  SPREAD_MS,
  type TimedPart,
  velocityOf,
} from "../../playing";
import { tuningOf } from "../../song/read";
import type { VersionBody } from "../../song/schema";
import type { HeardLayer, LayerHit } from "../box/loop-sound";
import { layerPass } from "./layer-pass";
import { isHeld, voicingsOfLayer } from "./loop-voicings";
import { looperPlayer, type SongLoops } from "./song-loops";

/** A knock lasts so long, in beats. */
const KNOCK_BEATS = 0.25;

/** What each layer of a version sounds in one pass, by its id; see {@link layerPass}. */
export function layerPasses(
  body: VersionBody,
  song: Pick<SongLoops, "layers" | "asked" | "beatTicks" | "barTicks">,
): ReadonlyMap<string, TimedPart> {
  const shapes = song.layers.some(isHeld) ? shapesAtBox(body) : NO_SHAPES;
  return new Map(
    song.layers.flatMap((row) => {
      const layer = song.asked?.layers.find(({ id }) => id === row.id);
      if (!layer) return [];
      const own = ownShapes(body, row);
      return [
        [row.id, layerPass(body, row, layer, song, own ? new Map([...shapes, ...own]) : shapes)] as const,
      ];
    }),
  );
}

const NO_SHAPES: ReadonlyMap<string, HeldShape> = new Map();

/** The small shapes of a layer that has a place on the neck. */
function ownShapes(
  body: VersionBody,
  row: SongLoops["layers"][number],
): ReadonlyMap<string, HeldShape> | null {
  const player = looperPlayer(body);
  const voicings = player && voicingsOfLayer(body, row);
  if (!voicings) return null;
  const tuning = tuningOf(player);
  return new Map(
    voicings.flatMap(({ symbol, shape }) =>
      shape ? [[symbol, { frets: shape.frets, tuning, capo: player.capo }] as const] : [],
    ),
  );
}

/** What the player at the looper holds for each chord, by its symbol as written: where it is played in its own key first. */
function shapesAtBox(body: VersionBody): ReadonlyMap<string, HeldShape> {
  const player = looperPlayer(body);
  if (player?.instrument !== "guitar") return NO_SHAPES;
  const shapes = new Map<string, HeldShape>();
  for (const { passage, cell, lines, held } of playerPart(body, player).passages) {
    if (passage.shift !== 0) continue;
    for (const { timed } of lines)
      for (const [at, { chord }] of timed.outline.chords.entries()) {
        const shape = held.get(timed.events[at]!);
        if (shape && !shapes.has(chord.symbol))
          shapes.set(chord.symbol, {
            frets: shape.frets,
            tuning: tuningOf(player),
            capo: cell.capo.value,
          });
      }
  }
  return shapes;
}

/**
 * The layers of a version as the simulated looper plays them.
 * @param spreadMs how long a stroke takes over the strings
 */
export function heardLayers(body: VersionBody, song: SongLoops, spreadMs = SPREAD_MS): HeardLayer[] {
  const { asked, beatTicks, barTicks } = song;
  const passes = layerPasses(body, song);
  return song.layers.flatMap((row): HeardLayer[] => {
    const layer = asked?.layers.find(({ id }) => id === row.id);
    const pass = passes.get(row.id);
    if (!layer || !asked || !pass) return [];
    const length = layer.bars * barTicks;
    const msPerBeat = 60_000 / asked.tempo;
    const msOf = (tick: number) => (tick / beatTicks) * msPerBeat;
    const onsets = onsetsOf(pass, 0, length, msOf, length, spreadMs);
    const plays = row.pitch === "damped" ? "chop" : row.plays;
    return [{ id: row.id, plays, hits: hitsOf(onsets, msPerBeat), level: row.level }];
  });
}

/** Onsets as hits of the simulated looper: what is loudest has the layer's level, all that rings together. */
function hitsOf(onsets: PartOnsets, msPerBeat: number): LayerHit[] {
  const pitched = [...onsets.strokes, ...onsets.line];
  const knocks = onsets.drums.map(({ ms, weight, loud }) => ({ ms, velocity: velocityOf(weight, loud) }));
  const loudest = Math.max(1, ...[...pitched, ...knocks].map(({ velocity }) => velocity));
  const atOnce = mostAtOnce(pitched);
  return [
    ...pitched.map(
      ({ ms, pitch, lastsMs, velocity }): LayerHit => ({
        beat: ms / msPerBeat,
        beats: lastsMs / msPerBeat,
        hz: pitch === null ? [] : [hzOf(pitch)],
        share: velocity / loudest / (pitch === null ? 1 : atOnce),
      }),
    ),
    ...knocks.map(
      ({ ms, velocity }): LayerHit => ({
        beat: ms / msPerBeat,
        beats: KNOCK_BEATS,
        hz: [],
        share: velocity / loudest,
      }),
    ),
  ].sort((a, b) => a.beat - b.beat);
}

/** How many notes sound at once at most: strings that ring over each other add up. */
function mostAtOnce(notes: readonly Pick<Onset, "ms" | "lastsMs" | "pitch">[]): number {
  const pitched = notes.filter(({ pitch }) => pitch !== null);
  // What ends where another begins has made room for it.
  const changes = pitched
    .flatMap(({ ms, lastsMs }) => [
      { ms, by: 1 },
      { ms: ms + lastsMs - HAIR_MS, by: -1 },
    ])
    .sort((a, b) => a.ms - b.ms || a.by - b.by);
  let now = 0;
  let most = 1;
  for (const { by } of changes) {
    now += by;
    most = Math.max(most, now);
  }
  return most;
}
/** What a sum of fractions may lack, ms. */
const HAIR_MS = 1e-6;
