import type { Ticks } from "../../base";
import { type LoopWay, runsOf, type SongLoops } from "../loops";
import type { TimedPart } from "../playing";
import type { LayerSound, LoopLayerRow } from "../song/schema";
import type { HeardPart } from "./heard-part";

/** What each kind of layer is heard as. */
const INSTRUMENT: Readonly<Record<LayerSound, HeardPart["player"]["instrument"]>> = Object.freeze({
  chords: "guitar",
  strum: "guitar",
  chop: "guitar",
  line: "guitar",
  "thumb bass": "bass",
  thump: "drums",
  clap: "drums",
  voice: "voice",
});

/**
 * The layers of a looper as they go round in a song, each as a part of its own: from where the plan starts its track, pass after
 * pass, cut where the plan stops it.
 * @param way the plan of the song's looper
 * @param passes what each layer sounds in one pass; see `layerPasses`
 * @example loopedParts(song, plan, layerPasses(body, song)).map(({ player }) => player.name) // => ["Loop: Pulse", "Loop: Bass"]
 */
export function loopedParts(
  song: SongLoops,
  way: Pick<LoopWay, "tracks" | "presses">,
  passes: ReadonlyMap<string, TimedPart>,
): HeardPart[] {
  const { asked, pieces, layers, barTicks } = song;
  if (!asked) return [];
  const begins = [...pieces.map(({ from }) => from), pieces.at(-1)!.to];
  const runs = runsOf(asked, way).map(({ track, from, to, since }) => ({
    track,
    from: begins[from]!,
    to: begins[to]!,
    since: begins[since]!,
  }));
  return layers.flatMap((row): HeardPart[] => {
    const pass = passes.get(row.id);
    const length = (asked.layers.find(({ id }) => id === row.id)?.bars ?? 0) * barTicks;
    if (!pass || length <= 0) return [];
    const own = runs.filter(({ track }) => way.tracks[track]!.includes(row.id));
    const rounds = own.flatMap(({ from, to, since }) => {
      const first = since + Math.floor((from - since) / length) * length;
      return Array.from({ length: Math.ceil((to - first) / length) }, (_, round) =>
        passAt(pass, first + round * length, from, to),
      );
    });
    return [
      {
        player: playerOf(row),
        strokes: rounds.flatMap(({ strokes }) => strokes),
        notes: rounds.flatMap(({ notes }) => notes),
        drums: rounds.flatMap(({ drums }) => drums),
      },
    ];
  });
}

const playerOf = ({ id, name, plays }: LoopLayerRow): HeardPart["player"] => ({
  id,
  name: `Loop: ${name}`,
  instrument: INSTRUMENT[plays],
  plugged: false,
  isLoop: true,
});

/** A pass so much later, from where its track comes in, cut where that stops. */
function passAt({ strokes, notes, drums }: TimedPart, by: Ticks, from: Ticks, end: Ticks): TimedPart {
  const begun = <At extends { readonly tick: Ticks }>(list: readonly At[]): At[] =>
    list
      .filter(({ tick }) => tick + by >= from && tick + by < end)
      .map((one) => ({ ...one, tick: one.tick + by }));
  return {
    strokes: begun(strokes).map((one) => ({ ...one, until: Math.min(end, one.until + by) })),
    notes: begun(notes).map((one) => ({ ...one, ticks: Math.min(one.ticks, end - one.tick) })),
    drums: begun(drums),
  };
}
