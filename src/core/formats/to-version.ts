import { unwrap } from "../../base";
import { bodyMaker, type MakeId, ordersFor, type Put } from "../../document";
import { formatKey, moveKey, parseKey } from "../pitch";
import { beatUnitOf, COMMON_TIME } from "../rhythm";
import { capoNote, type MelodyNote, writeMelody } from "../song/read";
import {
  DOCUMENTS,
  PLAIN_USE,
  type SourceKind,
  type Use,
  type VersionBody,
  type VersionRow,
  type VersionTables,
} from "../song/schema";
import { type ChordSheet, DEFAULT_TEMPO, type SheetExtra, type SheetLine } from "./sheet";

const LONGEST_WORD = 120;

/** Where a sheet comes from. */
export type SheetSource = {
  readonly name: string;
  readonly kind: SourceKind;
  /** The text itself, so that it can be laid against others later. */
  readonly text?: string;
};

/**
 * Makes a version's body of a sheet. Where the sheet names a capo its chords are shapes behind it: they are
 * kept as written and the version sounds that much higher.
 */
export function versionOfSheet(sheet: ChordSheet, source: SheetSource, makeId: MakeId): VersionBody {
  const { put, body } = bodyMaker(DOCUMENTS.version);
  const meter = sheet.meter ?? COMMON_TIME;
  const writtenKey = sheet.key ?? "C";
  const writtenCapo = sheet.shapes ? sheet.capo : 0;
  const higher = writtenCapo + sheet.transpose;
  put("version", {
    id: makeId(),
    name: "Full band",
    writtenKey,
    key: higher === 0 ? writtenKey : formatKey(moveKey(unwrap(parseKey(writtenKey)), higher)),
    keySure: sheet.keySure,
    bpm: sheet.tempo ?? DEFAULT_TEMPO,
    beatUnit: sheet.beatUnit ?? beatUnitOf(meter),
    meterBeats: meter.beats,
    meterUnit: meter.unit as VersionRow["meterUnit"],
    writtenCapo,
  });
  const sourceId = makeId();
  const { name, kind, text = "" } = source;
  put("sources", { id: sourceId, order: ordersFor(1)[0]!, name: name.slice(0, 120), kind, text: fits(text) });
  const places = ordersFor(sheet.sections.length);
  const sections = sheet.sections.map(({ label, kind, pickup, lines, melody, melodyRange }, index) => {
    const id = makeId();
    put("sections", {
      id,
      originId: null,
      order: places[index]!,
      label: label.slice(0, 80),
      kind,
      pickup,
      energy: null,
      bass: null,
      melodyRange: melodyRange && [...melodyRange],
    });
    if (melody && melody.length > 0)
      put("melodies", { id: makeId(), sectionId: id, notes: melodyText(melody) });
    const lineOrders = ordersFor(lines.length);
    const lineIds = lines.map((line, at) => {
      const lineId = makeId();
      put("lines", { id: lineId, originId: null, sectionId: id, exceptionId: null, order: lineOrders[at]! });
      putLine(line, lineId, sourceId, makeId, put);
      return lineId;
    });
    return { id, lineIds };
  });
  const useOrders = ordersFor(sheet.form.length);
  for (const [index, { section, repeat, label, shift, tempo, meter: own }] of sheet.form.entries()) {
    put("uses", {
      ...PLAIN_USE,
      id: makeId(),
      originId: null,
      sectionId: sections[section]!.id,
      order: useOrders[index]!,
      repeat,
      label: label?.slice(0, 80) ?? null,
      shift,
      bpm: tempo,
      meterBeats: own?.beats ?? null,
      meterUnit: (own?.unit ?? null) as Use["meterUnit"],
    });
  }
  const extras = sheet.capo > writtenCapo ? [headNote(capoNote(sheet.capo)), ...sheet.extras] : sheet.extras;
  const extraOrders = ordersFor(extras.length);
  for (const [index, extra] of extras.entries()) {
    const home = extra.section === null ? null : sections[extra.section]!;
    put("extras", {
      id: makeId(),
      order: extraOrders[index]!,
      sectionId: home?.id ?? null,
      lineId: home?.lineIds[extra.line] ?? null,
      kind: extra.kind,
      text: extra.text.slice(0, 8000),
    });
  }
  return body;
}

const LONGEST_MELODY = 20_000;

/** A melody as far as its row holds it: some twelve hundred notes. */
const melodyText = (notes: readonly MelodyNote[]): string => {
  const text = writeMelody(notes);
  return text.length <= LONGEST_MELODY ? text : text.slice(0, text.lastIndexOf(",", LONGEST_MELODY));
};

const headNote = (text: string): SheetExtra => ({ kind: "directive", text, section: null, line: 0 });

const LONGEST_SOURCE = 60_000;

/** A text that is kept beside the version; one too long, or with signs no database keeps, is left out. */
const fits = (text: string): string => {
  const lines = text.replaceAll(/\r\n?/gu, "\n");
  return lines.length > LONGEST_SOURCE || /[\p{Cc}\p{Cs}]/u.test(lines.replaceAll(/[\n\t]/gu, ""))
    ? ""
    : lines;
};

function putLine(
  line: SheetLine,
  lineId: string,
  sourceId: string,
  makeId: MakeId,
  put: Put<VersionTables>,
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
      sure: chord.unsure !== true,
      guessed: chord.guessed,
    });
  }
}

type PlacedWord = { readonly id: string; readonly text: string; readonly at: number; readonly end: number };

const LARGEST_OFFSET = 400;

/** The word a chord stands at, and how far into it: past its last letter where a chord comes after it is sung. */
function anchor(words: readonly PlacedWord[], at: number): { word: PlacedWord | undefined; offset: number } {
  const word = words.find(({ end }) => at <= end) ?? words.at(-1);
  return { word, offset: word ? Math.min(LARGEST_OFFSET, Math.max(0, at - word.at)) : 0 };
}

/** A word longer than a row may hold becomes several. */
function pieces(text: string, at: number): { text: string; at: number }[] {
  const parts: { text: string; at: number }[] = [];
  for (let from = 0; from < text.length; ) {
    let to = Math.min(text.length, from + LONGEST_WORD);
    if (/[\uD800-\uDBFF]/.test(text[to - 1]!) && to < text.length) to--;
    parts.push({ text: text.slice(from, to), at: at + from });
    from = to;
  }
  return parts;
}
