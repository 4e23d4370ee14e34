import type { LoopCase } from "./loop-case";
import { maskOf, type Press } from "./press";
import { pressesBetween } from "./presses-between";
import { type LoopsAt, later, recover, type WaitingPress } from "./recover";
import { runsOf, sectionBeats } from "./track-runs";
import { type LoopWay, recordedTracks } from "./way";

/** A press of the way back and when it is made. */
export type BackStep = {
  readonly press: Press;
  /** The section in whose bars it is told, by its index; past the last one it is the end. */
  readonly section: number;
  /** The bar of that section, counted from 0, in which it is made; null at once. */
  readonly bar: number | null;
};

/** The way back to the plan from where a player is. */
export type WayBack = {
  /** In the order they are made; none where it is as planned, or comes right by itself. */
  readonly steps: readonly BackStep[];
  /** Whether what sounds is what the plan has sounding, in step. */
  readonly isRight: boolean;
  /** Tracks that sound as planned, but out of step with it. */
  readonly outOfStep: readonly number[];
};

type Plan = Pick<LoopWay, "tracks" | "states" | "presses">;

/** Farther from the plan than this a loop is heard to be out of step, beats. Ours, no source. */
const OUT_OF_STEP_BEATS = 0.5;

/** Where at least so much of a section is left after it, it is mended rather than waited out, bars. Ours, no source. */
const MENDED_BARS = 2;

/** Tracks that sound where they should, but whose passes lie elsewhere: chords by their pass, what has none by the bar. */
function stragglers(
  asked: LoopCase,
  plan: Plan,
  section: number,
  sounding: readonly number[],
  at: LoopsAt,
): number[] {
  const starts = sectionBeats(asked);
  const runs = runsOf(asked, plan);
  const now = starts[section]! + at.section;
  return sounding.filter((track) => {
    const since = at.tracks[track] ?? null;
    const run = runs.find((one) => one.track === track && one.from <= section && section < one.to);
    if (since === null || !run) return false;
    const own = asked.layers.filter(({ id }) => plan.tracks[track]!.includes(id));
    const round = own.some(({ kind }) => kind === "pitched")
      ? Math.max(...own.map(({ bars }) => bars)) * asked.beatsPerBar
      : asked.beatsPerBar;
    const apart = since - (now - starts[run.since]!);
    return Math.abs(apart - Math.round(apart / round) * round) > OUT_OF_STEP_BEATS;
  });
}

/**
 * The way back to the plan, press by press with the bar of each. What sounds out of step is taken out and comes in again where
 * its pass begins. The rest comes right in this section where enough of it is left after the last press, else by
 * {@link recover}'s cheaper way. A track that can't come in step before its section ends is left
 * out until then.
 * @param sounding the tracks that sound
 * @param at where everything is
 * @example wayBack(case, plan, 1, [0], { section: 4, tracks: [4, null] }).steps
 *   // => [{ press: track 1 in, section: 1, bar: 2 }]
 */
export function wayBack(
  asked: LoopCase,
  plan: Plan,
  section: number,
  sounding: readonly number[],
  at: LoopsAt,
): WayBack {
  const recorded = recordedTracks(plan.tracks);
  const outOfStep = stragglers(asked, plan, section, sounding, at);
  const kept = sounding.filter((track) => !outOfStep.includes(track));
  const isRight = outOfStep.length === 0 && maskOf(kept) === maskOf(plan.states[section] ?? []);
  if (isRight) return { steps: [], isRight, outOfStep };
  const from = (tracks: readonly number[]) => ({
    first: pressesBetween(maskOf(sounding), maskOf(tracks), recorded, asked.looper),
    way: recover(asked, plan, section, tracks, heardOf(at, tracks)),
  });
  const { first, way } = from(kept);
  const { bars } = asked.sections[section]!;
  const lastBar = Math.max(at.section / asked.beatsPerBar, ...way.now.map(({ bar = 0 }) => bar));
  if (lastBar <= bars - MENDED_BARS || way.advice === "now")
    return { steps: placed(asked, section, section, first, way.now), isRight, outOfStep };
  // What would go on into the next section out of step with it is taken out before.
  const strays =
    section + 1 < asked.sections.length
      ? stragglers(asked, plan, section + 1, kept, later(asked, section, heardOf(at, kept)))
      : [];
  const waiting = from(kept.filter((track) => !strays.includes(track)));
  const next = waiting.way.atBoundary.presses;
  return { steps: placed(asked, section, section + 1, waiting.first, next), isRight, outOfStep };
}

const heardOf = (at: LoopsAt, tracks: readonly number[]): LoopsAt => ({
  ...at,
  tracks: at.tracks.map((beats, track) => (tracks.includes(track) ? beats : null)),
});

/** Presses made at once, then those of a section, each at its bar; what can't come in step before that ends is left out. */
function placed(
  { sections }: LoopCase,
  here: number,
  inside: number,
  first: readonly Press[],
  presses: readonly WaitingPress[],
): BackStep[] {
  const steps = presses.map(
    ({ bar, ...press }): BackStep => ({
      press: press as Press,
      section: inside,
      bar: inside === here ? (bar ?? null) : (bar ?? 0),
    }),
  );
  const bars = sections[inside]?.bars ?? Number.POSITIVE_INFINITY;
  return inOrder([
    ...first.map((press): BackStep => ({ press, section: here, bar: null })),
    ...steps.filter(({ bar }) => bar === null || bar < bars - 1e-6),
  ]);
}

/** By when they are made; late is what comes after another one at the same moment. */
function inOrder(steps: readonly BackStep[]): BackStep[] {
  const placeOf = ({ section, bar }: BackStep) => [section, bar ?? -1] as const;
  const sorted = steps.toSorted((a, b) => {
    const [one, other] = [placeOf(a), placeOf(b)];
    return one[0] - other[0] || one[1] - other[1];
  });
  return sorted.map((step, at) => {
    const before = sorted[at - 1];
    const isLater = before !== undefined && before.section === step.section && before.bar === step.bar;
    return { ...step, press: { ...step.press, late: isLater && step.press.late } };
  });
}
