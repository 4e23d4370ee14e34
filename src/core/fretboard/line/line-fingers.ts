import type { Fret, Ticks } from "../../../base";
import { betweenFretsMm, GUITAR_SCALE_MM } from "../neck";
import { inOrder, type LineNeck, type TabNote } from "./note";

/** A finger of the fretting hand: index to little finger. */
export type LineFinger = 1 | 2 | 3 | 4;

/**
 * What the hand pays; ours, no source: a move along the neck and each mm of it, the little finger, a stretch by a fret, and a
 * little for each finger after the first, so that the index is taken where all else is one.
 */
export const FINGER_WEIGHTS = Object.freeze({
  move: 0.3,
  mm: 0.008,
  little: 0.12,
  stretch: 0.7,
  after: 0.01,
});

/** What is struck together, with where the index finger may stand for it. */
type Moment = { readonly tick: Ticks; readonly notes: readonly number[] };

const clamp = (finger: number): LineFinger => Math.max(1, Math.min(4, finger)) as LineFinger;
const isFretted = ({ art, fret }: TabNote): boolean => art !== "dead" && fret > 0;

/** The finger of a note where the index stands at a fret: one a fret, the outer ones stretched by one more. */
const fingerAt = (fret: Fret, index: Fret): LineFinger => clamp(fret - index + 1);

/** What a moment costs at a place; null where the hand can't be there, or a finger that is said would not be that one. */
function costAt(notes: readonly TabNote[], moment: Moment, index: Fret): number | null {
  let cost = 0;
  for (const at of moment.notes) {
    const note = notes[at]!;
    const apart = note.fret - index;
    if (apart < -1 || apart > 4) return null;
    const finger = fingerAt(note.fret, index);
    if (note.finger !== null && note.finger !== finger) return null;
    if (apart === -1 || apart === 4) cost += FINGER_WEIGHTS.stretch;
    cost += FINGER_WEIGHTS.after * (finger - 1) + (finger === 4 ? FINGER_WEIGHTS.little : 0);
  }
  return cost;
}

/** Moments with fretted notes, in time. */
function momentsOf(notes: readonly TabNote[]): Moment[] {
  const moments: Moment[] = [];
  for (const { at, tick } of inOrder(notes.map((note, at) => ({ ...note, at })))) {
    if (!isFretted(notes[at]!)) continue;
    const last = moments.at(-1);
    if (last?.tick === tick) moments[moments.length - 1] = { tick, notes: [...last.notes, at] };
    else moments.push({ tick, notes: [at] });
  }
  return moments;
}

/**
 * Whether the hand comes to a moment by sliding: true where the finger that slides is the one that was there, and the move is
 * the slide; false where it would be another; null where nothing slides.
 */
function slides(
  notes: readonly TabNote[],
  before: Moment,
  after: Moment,
  from: Fret,
  to: Fret,
): boolean | null {
  const pairs = after.notes.flatMap((at) => {
    const earlier = before.notes.find((one) => notes[one]!.string === notes[at]!.string);
    return notes[at]!.art === "slide" && earlier !== undefined ? [[earlier, at] as const] : [];
  });
  if (pairs.length === 0) return null;
  return pairs.every(([one, at]) => fingerAt(notes[one]!.fret, from) === fingerAt(notes[at]!.fret, to));
}

/** Another finger at the end of a slide than at its beginning: only where there is no other way. */
const TORN_SLIDE = 5;

/**
 * The fingers of a line, by the hand's least effort: one finger a fret, moved along the neck as little as can be, the little
 * finger and stretches only where they save a move; a finger that a note says itself is held to. Exact, by dynamic programming
 * over where the index finger stands.
 * @returns a finger a note, in the order given; null for open and dead notes, and where what is said can't be held
 * @example lineFingers(notes("G string 5, 7, 8"), neck) // => [1, 3, 4]
 */
export function lineFingers(
  notes: readonly TabNote[],
  { capo }: Pick<LineNeck, "capo">,
  scaleMm: number = GUITAR_SCALE_MM,
): readonly (LineFinger | null)[] {
  const fingers: (LineFinger | null)[] = notes.map(() => null);
  let stretch: Moment[] = [];
  // What can't be held ends one stretch of the line, and the next begins anew.
  for (const moment of momentsOf(notes)) {
    if (placesOf(notes, moment).length === 0) {
      finger(stretch);
      stretch = [];
    } else stretch.push(moment);
  }
  finger(stretch);
  return fingers;

  function finger(moments: readonly Moment[]): void {
    const way = leastWay(notes, moments, capo, scaleMm);
    for (const [place, moment] of moments.entries())
      for (const at of moment.notes) fingers[at] = fingerAt(notes[at]!.fret, way[place]!);
  }
}

/** Where the index may stand for a moment, with what that costs. */
function placesOf(notes: readonly TabNote[], moment: Moment): { index: Fret; cost: number }[] {
  const high = Math.max(...moment.notes.map((at) => notes[at]!.fret));
  return Array.from({ length: high + 1 }, (_, at) => at + 1).flatMap((index) => {
    const cost = costAt(notes, moment, index);
    return cost === null ? [] : [{ index, cost }];
  });
}

function leastWay(
  notes: readonly TabNote[],
  moments: readonly Moment[],
  capo: number,
  scaleMm: number,
): Fret[] {
  type Step = { readonly index: Fret; readonly cost: number; readonly from: Step | null };
  let steps: readonly Step[] = [];
  for (const [place, moment] of moments.entries()) {
    const before = moments[place - 1];
    steps = placesOf(notes, moment).map(({ index, cost }): Step => {
      if (!before) return { index, cost, from: null };
      let best: Step | null = null;
      for (const one of steps) {
        const slid = slides(notes, before, moment, one.index, index);
        const isFree = slid === true || one.index === index;
        const moved = isFree
          ? 0
          : FINGER_WEIGHTS.move + FINGER_WEIGHTS.mm * betweenFretsMm(one.index, index, capo, scaleMm);
        const sum = one.cost + moved + cost + (slid === false ? TORN_SLIDE : 0);
        if (!best || sum < best.cost - 1e-9) best = { index, cost: sum, from: one };
      }
      return best!;
    });
  }
  const way: Fret[] = [];
  let step: Step | null =
    steps.length === 0 ? null : steps.reduce((a, b) => (b.cost < a.cost - 1e-9 ? b : a));
  while (step) {
    way.unshift(step.index);
    step = step.from;
  }
  return way;
}
