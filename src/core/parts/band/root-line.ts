import type { Ticks } from "../../../base";
import { parseChord } from "../../chord";
import { followChords, type TabNote } from "../../fretboard";
import { beatUnitOf, ticksOfBeatUnit } from "../../rhythm";
import { hasStrings, neckOfRiff, type Passage, tuningOf } from "../../song/read";
import type { Player, Riff, VersionBody } from "../../song/schema";
import { scaleMmOf } from "../shapes";
import { chordsOfPassage } from "./passage-chords";
import { writtenTime } from "./written-time";

/** A lick as it is played through a section, set on the root of each chord. */
export type RootLine = {
  /** At their ticks from the section's downbeat, as it is written. */
  readonly notes: readonly TabNote[];
  /** The section's length from its downbeat, as it is written. */
  readonly ticks: Ticks;
  /** Chords in which it has no place on the neck, as they sound, each once. */
  readonly left: readonly string[];
};

/** Whether a line is a lick that is set on the root of each chord wherever it is played. */
export const isOnRoots = ({ way, home }: Pick<Riff, "way" | "home">): boolean =>
  way === "on each root" && home !== null;

/**
 * A lick set on the root of each chord of a section, on the player's own neck: it goes along when chords, key or capo change.
 * @param notes of the lick, on the neck it was written for
 * @example lineOnRoots(body, lick, notes, player, 2, passage).left // => ["F#m"], where it can't be reached
 */
export function lineOnRoots(
  body: Pick<VersionBody, "version">,
  riff: Riff,
  notes: readonly TabNote[],
  player: Player,
  capo: number,
  passage: Passage,
): RootLine {
  const written = writtenTime(passage);
  const { pickup } = passage.section;
  const ticks = Math.max(0, written(passage.ticks) - pickup);
  const home = parseChord(riff.home ?? "");
  const neck = hasStrings(player) ? { tuning: tuningOf(player), capo } : neckOfRiff(riff);
  if (!home.ok || neck.tuning.length === 0 || notes.length === 0) return { notes: [], ticks, left: [] };
  const chords = chordsOfPassage(body, passage).flatMap((chord) => {
    const from = Math.max(0, written(chord.tick) - pickup);
    const to = written(chord.tick + chord.ticks) - pickup;
    return to > from ? [{ ...chord, tick: from, ticks: to - from }] : [];
  });
  const beat = ticksOfBeatUnit(beatUnitOf(passage.meter))!;
  const from = neckOfRiff(riff);
  const lick = { notes, ticks: riff.ticks, home: home.value, neck: from };
  const { notes: set, left } = followChords(lick, chords, {
    neck,
    scaleMm: scaleMmOf(player),
    level: player.level,
    ...(riff.approach ? { approachTicks: Math.round(beat / 2) } : {}),
  });
  return { notes: set, ticks, left: [...new Set(left.map((at) => chords[at]!.symbol))] };
}
