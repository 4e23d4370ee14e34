import { pitchesOfLine } from "../../fretboard";
import { patternOfRow } from "../../parts";
import { onsetsOf, ticksOfPattern } from "../../rhythm";
import { neckOfRiff, notesOfRiff } from "../../song/read";
import type { VersionBody } from "../../song/schema";
import type { HeardLayer } from "../box/loop-sound";
import { hitsOf, type Played } from "../box/voices";
import type { SongLoops } from "./song-loops";

/** The layers of a version as the simulated looper plays them. */
export function heardLayers(body: VersionBody, song: SongLoops): HeardLayer[] {
  const { asked, beatTicks, barTicks } = song;
  return song.layers.flatMap((row): HeardLayer[] => {
    const layer = asked?.layers.find(({ id }) => id === row.id);
    if (!layer || !asked) return [];
    const played = playedOf(body, row, layer.bars * barTicks, beatTicks);
    const plays = row.pitch === "damped" ? "chop" : row.plays;
    const hits = hitsOf(plays, layer.bars, asked.beatsPerBar, layer.progression, played);
    return [{ id: row.id, plays, hits, level: row.level }];
  });
}

function playedOf(
  body: VersionBody,
  row: SongLoops["layers"][number],
  length: number,
  beatTicks: number,
): Played {
  const strum = row.strumId ? body.strums[row.strumId] : undefined;
  const pattern = strum ? patternOfRow(strum) : null;
  const riff = row.riffId ? body.riffs[row.riffId] : undefined;
  const round = <One>(every: number, list: readonly One[], tickOf: (one: One) => number) =>
    Array.from({ length: every > 0 ? Math.ceil(length / every) : 0 }, (_, at) =>
      list.map((one) => ({ one, tick: at * every + tickOf(one) })),
    )
      .flat()
      .filter(({ tick }) => tick < length);
  const notes = riff ? notesOfRiff(body, riff.id) : [];
  const pitches = riff ? pitchesOfLine(notes, neckOfRiff(riff)) : null;
  return {
    ...(pattern
      ? {
          onsets: round(ticksOfPattern(pattern), onsetsOf(pattern), (tick) => tick).map(
            ({ tick }) => tick / beatTicks,
          ),
        }
      : {}),
    ...(riff && pitches
      ? {
          notes: round(
            riff.ticks,
            notes.map((note, at) => ({ note, midi: pitches[at]! })),
            ({ note }) => note.tick,
          ).map(({ one, tick }) => ({
            beat: tick / beatTicks,
            beats: one.note.ticks / beatTicks,
            midi: one.midi,
          })),
        }
      : {}),
  };
}
