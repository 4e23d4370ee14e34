import { unwrap } from "../../../base";
import { type Chord, moveChord, type Naming, parseChord, writeChord } from "../../chord";
import { shapeKeyAt } from "../../fretboard";
import { type Key, moveKey, parseKey, parseTuning, type Tuning } from "../../pitch";
import type { VersionBody } from "../schema/documents";
import type { Player } from "../schema/players";

import { versionRow } from "./timeline";

/** A chord in the names one reader needs; `chord` is null when the symbol cannot be read. */
export type NamedChord = {
  readonly written: string;
  /** How it sounds in the performing key. */
  readonly sounding: string;
  /** What the hand plays: the same, below capo and tuning. */
  readonly shape: string;
  /** What this reader reads: of the shape or the sound, in their own letters, syllables or degrees. */
  readonly read: string;
  readonly chord: Chord | null;
};

export const keysOf = (body: Pick<VersionBody, "version">): { written: Key; sounding: Key } => {
  const version = versionRow(body);
  return { written: unwrap(parseKey(version.writtenKey)), sounding: unwrap(parseKey(version.key)) };
};

/** Who reads names: the strings and capo they are played with, and by what custom they are read. */
export type Reader = {
  readonly tuning: Tuning;
  readonly capo: number;
  readonly readsShapes: boolean;
  readonly naming: Naming;
};

/** A player as a reader behind a capo. A guitar reads its shapes and a bass what sounds, unless they chose otherwise. */
export function readerOf(
  player: Pick<Player, "tuning" | "instrument" | "reads" | "writing">,
  capo: number,
): Reader {
  const { instrument, reads, writing } = player;
  return {
    tuning: tuningOf(player),
    capo,
    readsShapes: (reads ?? (instrument === "guitar" ? "shapes" : "sounding")) === "shapes",
    naming: reads === "degrees" ? "degrees" : writing,
  };
}

/** Whether a player has a neck to be fretted. */
export const hasStrings = (player: Pick<Player, "tuning">): boolean => player.tuning.length > 0;

/** The open strings of a player; none for an instrument without. */
export const tuningOf = (player: Pick<Player, "tuning">): Tuning =>
  hasStrings(player) ? unwrap(parseTuning(player.tuning)) : [];

/** Names chords for one reader. A bass reads sounding names; a guitar reads the shapes behind its capo. */
export class Namer {
  private readonly written: Key;
  private readonly sounding: Key;
  private readonly known = new Map<string, NamedChord>();

  constructor(
    body: Pick<VersionBody, "version">,
    private readonly reader: Reader | null,
    /** Semitones above the version's key, where a use raises or lowers it. */
    shift = 0,
  ) {
    const { written, sounding } = keysOf(body);
    this.written = written;
    this.sounding = shift === 0 ? sounding : moveKey(sounding, shift);
  }

  /** The key of this reader's names. */
  get key(): Key {
    return this.reader?.readsShapes ? this.shapeKey : this.sounding;
  }

  /** The key of the shapes behind the capo. */
  get shapeKey(): Key {
    return this.reader?.tuning.length
      ? shapeKeyAt(this.sounding, this.reader.capo, this.reader.tuning)
      : this.sounding;
  }

  name(symbol: string): NamedChord {
    const known = this.known.get(symbol);
    if (known) return known;
    const named = this.compute(symbol);
    this.known.set(symbol, named);
    return named;
  }

  /** A chord that sounds, as this reader reads it: what a chosen shape really makes, say. */
  readSounding(sounding: string): string {
    const parsed = parseChord(sounding);
    if (!parsed.ok) return sounding;
    const shown = this.reader?.readsShapes ? moveChord(parsed.value, this.sounding, this.shapeKey) : sounding;
    return writeChord(shown, this.reader?.naming ?? "letters", this.key);
  }

  private compute(symbol: string): NamedChord {
    const parsed = parseChord(symbol);
    if (!parsed.ok) return { written: symbol, sounding: symbol, shape: symbol, read: symbol, chord: null };
    const sounding = moveChord(parsed.value, this.written, this.sounding);
    const chord = unwrap(parseChord(sounding));
    const shape = moveChord(chord, this.sounding, this.shapeKey);
    return { written: symbol, sounding, shape, read: this.readSounding(sounding), chord };
  }
}

/** Names of a version as it sounds, by the key shift of a place; each shift's chords are read once. */
export function namerByShift(body: Pick<VersionBody, "version">): (shift: number) => Namer {
  const namers = new Map<number, Namer>();
  return (shift) => {
    const namer = namers.get(shift) ?? new Namer(body, null, shift);
    namers.set(shift, namer);
    return namer;
  };
}
