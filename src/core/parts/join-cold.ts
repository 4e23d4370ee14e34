import { type Fingering, type NeckPlace, pentatonicBox } from "../fretboard";
import { type Key, parseTuning, type ScaleName } from "../pitch";
import type { ShapePlan } from "./shape-plan";
import type { HandRequest } from "./shapes";

/** A chord somebody who doesn't know the song could play each time it comes. */
export type OneChord = {
  /** As it sounds. */
  readonly symbol: string;
  readonly fingering: Fingering;
  readonly beats: number;
  /** Share of the song's beats. */
  readonly share: number;
  /** Where it comes back: the section, and the bars of it in which it begins. */
  readonly returns: readonly { readonly label: string; readonly bars: readonly number[] }[];
};

/** What the easiest of shapes still asks: a chord that hardly comes is no help, however easy. Ours, no source. */
const EASE = 8;

/** The chords of a plan for a player who joins cold, the most useful first: much of the song for little of the hand. */
export function joinCold(plan: ShapePlan): OneChord[] {
  const all = plan.runs.reduce(
    (sum, { run }) => sum + run.events.reduce((beats, one) => beats + one.beats, 0),
    0,
  );
  const chords = new Map<string, { one: Omit<OneChord, "share">; returns: Map<string, number[]> }>();
  for (const { run, path } of plan.runs) {
    for (const [index, event] of run.events.entries()) {
      const fingering = path[index]!;
      if (fingering.pitches.length === 0) continue;
      const known = chords.get(event.symbol) ?? {
        one: { symbol: event.symbol, fingering, beats: 0, returns: [] },
        returns: new Map<string, number[]>(),
      };
      known.returns.set(event.label, [...(known.returns.get(event.label) ?? []), event.bar]);
      chords.set(event.symbol, { ...known, one: { ...known.one, beats: known.one.beats + event.beats } });
    }
  }
  const useful = ({ beats, fingering }: Pick<OneChord, "beats" | "fingering">) =>
    beats / (EASE + fingering.difficulty);
  return [...chords.values()]
    .map(
      ({ one, returns }): OneChord => ({
        ...one,
        share: all === 0 ? 0 : one.beats / all,
        returns: [...returns].map(([label, bars]) => ({ label, bars: [...new Set(bars)] })),
      }),
    )
    .sort((a, b) => useful(b) - useful(a));
}

/** The pentatonic box of a key on a player's neck, frets from the capo. */
export function boxFor(
  key: Key,
  hand: Pick<HandRequest, "tuning" | "capo">,
): { scale: ScaleName; from: number; to: number; places: readonly NeckPlace[] } | null {
  const tuning = parseTuning(hand.tuning);
  return tuning.ok ? pentatonicBox(key, { tuning: tuning.value, capo: hand.capo }) : null;
}
