import { ticksOfBeatUnit } from "@/core/rhythm";
import type { SongTones } from "@/core/tones";

/** A beat of the song on its own clock, and whether a bar begins with it. */
export type SongBeat = { readonly seconds: number; readonly isFirst: boolean };

/** Every beat of the song, in time; and where it ends. */
export function beatsOfSong(song: SongTones): { readonly beats: readonly SongBeat[]; readonly end: number } {
  const passages = song.spans.flatMap((span) => span.passages);
  const beats = passages.flatMap((passage) => {
    const beat = ticksOfBeatUnit(passage.tempo.beatUnit) ?? 960;
    return passage.bars.flatMap((bar) =>
      Array.from({ length: Math.ceil(bar.ticks / beat) }, (_, at) => ({
        seconds: song.clock.secondsAt(bar.tick + at * beat),
        isFirst: at === 0,
      })),
    );
  });
  const last = passages.at(-1);
  return { beats, end: last ? song.clock.secondsAt(last.tick + last.ticks) : 0 };
}
