/** Half a beat: nobody taps finer, and nobody's foot is surer. */
const STEP = 0.5;

/** Changes tapped to a click: moments in milliseconds on the clock of the click. */
export type Tapped = {
  /** When the first click of the first bar sounded. */
  readonly start: number;
  /** From one click to the next. */
  readonly beat: number;
  /** The first change, every other, and the end of the last chord where it was tapped too; in order. */
  readonly taps: readonly number[];
};

/**
 * Sets chords to the halves of the beat nearest to where they were tapped. Each place is rounded by itself, so that small
 * errors don't add up; two that fall on one half are put a half apart.
 * @param chords how many chords were to be tapped
 * @param bar beats of a bar: where the end is not tapped, the last chord lasts to the end of its bar
 * @returns beats of each chord, as many as were tapped
 * @example beatsOfTaps({ start: 0, beat: 500, taps: [20, 1980, 3040] }, 3, 4) // => [4, 2, 2]
 */
export function beatsOfTaps({ start, beat, taps }: Tapped, chords: number, bar: number): number[] {
  const places: number[] = [];
  for (const tap of taps.slice(0, chords + 1)) {
    const nearest = Math.round((tap - start) / beat / STEP) * STEP;
    const last = places.at(-1);
    places.push(last === undefined ? nearest : Math.max(nearest, last + STEP));
  }
  if (places.length === 0) return [];
  if (places.length <= chords) places.push(endOfBar(places.at(-1)!, bar));
  return places.slice(1).map((place, at) => place - places[at]!);
}

/** The first bar line after a place; the place may lie before the first click. */
const endOfBar = (place: number, bar: number): number => (Math.floor(place / bar + 1e-9) + 1) * bar;
