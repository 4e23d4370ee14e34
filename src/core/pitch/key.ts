import { fail, modulo, ok, type Result, type Semitones } from "../../base";
import { formatNoteName, type NoteName, nameOfPitchClass, readNoteNameHead, simplerName } from "./note-name";

type Mode = "major" | "minor";

/** A major or minor key by its tonic. */
export type Key = { readonly tonic: NoteName; readonly mode: Mode };

export type KeyProblem = { readonly code: "not-a-key"; readonly text: string };

/**
 * Reads "A", "F#m", "B♭", "E minor", "C major".
 * @example parseKey("F#m") // => { ok: true, value: { tonic: 6, mode: "minor" } }
 */
export function parseKey(text: string): Result<Key, KeyProblem> {
  const head = readNoteNameHead(text.trim());
  const mode = head && MODE_OF_WORD[head.rest.trim()];
  return head && mode ? ok({ tonic: head.name, mode }) : fail({ code: "not-a-key", text });
}

const MODE_OF_WORD: Readonly<Record<string, Mode | undefined>> = Object.freeze({
  "": "major",
  maj: "major",
  major: "major",
  Major: "major",
  m: "minor",
  min: "minor",
  minor: "minor",
  Minor: "minor",
});

/** @example formatKey({ tonic: 6, mode: "minor" }) // => "F#m" */
export const formatKey = (key: Key): string => formatNoteName(key.tonic) + (key.mode === "minor" ? "m" : "");

/** Sharps (above 0) or flats (below 0) of the key signature. @example signatureOf(F♯ minor) // => 3 */
export const signatureOf = (key: Key): number => (key.mode === "minor" ? key.tonic - 3 : key.tonic);

const keyOfSignature = (signature: number, mode: Mode): Key => ({
  tonic: mode === "minor" ? signature + 3 : signature,
  mode,
});

/** Whether a name belongs to the key's own scale (natural minor in a minor key). */
export function isInKey(name: NoteName, key: Key): boolean {
  const place = name - signatureOf(key);
  return place >= -1 && place <= 5;
}

/** Names away from a key's own lie this far up the line of fifths from its signature, evenly to both sides. */
const MIDDLE_OF_KEY = 2;

/** A pitch class as a key spells it. @example formatNoteName(nameInKey(3, A major)) // => "D#" */
export const nameInKey = (pitchClass: number, key: Key): NoteName =>
  nameOfPitchClass(pitchClass, signatureOf(key) + MIDDLE_OF_KEY);

/**
 * The key with fewer accidentals, never more than six. Of F♯ and G♭ (D♯m and E♭m) it takes the one on
 * the side of `from` on the circle of fifths; from C, F♯.
 */
export function plainKey(key: Key, from: Key = key): Key {
  let signature = modulo(signatureOf(key), 12);
  if (signature > 6) signature -= 12;
  if (signature === 6 && signatureOf(from) < 0) signature = -6;
  return keyOfSignature(signature, key.mode);
}

/**
 * The key some semitones away, well named.
 * @example formatKey(moveKey(unwrap(parseKey("D")), 3)) // => "F"
 */
export const moveKey = (key: Key, by: Semitones): Key =>
  plainKey({ tonic: key.tonic + modulo(by * 7, 12), mode: key.mode }, key);

/**
 * Moves a name from one key to another on the line of fifths. Tones of the new key keep that key's
 * spelling (E♯ in F♯); a borrowed tone that would need two accidentals, or be C♭, F♭, E♯ or B♯,
 * takes its simpler name. Between equal keys nothing changes.
 * @example moveName(E♯, F♯, G) // => F♯
 */
export function moveName(name: NoteName, from: Key, to: Key): NoteName {
  const by = to.tonic - from.tonic;
  if (by === 0) return name;
  const moved = name + by;
  return isInKey(moved, to) ? moved : simplerName(moved);
}
