import type { Ticks } from "../../../base";
import { formatBeats } from "../../rhythm";
import { type SungSyllable, tellSungSoFar, tellSyllable } from "./sung-syllables";

/** A moment of a song as people tell it: a bar and a beat, and what is sung then. */
export type Moment = {
  readonly tick: Ticks;
  /** The use it lies in, by its bar: a pickup belongs to the bar before it. */
  readonly useId: string;
  /** The section by its name there. */
  readonly label: string;
  /** Which time through a use that is repeated, from 1; null where it is not. */
  readonly round: number | null;
  /** Bar of that time through the section, from 1; 0 is the pickup of the song. */
  readonly bar: number;
  /** Bar of the song, from 1; 0 is its pickup. */
  readonly songBar: number;
  /** Beat of the bar, from 1; a fraction between beats. */
  readonly beat: number;
  /** The syllable that begins then, or began less than half a beat before; null where none did. */
  readonly sung: SungSyllable | null;
  /** The last one begun before it and the next one, where they are near. */
  readonly before: SungSyllable | null;
  readonly next: SungSyllable | null;
};

/** What bars are counted from. */
export type CountedFrom = "section" | "song";

/**
 * The bar of a moment, and what it is counted from.
 * @example tellBar(moment) // => "bar 3 of Chorus"
 * @example tellBar(moment, "song") // => "bar 27 of the song"
 */
export function tellBar({ bar, songBar, label, round }: Moment, from: CountedFrom = "section"): string {
  if (songBar === 0) return "the pickup";
  if (from === "song") return `bar ${songBar} of the song`;
  return `bar ${bar} of ${label}${round === null ? "" : `, time ${round}`}`;
}

/**
 * Bar and beat of a moment.
 * @example tellPlace(moment) // => "bar 3 of Chorus, beat 2"
 */
export const tellPlace = (moment: Moment, from: CountedFrom = "section"): string =>
  `${tellBar(moment, from)}, beat ${formatBeats(moment.beat)}`;

/**
 * The same under the name of a section: its name is told only where the moment lies in another one.
 * @param useId the use whose name stands over it
 * @example tellUnder(moment, "u3") // => "bar 3, beat 2"
 */
export function tellUnder(moment: Moment, useId: string): string {
  if (moment.useId !== useId || moment.songBar === 0) return tellPlace(moment);
  const { round, bar, beat } = moment;
  return `${round === null ? "" : `time ${round}, `}bar ${bar}, beat ${formatBeats(beat)}`;
}

/**
 * What is sung at a moment: the syllable, else the last one before and the next one; nothing where none is near.
 * @example tellWord(moment) // => "on “em·BER”"
 * @example tellWord(moment) // => "after “sea”, before “Light”"
 */
export function tellWord({ sung, before, next }: Moment): string {
  if (sung) return `on “${tellSyllable(sung)}”`;
  return [
    ...(before ? [`after “${tellSungSoFar(before)}”`] : []),
    ...(next ? [`before “${tellSyllable(next)}”`] : []),
  ].join(", ");
}

/**
 * A whole moment.
 * @example tellMoment(moment) // => "bar 3 of Chorus, beat 2, on “em·BER”"
 */
export const tellMoment = (moment: Moment, from: CountedFrom = "section"): string =>
  [tellPlace(moment, from), tellWord(moment)].filter((part) => part !== "").join(", ");

/**
 * Whole bars under the name of their section; null where they are not bars of one time through it.
 * @param first when they begin, a downbeat
 * @param last a moment within the last of them
 * @example tellBarsUnder(moment, later, "u3") // => "bars 7–8"
 */
export function tellBarsUnder(first: Moment, last: Moment, useId: string): string | null {
  const isOneTime = [first, last].every((one) => one.useId === useId && one.round === first.round);
  if (!isOneTime || first.beat !== 1 || first.songBar === 0) return null;
  const round = first.round === null ? "" : `time ${first.round}, `;
  return first.bar === last.bar ? `${round}bar ${first.bar}` : `${round}bars ${first.bar}–${last.bar}`;
}
