import {
  formatTone,
  isPerfectFifth,
  QUALITIES,
  respell,
  type SoundingChord,
  toneName,
  toneSemitones,
} from "../chord";
import { formatPitch, type NoteName, pitchClassOf } from "../pitch";
import type { Frets } from "./hand";
import type { Board } from "./search";
import type { Style } from "./styles";

/** What a shape of one chord sounds like on one board: pitches, missing tones, its true name. */
export class Sound {
  private readonly spelling = new Map<number, NoteName>();
  private readonly tones: readonly { readonly set: number; readonly label: string }[];

  constructor(
    private readonly chord: SoundingChord,
    private readonly board: Pick<Board, "tuning" | "capo">,
    private readonly style: Style = "full",
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

  /**
   * What the shape really is: the chord's symbol when nothing that matters is missing, else the plainest chord
   * on the same root that it does make ("C5" for a power shape of C), else the symbol, whose missing tones are
   * told beside it. A bass that is neither the root nor the written one is named too.
   */
  nameOf(frets: Frets): string {
    let lowest = Number.POSITIVE_INFINITY;
    for (let string = 0; string < frets.length; string++) {
      if (frets[string] !== null) lowest = Math.min(lowest, this.midi(frets, string));
    }
    const { root } = this.chord;
    const single = this.style === "bass" || this.style === "octave";
    const quality = single ? this.chord.quality : this.qualityOf(this.heard(frets));
    const written = this.chord.bass ?? root;
    const asWritten = quality === this.chord.quality;
    if (!Number.isFinite(lowest) || single) return this.chord.symbol;
    if (asWritten && lowest % 12 === pitchClassOf(written)) return this.chord.symbol;
    const isRoot = lowest % 12 === pitchClassOf(root);
    const named = { ...this.chord, quality };
    return respell(named, root, isRoot ? null : this.spelling.get(lowest % 12)!);
  }

  private qualityOf(heard: number): string {
    if (this.style === "full") return this.chord.quality;
    const setOf = (tones: SoundingChord["tones"]) =>
      tones.reduce((set, tone) => set | (1 << pitchClassOf(toneName(tone, this.chord.root))), 0);
    const essential = setOf(this.chord.essential);
    if ((heard & essential) === essential) return this.chord.quality;
    const root = pitchClassOf(this.chord.root);
    if (!(heard & (1 << root))) return this.chord.quality;
    const made = QUALITIES.find(({ tones }) => {
      const sets = tones.map(
        (tone) => [1 << ((root + toneSemitones(tone)) % 12), isPerfectFifth(tone)] as const,
      );
      const all = sets.reduce((set, [one]) => set | one, 0);
      const may = tones.length > 2;
      return (heard & all) === heard && sets.every(([one, fifth]) => heard & one || (fifth && may));
    });
    return made?.text ?? this.chord.quality;
  }

  private midi(frets: Frets, string: number): number {
    return this.board.tuning[string]! + this.board.capo + frets[string]!;
  }
}
