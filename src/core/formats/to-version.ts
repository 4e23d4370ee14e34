import { sure } from "../base";
import { formatKey, moveKey, parseKey } from "../pitch";
import { beatUnitOf } from "../rhythm";
import { emptyBody, type MakeId, ordersFor, PLAIN_USE, type Row, type VersionBody } from "../song";
import type { ChordSheet, SheetLine } from "./chord-text";

const DEFAULT_TEMPO = 80;
const LONGEST_WORD = 120;

/**
 * Makes a version's body of a sheet. Where the sheet names a capo its chords are shapes behind it: they are
 * kept as written and the version sounds that much higher.
 */
export function versionOfSheet(sheet: ChordSheet, sourceName: string, makeId: MakeId): VersionBody {
  const tables = Object.fromEntries(
    Object.keys(emptyBody("version")).map((table) => [table, {} as Record<string, Row>]),
  );
  const put = (table: string, row: Row) => {
    tables[table]![row.id] = row;
  };
  const meter = sheet.meter ?? { beats: 4, unit: 4 };
  const writtenKey = sheet.key ?? "C";
  put("version", {
    id: makeId(),
    name: "Full band",
    writtenKey,
    key: sheet.capo > 0 ? formatKey(moveKey(sure(parseKey(writtenKey)), sheet.capo)) : writtenKey,
    keySure: sheet.keySure,
    bpm: sheet.tempo ?? DEFAULT_TEMPO,
    beatUnit: beatUnitOf(meter),
    meterBeats: meter.beats,
    meterUnit: meter.unit,
    writtenCapo: sheet.capo,
  });
  const sourceId = makeId();
  put("sources", { id: sourceId, order: ordersFor(1)[0]!, name: sourceName, kind: "sheet", text: "" });
  const places = ordersFor(sheet.sections.length);
  const sectionIds = sheet.sections.map((section, index) => {
    const id = makeId();
    const { label, kind } = section;
    put("sections", {
      id,
      originId: null,
      order: places[index]!,
      label: label.slice(0, 80),
      kind,
      pickup: 0,
      energy: null,
      bass: null,
      melodyRange: null,
    });
    const lineOrders = ordersFor(section.lines.length);
    for (const [at, line] of section.lines.entries()) {
      const lineId = makeId();
      put("lines", { id: lineId, originId: null, sectionId: id, exceptionId: null, order: lineOrders[at]! });
      putLine(line, lineId, sourceId, makeId, put);
    }
    return id;
  });
  const useOrders = ordersFor(sheet.form.length);
  for (const [index, { section, repeat }] of sheet.form.entries()) {
    put("uses", {
      id: makeId(),
      originId: null,
      sectionId: sectionIds[section]!,
      order: useOrders[index]!,
      repeat,
      ...PLAIN_USE,
    });
  }
  return tables as unknown as VersionBody;
}

function putLine(
  line: SheetLine,
  lineId: string,
  sourceId: string,
  makeId: MakeId,
  put: (table: string, row: Row) => void,
): void {
  const words = [...line.words.matchAll(/\S+/gu)].flatMap((match) => pieces(match[0], match.index));
  const wordOrders = ordersFor(words.length);
  const placed = words.map(({ text, at }, index) => {
    const id = makeId();
    put("words", { id, originId: null, lineId, order: wordOrders[index]!, text });
    return { id, text, at, end: at + text.length };
  });
  const chordOrders = ordersFor(line.chords.length);
  for (const [index, chord] of line.chords.entries()) {
    const { word, offset } = anchor(placed, chord.at);
    put("chords", {
      id: makeId(),
      originId: null,
      lineId,
      order: chordOrders[index]!,
      symbol: chord.symbol,
      ticks: chord.ticks,
      wordId: word?.id ?? null,
      offset,
      sourceId,
      sure: true,
      guessed: chord.guessed,
    });
  }
}

type PlacedWord = { readonly id: string; readonly text: string; readonly at: number; readonly end: number };

const LARGEST_OFFSET = 400;
const VOWEL = /[aeiouyàáâãäåæèéêëìíîïòóôõöøœùúûüýÿ]/iu;

/** The end of a word that is no syllable of its own: "Hom|e", "o|nce", "hop|es". */
const SILENT_END = /^(?:[^aeiouy]{2,})?e[sd]?$/iu;

/**
 * The word a chord stands under, and how far into it. Sheets are seldom set to the letter: a chord inside a
 * word stays there only where a syllable can begin (a vowel on both sides), else it goes to the nearer edge.
 */
function anchor(words: readonly PlacedWord[], at: number): { word: PlacedWord | undefined; offset: number } {
  const index = words.findIndex((word) => at < word.end);
  const word = words[index];
  if (!word) {
    const last = words.at(-1);
    return { word: last, offset: last ? Math.min(LARGEST_OFFSET, at - last.at) : 0 };
  }
  const offset = Math.max(0, at - word.at);
  const [before, after] = [word.text.slice(0, offset), word.text.slice(offset)];
  const sung = VOWEL.test(before) && VOWEL.test(after) && !SILENT_END.test(after);
  if (offset === 0 || !VOWEL.test(word.text) || sung) return { word, offset };
  const next = words[index + 1];
  return after.length < before.length && next ? { word: next, offset: 0 } : { word, offset: 0 };
}

/** A word longer than a row may hold becomes several. */
function pieces(text: string, at: number): { text: string; at: number }[] {
  const parts: { text: string; at: number }[] = [];
  for (let from = 0; from < text.length; from += LONGEST_WORD)
    parts.push({ text: text.slice(from, from + LONGEST_WORD), at: at + from });
  return parts;
}
