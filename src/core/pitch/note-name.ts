import { fail, modulo, ok, type Result, type Semitones } from "../../base";

/**
 * A spelled note without octave, held as its place on the line of fifths:
 * … B♭ −2, F −1, C 0, G 1, D 2, A 3, E 4, B 5, F♯ 6, C♯ 7 …
 *
 * Every interval is a distance on that line, so moving music from key to key is one addition and
 * the spelling stays right by itself.
 */
export type NoteName = number & { readonly noteName?: true };

export type NoteNameProblem = { readonly code: "not-a-note-name"; readonly text: string };

const LETTERS = ["F", "C", "G", "D", "A", "E", "B"] as const;
const PLACE_OF_LETTER: Readonly<Record<string, number>> = Object.freeze(
  Object.fromEntries(LETTERS.map((letter, index) => [letter, index - 1])),
);

/** A capital letter and its accidentals at the head of a text; the rest follows in group 3. */
const NOTE_NAME_HEAD = /^([A-G])(##|♯♯|𝄪|bb|♭♭|𝄫|#|♯|b|♭)?(.*)$/su;

const ALTER_OF_MARK: Readonly<Record<string, number>> = Object.freeze({
  "##": 2,
  "♯♯": 2,
  "𝄪": 2,
  "#": 1,
  "♯": 1,
  b: -1,
  "♭": -1,
  bb: -2,
  "♭♭": -2,
  "𝄫": -2,
});

/**
 * Reads a note name off the head of a text.
 * @returns the name and what follows it, or null when no note name stands there
 * @example readNoteNameHead("Bbm7") // => { name: -2, rest: "m7" }
 */
export function readNoteNameHead(text: string): { name: NoteName; rest: string } | null {
  const match = NOTE_NAME_HEAD.exec(text);
  if (!match) return null;
  const alter = match[2] ? (ALTER_OF_MARK[match[2]] ?? 0) : 0;
  return { name: PLACE_OF_LETTER[match[1]!]! + 7 * alter, rest: match[3]! };
}

/** @example parseNoteName("F#") // => { ok: true, value: 6 } */
export function parseNoteName(text: string): Result<NoteName, NoteNameProblem> {
  const head = readNoteNameHead(text);
  return head && head.rest === "" ? ok(head.name) : fail({ code: "not-a-note-name", text });
}

/** Letter and ASCII accidentals. @example formatNoteName(-2) // => "Bb" */
export function formatNoteName(name: NoteName): string {
  const letter = LETTERS[modulo(name + 1, 7)]!;
  const alter = alterOf(name);
  return letter + (alter < 0 ? "b".repeat(-alter) : "#".repeat(alter));
}

/** Sharps above 0, flats below. @example alterOf(6) // => 1 */
export const alterOf = (name: NoteName): number => Math.floor((name + 1) / 7);

/** 0 for C to 11 for B. @example pitchClassOf(-2) // => 10 */
export const pitchClassOf = (name: NoteName): number => modulo(name * 7, 12);

/**
 * A name people would rather read: never two accidentals, never C♭, F♭, E♯ or B♯.
 * The pitch stays.
 * @example formatNoteName(simplerName(11)) // E♯ => "F"
 */
export function simplerName(name: NoteName): NoteName {
  let simple = name;
  while (simple > 10) simple -= 12;
  while (simple < -6) simple += 12;
  return simple;
}

/** The simple name of a pitch class nearest to a place on the line of fifths (2 is the middle of the naturals). */
export function nameOfPitchClass(pitchClass: number, near: NoteName = 2): NoteName {
  const name = modulo(pitchClass * 7, 12);
  return name + 12 * Math.round((near - name) / 12);
}

/** Semitones from one name up to the next of another, 0 to 11. */
export const semitonesUp = (from: NoteName, to: NoteName): Semitones =>
  modulo(pitchClassOf(to) - pitchClassOf(from), 12);
