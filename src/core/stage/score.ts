import type { Ticks } from "../../base";
import type { EveningItem, SectionKind } from "../song/schema";

/** One time through a section, as a clock needs it. Ticks count from where the passage begins. */
export type LivePassage = {
  /** The use and the time round: "useId round". */
  readonly id: string;
  readonly label: string;
  readonly kind: SectionKind;
  readonly ticks: Ticks;
  /** The number of its first bar, and where each of its bars begins; a pickup lies before the first. */
  readonly firstBar: number;
  readonly bars: readonly Ticks[];
  /** A beat and a whole bar of its metre. */
  readonly beat: Ticks;
  readonly bar: Ticks;
  readonly bpm: number;
  /** Places at which everybody waits for the sign to go on. */
  readonly signs: readonly Ticks[];
};

/** A place of the running order on stage: a song with its passages, or something that is no song. */
export type LiveItem = {
  readonly id: string;
  readonly kind: EveningItem["kind"];
  readonly title: string;
  readonly versionId: string | null;
  readonly note: string;
  readonly minutes: number;
  readonly passages: readonly LivePassage[];
};

/** The name of one time through a section. @example passageId({ use: { id: "u1" }, round: 0 }) // => "u1 0" */
export const passageId = ({ use, round }: { use: { id: string }; round: number }): string =>
  `${use.id} ${round}`;

/** The use a passage is of. @example idOfUse("u1 0") // => "u1" */
export const idOfUse = (passage: string): string => passage.slice(0, passage.lastIndexOf(" "));

/** How long a beat of a passage lasts as written, ms. */
export const beatMs = ({ bpm }: Pick<LivePassage, "bpm">): number => 60_000 / bpm;

/**
 * How long it is counted in to a passage, in ticks. A pickup is sung on the last beats that are counted; too little counting before
 * it gets a bar more.
 * @example countInTicks(passageInFour, 1) // => 3840, without a pickup
 */
export function countInTicks({ bars, bar }: Pick<LivePassage, "bars" | "bar">, countBars: number): Ticks {
  const wanted = countBars * bar - (bars[0] ?? 0);
  return countBars === 0 ? 0 : wanted < bar / 2 ? wanted + bar : wanted;
}
