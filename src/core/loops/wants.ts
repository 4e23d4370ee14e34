import { type LoopCase, wantOf } from "./loop-case";

/** What is wanted as bits of layers, and bars as whole numbers of one small unit. */
export type Wanted = {
  readonly sections: number;
  readonly on: Uint32Array;
  readonly off: Uint32Array;
  /** Bars of each section in units. */
  readonly units: Float64Array;
  /** Units a bar. */
  readonly perBar: number;
};

/** Counts of set bits for every mask the engine uses. */
const COUNTS = new Uint8Array(1 << 16);
for (let mask = 1; mask < COUNTS.length; mask++) COUNTS[mask] = COUNTS[mask >> 1]! + (mask & 1);
export const countBits = (mask: number): number => COUNTS[mask]!;

/** Bars may be fractions: a unit that goes into all of them keeps sums exact. */
function unitsPerBar(bars: readonly number[], beatsPerBar: number): number {
  const whole = (per: number) => bars.every((one) => Math.abs(one * per - Math.round(one * per)) < 1e-6);
  const tried = [1, 2, beatsPerBar, 12, 12 * beatsPerBar, 960 * beatsPerBar, 5040];
  return tried.find(whole) ?? 1e6;
}

export function wantedOf(asked: Pick<LoopCase, "layers" | "sections" | "beatsPerBar">): Wanted {
  const { layers, sections } = asked;
  const perBar = unitsPerBar(
    sections.map(({ bars }) => bars),
    asked.beatsPerBar,
  );
  const mask = (at: number, want: "on" | "off") =>
    layers.reduce(
      (bits, { id }, layer) => (wantOf(sections[at]!, id) === want ? bits | (1 << layer) : bits),
      0,
    );
  return {
    sections: sections.length,
    on: Uint32Array.from(sections, (_, at) => mask(at, "on")),
    off: Uint32Array.from(sections, (_, at) => mask(at, "off")),
    units: Float64Array.from(sections, ({ bars }) => Math.round(bars * perBar)),
    perBar,
  };
}
