import type { Semitones } from "../../base";
import { type LineNeck, pitchesOfLine, placeLine, type TabNote } from "../fretboard";
import { hasStrings, tuningOf } from "../song/read";
import type { Player } from "../song/schema";
import { scaleMmOf } from "./shapes";

/** A line on a player's neck, fingered by that hand. */
export type LineFor = {
  readonly player: Player;
  readonly capo: number;
  /** Octaves it is moved by, in semitones: -12, 0 or 12. */
  readonly by: Semitones;
  readonly notes: readonly TabNote[];
  readonly effort: number;
  readonly travelMm: number;
};

const OCTAVES: readonly Semitones[] = [0, 12, -12];

/**
 * A line for everybody who has strings, as written and an octave up and down, each fingered the easiest way for that hand; the
 * easiest first. What a neck can't reach is left out.
 * @param capoOf where a player's capo is
 * @example lineFor(notes, neck, players, ({ capo }) => capo)[0].player.name // => whose hand has it easiest
 */
export function lineFor(
  notes: readonly TabNote[],
  neck: LineNeck,
  players: readonly Player[],
  capoOf: (player: Player) => number,
): LineFor[] {
  const pitches = pitchesOfLine(notes, neck);
  if (!pitches) return [];
  const found = players.filter(hasStrings).flatMap((player) => {
    const capo = capoOf(player);
    const hand = {
      neck: { tuning: tuningOf(player), capo },
      scaleMm: scaleMmOf(player),
      level: player.level,
    };
    return OCTAVES.flatMap((by): LineFor[] => {
      const placed = placeLine(
        notes,
        pitches.map((pitch) => pitch + by),
        hand,
      );
      if (!placed.ok) return [];
      const { effort, travelMm } = placed.value;
      return [{ player, capo, by, notes: placed.value.notes, effort, travelMm }];
    });
  });
  return found.sort((a, b) => a.effort - b.effort || Math.abs(a.by) - Math.abs(b.by));
}
