import {
  formatTone,
  hasForeignBass,
  identify,
  isPerfectFifth,
  pitchClassesOf,
  QUALITIES,
  respell,
  type SoundingChord,
  type Tone,
  toneName,
  toneSemitones,
} from "../chord";
import { formatPitch, type NoteName, pitchClassOf, readNoteNameHead } from "../pitch";
import type { Board } from "./fingering-search";
import type { Frets } from "./hand";
import type { SoundFacts } from "./price";
import type { Style } from "./styles";

const isRootOrFifth = (tone: Tone): boolean => tone.degree === 1 || isPerfectFifth(tone);

/** What a shape of one chord sounds like on one board: pitches, missing tones, its true name. */
export class Sound {
  private readonly spelling = new Map<number, NoteName>();
  private readonly tones: readonly { readonly set: number; readonly label: string }[];
  /** Pitch classes the chord has, those that must sound, its root, third (or sus) and fifth, as bit sets. */
  private readonly allowed: number;
  private readonly essential: number;
  private readonly root: number;
  private readonly third: number;
  private readonly fifth: number;
  /** What bears a bass: the root, a fifth of any kind; and what does less so: a third, a seventh, a sixth. */
  private readonly firm: number;
  private readonly soft: number;
  /** Whether the chord, or the style, is root and fifth only. */
  readonly isPower: boolean;
  /** The slash bass where it is no tone of the chord. */
  private readonly foreign: number | null;
  private readonly texts = new Map<number, string>();
  private readonly names = new Map<number, string>();

  constructor(
    private readonly chord: SoundingChord,
    private readonly board: Pick<Board, "tuning" | "capo">,
    private readonly style: Style = "full",
  ) {
    if (chord.bass !== null) this.spelling.set(pitchClassOf(chord.bass), chord.bass);
    const setOf = (tone: Tone) => 1 << pitchClassOf(toneName(tone, chord.root));
    this.tones = chord.tones.flatMap((tone) => {
      const name = toneName(tone, chord.root);
      this.spelling.set(pitchClassOf(name), name);
      return chord.free.includes(tone) ? [] : [{ set: setOf(tone), label: formatTone(tone) }];
    });
    const among = (...degrees: number[]) =>
      chord.tones.reduce((set, tone) => (degrees.includes(tone.degree) ? set | setOf(tone) : set), 0);
    [this.root, this.third, this.fifth] = [1 << pitchClassOf(chord.root), among(2, 3, 4), among(5)];
    this.foreign = hasForeignBass(chord) && chord.bass !== null ? pitchClassOf(chord.bass) : null;
    [this.firm, this.soft] = [this.root | this.fifth, among(3, 6, 7)];
    this.isPower = style === "power" || (chord.bass === null && chord.tones.every(isRootOrFifth));
    this.allowed = pitchClassesOf(chord).reduce((set, one) => set | (1 << one), 0);
    this.essential = chord.essential.reduce((set, tone) => set | setOf(tone), 0);
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

  /** Of a shape of one or two strings, what sounds; nothing in other styles. */
  fewOf(heard: number): SoundFacts["few"] {
    if (this.style === "single") return heard & this.root ? "root" : "no root";
    if (this.style !== "two-string") return null;
    if (!(heard & this.root)) return "other";
    return heard & this.third ? "root and third" : heard & this.fifth ? "root and fifth" : "other";
  }

  /** The lowest pitch, the semitones from there to the next higher one, and what that is. */
  bassOf(frets: Frets): Pick<SoundFacts, "overBass" | "overBassBy"> & { readonly lowest: number } {
    let lowest = Number.POSITIVE_INFINITY;
    let next = Number.POSITIVE_INFINITY;
    for (let string = 0; string < frets.length; string++) {
      if (frets[string] === null) continue;
      const pitch = this.midi(frets, string);
      if (pitch < lowest) [lowest, next] = [pitch, lowest];
      else if (pitch > lowest && pitch < next) next = pitch;
    }
    if (!Number.isFinite(next)) return { lowest, overBass: "firm", overBassBy: null };
    const tone = 1 << (next % 12);
    const overBass = tone & this.firm ? "firm" : tone & this.soft ? "soft" : "colour";
    return { lowest, overBass, overBassBy: next - lowest };
  }

  /** How often a bass that is no tone of the chord sounds again above the lowest pitch. */
  foreignDoubled(frets: Frets): number {
    if (this.foreign === null) return 0;
    let count = 0;
    for (let string = 0; string < frets.length; string++)
      if (frets[string] !== null && this.midi(frets, string) % 12 === this.foreign) count++;
    return Math.max(0, count - 1);
  }

  omitted(heard: number): string[] {
    return this.tones.filter((tone) => !(heard & tone.set)).map((tone) => tone.label);
  }

  pitches(frets: Frets): string[] {
    const pitches: string[] = [];
    for (let string = 0; string < frets.length; string++) {
      if (frets[string] !== null) pitches.push(this.pitchText(this.midi(frets, string)));
    }
    return pitches;
  }

  /**
   * What the shape really is: the chord's symbol when nothing that matters is missing, else the plainest chord
   * on the same root that it does make ("C5" for a power shape of C), else the symbol, whose missing tones are
   * told beside it. A bass that is neither the root nor the written one is named too. A shape somebody chose may
   * sound tones the chord hasn't: it is then called by what sounds.
   */
  nameOf(frets: Frets): string {
    let lowest = Number.POSITIVE_INFINITY;
    for (let string = 0; string < frets.length; string++) {
      if (frets[string] !== null) lowest = Math.min(lowest, this.midi(frets, string));
    }
    const single = this.style === "bass" || this.style === "octave" || this.style === "single";
    if (single || !Number.isFinite(lowest)) return this.chord.symbol;
    const heard = this.heard(frets);
    const key = heard * 12 + (lowest % 12);
    const name = this.names.get(key) ?? this.nameFor(heard, lowest % 12);
    this.names.set(key, name);
    return name;
  }

  private nameFor(heard: number, lowest: number): string {
    const { root, bass, quality: asked, symbol } = this.chord;
    if (heard & ~this.allowed) return this.nameBySound(heard, lowest);
    const quality = this.qualityOf(heard);
    if (quality === asked && lowest === pitchClassOf(bass ?? root)) return symbol;
    const isRoot = lowest === pitchClassOf(root);
    return respell({ ...this.chord, quality }, root, isRoot ? null : this.spelling.get(lowest)!);
  }

  /** The likeliest name of what sounds, on the chord's own root if there is one. */
  private nameBySound(heard: number, lowest: number): string {
    const classes = Array.from({ length: 12 }, (_, one) => one).filter((one) => heard & (1 << one));
    const names = identify(classes, lowest, null).map(({ symbol }) => symbol);
    const root = pitchClassOf(this.chord.root);
    const own = names.find((symbol) => {
      const head = readNoteNameHead(symbol);
      return head !== null && pitchClassOf(head.name) === root;
    });
    return own ?? names[0] ?? this.chord.symbol;
  }

  private qualityOf(heard: number): string {
    if ((heard & this.essential) === this.essential) return this.chord.quality;
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

  private pitchText(midi: number): string {
    const text = this.texts.get(midi) ?? formatPitch(midi, this.spelling.get(midi % 12));
    this.texts.set(midi, text);
    return text;
  }

  private midi(frets: Frets, string: number): number {
    return this.board.tuning[string]! + this.board.capo + frets[string]!;
  }
}
