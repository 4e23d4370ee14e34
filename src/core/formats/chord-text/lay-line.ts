import { beatUnitOf, type Meter, ticksOfBeats } from "../../rhythm";
import type { SheetChord, SheetLine } from "../sheet";
import { atSyllables, spreadOver } from "./at-syllables";
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
  /** Whether an "e" at the end of a word is sung. */
  readonly endsSung?: boolean;
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
  { meter, beatsPerChord, previous, endsSung = false }: Before,
): { line: SheetLine; crowded: readonly ChordToken[]; isOpen: boolean } {
  const { words, place } = squeeze(text, columns);
  if (tokens.length === 0) return { line: { words, chords: [] }, crowded: [], isOpen: false };
  const perChord = beatsPerChord === undefined ? null : ticksOfBeats(beatsPerChord, beatUnitOf(meter));
  const { timed, crowded } = timeChords(tokens, { meter, perChord, previous });
  const written = timed.map(({ token }) => place(token.column));
  // Columns are where chords were set by eye; a chord in the words stands to the letter.
  const isSpread = columns !== undefined && isPacked(tokens, words);
  const places = isSpread
    ? spreadOver(
        words,
        timed.map(({ ticks }) => ticks),
        endsSung,
      )
    : columns
      ? atSyllables(words, written, endsSung)
      : written;
  const chords = timed.map(({ token, ticks, guessed }, index): SheetChord => {
    const chord = { symbol: token.text, at: places[index]!, ticks, guessed };
    return token.unsure ? { ...chord, unsure: true } : chord;
  });
  const isOpen = timed.every(({ guessed }) => guessed) && !tokens.some(isBar);
  return { line: { words, chords }, crowded, isOpen };
}

/** Signs no further apart than this were written one after the other, not over words. */
const CLOSE = 2;
/** And so where the last of them stands in the first part of the words. */
const EARLY = 0.6;

/** Whether bars were written one after the other over longer words: they say when chords come, not over which word. */
function isPacked(tokens: readonly ChordToken[], words: string): boolean {
  const last = tokens.at(-1);
  if (!last || !tokens.some(isBar) || last.column > EARLY * words.length) return false;
  return tokens.every((token, index) => {
    const before = tokens[index - 1];
    return !before || token.column - before.column - before.text.length <= CLOSE;
  });
}
