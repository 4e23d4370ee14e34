import { beatUnitOf, countBars, type Meter, ticksOfBar, ticksOfBeatUnit } from "../../rhythm";
import { areEndsSung, lineSyllables } from "../../song/read";
import type { ChordSheet, SheetLine, SheetReading, SheetSection } from "../sheet";
import type { BarOfBeats } from "./line-beats";
import { type Guess, guessReadings, type LineOfReading, type SectionOfReading } from "./readings";

/** The last syllable is held, and a breath taken: a line's words are over before its beats are, by about so many. */
const HELD_SYLLABLES = 2;

type Arranged = Pick<ChordSheet, "sections" | "form">;

/**
 * Gives the chords of lines without written beats those of a reading of the whole song.
 * @param isOpen whether nothing is written of a line's beats
 * @param chosen which of the readings, the first where there is no such
 * @returns the song with the reading, and all that were found; none where nothing is open
 */
export function readBeats<Sheet extends Arranged>(
  sheet: Sheet,
  meter: Meter,
  isOpen: (line: SheetLine) => boolean,
  chosen = 0,
): { readonly sheet: Sheet; readonly readings: readonly SheetReading[] } {
  const beat = ticksOfBeatUnit(beatUnitOf(meter));
  if (beat === null) return { sheet, readings: [] };
  const beats = ticksOfBar(meter) / beat;
  const bar: BarOfBeats = { beats, hasHalf: beats % 2 === 0 };
  if (!sheet.sections.some(({ lines }) => lines.some((line) => hasChords(line) && isOpen(line))))
    return { sheet, readings: [] };
  const endsSung = areEndsSung(
    sheet.sections.flatMap(({ lines }) => lines.map(({ words }) => words)).join(" "),
  );
  const sections = sheet.sections.map((section) => asRead(section, beat, isOpen, endsSung));
  const guesses = guessReadings(sections, bar);
  const isGuessed = sections.map(({ lines }) => lines.some(({ known }) => known === null));
  const readings = guesses.map((guess) => readingOf(guess, sheet, bar, isGuessed));
  const taken = readings[chosen] ?? readings[0];
  if (!taken) return { sheet, readings };
  return {
    sheet: {
      ...sheet,
      sections: sheet.sections.map((section, at) => timed(section, taken.sections[at]!, beat, isOpen)),
    },
    readings,
  };
}

const hasChords = ({ chords }: SheetLine): boolean => chords.length > 0;

function asRead(
  { lines }: SheetSection,
  beat: number,
  isOpen: (line: SheetLine) => boolean,
  endsSung: boolean,
): SectionOfReading {
  const played = lines.filter(hasChords);
  return {
    group: played.map(({ chords }) => chords.map(({ symbol }) => symbol).join(" ")).join("|"),
    lines: played.map((line) =>
      isOpen(line) ? lineToGuess(line, endsSung) : { known: line.chords.map(({ ticks }) => ticks / beat) },
    ),
  };
}

/**
 * A line as guesses see it: how much of it is sung before each chord. Where nothing is sung, the last chord is held.
 * @example lineToGuess({ words: "Light on water", chords: [G at 0, D at 9] }).shares // => [0, 1 / 3]
 */
function lineToGuess({ words, chords }: SheetLine, endsSung: boolean): LineOfReading {
  const begins = chords[0]!.at;
  const sung = lineSyllables(words, endsSung).filter((at) => at >= begins);
  const shares = chords.map(({ at }, index) =>
    sung.length === 0
      ? index / (chords.length + 1)
      : sung.filter((one) => one < at).length / (sung.length + HELD_SYLLABLES),
  );
  return { known: null, shares, syllables: sung.length };
}

function timed(
  section: SheetSection,
  beats: SheetReading["sections"][number],
  beat: number,
  isOpen: (line: SheetLine) => boolean,
): SheetSection {
  const lines = section.lines.map((line, at): SheetLine => {
    if (!hasChords(line) || !isOpen(line)) return line;
    const chords = line.chords.map((chord, index) => ({
      ...chord,
      ticks: beats[at]![index]! * beat,
      guessed: true,
    }));
    return { ...line, chords };
  });
  return { ...section, lines };
}

function readingOf(
  { sections, bars, cost }: Guess,
  sheet: Arranged,
  bar: BarOfBeats,
  isGuessed: readonly boolean[],
): SheetReading {
  const withEmpty = sections.map((lines, at) => {
    let next = 0;
    return sheet.sections[at]!.lines.map((line) => (hasChords(line) ? lines[next++]! : []));
  });
  return { sections: withEmpty, bars, cost, why: inWords(sections, bars, sheet, bar, isGuessed) };
}

/** Of the sections that are guessed. @example "Verse: 4 bars a line; Chorus: 2 bars a line" */
function inWords(
  sections: Guess["sections"],
  bars: readonly number[],
  sheet: Arranged,
  bar: BarOfBeats,
  isGuessed: readonly boolean[],
): string {
  const labelsOf = new Map<string, string[]>();
  for (const [at, length] of bars.entries()) {
    if (length === 0 || !isGuessed[at]) continue;
    const lengths = sections[at]!.map((beats) => beats.reduce((sum, one) => sum + one, 0) / bar.beats);
    const longer = lengths.some((own) => own > length) ? ", some twice that" : "";
    const said = `${countBars(length)} a line${longer}`;
    const labels = labelsOf.get(said) ?? [];
    const { label } = sheet.sections[at]!;
    if (!labels.includes(label)) labelsOf.set(said, [...labels, label]);
  }
  if (labelsOf.size === 1) return [...labelsOf.keys()][0]!;
  return [...labelsOf].map(([said, labels]) => `${labels.join(", ")}: ${said}`).join("; ");
}
