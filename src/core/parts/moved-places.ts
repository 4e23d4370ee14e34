import { parseChord } from "../chord";
import { type FingeringOptions, type HeldShape, movedShape, type Style } from "../fretboard";
import type { PlanEvent, PlanRun } from "./plan-request";
import type { HandRequest } from "./shapes";

/** The strings a small shape lies on when nothing else is said, and how it voices a chord. Ours, no source. */
const MOVED_ON: Readonly<Partial<Record<Style, readonly number[]>>> = Object.freeze({
  triad: [3, 4, 5],
  "two-string": [2, 3],
  octave: [1, 3],
  power: [1, 2],
  single: [3],
});

/** By symbol where one small shape is moved to, each chord having one place; null where some chord has none. */
export function movedPlaces(
  { hand, events }: PlanRun,
  options: FingeringOptions,
): ReadonlyMap<string, HeldShape> | null {
  const style = isSmall(hand) ? "triad" : hand.style;
  const strings = options.strings ?? MOVED_ON[style];
  const chords = [...new Set(events.map(({ symbol }) => symbol))].flatMap((symbol) => {
    const read = parseChord(symbol);
    return read.ok ? [[symbol, read.value] as const] : [];
  });
  const form = ownForm(events);
  if (!strings && !form) return null;
  const moved = movedShape(
    chords.map(([, chord]) => chord),
    form ? { style: form.style, strings: form.strings } : { style, strings: strings! },
    { ...options, about: hand.fret, ...(form ? { like: form } : {}) },
  );
  if (!moved)
    return form
      ? movedPlaces({ hand, events: events.map((one) => ({ ...one, lock: null })) }, options)
      : null;
  return new Map(
    chords.flatMap(([symbol], at) => {
      const place = moved.path[at];
      return place ? [[symbol, place] as const] : [];
    }),
  );
}

/** Whether full chords and shells are moved as three-string shapes: unless they are given four strings or more. */
const isSmall = ({ style, strings }: HandRequest): boolean =>
  (style === "full" || style === "shell") && (strings?.length ?? 0) < 4;

const STYLE_OF_OWN: Readonly<Record<number, Style>> = Object.freeze({
  1: "single",
  2: "two-string",
  3: "triad",
});

/** The first shape somebody chose in a run that has no open string: the others are moved like it. */
function ownForm(events: readonly PlanEvent[]) {
  for (const { lock, symbol } of events) {
    if (!lock || lock.includes(0)) continue;
    const strings = lock.flatMap((fret, string) => (fret === null ? [] : [string]));
    const read = parseChord(symbol);
    if (strings.length === 0 || !read.ok || read.value.kind === "none") continue;
    return {
      frets: lock,
      chord: read.value,
      strings,
      style: STYLE_OF_OWN[strings.length] ?? ("full" as const),
    };
  }
  return null;
}
