import type { Midi } from "@/base";
import type { TabNote } from "@/core/fretboard";
import { GUITAR_TUNING } from "@/core/pitch";
import { hearShape, type NoteAt, play, playLine } from "@/core/playing";
import { beginsOf, type HeardSong, heardOnsets, layRun, msOfTick } from "@/core/practice";
import { beatUnitOf, type Pattern, type Tempo, tempoMs, ticksOfBeatUnit } from "@/core/rhythm";
import { neckOfRiff, tuningOf } from "@/core/song/read";
import type { Player, Riff } from "@/core/song/schema";
import { type PartVoice, type SoundScore, soundScore, soundsOf } from "@/performance/sound";
import { usualVoice } from "./voices";

/** A player's shape as it sounds on their neck, string by string and then struck. @param frets from the capo */
export const scoreOfShape = (player: Player, capo: number, frets: readonly (number | null)[]): SoundScore =>
  soundScore([
    {
      voice: player.instrument === "bass" ? "finger" : "steel",
      onsets: hearShape({ frets, tuning: tuningOf(player), capo }),
    },
  ]);

/** A pattern is heard on this shape, open G: it rings on every string. */
const ON_SHAPE = Object.freeze([3, 2, 0, 0, 0, 3]);

/** A pattern on an open chord, so many times round. */
export function scoreOfPattern(pattern: Pattern, tempo: Tempo, rounds: number): SoundScore {
  const tuning = tuningOf({ tuning: [...GUITAR_TUNING] });
  const beat = ticksOfBeatUnit(beatUnitOf(pattern.meter))!;
  const beatMs = tempoMs(beat, tempo);
  const held = { frets: ON_SHAPE, tuning, capo: 0 };
  const beats = (pattern.strokes.length / pattern.subdivision) * rounds;
  const event = { at: 0, beats, held, notes: [], pattern };
  return soundScore([{ voice: "steel", onsets: play([event], { msOf: (beats) => beats * beatMs }) }]);
}

/** A line in tab, once through. */
export function scoreOfLine(
  riff: Riff,
  notes: readonly TabNote[],
  player: Player,
  tempo: Tempo,
): SoundScore | null {
  if (notes.length === 0) return null;
  const neck = neckOfRiff(riff);
  const ms = (ticks: number): number => tempoMs(ticks, tempo);
  const line = notes.map(
    ({ tick, ticks, ...note }): NoteAt => ({ ...note, ms: ms(tick), lastsMs: ms(ticks), neck }),
  );
  const voice: PartVoice = player.instrument === "bass" ? "finger" : "clean";
  return soundScore([{ voice, onsets: [], line: playLine(line) }]);
}

/** So long one chord of everybody is heard, ms. */
const TOGETHER_MS = 2200;

/** One chord as everybody sounds it together. */
export const scoreOfTogether = (
  heard: readonly {
    readonly player: Pick<Player, "id" | "name" | "instrument"> | null;
    readonly pitches: readonly Midi[];
  }[],
): SoundScore =>
  soundScore(
    heard.map(({ player, pitches }) => ({
      voice: player ? usualVoice({ ...player, plugged: false }) : "piano",
      onsets: play([{ at: 0, beats: TOGETHER_MS, held: null, notes: pitches, pattern: null }], {
        msOf: (ms) => ms,
      }),
    })),
  );

type Heard = Pick<HeardSong, "passages" | "parts">;

/** What one player, or everybody, sounds in one time through a section; null where nothing does. */
export function scoreOfPassage(song: Heard, at: number, playerId: string | null): SoundScore | null {
  const parts = song.parts.filter(({ player }) => playerId === null || player.id === playerId);
  const from = beginsOf(song.passages)[at] ?? 0;
  const to = from + (song.passages[at]?.ticks ?? 0);
  if (parts.length === 0 || to <= from) return null;
  const once = { from, to, speed: 1, countBars: 0, gapBars: 0, circles: false };
  const run = layRun(song.passages, once);
  const score = soundScore(
    parts.map((part) => {
      const voice = usualVoice(part.player);
      return {
        voice,
        ...soundsOf(
          heardOnsets(part, from, to, (tick) => msOfTick(run, tick)),
          voice,
        ),
      };
    }),
  );
  return score.events.length > 0 ? score : null;
}
