import { lightOf } from "./split-score";

/** Every way to hand out light 1 to 4 to so many players, brightest first, by their number. */
const handed = new Map<number, readonly (readonly number[])[]>();

export function lampSets(players: number): readonly (readonly number[])[] {
  const known = handed.get(players);
  if (known) return known;
  const sets: number[][] =
    players === 0
      ? [[]]
      : lampSets(players - 1).flatMap((set) =>
          [4, 3, 2, 1].filter((lamp) => lamp <= (set.at(-1) ?? 4)).map((lamp) => [...set, lamp]),
        );
  handed.set(players, sets);
  return sets;
}

/** How good a set looks on stage: one a step brighter than the rest, the rest alike. */
export const unevenness = (set: readonly number[]): number => {
  const [first = 0, second = first - 1] = set;
  return Math.abs(first - second - 1) + (second - (set.at(-1) ?? second));
};

export type LampChoice = { readonly lamps: readonly number[]; readonly distance: number };

/** The best set of light for so many players whose sum is given (or any), against a section's energy. */
const choices = new Map<string, LampChoice | null>();

export function bestLamps(players: number, energy: number, sum: number | null): LampChoice | null {
  const key = `${players} ${energy} ${sum}`;
  const known = choices.get(key);
  if (known !== undefined) return known;
  let best: LampChoice | null = null;
  for (const lamps of lampSets(players)) {
    if (sum !== null && lamps.reduce((total, lamp) => total + lamp, 0) !== sum) continue;
    const distance = Math.abs(energy - lightOf(lamps));
    const better =
      best === null ||
      distance < best.distance ||
      (distance === best.distance && unevenness(lamps) < unevenness(best.lamps));
    if (better) best = { lamps, distance };
  }
  choices.set(key, best);
  return best;
}
