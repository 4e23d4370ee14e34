import { fail, ok, type Result } from "../../base";
import {
  formatNoteName,
  type Key,
  moveName,
  type NoteName,
  pitchClassOf,
  readNoteNameHead,
  semitonesUp,
} from "../pitch";
import { parseQuality } from "./quality";
import { isPerfectFifth, type Tone, toneSemitones } from "./tone";

/** A chord as sounding pitch classes with a spelling; the symbol stays as it was written. */
export type SoundingChord = {
  readonly kind: "chord";
  readonly symbol: string;
  readonly root: NoteName;
  /** The text between the root and the slash, as written. */
  readonly quality: string;
  readonly tones: readonly Tone[];
  /** The tones that must sound in a full shape. */
  readonly essential: readonly Tone[];
  /** Tones that may sound and are not missed: the third of "A2". */
  readonly free: readonly Tone[];
  readonly bass: NoteName | null;
};

/** "N.C.": nobody plays a chord here. */
type NoChord = { readonly kind: "none"; readonly symbol: string };

export type Chord = SoundingChord | NoChord;

export type ChordProblem =
  | { readonly code: "empty" }
  | { readonly code: "no-root"; readonly text: string }
  | { readonly code: "unknown-quality"; readonly text: string; readonly quality: string }
  | { readonly code: "unknown-bass"; readonly text: string; readonly bass: string };

const NO_CHORD = /^(?:N\.?\s?C\.?|n\.c\.|no chord)$/u;
/** A slash begins the bass unless a number or an addition follows it. */
const BASS_SLASH = /[/\\](?![#b♯♭+-]?\d|maj|Maj|M7|add|sus)/u;
const LONGEST_SYMBOL = 32;

/**
 * Reads a chord symbol in letter names. Words are refused.
 * @example parseChord("E7/9") // tones 1 3 5 b7 9
 * @example parseChord("Go") // => { ok: false, problem: { code: "unknown-quality", … } }
 */
export function parseChord(text: string): Result<Chord, ChordProblem> {
  const symbol = text.trim();
  if (symbol === "") return fail({ code: "empty" });
  if (NO_CHORD.test(symbol)) return ok({ kind: "none", symbol });
  const head = symbol.length <= LONGEST_SYMBOL ? readNoteNameHead(symbol) : null;
  if (!head) return fail({ code: "no-root", text: symbol.slice(0, LONGEST_SYMBOL) });
  const slash = head.rest.search(BASS_SLASH);
  const qualityText = slash < 0 ? head.rest : head.rest.slice(0, slash);
  const quality = isWord(symbol) ? null : parseQuality(qualityText);
  if (!quality) return fail({ code: "unknown-quality", text: symbol, quality: qualityText });
  let bass: NoteName | null = null;
  if (slash >= 0) {
    const bassText = head.rest.slice(slash + 1);
    const bassHead = readNoteNameHead(bassText);
    if (bassHead?.rest !== "") return fail({ code: "unknown-bass", text: symbol, bass: bassText });
    bass = bassHead.name;
  }
  const tones = quality.tones;
  const free = tones.filter(({ degree }) => quality.free.includes(degree));
  const essential = tones.filter(
    (tone) => tones.length <= 2 || !mayGo(tone, [...quality.implied, ...quality.free]),
  );
  return ok({ kind: "chord", symbol, root: head.name, quality: qualityText, tones, essential, free, bass });
}

/** "Do" is a syllable and "Ebb" a word; E double flat can be written E♭♭. */
const isWord = (symbol: string): boolean => /^(?:Do(?:[^a-z]|$)|Ebb$)/u.test(symbol);

const mayGo = (tone: Tone, unmissed: readonly number[]): boolean =>
  isPerfectFifth(tone) || unmissed.includes(tone.degree);

/** The pitch classes a chord may sound, its slash bass among them. */
export function pitchClassesOf(chord: SoundingChord): number[] {
  const root = pitchClassOf(chord.root);
  const classes = chord.tones.map((tone) => (root + toneSemitones(tone)) % 12);
  const bass = chord.bass === null ? [] : [pitchClassOf(chord.bass)];
  return [...new Set([...classes, ...bass])];
}

/** Whether the slash bass is none of the chord's own tones. */
export function hasForeignBass(chord: SoundingChord): boolean {
  if (chord.bass === null) return false;
  const above = semitonesUp(chord.root, chord.bass);
  return !chord.tones.some((tone) => toneSemitones(tone) === above);
}

/** Writes a chord with another root or bass, keeping the quality as written. */
export const respell = (chord: SoundingChord, root: NoteName, bass: NoteName | null): string =>
  formatNoteName(root) + chord.quality + (bass === null ? "" : `/${formatNoteName(bass)}`);

/**
 * The symbol of a chord moved from one key to another; root and slash bass move by the same interval.
 * Between equal keys the symbol stays as written.
 * @example moveChord(E/G♯, A, G) // => "D/F#"
 */
export function moveChord(chord: Chord, from: Key, to: Key): string {
  if (chord.kind === "none" || from.tonic === to.tonic) return chord.symbol;
  const bass = chord.bass === null ? null : moveName(chord.bass, from, to);
  return respell(chord, moveName(chord.root, from, to), bass);
}
