import { beatUnitOf, type Meter, ticksOfBeats } from "../../rhythm";
import type { SheetChord, SheetLine } from "../sheet";
import { atSyllables } from "./at-syllables";
import type { ChordToken } from "./chord-line";
import { isBar, timeChords } from "./lengths";
import { squeeze } from "./squeeze";

/** What is known where a line begins. */
export type Before = {
  readonly meter: Meter;
  /** Beats of a chord whose length the text does not give, where somebody gave them. */
  readonly beatsPerChord: number | undefined;
  /** The chord before, which the line may go on with. */
  readonly previous: string | null;
};

/**
 * Sets the signs of a chord line over the words it stands over: columns become places in the words, signs lengths.
 * @param columns where the characters of the words stand, if not one after the other
 * @returns the line, the first chord of each bar that holds more chords than it has half beats, and whether nothing is written
 * of its beats
 */
export function layLine(
  tokens: readonly ChordToken[],
  text: string,
  columns: readonly number[] | undefined,
  { meter, beatsPerChord, previous }: Before,
): { line: SheetLine; crowded: readonly ChordToken[]; isOpen: boolean } {
  const { words, place } = squeeze(text, columns);
  if (tokens.length === 0) return { line: { words, chords: [] }, crowded: [], isOpen: false };
  const perChord = beatsPerChord === undefined ? null : ticksOfBeats(beatsPerChord, beatUnitOf(meter));
  const { timed, crowded } = timeChords(tokens, { meter, perChord, previous });
  const written = timed.map(({ token }) => place(token.column));
  // Columns are where chords were set by eye; a chord in the words stands to the letter.
  const places = columns ? atSyllables(words, written) : written;
  const chords = timed.map(({ token, ticks, guessed }, index): SheetChord => {
    const chord = { symbol: token.text, at: places[index]!, ticks, guessed };
    return token.unsure ? { ...chord, unsure: true } : chord;
  });
  const isOpen = timed.every(({ guessed }) => guessed) && !tokens.some(isBar);
  return { line: { words, chords }, crowded, isOpen };
}
