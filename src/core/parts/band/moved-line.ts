import type { Semitones } from "../../../base";
import {
  type LineNeck,
  type LineWayName,
  moveLine,
  placeLine,
  stoppedPitch,
  type TabNote,
} from "../../fretboard";
import { formatTuning, type Key, parseKey, semitonesUp } from "../../pitch";
import { hasStrings, neckOfRiff, tuningOf } from "../../song/read";
import type { Player, Riff } from "../../song/schema";

/** A way to play a line in a section in which it sounds otherwise, or on another neck, than it was written for. */
export type FollowWay = {
  readonly how: LineWayName;
  /** The new capo, from the nut, where that is the way. */
  readonly capo?: number;
  readonly notes: readonly TabNote[];
  /** Notes that have no place on the neck. */
  readonly lost: number;
};

/** How a line follows into a section. */
export type LineFollow = {
  /** How much higher it sounds there than it was written. */
  readonly by: Semitones;
  /** The first is played. */
  readonly ways: readonly FollowWay[];
  /** Whether it is as it was written but for its frets, or somebody chose how it is played. */
  readonly isSettled: boolean;
};

/** A line as it is played in a part. */
export type FollowedLine = {
  /** With the neck it is played on. */
  readonly riff: Riff;
  readonly notes: readonly TabNote[];
  /** Null where it is played as it was written. */
  readonly follow: LineFollow | null;
};

const OCTAVE = 12;

/** How far a line goes along from the key it was written in to another: the shorter way, up where both are as long. */
export function keyMove(home: string | null, now: Key): Semitones {
  const read = home === null ? null : parseKey(home);
  if (!read?.ok) return 0;
  return ((semitonesUp(read.value.tonic, now.tonic) + 5) % OCTAVE) - 5;
}

/**
 * A line in a part: moved so that it sounds as much higher as the section does, on the player's own neck. On its own strings
 * where that goes; else fingered anew by the hand's shortest way, or behind another capo, until somebody chooses.
 * @param by semitones from where it was written
 * @param chosen how somebody wants it played, or null
 */
export function followedLine(
  riff: Riff,
  notes: readonly TabNote[],
  player: Player,
  capo: number,
  by: Semitones,
  chosen: "re-fingered" | null,
): FollowedLine {
  const from = neckOfRiff(riff);
  const to: LineNeck = hasStrings(player) ? { tuning: tuningOf(player), capo } : from;
  const isSameNeck = to.capo === from.capo && to.tuning.join() === from.tuning.join();
  const canMove = from.tuning.length > 0 && to.tuning.length > 0 && notes.length > 0;
  if (!canMove || (isSameNeck && by === 0)) return { riff, notes, follow: null };
  const ways = followWays(notes, from, to, by);
  const anew = ways.findIndex(({ how }) => how === "re-fingered");
  const first = chosen === "re-fingered" && anew > 0 ? anew : 0;
  const ordered = [ways[first]!, ...ways.filter((_, at) => at !== first)];
  const [played] = ordered;
  const isAsItWas = played!.how === "same strings" && played!.lost === 0;
  return {
    riff: { ...riff, tuning: formatTuning(to.tuning), capo: to.capo },
    notes: played!.notes,
    follow: { by, ways: ordered, isSettled: isAsItWas || chosen === "re-fingered" },
  };
}

/**
 * Every way to play a line so many semitones away, the one on its own strings first, where there is one; fingered anew by the
 * hand's shortest way.
 */
export function followWays(
  notes: readonly TabNote[],
  from: LineNeck,
  to: LineNeck,
  by: Semitones,
): FollowWay[] {
  const ways = moveLine(notes, { from, to, by }).map(({ how, capo, notes: moved, lost }): FollowWay => {
    const kept = moved.flatMap(({ fret, ...note }) => (fret === null ? [] : [{ ...note, fret }]));
    return { how, ...(capo === undefined ? {} : { capo }), notes: kept, lost: lost.length };
  });
  const anew = ways.find(({ how }) => how === "re-fingered");
  if (anew && anew.lost > 0) return ways;
  // The hand's shortest way is where a player would look for it; least travel alone may lie far up the neck.
  const held = heldByHand(notes, from, to, by);
  if (!held) return ways;
  return anew
    ? ways.map((way) => (way === anew ? held : way))
    : [ways[0]!, ...(isAlike(ways[0]!.notes, held.notes) ? [] : [held]), ...ways.slice(1)];
}

function heldByHand(
  notes: readonly TabNote[],
  from: LineNeck,
  to: LineNeck,
  by: Semitones,
): FollowWay | null {
  // A dead note has no pitch to be found again: it keeps its string.
  if (notes.some(({ art }) => art === "dead")) return null;
  const pitches = notes.flatMap((note) => stoppedPitch(note, from) ?? []);
  if (pitches.length < notes.length) return null;
  const placed = placeLine(
    notes,
    pitches.map((pitch) => pitch + by),
    { neck: to },
  );
  return placed.ok ? { how: "re-fingered", notes: placed.value.notes, lost: 0 } : null;
}

const isAlike = (a: readonly TabNote[], b: readonly TabNote[]): boolean =>
  a.every(({ string, fret }, at) => string === b[at]?.string && fret === b[at]?.fret);
