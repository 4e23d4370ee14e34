import type { LoopCase, Looper } from "./loop-case";
import { afterPress, bitsOf, costOfPresses, maskOf, type Press, type Sounding } from "./press";
import { pressesBetween } from "./presses-between";
import { sectionBeats } from "./track-runs";
import { type LoopWay, recordedTracks } from "./way";

/** A press with the bar of its section to wait for, counted from 0; without one it is made at once. */
export type WaitingPress = Press & { readonly bar?: number };

/** The way back to the plan from a wrong state. */
export type Recovery = {
  /** The presses to the planned state of this section; at once, or each start at its bar. */
  readonly now: readonly WaitingPress[];
  /** The presses if one waits: to the state after the next boundary. */
  readonly atBoundary: { readonly before: string | null; readonly presses: readonly WaitingPress[] };
  /** The cheaper of the two; at a tie now. */
  readonly advice: "now" | "atBoundary";
};

/** How far everything has come, in beats. */
export type LoopsAt = {
  /** Into the section. */
  readonly section: number;
  /** Since each track's loop began; null where it does not go round, or nobody knows. */
  readonly tracks: readonly (number | null)[];
};

type Asked = Pick<LoopCase, "sections" | "looper" | "layers" | "beatsPerBar">;
type Plan = Pick<LoopWay, "tracks" | "states">;

/** Less than this is nothing, in beats: a sum of fractions. */
const HAIR = 1e-6;

/**
 * The fewest presses back, by foot cost.
 * @param section the index of the section in which one is
 * @param sounding the tracks that sound
 * @param at where everything is: a start is then told with the bar in which its pass begins in step. A bar past the
 *   section's end means that none does here, and waiting is advised
 * @example recover(case, plan, 2, [0, 3])
 */
export function recover(
  asked: Asked,
  plan: Plan,
  section: number,
  sounding: readonly number[],
  at: LoopsAt | null = null,
): Recovery {
  const recorded = recordedTracks(plan.tracks);
  const from = maskOf(sounding);
  const to = (index: number) => maskOf(plan.states[index] ?? []);
  const before = asked.sections[section + 1]?.id ?? null;
  const present = at ? inStep(asked, plan, section, at) : null;
  const now = present
    ? pressesInStep(asked.looper, recorded, from, to(section), present)
    : pressesBetween(from, to(section), recorded, asked.looper);
  const left = asked.sections[section]!.bars;
  const next = at && before !== null ? inStep(asked, plan, section + 1, later(asked, section, at)) : null;
  const presses = next
    ? pressesInStep(asked.looper, recorded, from, to(section + 1), next).map(({ bar, ...press }) =>
        bar ? { ...press, bar } : press,
      )
    : pressesBetween(from, to(section + 1), recorded, asked.looper);
  const isTooLate = now.some(({ bar }: WaitingPress) => bar !== undefined && bar >= left - HAIR);
  const isCheaper = costOfPresses(now) <= costOfPresses(presses);
  return { now, atBoundary: { before, presses }, advice: isCheaper && !isTooLate ? "now" : "atBoundary" };
}

/** Where everything is at the next boundary. */
export const later = ({ sections, beatsPerBar }: Asked, section: number, at: LoopsAt): LoopsAt => {
  const gone = sections[section]!.bars * beatsPerBar - at.section;
  return { section: 0, tracks: at.tracks.map((beats) => (beats === null ? null : beats + gone)) };
};

/** Where the passes of every track would begin, all in beats from where the section begins. */
export type Passes = {
  /** Of one pass; 0 where nothing is recorded. */
  readonly lengths: readonly number[];
  /** Where one of them begins. */
  readonly begun: readonly number[];
  readonly beatsPerBar: number;
  /** How much of the section is over, and how many bars it has. */
  readonly gone: number;
  readonly bars: number;
};

function inStep(asked: Asked, plan: Plan, section: number, { section: gone, tracks }: LoopsAt): Passes {
  const { beatsPerBar, layers, sections } = asked;
  const starts = sectionBeats(asked);
  return {
    beatsPerBar,
    gone,
    bars: sections[section]!.bars,
    lengths: plan.tracks.map((ids) =>
      Math.max(0, ...layers.filter(({ id }) => ids.includes(id)).map(({ bars }) => bars * beatsPerBar)),
    ),
    // By its own loop where that goes round, else where the plan has it begin.
    begun: plan.tracks.map((_, track) => {
      const since = tracks[track] ?? null;
      if (since !== null) return gone - since;
      let run = section;
      while (run > 0 && plan.states[run - 1]!.includes(track)) run--;
      return starts[run]! - starts[section]!;
    }),
  };
}

/**
 * The cheapest presses between two states, each start with the bar in which its pass begins in step: the first from now on,
 * past the section's end where none does before. All are let in together only where one bar suits all that come in.
 */
export function pressesInStep(
  looper: Looper,
  recorded: Sounding,
  from: Sounding,
  to: Sounding,
  { lengths, begun, beatsPerBar, gone, bars }: Passes,
): WaitingPress[] {
  const first = Math.ceil(gone / beatsPerBar - HAIR);
  const last = first + Math.ceil(bars + Math.max(0, ...lengths) / beatsPerBar);
  const fits = (track: number, bar: number): boolean => {
    const length = lengths[track]!;
    const passes = (bar * beatsPerBar - begun[track]!) / length;
    // What was only muted is in step wherever it comes in, while anything goes round.
    if (looper.muted && from !== 0) return length > 0;
    return length > 0 && Math.abs(passes - Math.round(passes)) * length < HAIR;
  };
  const barOf = (tracks: readonly number[]): number | null => {
    for (let bar = first; bar <= last; bar++) if (tracks.every((track) => fits(track, bar))) return bar;
    return null;
  };
  // One pedal for both starts all anew: then everything must begin in one bar.
  const comeIn = looper.toggleAll && from !== 0 ? recorded : recorded & ~from;
  const isTogether = barOf(bitsOf(comeIn)) !== null;
  const { prices } = looper;
  const pairs = prices?.pairs.filter((pair) => barOf(pair.filter((track) => comeIn & (1 << track))) !== null);
  const presses = pressesBetween(from, to, recorded, {
    ...looper,
    ...(isTogether ? {} : { allStart: false }),
    ...(prices && pairs ? { prices: { ...prices, pairs } } : {}),
  });
  let sounding = from;
  return presses.map((press): WaitingPress => {
    const before = sounding;
    sounding = afterPress(sounding, recorded, press) ?? sounding;
    return press.effect === "stop" ? press : { ...press, bar: barOf(bitsOf(sounding & ~before)) ?? last };
  });
}
