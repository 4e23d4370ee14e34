import { modulo } from "../../base";
import { parseChord } from "../chord";
import type { Frets } from "../fretboard";
import { parseTuning, pitchClassOf, tuningShift } from "../pitch";
import type { BookShape } from "../song/schema";
import { type HandRequest, reachAbout, type ShapeRequest } from "./shapes";

/** What is told apart in a shape book: a hand's chord on strings tuned so, voiced so. */
type Kept = Pick<BookShape, "symbol" | "style" | "frets"> & Voiced;
type Voiced = { readonly strings: readonly number[] | null; readonly tuning: readonly string[] };

/**
 * A chord's shape as a hand knows it, whatever it is called: how far its root and bass lie above the capo, and its tones.
 * Null where the symbol cannot be read.
 * @param down semitones the strings sound above the shape's names: capo and an even tuning together
 * @example the same for "A2" and for "B2" sounding behind capo 2; "G#" and "Ab" are one
 */
export function shapeIdentity(symbol: string, down = 0): string | null {
  const read = parseChord(symbol);
  if (!read.ok || read.value.kind === "none") return null;
  const { root, bass, tones, free } = read.value;
  const place = (name: typeof root) => modulo(pitchClassOf(name) - down, 12);
  return [place(root), place(bass ?? root), tones.join("."), free.join(".")].join(" ");
}

/** How strings are tuned to each other; strings lowered evenly are tuned alike. */
const tunedAs = (tuning: readonly string[]): string => {
  const read = parseTuning(tuning);
  if (!read.ok) return tuning.join();
  const shift = tuningShift(read.value);
  return read.value.map((midi) => midi - shift).join();
};

const risenBy = ({ tuning, capo }: Pick<HandRequest, "tuning" | "capo">): number => {
  const read = parseTuning(tuning);
  return capo + (read.ok ? tuningShift(read.value) : 0);
};

/**
 * What a shape of a book is for, as a key: the same for another shape that would stand in its place.
 * @param down as of {@link shapeIdentity}
 */
export const placeInBook = ({ symbol, tuning, style, strings }: Omit<Kept, "frets">, down = 0): string =>
  [shapeIdentity(symbol, down), tunedAs(tuning), style, strings?.join() ?? "all"].join(" / ");

/** A shape of a book as a key: what it is for, and its frets. */
export const keyInBook = (shape: Kept): string => `${placeInBook(shape)} ${shape.frets.join()}`;

/** Whether a book has this very shape already. */
export const hasShape = (book: readonly Kept[], shape: Kept): boolean =>
  book.some((one) => keyInBook(one) === keyInBook(shape));

/** A kept shape answers how a part wants its chords: within its place on the neck, without open strings there. */
function liesIn(frets: Frets, hand: HandRequest): boolean {
  if (hand.moved) return false;
  if (hand.fret === null) return true;
  const { minFret, maxFret } = reachAbout(hand.fret);
  return frets.every((fret) => fret === null || (fret >= minFret && fret <= maxFret));
}

/**
 * The shapes of a player's book that fit a chord of theirs: the same shape behind this capo, on strings tuned to each other
 * so, for the same way of voicing, within the place on the neck the part keeps to. In the order they were kept.
 * @param book the player's own rows
 */
export function keptShapes<Row extends Kept>(book: readonly Row[], request: ShapeRequest): Row[] {
  if (book.length === 0) return [];
  const place = placeInBook(request, risenBy(request));
  return book.filter((one) => placeInBook(one) === place && liesIn(one.frets, request));
}
