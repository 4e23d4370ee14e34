import { orderAtEnd } from "../song/edit";
import type { Practice } from "../song/schema";

/** The last day a song was practised: by its log, or as somebody said; null where neither knows of one. */
export const lastRehearsed = (said: string | null, log: readonly Pick<Practice, "day">[]): string | null =>
  [...log.map(({ day }) => day), ...(said === null ? [] : [said])].toSorted().at(-1) ?? null;

/** What is said of something that was practised; what is left out was not counted. */
export type Practised = Pick<Practice, "day" | "kind" | "versionId" | "player" | "what" | "minutes"> &
  Partial<Pick<Practice, "percent" | "rounds" | "clean" | "note">>;

/** A row of the log, at its end. */
export const practiceToAdd = (
  log: Readonly<Record<string, Practice>>,
  id: string,
  said: Practised,
): Practice => ({
  id,
  order: orderAtEnd(Object.values(log)),
  percent: null,
  rounds: null,
  clean: null,
  note: "",
  ...said,
});

/** What one person has come to on one day. */
export type PracticeDay = {
  readonly day: string;
  readonly minutes: number;
  /** The fastest that was gone through without a fault; the fastest at all where nobody counted. Null where no tempo is known. */
  readonly percent: number | null;
  readonly clean: number;
};

/**
 * A log by days, the first day first.
 * @example practiceDays(log)[0] // => { day: "2026-12-01", minutes: 12, percent: 80, clean: 4 }
 */
export function practiceDays(log: readonly Practice[]): PracticeDay[] {
  const days = [...new Set(log.map(({ day }) => day))].toSorted();
  return days.map((day) => {
    const ofDay = log.filter((one) => one.day === day);
    const sure = ofDay.filter(({ clean }) => clean !== null && clean > 0);
    const told = (sure.length > 0 ? sure : ofDay).flatMap(({ percent }) => percent ?? []);
    return {
      day,
      minutes: ofDay.reduce((sum, { minutes }) => sum + minutes, 0),
      percent: told.length > 0 ? Math.max(...told) : null,
      clean: ofDay.reduce((sum, { clean }) => sum + (clean ?? 0), 0),
    };
  });
}

/** Clean changes of a pair of chords in a minute, by days: the best of each. */
export function changeDays(
  log: readonly Practice[],
): ReadonlyMap<string, readonly { readonly day: string; readonly clean: number }[]> {
  const byPair = new Map<string, Map<string, number>>();
  for (const { kind, what, day, clean } of log) {
    if (kind !== "changes" || clean === null) continue;
    const days = byPair.get(what) ?? new Map<string, number>();
    days.set(day, Math.max(clean, days.get(day) ?? 0));
    byPair.set(what, days);
  }
  return new Map(
    [...byPair].map(([what, days]) => [
      what,
      [...days].map(([day, clean]) => ({ day, clean })).toSorted((a, b) => (a.day < b.day ? -1 : 1)),
    ]),
  );
}

/** Column heads of the log as other programs read it, and a row of it. */
export const LOG_COLUMNS = [
  "day",
  "kind",
  "player",
  "what",
  "minutes",
  "tempo %",
  "rounds",
  "clean",
  "note",
] as const;

export const logRow = ({
  day,
  kind,
  player,
  what,
  minutes,
  percent,
  rounds,
  clean,
  note,
}: Practice): readonly (string | number)[] => [
  day,
  kind,
  player,
  what,
  minutes,
  percent ?? "",
  rounds ?? "",
  clean ?? "",
  note,
];
