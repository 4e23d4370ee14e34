import { lampSets, lightOf, unevenness } from "../split";
import type { ArrangeCase, ArrangeCell } from "./case";
import { plays } from "./case";
import { mostLight } from "./limits";

/** One way to light a use: by player, how far from the energy wanted, and light by onsets, summed. */
type Lighting = {
  readonly lights: readonly number[];
  /** Steps from the energy wanted, by bars. */
  readonly off: number;
  readonly sum: number;
};

/** Who is brightest: who carries, then a line, then bass and support. */
const ORDER = ["carry", "line", "support", "bass"] as const;

/**
 * Light for everybody, nearest to what each use wants; where the song rises, verses of one energy brighten from the first to
 * the last, and the last chorus is brighter than all others, in light by onsets, at the least cost.
 * @returns light by use and player
 */
export function lightsOf(asked: ArrangeCase, grid: readonly (readonly ArrangeCell[])[]): number[][] {
  const ways = grid.map((cells, at) => lightings(asked, at, cells));
  const chosen = ways.map((own) => own[0]!);
  if (asked.arc === "rising")
    for (const { low, high } of risesOf(asked)) {
      const found = raised(
        low.map((at) => ways[at]!),
        ways[high]!,
      );
      if (!found) continue;
      for (const [place, at] of low.entries()) chosen[at] = found.low[place]!;
      chosen[high] = found.high;
    }
  return chosen.map(({ lights }) => [...lights]);
}

/** Which uses have to stay below which: the first verse of an energy below the last one, all choruses below the last. */
export function risesOf({ uses }: ArrangeCase): { readonly low: readonly number[]; readonly high: number }[] {
  const placesOf = (is: (use: ArrangeCase["uses"][number]) => boolean) =>
    uses.flatMap((use, at) => (is(use) ? [at] : []));
  const rises: { low: number[]; high: number }[] = [];
  for (let energy = 0; energy <= 4; energy++) {
    const verses = placesOf((use) => use.kind === "verse" && use.energy === energy);
    if (verses.length > 1) rises.push({ low: [verses[0]!], high: verses.at(-1)! });
  }
  const choruses = placesOf(({ kind }) => kind === "chorus");
  if (choruses.length > 1) rises.push({ low: choruses.slice(0, -1), high: choruses.at(-1)! });
  return rises;
}

/** All ways to light a use, nearest to its energy first; the evenest of equal ones before the others. */
function lightings(asked: ArrangeCase, at: number, cells: readonly ArrangeCell[]): Lighting[] {
  const { energy, bars } = asked.uses[at]!;
  const most = cells.map((cell, who) => (plays(cell) ? Math.max(1, mostLight(asked, at, who)) : 0));
  const playing = cells.flatMap((cell, who) => (plays(cell) ? [who] : []));
  const rank = (who: number) => ORDER.indexOf(cells[who]!.role as (typeof ORDER)[number]);
  const order = [...playing].sort((a, b) => rank(a) - rank(b) || a - b);
  const seen = new Set<string>();
  return lampSets(order.length)
    .flatMap((set): (Lighting & { uneven: number })[] => {
      const lights = cells.map(() => 0);
      for (const [place, who] of order.entries()) lights[who] = Math.min(set[place]!, most[who]!);
      const key = lights.join();
      if (seen.has(key)) return [];
      seen.add(key);
      const off = Math.abs(energy - lightOf(lights)) * bars;
      return [{ lights, off, sum: sumOf(lights, cells), uneven: unevenness(set) }];
    })
    .sort((a, b) => a.off - b.off || a.uneven - b.uneven);
}

/** Σ light × onsets of a bar. */
export const sumOf = (lights: readonly number[], cells: readonly Pick<ArrangeCell, "onsets">[]): number =>
  cells.reduce((sum, { onsets }, who) => sum + lights[who]! * onsets.length, 0);

/** The least cost at which all of some lie below another: every sum is tried as what lies between. */
function raised(
  low: readonly (readonly Lighting[])[],
  high: readonly Lighting[],
): { readonly low: readonly Lighting[]; readonly high: Lighting } | null {
  let best: { low: readonly Lighting[]; high: Lighting; off: number } | null = null;
  const between = new Set([...low, high].flatMap((ways) => ways.map(({ sum }) => sum)));
  for (const most of between) {
    const above = high.find(({ sum }) => sum > most);
    const below = low.flatMap((ways) => ways.find(({ sum }) => sum <= most) ?? []);
    if (!above || below.length < low.length) continue;
    const off = below.reduce((total, one) => total + one.off, above.off);
    if (best === null || off < best.off) best = { low: below, high: above, off };
  }
  return best;
}
