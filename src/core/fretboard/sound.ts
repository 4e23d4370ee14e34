import { formatTone, respell, type SoundingChord, toneName } from "../chord";
import { formatPitch, type NoteName, pitchClassOf } from "../pitch";
import type { Frets } from "./hand";
import type { Board } from "./search";

/** What a shape of one chord sounds like on one board: pitches, missing tones, its true name. */
export class Sound {
  private readonly spelling = new Map<number, NoteName>();
  private readonly tones: readonly { readonly set: number; readonly label: string }[];

  constructor(
    private readonly chord: SoundingChord,
    private readonly board: Pick<Board, "tuning" | "capo">,
  ) {
    if (chord.bass !== null) this.spelling.set(pitchClassOf(chord.bass), chord.bass);
    this.tones = chord.tones.map((tone) => {
      const name = toneName(tone, chord.root);
      this.spelling.set(pitchClassOf(name), name);
      return { set: 1 << pitchClassOf(name), label: formatTone(tone) };
    });
  }

  /** The sounding pitch classes as a bit set. */
  heard(frets: Frets): number {
    let set = 0;
    for (let string = 0; string < frets.length; string++) {
      if (frets[string] !== null) set |= 1 << (this.midi(frets, string) % 12);
    }
    return set;
  }

  omittedCount(heard: number): number {
    let count = 0;
    for (const tone of this.tones) if (!(heard & tone.set)) count++;
    return count;
  }

  omitted(heard: number): string[] {
    return this.tones.filter((tone) => !(heard & tone.set)).map((tone) => tone.label);
  }

  pitches(frets: Frets): string[] {
    const pitches: string[] = [];
    for (let string = 0; string < frets.length; string++) {
      if (frets[string] === null) continue;
      const midi = this.midi(frets, string);
      pitches.push(formatPitch(midi, this.spelling.get(midi % 12)));
    }
    return pitches;
  }

  /** The chord's symbol, with the bass it has when that is neither the root nor the written one. */
  nameOf(frets: Frets): string {
    let lowest = Number.POSITIVE_INFINITY;
    for (let string = 0; string < frets.length; string++) {
      if (frets[string] !== null) lowest = Math.min(lowest, this.midi(frets, string));
    }
    const written = this.chord.bass ?? this.chord.root;
    if (!Number.isFinite(lowest) || lowest % 12 === pitchClassOf(written)) return this.chord.symbol;
    const isRoot = lowest % 12 === pitchClassOf(this.chord.root);
    return respell(this.chord, this.chord.root, isRoot ? null : this.spelling.get(lowest % 12)!);
  }

  private midi(frets: Frets, string: number): number {
    return this.board.tuning[string]! + this.board.capo + frets[string]!;
  }
}
