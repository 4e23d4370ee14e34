import { type Midi, modulo, unwrap } from "../../../base";
import {
  type Chord,
  moveChord,
  parseChord,
  respell,
  type SoundingChord,
  toLetters,
  writeChord,
  writeNote,
} from "../../chord";
import { shapeKeyAt } from "../../fretboard";
import {
  formatNoteName,
  formatPitch,
  formatTuning,
  type Key,
  moveKey,
  moveName,
  type NoteName,
  nameInKey,
  parseKey,
  parseNoteName,
  parsePitch,
  pitchClassOf,
  preferAccidentals,
  readNoteNameHead,
  realSigns,
  stringNames,
  type Tuning,
  tuningShift,
} from "../../pitch";
import { keysOf } from "../read";
import type { VersionBody } from "../schema/documents";
import { type NamesChoice, PLAIN_READER, type Reader } from "./reader";

/** A chord in the names one reader needs; `chord` is null when the symbol cannot be read. */
export type NamedChord = {
  readonly written: string;
  /** How it sounds in the performing key, in letters: what is computed with. */
  readonly sounding: string;
  /** What the hand plays: the same, below capo and tuning, in letters. */
  readonly shape: string;
  /** What this reader reads: of the shape or the sound, in their own letters, syllables or degrees, with real accidentals. */
  readonly read: string;
  readonly chord: Chord | null;
};

/**
 * Tells names to one reader: chords, keys, notes and pitches of a version, all of them in the reader's key and custom.
 * What it tells is for the eye; `sounding` and `shape` of a {@link NamedChord} are for the program.
 * @example a guitar behind capo 2 that writes H for B, a song in A: chord("C#m") => "Hm", key => G, pitch(61) => "H3"
 */
export class Namer {
  private readonly written: Key;
  private readonly sounding: Key;
  private readonly known = new Map<string, NamedChord>();

  constructor(
    body: Pick<VersionBody, "version">,
    private readonly reader: Reader = PLAIN_READER,
    /** Semitones above the version's key, where a use raises or lowers it. */
    shift = 0,
  ) {
    const { written, sounding } = keysOf(body);
    this.written = written;
    this.sounding = shift === 0 ? sounding : moveKey(sounding, shift);
  }

  /** The key of this reader's names; degrees are counted in what sounds. */
  get key(): Key {
    return this.isOfShapes ? this.shapeKey : this.sounding;
  }

  /** The key of the shapes behind the capo. */
  get shapeKey(): Key {
    return this.reader.tuning.length > 0
      ? shapeKeyAt(this.sounding, this.reader.capo, this.reader.tuning)
      : this.sounding;
  }

  /** The key that sounds. */
  get soundingKey(): Key {
    return this.sounding;
  }

  /** How this reader reads lines. */
  get lines(): Reader["lines"] {
    return this.reader.lines;
  }

  /** Whether names are told of shapes, so that what sounds is another name. */
  get isOfShapes(): boolean {
    return this.reader.shows === "shapes" && this.reader.tuning.length > 0;
  }

  /** A written chord in every name it has for this reader. */
  name(symbol: string): NamedChord {
    const known = this.known.get(symbol);
    if (known) return known;
    const named = this.compute(symbol);
    this.known.set(symbol, named);
    return named;
  }

  /** A written chord as it is read. @example chord("Bb") in German => "B" */
  chord(symbol: string): string {
    return this.name(symbol).read;
  }

  /** A chord that sounds, as this reader reads it: what a chosen shape really makes, say. */
  readSounding(sounding: string): string {
    const parsed = parseChord(sounding);
    if (!parsed.ok) return sounding;
    return this.write(this.isOfShapes ? moveChord(parsed.value, this.sounding, this.shapeKey) : sounding);
  }

  /** What the hand plays for a chord that sounds, in letters: for the program. @example shapeOf("B2") behind capo 2 => "A2" */
  shapeOf(sounding: string): string {
    const parsed = parseChord(sounding);
    return parsed.ok ? moveChord(parsed.value, this.sounding, this.shapeKey) : sounding;
  }

  /**
   * A chord in letters, told by this reader's custom and nothing else: what sounds beside a shape, a shape of a capo table.
   * @example inCustom("C#m") => "Do♯m"
   */
  inCustom(letters: string): string {
    return realSigns(writeChord(this.preferred(letters), this.reader.writing));
  }

  /** A major chord, a minor seventh and a slash chord of the reader's key, as they write them: what a field shows. */
  examples(): readonly [string, string, string] {
    const tonic = this.sounding.mode === "minor" ? this.sounding.tonic - 3 : this.sounding.tonic;
    const told = (text: string) => this.readSounding(text);
    return [
      told(formatNoteName(tonic)),
      told(`${formatNoteName(tonic + 5)}m7`),
      told(`${formatNoteName(tonic + 1)}/${formatNoteName(tonic + 5)}`),
    ];
  }

  /** A key's name in this reader's letters; their own when none is given. @example keyName() => "Fa♯m" */
  keyName(key: Key = this.key): string {
    return keyIn(key, this.reader);
  }

  /** The same of a key in letters. @example keyNamed("F#m") => "Fa♯m" */
  keyNamed(letters: string): string {
    const key = parseKey(letters);
    return key.ok ? this.keyName(key.value) : letters;
  }

  /** A note without octave that sounds, as this reader calls it. @example note(C♯) behind capo 2 => "B" */
  note(name: NoteName): string {
    if (this.reader.shows === "degrees") return writeNote(name, "degrees", this.sounding);
    return this.letter(this.isOfShapes ? moveName(name, this.sounding, this.shapeKey) : name);
  }

  /** The same of a letter name. @example noteNamed("C#") */
  noteNamed(letter: string): string {
    const name = parseNoteName(letter);
    return name.ok ? this.note(name.value) : letter;
  }

  /** A note by its pitch class, spelled as the key has it. */
  noteOf(pitchClass: number): string {
    return this.note(nameInKey(modulo(pitchClass, 12), this.sounding));
  }

  /**
   * A pitch that sounds, with its octave (4 begins at middle C): behind a capo or on lowered strings as the hand has it. A
   * degree has no octave, so that who reads degrees reads pitches by letter.
   * @example pitch(61) behind capo 2 => "B3"
   */
  pitch(midi: Midi): string {
    const { tuning, capo } = this.reader;
    const by = this.isOfShapes ? capo + tuningShift(tuning) : 0;
    return this.pitchAs(midi - by, this.key);
  }

  /** Names of this reader's strings, by pitch; a tuning of their own when none is given. @example strings()[0] => "low Mi" */
  strings(tuning: Tuning = this.reader.tuning): string[] {
    return stringNames(tuning, (name) => this.letter(name));
  }

  /** Open strings as they sound, spelled by the one rule of strings. @example tuning(E♭ A♭ …) => ["Mi♭2", "La♭2", …] */
  tuning(tuning: Tuning): string[] {
    return formatTuning(tuning).map((text) => {
      const head = readNoteNameHead(text)!;
      return `${this.letter(head.name)}${head.rest}`;
    });
  }

  /** Reads a pitch as this reader types it, or in letters: what sounds. @example readPitch("Si♭3") => 58 */
  readPitch(text: string): Midi | null {
    const typed = /^\s*(.*?)\s*(-?\d)\s*$/u.exec(text);
    if (!typed) return null;
    const note = typed[1]!.charAt(0).toUpperCase() + typed[1]!.slice(1);
    const letters = toLetters(note, this.reader.writing) ?? toLetters(note, "letters");
    const pitch = letters === null ? null : parsePitch(letters + typed[2]!);
    return pitch?.ok ? pitch.value : null;
  }

  /** A pitch as it sounds, in this reader's letters: of a voice, or a string to be tuned. */
  soundingPitch(midi: Midi, key: Key = this.sounding): string {
    return this.pitchAs(midi, key);
  }

  /** The same of a pitch in letters. @example pitchRead("C#4") behind capo 2 => "B3" */
  pitchRead(text: string): string {
    const midi = parsePitch(text);
    return midi.ok ? this.pitch(midi.value) : text;
  }

  /** The same of a pitch in letters, as it sounds. @example pitchNamed("C#4") => "Do♯4" */
  pitchNamed(text: string): string {
    const midi = parsePitch(text);
    return midi.ok ? this.soundingPitch(midi.value) : text;
  }

  private pitchAs(midi: Midi, key: Key): string {
    const name = preferAccidentals(nameInKey(modulo(midi, 12), key), this.reader.accidentals);
    const octave = /-?\d+$/u.exec(formatPitch(midi, name))![0];
    return this.letter(name) + octave;
  }

  /**
   * What somebody types in their own names, as it is written in the song; plain letters are read too.
   * @returns the written symbol, or null when it is no chord
   */
  toWritten(text: string): string | null {
    const { shows, writing } = this.reader;
    const { key } = this;
    const typed = text.trim();
    const letters =
      toLetters(typed, shows === "degrees" ? "degrees" : writing, key) ?? toLetters(typed, "letters");
    const chord = letters === null ? null : parseChord(letters);
    if (!chord?.ok) return null;
    return moveChord(this.asKeyHasIt(chord.value, key), key, this.written);
  }

  /** A name in preferred accidentals is spelled anew before it is moved to another key. */
  private asKeyHasIt(chord: Chord, key: Key): Chord {
    if (chord.kind === "none" || this.reader.accidentals === "key" || this.reader.shows === "degrees")
      return chord;
    return unwrap(parseChord(respelled(chord, (name) => nameInKey(pitchClassOf(name), key))));
  }

  private compute(symbol: string): NamedChord {
    const parsed = parseChord(symbol);
    if (!parsed.ok) return { written: symbol, sounding: symbol, shape: symbol, read: symbol, chord: null };
    const sounding = moveChord(parsed.value, this.written, this.sounding);
    const chord = unwrap(parseChord(sounding));
    const shape = moveChord(chord, this.sounding, this.shapeKey);
    return { written: symbol, sounding, shape, read: this.readSounding(sounding), chord };
  }

  /** Letters of the reader's key in their own custom. */
  private write(letters: string): string {
    const { shows } = this.reader;
    return shows === "degrees"
      ? realSigns(writeChord(letters, "degrees", this.sounding))
      : this.inCustom(letters);
  }

  /** One note in this reader's letters, whatever it is told of. @example letter(B♭) in German => "B" */
  letter(name: NoteName): string {
    return letterIn(name, this.reader);
  }

  private preferred(letters: string): string {
    const { accidentals } = this.reader;
    const chord = parseChord(letters);
    if (accidentals === "key" || !chord.ok || chord.value.kind === "none") return letters;
    return respelled(chord.value, (name) => preferAccidentals(name, accidentals));
  }
}

/** A note by a custom. */
const letterIn = (
  name: NoteName,
  { writing, accidentals }: Pick<Reader, "writing" | "accidentals">,
): string => realSigns(writeNote(preferAccidentals(name, accidentals), writing, null));

/** A key by a custom. */
const keyIn = ({ tonic, mode }: Key, custom: Pick<Reader, "writing" | "accidentals">): string =>
  letterIn(tonic, custom) + (mode === "minor" ? "m" : "");

const respelled = (chord: SoundingChord, spell: (name: NoteName) => NoteName): string =>
  respell(chord, spell(chord.root), chord.bass === null ? null : spell(chord.bass));

/**
 * A key in letters as a window writes it, where no song is open: on the shelf, in a running order.
 * @example tellKey("F#m", { writing: "syllables", accidentals: null }) // => "Fa♯m"
 */
export function tellKey(
  letters: string,
  { writing, accidentals }: Pick<NamesChoice, "writing" | "accidentals">,
): string {
  const key = parseKey(letters);
  if (!key.ok) return letters;
  return keyIn(key.value, { writing: writing ?? "letters", accidentals: accidentals ?? "key" });
}

/** Names of a version as it sounds, by the key shift of a place; each shift's chords are read once. */
export function namerByShift(body: Pick<VersionBody, "version">): (shift: number) => Namer {
  return namersFor(body, PLAIN_READER);
}

/** Names of a version for one reader, by the key shift of a place; each shift's chords are read once. */
export function namersFor(body: Pick<VersionBody, "version">, reader: Reader): (shift: number) => Namer {
  const namers = new Map<number, Namer>();
  return (shift) => {
    const namer = namers.get(shift) ?? new Namer(body, reader, shift);
    namers.set(shift, namer);
    return namer;
  };
}
