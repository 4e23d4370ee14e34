/** How a player's taps lie to the strokes they were meant for. */
export type Tapped = {
  /** By stroke: how many ms its tap came late; null where none came. */
  readonly late: readonly (number | null)[];
  /** Taps that belong to no stroke. */
  readonly extra: number;
};

/** A tap farther off belongs to no stroke, ms; less where strokes are closer than twice that. */
const FARTHEST_MS = 200;
/** A stroke is in time within so many ms. Ours, no source. */
const IN_TIME_MS = 60;

/**
 * Gives each tap to the stroke nearest to it, each stroke at most one tap, in the order of time.
 * @param due when strokes were due, ms, in order
 * @param made when taps were made, ms, in order
 * @example judgeTaps([0, 500], [20, 480]).late // => [20, -20]
 */
export function judgeTaps(due: readonly number[], made: readonly number[]): Tapped {
  const late: (number | null)[] = due.map(() => null);
  let extra = 0;
  let from = 0;
  for (const tap of made) {
    let best = -1;
    for (let at = from; at < due.length && due[at]! <= tap + FARTHEST_MS; at++)
      if (best < 0 || Math.abs(due[at]! - tap) < Math.abs(due[best]! - tap)) best = at;
    const gap =
      best < 0 ? 0 : Math.min(due[best]! - (due[best - 1] ?? -1e9), (due[best + 1] ?? 1e9) - due[best]!);
    if (best < 0 || Math.abs(due[best]! - tap) > Math.min(FARTHEST_MS, gap / 2 + 1)) {
      extra++;
      continue;
    }
    late[best] = tap - due[best]!;
    from = best + 1;
  }
  return { late, extra };
}

/** Whether most of what was due was played in time. */
export const isInTime = ({ late, extra }: Tapped): boolean =>
  late.length > 0 && inTime(late) >= late.length * 0.9 && extra <= late.length * 0.1;

const inTime = (late: readonly (number | null)[]): number =>
  late.filter((ms) => ms !== null && Math.abs(ms) <= IN_TIME_MS).length;

/** @example describeTaps({ late: [20, -20, null], extra: 0 }) // => "2 of 3 within 60 ms, on the whole in time; 1 left out." */
export function describeTaps({ late, extra }: Tapped): string {
  const told = late.flatMap((ms) => ms ?? []);
  const mean = told.length === 0 ? 0 : told.reduce((sum, ms) => sum + ms, 0) / told.length;
  const lean =
    Math.abs(mean) < 5 ? "in time" : `${Math.round(Math.abs(mean))} ms ${mean > 0 ? "late" : "early"}`;
  const missed = late.length - told.length;
  const rest = [
    ...(missed > 0 ? [`${missed} left out`] : []),
    ...(extra > 0 ? [`${extra} not asked for`] : []),
  ];
  return `${inTime(late)} of ${late.length} within ${IN_TIME_MS} ms, on the whole ${lean}${rest.length > 0 ? `; ${rest.join(", ")}` : ""}.`;
}
