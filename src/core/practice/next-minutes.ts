import type { Practice } from "../song/schema";

/** Something of a song that one player can practise by itself. */
export type PracticePlace = {
  readonly kind: "changes" | "section";
  /** As the log calls it. */
  readonly what: string;
  /** How hard it is for this hand, in points of its hardest change or, of a line, a point for each four notes. */
  readonly hard: number;
  /** Places in it that were marked where something went wrong. */
  readonly spots: number;
};

/** A piece of the next minutes: what, how long, how fast, and why this. */
export type NextStep = {
  /** Null is the whole song. */
  readonly place: PracticePlace | null;
  readonly minutes: number;
  /** The tempo to begin at, in hundredths of the one written; null where it is not played in time. */
  readonly percent: number | null;
  readonly why: readonly string[];
};

type Entry = Pick<Practice, "day" | "kind" | "what" | "percent" | "clean">;

/** What is known of the time there is. */
export type PracticeTime = {
  /** Today, and the day of the evening, as 2026-12-24; null where none is planned. */
  readonly today: string;
  readonly evening: string | null;
  readonly minutes: number;
};

/**
 * Ours, no source; docs/fit.md tells them. A change is sure at so many clean ones a minute, a section at its full tempo without a
 * fault; what was not touched for long is sure by a part of that; shortly before an evening whole sections come before single
 * changes.
 */
const NEXT = Object.freeze({
  sureChanges: 30,
  /** Without anybody counting, a tempo that was reached counts by half. */
  uncounted: 0.5,
  /** Each day without it takes so much, down to the least. */
  fades: 0.05,
  fadesTo: 0.5,
  change: 1,
  section: 3,
  mostChanges: 3,
  soonDays: 2,
  soon: 2,
  /** Each place that went wrong is worth so many points, and halves how sure it all is. */
  spot: 2,
  /** What is as sure as this is left alone. */
  sure: 0.9,
  slow: 60,
});
const FULL = 100;

/** A day counted from a far one on: the Julian day number of the Gregorian calendar, in whole numbers. */
function dayNumber(day: string): number {
  const [year, month, date] = day.split("-").map(Number) as [number, number, number];
  // Years begin in March, so that a leap day is the last one.
  const before = month < 3 ? 1 : 0;
  const [y, m] = [year + 4800 - before, month + 12 * before - 3];
  const leaps = Math.floor(y / 4) - Math.floor(y / 100) + Math.floor(y / 400);
  return date + Math.floor((153 * m + 2) / 5) + 365 * y + leaps - 32_045;
}

/** Days from one day to another. @example daysBetween("2026-11-30", "2026-12-02") // => 2 */
export const daysBetween = (from: string, to: string): number => dayNumber(to) - dayNumber(from);

type Known = { readonly sure: number; readonly best: Entry | null; readonly idle: number | null };

/** A step of the ladder was in time, or its player said so. */
const isCounted = ({ kind, clean }: Entry): boolean => kind === "ladder" || (clean ?? 0) > 0;
const reachedOf = (one: Entry): number => ((one.percent ?? 0) / FULL) * (isCounted(one) ? 1 : NEXT.uncounted);
const cleanOf = ({ clean }: Entry): number => (clean ?? 0) / NEXT.sureChanges;

/** How sure a place is by its log, 0 to 1, and what that rests on. */
function knownOf({ kind, what, spots }: PracticePlace, log: readonly Entry[], today: string): Known {
  const isChanges = kind === "changes";
  const own = log.filter((one) =>
    one.kind === "ladder"
      ? !isChanges && one.what === `${what}: all`
      : one.what === what && (one.kind === "changes") === isChanges,
  );
  const worth = isChanges ? cleanOf : reachedOf;
  const best = own.reduce<Entry | null>((top, one) => (top && worth(top) > worth(one) ? top : one), null);
  const last = own
    .map(({ day }) => day)
    .toSorted()
    .at(-1);
  if (!best || last === undefined) return { sure: 0, best: null, idle: null };
  const idle = Math.max(0, daysBetween(last, today));
  const fresh = Math.max(NEXT.fadesTo, 1 - NEXT.fades * idle);
  return { sure: (Math.min(1, worth(best)) * fresh) / 2 ** spots, best, idle };
}

/** "hard", "12 clean a minute so far", "not touched for 9 days". */
function whyOf({ kind, hard, spots }: PracticePlace, { best, idle }: Known): string[] {
  const how =
    kind === "changes"
      ? [`it costs the hand ${hard.toFixed(1)} points`]
      : hard > 0
        ? [`its hardest place has ${hard.toFixed(1)} points`]
        : [];
  const wrong =
    spots === 0 ? [] : [spots === 1 ? "a bar of it was marked" : `${spots} bars of it were marked`];
  how.push(...wrong);
  if (!best || idle === null) return [...how, kind === "changes" ? "not counted yet" : "not practised yet"];
  const far =
    kind === "changes"
      ? `${best.clean ?? 0} clean a minute at best`
      : best.percent === null
        ? "no tempo is known"
        : `${best.percent} % of its tempo so far${isCounted(best) ? "" : ", nobody counted how often it was clean"}`;
  return [...how, far, ...(idle > 1 ? [`${idle} days ago`] : [])];
}

/** From what was reached one step up; slow where nothing was. */
const tempoFor = (best: Entry | null): number => {
  if (best?.percent === null || best?.percent === undefined) return NEXT.slow;
  return Math.min(FULL, isCounted(best) ? best.percent + 10 : best.percent);
};

/**
 * What one player should practise in the next minutes: single changes first, a minute each, then sections, three minutes each, by
 * how hard they are and how little sure; what is left is the whole song. Of equals the one listed first.
 * @param places of the player's part, in the order of the song
 * @param log of this player in this song
 * @example nextMinutes(places, [], { today: "2026-12-02", evening: null, minutes: 10 })[0].place
 */
export function nextMinutes(
  places: readonly PracticePlace[],
  log: readonly Entry[],
  { today, evening, minutes }: PracticeTime,
): NextStep[] {
  const left = evening === null ? null : daysBetween(today, evening);
  const isSoon = left !== null && left >= 0 && left <= NEXT.soonDays;
  const all = places
    .map((place) => {
      const known = knownOf(place, log, today);
      const weight = place.kind === "section" && isSoon ? NEXT.soon : 1;
      return { place, known, need: (1 - known.sure) * (place.hard + 1 + place.spots * NEXT.spot) * weight };
    })
    .filter(({ known }) => known.sure < NEXT.sure)
    .toSorted((a, b) => b.need - a.need);
  const ofKind = (kind: PracticePlace["kind"]) => all.filter(({ place }) => place.kind === kind);
  const [changes, sections] = [ofKind("changes"), ofKind("section")];
  // Whoever has sections to learn keeps the larger part of the time for them.
  const most = isSoon ? 1 : NEXT.mostChanges;
  const room = sections.length > 0 ? Math.max(0, minutes - NEXT.section) : minutes;
  const drilled = changes.slice(0, Math.min(most, Math.floor(room / NEXT.change)));
  const steps = drilled.map(
    ({ place, known }): NextStep => ({
      place,
      minutes: NEXT.change,
      percent: null,
      why: whyOf(place, known),
    }),
  );
  let rest = minutes - drilled.length * NEXT.change;
  for (const { place, known } of sections) {
    if (rest < NEXT.section) break;
    rest -= NEXT.section;
    steps.push({
      place,
      minutes: NEXT.section,
      percent: isSoon ? FULL : tempoFor(known.best),
      why: whyOf(place, known),
    });
  }
  const last = steps.at(-1);
  // A moment is too short for a song: what is practised last has it.
  if (rest < NEXT.section && last) return [...steps.slice(0, -1), { ...last, minutes: last.minutes + rest }];
  const isSure = all.length === 0 && places.length > 0;
  const words = isSure ? "everything else is sure" : "how it hangs together";
  const soon = isSoon ? [left === 0 ? "the evening is today" : tellLeft(left)] : [];
  return [...steps, { place: null, minutes: rest, percent: FULL, why: [words, ...soon] }];
}

const tellLeft = (days: number): string =>
  days === 1 ? "the evening is tomorrow" : `the evening is in ${days} days`;
