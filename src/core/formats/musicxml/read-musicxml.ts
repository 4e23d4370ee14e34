import { formatKey, plainKey } from "../../pitch";
import { beatUnitOf, type Meter } from "../../rhythm";
import { type MelodyNote, rangeOfMelody } from "../../song/read";
import { kindOfLabel } from "../chord-text/heading";
import { writeDefine } from "../chordpro/define";
import { arrange, type Draft, hasChords, keyOfSheet, newDraft } from "../draft";
import { type ChordSheet, EMPTY_SHEET, type SheetChord, type SheetLine, type SheetLoss } from "../sheet";
import { describeZipProblem, isZip, unzip } from "../unzip";
import { type Measure, readScore, type Score, type Syllable } from "./measures";
import { type Played, playOrder } from "./play-order";
import { childOf, childrenOf, type Element, parseXml, textOf, type XmlProblem } from "./xml";

const ZIP_LIMITS = { files: 200, bytes: 40_000_000 };
const MEASURES_A_LINE = 4;

const XML_WORDS: Readonly<Record<XmlProblem["code"], string>> = Object.freeze({
  entities:
    "This file declares entities of its own, which are not expanded for safety. Export it again without them.",
  "too-deep": "This file is nested deeper than music ever is. Nothing was read from it.",
  "too-large": "This file is larger than 12 MB. Take one song at a time.",
  "not-xml": "This is no XML that can be read; it may be damaged. Nothing was read from it.",
});

const refuse = (text: string): ChordSheet => ({
  ...EMPTY_SHEET,
  problems: [{ code: "bad-file", line: 1, column: 1, text }],
});

/**
 * Reads MusicXML (version 4.0), plain or compressed: key, metre, tempo, chord symbols with their beats, words,
 * rehearsal marks as sections, repeats and endings as the form, the voice's range, frames as shapes.
 */
export function readMusicXml(bytes: Uint8Array): ChordSheet {
  const text = isZip(bytes) ? textInZip(bytes) : { ok: true as const, text: decodeXml(bytes) };
  if (!text.ok) return refuse(text.text);
  const xml = parseXml(text.text);
  if (!xml.ok) return refuse(XML_WORDS[xml.problem.code]);
  const parts = partsOf(xml.value);
  if (!parts) return refuse("This XML is no MusicXML score. Nothing was read from it.");
  const score = readScore(parts);
  if (score.measures.length === 0) return refuse("This score has no measures. Nothing was read from it.");
  return sheetOf(xml.value, score);
}

/** The score of a compressed file is the first root file its container names, or else the first score in it. */
function textInZip(bytes: Uint8Array): { ok: true; text: string } | { ok: false; text: string } {
  const files = unzip(bytes, ZIP_LIMITS, (name) => /\.(?:xml|musicxml)$/iu.test(name));
  if (!files.ok) return { ok: false, text: describeZipProblem(files.problem) };
  const container = files.value.find((file) => file.name === "META-INF/container.xml");
  const named = container && /full-path\s*=\s*["']([^"']+)["']/u.exec(decodeXml(container.bytes))?.[1];
  const score =
    files.value.find((file) => file.name === named) ??
    files.value.find((file) => !file.name.startsWith("META-INF/"));
  return score
    ? { ok: true, text: decodeXml(score.bytes) }
    : { ok: false, text: "This compressed file holds no score. Nothing was read from it." };
}

/** Text by its byte order mark or declaration; UTF-8 otherwise. */
export function decodeXml(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  const head = new TextDecoder("latin1").decode(bytes.subarray(0, 200));
  const named = /encoding\s*=\s*["'](iso-8859-1|windows-1252|latin-?1)["']/iu.test(head);
  return new TextDecoder(named ? "windows-1252" : "utf-8").decode(bytes);
}

/** Measures by part; a score by time is turned about. */
function partsOf(root: Element): Element[][] | null {
  if (root.name === "score-partwise")
    return childrenOf(root, "part").map((part) => childrenOf(part, "measure"));
  if (root.name !== "score-timewise") return null;
  const measures = childrenOf(root, "measure");
  const count = Math.max(0, ...measures.map((measure) => childrenOf(measure, "part").length));
  return Array.from({ length: count }, (_, part) =>
    measures.map((measure) => {
      const own = childrenOf(measure, "part")[part];
      return { ...measure, children: own?.children ?? [] };
    }),
  );
}

/** A stretch of measures that is always played as one. */
type Block = { readonly from: number; readonly to: number; readonly label: string | null };

function sheetOf(root: Element, score: Score): ChordSheet {
  const { measures } = score;
  const losses: SheetLoss[] = [...score.losses];
  const order = playOrder(measures.map((measure) => measure.marks));
  if (!order) losses.push({ line: 0, what: "repeats that never end", text: "", kept: false });
  const played = order ?? measures.map((_, measure): Played => ({ measure, round: 1 }));
  const blocks = blocksOf(measures, played);
  const meter = commonMeter(measures);
  const tempo = measures.find((measure) => measure.tempo)?.tempo ?? null;
  const drafts = draftsOf(score, blocks, played, meter, tempo);
  const arranged = mergeRepeats(arrange(drafts));
  const key = score.key && plainKey(score.key);
  const guessed = keyOfSheet(arranged);
  const creator = (type: string) =>
    childrenOf(childOf(root, "identification"), "creator").find((one) => one.attributes.type === type)
      ?.text ?? "";
  const title = textOf(childOf(root, "work"), "work-title") || textOf(root, "movement-title");
  return {
    ...EMPTY_SHEET,
    ...arranged,
    title: title.slice(0, 200),
    by: creator("lyricist").slice(0, 200),
    composer: creator("composer").slice(0, 200),
    copyright: textOf(childOf(root, "identification"), "rights").slice(0, 400),
    key: key ? formatKey(key) : (guessed?.key ?? null),
    keySure: key !== null || (guessed?.sure ?? false),
    tempo: tempo?.bpm ?? null,
    beatUnit: tempo && tempo.beatUnit !== beatUnitOf(meter) ? tempo.beatUnit : null,
    meter,
    fingerings: score.fingerings,
    extras: [
      ...score.fingerings.map((shape) => ({
        kind: "directive" as const,
        text: writeDefine(shape),
        section: null,
        line: 0,
      })),
      ...arranged.extras,
    ],
    problems: hasChords(arranged) ? [] : [{ code: "no-chords", line: 1, column: 1, text: "" }],
    losses,
  };
}

/** The metre most measures have. */
function commonMeter(measures: readonly Measure[]): Meter {
  const counts = new Map<string, { meter: Meter; count: number }>();
  for (const { meter } of measures) {
    const key = `${meter.beats}/${meter.unit}`;
    counts.set(key, { meter, count: (counts.get(key)?.count ?? 0) + 1 });
  }
  return [...counts.values()].reduce((best, one) => (one.count > best.count ? one : best)).meter;
}

/** Cuts the measures where a mark stands, the metre or tempo changes, or the order of playing jumps. */
function blocksOf(measures: readonly Measure[], played: readonly Played[]): Block[] {
  const starts = new Set([0]);
  for (const [index, measure] of measures.entries()) {
    const before = measures[index - 1];
    if (measure.rehearsal !== null || measure.marks.ending || (index > 0 && measure.tempo)) starts.add(index);
    if (before && (before.meter.beats !== measure.meter.beats || before.meter.unit !== measure.meter.unit))
      starts.add(index);
  }
  for (const [index, { measure }] of played.entries()) {
    const before = played[index - 1]?.measure;
    if (before !== undefined && measure !== before + 1) {
      starts.add(measure);
      if (before + 1 < measures.length) starts.add(before + 1);
    }
  }
  const cuts = [...starts].sort((a, b) => a - b);
  let label: string | null = null;
  return cuts.map((from, index): Block => {
    const mark = measures[from]!.rehearsal;
    const ending = measures[from]!.marks.ending;
    if (mark !== null) label = mark;
    const part =
      mark === null && label !== null
        ? ending
          ? `${label}, ending ${ending.join(", ")}`
          : `${label}, more`
        : label;
    const own = label === null && ending ? `Ending ${ending.join(", ")}` : part;
    return { from, to: (cuts[index + 1] ?? measures.length) - 1, label: own };
  });
}

function draftsOf(
  score: Score,
  blocks: readonly Block[],
  played: readonly Played[],
  song: Meter,
  tempo: Measure["tempo"],
): Draft[] {
  const { measures } = score;
  const starts = new Map(blocks.map((block) => [block.from, block]));
  const sounding = soundingChords(measures);
  const known = new Map<string, string>();
  const drafts: Draft[] = [];
  let now = tempo;
  for (const { measure, round } of played) {
    const block = starts.get(measure);
    if (!block) continue;
    const own = measures.slice(block.from, block.to + 1);
    now = own[0]!.tempo ?? now;
    const { meter } = own[0]!;
    const plain = meter.beats === song.beats && meter.unit === song.unit;
    const use = {
      shift: 0,
      tempo: now && tempo && now.bpm !== tempo.bpm ? now.bpm : null,
      meter: plain ? null : meter,
    };
    const verse = verseFor(own, round);
    const lines = linesOf(own, verse, sounding.slice(block.from));
    const content = JSON.stringify(lines);
    const base = block.label ?? `Part ${blocks.indexOf(block) + 1}`;
    // The same measures sung with other words are another section.
    let label = base;
    for (let count = 2; known.has(label) && known.get(label) !== content; count++) label = `${base} ${count}`;
    known.set(label, content);
    const draft = newDraft(label.slice(0, 80), kindOfLabel(base), 1, use);
    draft.lines.push(...lines);
    if (own[0]!.short) draft.pickup = own[0]!.ticks;
    const melody = melodyOf(own);
    if (melody.length > 0) draft.melody = melody;
    draft.melodyRange = rangeOfMelody(melody);
    drafts.push(draft);
  }
  return drafts;
}

/** What is sung in measures that follow each other; a note tied to the one before is one with it. */
function melodyOf(measures: readonly Measure[]): MelodyNote[] {
  const melody: MelodyNote[] = [];
  let start = 0;
  for (const { notes, ticks: length } of measures) {
    for (const { tick, ticks, pitch, isTied } of notes) {
      const last = melody.at(-1);
      const goesOn = isTied && last?.pitch === pitch && last.tick + last.ticks === start + tick;
      if (goesOn) melody[melody.length - 1] = { ...last, ticks: last.ticks + ticks };
      else melody.push({ tick: start + tick, ticks, pitch });
    }
    start += length;
  }
  return melody;
}

/** The chord that sounds where each measure begins. */
function soundingChords(measures: readonly Measure[]): (string | null)[] {
  let last: string | null = null;
  return measures.map((measure) => {
    const before = last;
    last = measure.chords.at(-1)?.symbol ?? last;
    return before;
  });
}

/** The words of this round: verse 2 the second time, where there is one. */
function verseFor(measures: readonly Measure[], round: number): string | null {
  const verses = [...new Set(measures.flatMap((one) => one.syllables.map((syllable) => syllable.verse)))];
  if (verses.length === 0) return null;
  return verses.includes(String(round)) ? String(round) : verses[Math.min(round, verses.length) - 1]!;
}

function linesOf(
  measures: readonly Measure[],
  verse: string | null,
  before: readonly (string | null)[],
): SheetLine[] {
  const broken = measures.some((measure, index) => index > 0 && measure.newLine);
  const groups: number[][] = [];
  for (const index of measures.keys()) {
    const fresh = broken ? measures[index]!.newLine : (groups.at(-1)?.length ?? 0) >= MEASURES_A_LINE;
    if (groups.length === 0 || fresh) groups.push([]);
    groups.at(-1)!.push(index);
  }
  return groups.map((group) => lineOf(group, measures, verse, before[group[0]!] ?? null));
}

function lineOf(
  group: readonly number[],
  measures: readonly Measure[],
  verse: string | null,
  sounding: string | null,
): SheetLine {
  const chords: { tick: number; symbol: string }[] = [];
  const syllables: Syllable[] = [];
  let start = 0;
  for (const index of group) {
    const measure = measures[index]!;
    for (const chord of measure.chords)
      if (chord.tick < measure.ticks) chords.push({ ...chord, tick: start + chord.tick });
    for (const one of measure.syllables)
      if (one.verse === verse) syllables.push({ ...one, tick: start + one.tick });
    start += measure.ticks;
  }
  if (chords[0]?.tick !== 0) chords.unshift({ tick: 0, symbol: sounding ?? "N.C." });
  let words = "";
  const places: { tick: number; at: number }[] = [];
  let joined = false;
  for (const { tick, text, goesOn } of syllables.sort((a, b) => a.tick - b.tick)) {
    if (words !== "" && !joined) words += " ";
    places.push({ tick, at: words.length });
    words += text;
    joined = goesOn;
  }
  const place = (tick: number): number => places.find((one) => one.tick >= tick)?.at ?? words.length;
  return {
    words,
    chords: chords.map(
      ({ tick, symbol }, index): SheetChord => ({
        symbol,
        at: place(tick),
        ticks: (chords[index + 1]?.tick ?? start) - tick,
        guessed: false,
      }),
    ),
  };
}

/** The same section several times in a row is one use, repeated. */
function mergeRepeats(sheet: Pick<ChordSheet, "sections" | "form" | "extras">) {
  const form: ChordSheet["form"][number][] = [];
  for (const use of sheet.form) {
    const last = form.at(-1);
    const same = last && JSON.stringify({ ...last, repeat: 1 }) === JSON.stringify(use) && last.repeat < 32;
    if (same && sheet.sections[use.section]!.pickup === 0)
      form[form.length - 1] = { ...last, repeat: last.repeat + 1 };
    else form.push(use);
  }
  return { ...sheet, form };
}
