/** The backups the program keeps by itself, by their names. */

/** A kept backup. Its number tells the order: the clock of a machine may be set back. */
export type Kept = {
  readonly name: string;
  readonly number: number;
  /** When it was made, ISO 8601 in UTC. */
  readonly at: string;
};

/** So many of the newest are kept, and of each of the last days one. */
export const MOST_HOURLY = 24;
export const MOST_DAILY = 14;

const NAME = /^(\d{6,9})-(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})Z\.zip$/u;

/** @example keptOf("000007-2026-11-30T08-15-00Z.zip")?.at // => "2026-11-30T08:15:00Z" */
export function keptOf(name: string): Kept | null {
  const [, number, day, hour, minute, second] = NAME.exec(name) ?? [];
  return number === undefined
    ? null
    : { name, number: Number(number), at: `${day}T${hour}:${minute}:${second}Z` };
}

/** Backups among the names of a folder, the newest first. */
export const keptAmong = (names: readonly string[]): Kept[] =>
  names.flatMap((name) => keptOf(name) ?? []).sort((a, b) => b.number - a.number);

/** What the next one is called. */
export function nextName(kept: readonly Kept[], now: Date): string {
  const number = Math.max(0, ...kept.map((one) => one.number)) + 1;
  const time = now.toISOString().slice(0, 19).replaceAll(":", "-");
  return `${String(number).padStart(6, "0")}-${time}Z.zip`;
}

/**
 * Those that are kept no longer: neither among the newest 24, nor the last of one of the newest 14 days.
 * @param kept the newest first
 */
export function expired(kept: readonly Kept[]): Kept[] {
  const lastOfDay = new Map<string, Kept>();
  for (const one of kept) {
    const day = one.at.slice(0, 10);
    if (!lastOfDay.has(day) && lastOfDay.size < MOST_DAILY) lastOfDay.set(day, one);
  }
  const daily = new Set(lastOfDay.values());
  return kept.slice(MOST_HOURLY).filter((one) => !daily.has(one));
}
