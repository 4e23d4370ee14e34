import { moveChord, parseChord } from "../../chord";
import { type Key, moveKey } from "../../pitch";
import { COMMON_TIME, checkMeter, type Meter, TICKS_PER_QUARTER, ticksOfBar } from "../../rhythm";
import { type MelodyNote, oneVoice } from "../../song/read";
import type { SheetFingering, SheetLoss } from "../sheet";
import { frameOf, symbolOf } from "./harmony";
import type { Marks } from "./play-order";
import { childOf, childrenOf, type Element, numberOf, textOf } from "./xml";

/** What all parts together say in one measure; ticks count from its beginning. */
export type Measure = {
  readonly number: string;
  readonly ticks: number;
  readonly meter: Meter;
  /** Whether it is shorter than its metre and meant so: a pickup. */
  readonly short: boolean;
  readonly chords: readonly { readonly tick: number; readonly symbol: string }[];
  readonly syllables: readonly Syllable[];
  /** What the voice sings, as it sounds; a tied note has its ties told. */
  readonly notes: readonly (MelodyNote & { readonly isTied: boolean })[];
  readonly marks: Marks;
  readonly rehearsal: string | null;
  readonly tempo: { readonly bpm: number; readonly beatUnit: string } | null;
  readonly newLine: boolean;
};

export type Syllable = {
  readonly tick: number;
  readonly verse: string;
  readonly text: string;
  /** Whether the word goes on in the next syllable. */
  readonly goesOn: boolean;
};

export type Score = {
  readonly measures: readonly Measure[];
  /** As it sounds. */
  readonly key: Key | null;
  readonly fingerings: readonly SheetFingering[];
  readonly losses: readonly SheetLoss[];
};

const MOST_MEASURES = 3000;
const STEPS: Readonly<Record<string, number>> = Object.freeze({ C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 });
const UNITS: Readonly<Record<string, string>> = Object.freeze({
  whole: "1/1",
  half: "1/2",
  quarter: "1/4",
  eighth: "1/8",
  "16th": "1/16",
});

/** Reads the measures of all parts side by side. */
export function readScore(parts: readonly (readonly Element[])[]): Score {
  const reader = new ScoreReader();
  const count = Math.min(MOST_MEASURES, Math.max(0, ...parts.map((part) => part.length)));
  const voice = voicePart(parts);
  const measures = Array.from({ length: count }, (_, index) =>
    reader.measure(
      parts.map((part) => part[index]),
      voice,
    ),
  );
  return { measures: closeBefore(measures), ...reader.rest() };
}

/** Some programs write the end of a repeat on the left of the next measure; it closes the one before. */
const closeBefore = (measures: readonly (Measure & { readonly closes: number })[]): Measure[] =>
  measures.map(({ closes: _closes, ...measure }, index) => {
    const times = measures[index + 1]?.closes ?? 0;
    return times === 0
      ? measure
      : {
          ...measure,
          marks: { ...measure.marks, backward: Math.max(times, measure.marks.backward), endingStops: true },
        };
  });

type Sung = Measure["notes"][number];

/** The part that is sung, and of the voices in it the one that is; -1 and null where none is told from others. */
type VoiceOfScore = { readonly part: number; readonly voice: string | null };

/** The part with most syllables is the voice, or the one of a lead sheet; in it the voice with most syllables, then with most notes. */
function voicePart(parts: readonly (readonly Element[])[]): VoiceOfScore {
  const notesOf = parts.map((part) => part.flatMap((measure) => childrenOf(measure, "note")));
  const sung = notesOf.map((notes) => notes.filter((note) => childOf(note, "lyric") !== undefined));
  const most = Math.max(0, ...sung.map((notes) => notes.length));
  // Without words the only part of a lead sheet, which has chords over it.
  const isLead = parts.length === 1 && parts[0]!.some((measure) => childOf(measure, "harmony") !== undefined);
  const part = most > 0 ? sung.findIndex((notes) => notes.length === most) : isLead ? 0 : -1;
  if (part < 0) return { part, voice: null };
  const counts = new Map<string, number>();
  for (const note of most > 0 ? sung[part]! : notesOf[part]!) {
    const voice = textOf(note, "voice");
    counts.set(voice, (counts.get(voice) ?? 0) + 1);
  }
  const [first] = [...counts].sort((a, b) => b[1] - a[1]);
  return { part, voice: first?.[0] || null };
}

/** The syllables that are sung on a note. */
function sing(note: Element, tick: number, syllables: Syllable[]): void {
  for (const lyric of childrenOf(note, "lyric")) {
    const text = childrenOf(lyric, "text")
      .map((one) => one.text)
      .join(" ")
      .replaceAll(/\s+/gu, " ")
      .trim();
    if (text === "") continue;
    const syllabic = textOf(lyric, "syllabic");
    const goesOn = syllabic === "begin" || syllabic === "middle";
    syllables.push({ tick, verse: lyric.attributes.number ?? "1", text, goesOn });
  }
}

const isSame = (a: Key, b: Key): boolean => a.tonic === b.tonic && a.mode === b.mode;

class ScoreReader {
  private readonly divisions = new Map<number, number>();
  private meter: Meter = COMMON_TIME;
  private key: Score["key"] = null;
  /** Semitones each part sounds above what is written in it, and the key it is written in. */
  private readonly transposed = new Map<number, number>();
  private readonly keys = new Map<number, Key>();
  private readonly fingerings = new Map<string, SheetFingering>();
  private readonly losses: SheetLoss[] = [];

  rest(): Omit<Score, "measures"> {
    return {
      key: this.key,
      fingerings: [...this.fingerings.values()],
      losses: this.losses,
    };
  }

  measure(
    parts: readonly (Element | undefined)[],
    voice: VoiceOfScore,
  ): Measure & { readonly closes: number } {
    let closes = 0;
    const chords = new Map<number, string>();
    const syllables: Syllable[] = [];
    const notes: Sung[] = [];
    const marks: { -readonly [K in keyof Marks]: Marks[K] } = {
      forward: false,
      backward: 0,
      ending: null,
      endingStops: false,
      segno: false,
      coda: false,
      toCoda: false,
      fine: false,
      jump: null,
    };
    const first = parts.find((part) => part !== undefined);
    const number = first?.attributes.number ?? "";
    let rehearsal: string | null = null;
    let tempo: Measure["tempo"] = null;
    let longest = 0;
    let newLine = false;
    for (const [index, part] of parts.entries()) {
      let tick = 0;
      let onset = 0;
      for (const child of part?.children ?? []) {
        const ticks = () => this.ticksOf(child, index);
        if (child.name === "attributes") this.attributes(child, index, number);
        else if (child.name === "print")
          newLine ||= child.attributes["new-system"] === "yes" || child.attributes["new-page"] === "yes";
        else if (child.name === "backup") tick = Math.max(0, tick - ticks());
        else if (child.name === "forward") tick += ticks();
        else if (child.name === "harmony")
          this.harmony(child, index, tick + this.offset(child, index), chords, number);
        else if (child.name === "barline") closes = Math.max(closes, readBarline(child, marks));
        else if (child.name === "sound") readSound(child, marks);
        else if (child.name === "direction") {
          rehearsal ??= rehearsalOf(child);
          tempo ??= tempoOf(child);
          const sound = childOf(child, "sound");
          if (sound) readSound(sound, marks);
          readSigns(child, marks);
          if (saysNoChord(child)) chords.set(tick, "N.C.");
        } else if (child.name === "note") {
          const chorded = childOf(child, "chord") !== undefined;
          if (!chorded) onset = tick;
          const isGrace = childOf(child, "grace") !== undefined;
          if (index === voice.part) {
            sing(child, onset, syllables);
            const sung = isGrace ? null : this.noteOf(child, index, onset, voice.voice);
            if (sung) notes.push(sung);
          }
          if (!chorded && !isGrace) tick += ticks();
        }
        longest = Math.max(longest, tick);
      }
    }
    const bar = ticksOfBar(this.meter);
    const implicit = first?.attributes.implicit === "yes" || number === "0";
    const short = longest > 0 && longest < bar && implicit;
    return {
      number,
      ticks: short || longest > bar ? longest : bar,
      meter: this.meter,
      short,
      chords: [...chords].sort((a, b) => a[0] - b[0]).map(([tick, symbol]) => ({ tick, symbol })),
      syllables,
      notes: oneVoice(notes),
      marks,
      closes,
      rehearsal,
      tempo,
      newLine,
    };
  }

  private ticksOf(element: Element, part: number, name = "duration"): number {
    const duration = numberOf(element, name) ?? 0;
    const divisions = this.divisions.get(part) ?? 1;
    const ticks = Math.round((duration * TICKS_PER_QUARTER) / divisions);
    return Number.isFinite(ticks) ? Math.min(Math.max(ticks, -1_000_000), 1_000_000) : 0;
  }

  private offset(harmony: Element, part: number): number {
    return childOf(harmony, "offset") ? this.ticksOf(harmony, part, "offset") : 0;
  }

  private attributes(element: Element, part: number, number: string): void {
    const divisions = numberOf(element, "divisions");
    if (divisions !== null && divisions > 0) this.divisions.set(part, divisions);
    const time = childOf(element, "time");
    const meter = { beats: numberOf(time, "beats") ?? 0, unit: numberOf(time, "beat-type") ?? 0 };
    if (time && checkMeter(meter).ok) this.meter = meter;
    else if (time) this.lose("metre", number, `${textOf(time, "beats")}/${textOf(time, "beat-type")}`);
    const transpose = childOf(element, "transpose");
    const by = (numberOf(transpose, "chromatic") ?? 0) + 12 * (numberOf(transpose, "octave-change") ?? 0);
    if (transpose && Number.isInteger(by) && Math.abs(by) <= 48) this.transposed.set(part, by);
    const key = childOf(element, "key");
    const fifths = numberOf(key, "fifths");
    if (fifths === null || !Number.isInteger(fifths) || Math.abs(fifths) > 7) return;
    const mode = textOf(key, "mode") === "minor" ? "minor" : "major";
    const own: Key = { tonic: mode === "minor" ? fifths + 3 : fifths, mode };
    this.keys.set(part, own);
    if (this.key === null) this.key = moveKey(own, this.transposed.get(part) ?? 0);
    else if (part === 0 && !isSame(this.key, moveKey(own, this.transposed.get(part) ?? 0)))
      this.lose("change of key signature", number, String(fifths));
  }

  private harmony(
    element: Element,
    part: number,
    tick: number,
    chords: Map<number, string>,
    number: string,
  ): void {
    const written = symbolOf(element);
    const symbol = written === null ? null : this.sounding(written, part);
    if (symbol === null) {
      const kind = childOf(element, "kind");
      this.lose(
        "chord",
        number,
        `${textOf(childOf(element, "root"), "root-step")} ${kind?.text ?? ""}`.trim(),
      );
      return;
    }
    chords.set(Math.max(0, tick), symbol);
    const frame = frameOf(element, written!);
    if (frame) this.fingerings.set(JSON.stringify(frame), frame);
  }

  /** A chord of a transposing part, as it sounds. */
  private sounding(symbol: string, part: number): string {
    const by = this.transposed.get(part) ?? 0;
    const chord = by % 12 === 0 ? null : parseChord(symbol);
    if (!chord?.ok) return symbol;
    const key = this.keys.get(part) ?? { tonic: 0, mode: "major" };
    return moveChord(chord.value, key, moveKey(key, by));
  }

  private noteOf(note: Element, part: number, tick: number, voice: string | null): Sung | null {
    const pitch = childOf(note, "pitch");
    const step = STEPS[textOf(pitch, "step")];
    const octave = numberOf(pitch, "octave");
    const isOther = voice !== null && textOf(note, "voice") !== "" && textOf(note, "voice") !== voice;
    if (step === undefined || octave === null || isOther) return null;
    const midi =
      12 * (octave + 1) + step + (numberOf(pitch, "alter") ?? 0) + (this.transposed.get(part) ?? 0);
    const isTied = childrenOf(note, "tie").some((tie) => tie.attributes.type === "stop");
    return { tick, ticks: this.ticksOf(note, part), pitch: midi, isTied };
  }

  private lose(what: string, measure: string, text: string): void {
    this.losses.push({ line: 0, what: `${what} in measure ${measure}`, text, kept: false });
  }
}

/** @returns how often the stretch before this measure is played, where its left bar line says so */
function readBarline(barline: Element, marks: { -readonly [K in keyof Marks]: Marks[K] }): number {
  let closes = 0;
  const repeat = childOf(barline, "repeat");
  if (repeat?.attributes.direction === "forward") marks.forward = true;
  if (repeat?.attributes.direction === "backward") {
    const times = Number(repeat.attributes.times ?? 2);
    const played = Number.isInteger(times) && times >= 2 && times <= 32 ? times : 2;
    if (barline.attributes.location === "left") closes = played;
    else marks.backward = played;
  }
  const ending = childOf(barline, "ending");
  if (ending?.attributes.type === "start") {
    const rounds = (ending.attributes.number ?? "1").split(/[,\s]+/u).map(Number);
    marks.ending = rounds.filter((round) => Number.isInteger(round) && round >= 1 && round <= 32);
    if (marks.ending.length === 0) marks.ending = [1];
  } else if (ending) marks.endingStops = true;
  return closes;
}

function readSound(sound: Element, marks: { -readonly [K in keyof Marks]: Marks[K] }): void {
  const { attributes } = sound;
  if (attributes.dacapo === "yes") marks.jump = "capo";
  if (attributes.dalsegno !== undefined) marks.jump = "segno";
  if (attributes.tocoda !== undefined) marks.toCoda = true;
  if (attributes.fine !== undefined) marks.fine = true;
  if (attributes.coda !== undefined) marks.coda = true;
  if (attributes.segno !== undefined) marks.segno = true;
}

function readSigns(direction: Element, marks: { -readonly [K in keyof Marks]: Marks[K] }): void {
  for (const type of childrenOf(direction, "direction-type")) {
    if (childOf(type, "segno")) marks.segno = true;
    if (childOf(type, "coda") && !marks.toCoda) marks.coda = true;
  }
}

const rehearsalOf = (direction: Element): string | null => {
  for (const type of childrenOf(direction, "direction-type")) {
    const text = textOf(type, "rehearsal");
    if (text !== "") return text.slice(0, 80);
  }
  return null;
};

const saysNoChord = (direction: Element): boolean =>
  childrenOf(direction, "direction-type").some((type) =>
    childrenOf(type, "words").some((words) => /^N\.?\s?C\.?$/u.test(words.text)),
  );

function tempoOf(direction: Element): Measure["tempo"] {
  for (const type of childrenOf(direction, "direction-type")) {
    const metronome = childOf(type, "metronome");
    const unit = UNITS[textOf(metronome, "beat-unit")];
    const bpm = Number(textOf(metronome, "per-minute").replace(/[^\d.]/gu, ""));
    const beatUnit = unit && `${unit}${childOf(metronome, "beat-unit-dot") ? "." : ""}`;
    if (beatUnit && bpm >= 1 && bpm <= 400) return { bpm, beatUnit };
  }
  const tempo = Number(childOf(direction, "sound")?.attributes.tempo ?? Number.NaN);
  return tempo >= 1 && tempo <= 400 ? { bpm: tempo, beatUnit: "1/4" } : null;
}
