import type { LoopCase } from "./loop-case";
import { bitsOf, costOfPresses, maskOf, type Press, pressesBetween } from "./press";
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
    ? waiting(asked, recorded, from, to(section), present)
    : pressesBetween(from, to(section), recorded, asked.looper);
  const left = asked.sections[section]!.bars;
  const next = at && before !== null ? inStep(asked, plan, section + 1, later(asked, section, at)) : null;
  const presses = next
    ? waiting(asked, recorded, from, to(section + 1), next).map(({ bar, ...press }) =>
        bar ? { ...press, bar } : press,
      )
    : pressesBetween(from, to(section + 1), recorded, asked.looper);
  const isTooLate = now.some(({ bar }: WaitingPress) => bar !== undefined && bar >= left - HAIR);
  const isCheaper = costOfPresses(now) <= costOfPresses(presses);
  return { now, atBoundary: { before, presses }, advice: isCheaper && !isTooLate ? "now" : "atBoundary" };
}

/** Where everything is at the next boundary. */
const later = ({ sections, beatsPerBar }: Asked, section: number, at: LoopsAt): LoopsAt => {
  const gone = sections[section]!.bars * beatsPerBar - at.section;
  return { section: 0, tracks: at.tracks.map((beats) => (beats === null ? null : beats + gone)) };
};

/** Says whether a track's pass begins in step at a bar of the section, from the one that is now on. */
type InStep = { readonly first: number; readonly last: number; fits(track: number, bar: number): boolean };

function inStep(asked: Asked, plan: Plan, section: number, { section: gone, tracks }: LoopsAt): InStep {
  const { beatsPerBar, layers } = asked;
  const starts = sectionBeats(asked);
  const lengths = plan.tracks.map((ids) =>
    Math.max(0, ...layers.filter(({ id }) => ids.includes(id)).map(({ bars }) => bars * beatsPerBar)),
  );
  // Where a track's loop would have begun: by itself where it goes round, else as the plan has it.
  const begun = plan.tracks.map((_, track) => {
    const since = tracks[track] ?? null;
    if (since !== null) return gone - since;
    let run = section;
    while (run > 0 && plan.states[run - 1]!.includes(track)) run--;
    return starts[run]! - starts[section]!;
  });
  const first = Math.ceil(gone / beatsPerBar - HAIR);
  const longest = Math.max(...lengths) / beatsPerBar;
  return {
    first,
    last: first + Math.ceil(asked.sections[section]!.bars + longest),
    fits: (track, bar) => {
      const length = lengths[track]!;
      const passes = (bar * beatsPerBar - begun[track]!) / length;
      return length > 0 && Math.abs(passes - Math.round(passes)) * length < HAIR;
    },
  };
}

/** The presses between two states, each start with the bar in which it comes in step; all together where one bar suits all. */
function waiting(
  { looper }: Asked,
  recorded: number,
  from: number,
  to: number,
  { first, last, fits }: InStep,
): WaitingPress[] {
  const barOf = (tracks: readonly number[]): number | null => {
    for (let bar = first; bar <= last; bar++) if (tracks.every((track) => fits(track, bar))) return bar;
    return null;
  };
  const isTogether = barOf(bitsOf(recorded & ~from)) !== null;
  const presses = pressesBetween(from, to, recorded, isTogether ? looper : { ...looper, allStart: false });
  let silenced = from;
  return presses.map((press): WaitingPress => {
    if (press.press === "stop-all") silenced = 0;
    if (press.effect === "stop") return press;
    const tracks = press.press === "track" ? [press.track] : bitsOf(recorded & ~silenced);
    return { ...press, bar: barOf(tracks) ?? last };
  });
}
