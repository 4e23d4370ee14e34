import type { Midi, Ticks } from "../../../base";
import type { HeardLayer } from "../box/loop-sound";
import { runsOf, sectionBeats } from "../track-runs";
import type { LoopWay } from "../way";
import type { SongLoops } from "./song-loops";

const midiOf = (hz: number): Midi => Math.round(69 + 12 * Math.log2(hz / 440));

/**
 * What the loops of a plan sound at a tick of the song: the pitches of every layer that goes round there, as simply as
 * the simulated looper plays them.
 * @param layers the layers as they are heard, see `heardLayers`
 */
export function loopPitches(
  song: SongLoops,
  way: Pick<LoopWay, "tracks" | "presses">,
  layers: readonly HeardLayer[],
): (tick: Ticks) => readonly Midi[] {
  const { asked, pieces, beatTicks } = song;
  if (!asked) return () => [];
  const starts = sectionBeats(asked);
  const first = pieces[0]!.from;
  const heard = new Map(layers.map((layer) => [layer.id, layer]));
  const lengths = new Map(asked.layers.map(({ id, bars }) => [id, bars * asked.beatsPerBar]));
  const runs = runsOf(asked, way).map(({ track, from, to, since }) => ({
    ids: way.tracks[track]!,
    from: starts[from]!,
    to: starts[to]!,
    since: starts[since]!,
  }));
  return (tick) => {
    const beat = (tick - first) / beatTicks;
    const pitches = runs
      .filter(({ from, to }) => beat >= from - 1e-9 && beat < to - 1e-9)
      .flatMap(({ ids, since }) =>
        ids.flatMap((id) => {
          const length = lengths.get(id)!;
          const at = (beat - since) % length;
          return (heard.get(id)?.hits ?? [])
            .filter((hit) => hit.beat <= at + 1e-9 && at < hit.beat + hit.beats - 1e-9)
            .flatMap(({ hz }) => hz.map(midiOf));
        }),
      );
    return [...new Set(pitches)].sort((a, b) => a - b);
  };
}
