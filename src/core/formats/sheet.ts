import type { Ticks } from "../../base";
import type { Naming } from "../chord";
import type { Meter } from "../rhythm";
import type { MelodyNote } from "../song/read";
import type { Extra, SectionKind } from "../song/schema";

/** A song as a file or a text gives it, before it becomes a version: no ids, nothing about players. */
export type ChordSheet = {
  readonly title: string;
  readonly by: string;
  readonly composer: string;
  readonly copyright: string;
  readonly tags: readonly string[];
  /** The key the chords are written in. */
  readonly key: string | null;
  readonly keySure: boolean;
  readonly tempo: number | null;
  /** The note value the tempo counts; null is the metre's own beat. */
  readonly beatUnit: string | null;
  readonly meter: Meter | null;
  /** The fret of the capo that is named; 0 without. */
  readonly capo: number;
  /** Whether the chords are shapes behind the capo, rather than what sounds. */
  readonly shapes: boolean;
  /** Semitones everything sounds above what is written. */
  readonly transpose: number;
  readonly naming: Naming;
  readonly sections: readonly SheetSection[];
  /** The order the sections are played in. */
  readonly form: readonly SheetUse[];
  /** What stands beside words and chords: kept, and written back. */
  readonly extras: readonly SheetExtra[];
  readonly fingerings: readonly SheetFingering[];
  /** Headings with no lines under them, and nothing of their name to play again: left out, and asked about. */
  readonly unlined: readonly {
    readonly label: string;
    readonly kind: SectionKind;
    /** Where it stands in the text, from 1. */
    readonly line: number;
  }[];
  /** Whole readings of beats that were guessed, the best first; the first is applied unless another was asked for. */
  readonly readings: readonly SheetReading[];
  readonly problems: readonly SheetProblem[];
  readonly losses: readonly SheetLoss[];
};

/** One way to read the beats of a song whose sheet gives none. */
export type SheetReading = {
  /** Beats of each chord, by line, by section. */
  readonly sections: readonly (readonly (readonly number[])[])[];
  /** Bars of the usual line of each section; 0 where it has no chords. */
  readonly bars: readonly number[];
  readonly cost: number;
  /** What it is, in words: "Verse: 4 bars a line; Chorus: 2 bars a line". */
  readonly why: string;
};

export type SheetSection = {
  readonly label: string;
  readonly kind: SectionKind;
  /** Ticks before the first downbeat. */
  readonly pickup: Ticks;
  readonly lines: readonly SheetLine[];
  /** What the voice sings, where the file tells it. */
  readonly melody?: readonly MelodyNote[] | undefined;
  /** Lowest and highest MIDI note of the voice. */
  readonly melodyRange: readonly [number, number] | null;
};

/** A section played; what differs from the song stands with it, null or 0 where nothing does. */
export type SheetUse = {
  readonly section: number;
  readonly repeat: number;
  readonly label: string | null;
  readonly shift: number;
  readonly tempo: number | null;
  readonly meter: Meter | null;
};

export type SheetLine = { readonly words: string; readonly chords: readonly SheetChord[] };

/** `at` is the index in the words under the chord. `guessed` tells that the text gave no beats. */
export type SheetChord = {
  readonly symbol: string;
  readonly at: number;
  readonly ticks: Ticks;
  readonly guessed: boolean;
  /** Marked as not sure where it was written down. */
  readonly unsure?: true | undefined;
};

/** Stands before a line of a section (past the last line: at its end); without a section, at the head of the song. */
export type SheetExtra = {
  readonly kind: Extra["kind"];
  readonly text: string;
  readonly section: number | null;
  readonly line: number;
};

/** A shape a file draws for a chord; frets from the nut, low string first. */
export type SheetFingering = { readonly symbol: string; readonly frets: readonly (number | null)[] };

/** What was not understood; line and column count from 1. The text itself is never dropped. */
export type SheetProblem = {
  readonly code:
    | "empty"
    | "too-long"
    | "too-many-lines"
    | "too-many-chords"
    | "crowded-line"
    | "no-chords"
    | "unreadable-chord"
    | "bad-key"
    | "bad-tempo"
    | "bad-meter"
    | "bad-capo"
    | "capo-or-key"
    | "capo-against-key"
    | "bad-directive"
    | "bad-beats"
    | "open-section"
    | "empty-heading"
    | "maybe-heading"
    | "figures-as-beats"
    | "open-repeat"
    | "too-many-repeats"
    | "crowded-bar"
    | "numbers-without-key"
    | "both-b-names"
    | "another-song"
    | "bad-file";
  readonly line: number;
  readonly column: number;
  readonly text: string;
  /** What to write instead, where that is plain. */
  readonly suggestions?: readonly string[];
};

/** Problems after which there is nothing to make a song of. */
export const NOTHING_READ: ReadonlySet<SheetProblem["code"]> = new Set([
  "empty",
  "too-long",
  "too-many-lines",
  "too-many-chords",
  "crowded-line",
  "bad-file",
]);

/** Something a sheet says that the song cannot hold as it is; where it is kept, `kept` is true. */
export type SheetLoss = {
  readonly line: number;
  readonly what: string;
  readonly text: string;
  readonly kept: boolean;
};

/** Beats a minute where a sheet says nothing of its tempo. */
export const DEFAULT_TEMPO = 80;

/** The longest text that is read, in characters and in lines. */
export const LONGEST_SHEET = 200_000;
export const MOST_SHEET_LINES = 6000;
/** The most chords one line and a whole song may have: a long line sung without a breath has some twenty. */
export const MOST_LINE_CHORDS = 200;
export const MOST_SHEET_CHORDS = 4000;

export const EMPTY_SHEET: ChordSheet = Object.freeze({
  title: "",
  by: "",
  composer: "",
  copyright: "",
  tags: [],
  key: null,
  keySure: false,
  tempo: null,
  beatUnit: null,
  meter: null,
  capo: 0,
  shapes: false,
  transpose: 0,
  naming: "letters",
  sections: [],
  form: [],
  extras: [],
  fingerings: [],
  unlined: [],
  readings: [],
  problems: [],
  losses: [],
});

/** What makes a sheet more than a song can be, or null: each chord becomes a row that every screen carries. */
function tooManyChords({ sections }: Pick<ChordSheet, "sections">): SheetProblem | null {
  const problem = (code: SheetProblem["code"], text: string) => ({ code, line: 1, column: 1, text });
  let all = 0;
  for (const { lines } of sections)
    for (const { words, chords } of lines) {
      all += chords.length;
      const begins = words.trim() || chords.map(({ symbol }) => symbol).join(" ");
      if (chords.length > MOST_LINE_CHORDS)
        return problem("crowded-line", `${chords.length} chords, beginning “${begins.slice(0, 30)}”`);
    }
  return all > MOST_SHEET_CHORDS ? problem("too-many-chords", String(all)) : null;
}

/** A sheet, or an empty one that says why it is more than a song can be. */
export function bounded(sheet: ChordSheet): ChordSheet {
  const problem = tooManyChords(sheet);
  return problem ? { ...EMPTY_SHEET, problems: [problem] } : sheet;
}
