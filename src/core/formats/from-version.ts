import { byOrder } from "../../document";
import { parseKey, semitonesUp } from "../pitch";
import { beatUnitOf } from "../rhythm";
import {
  capoNote,
  exceptionsAt,
  isPlayed,
  linesPlayed,
  type OutlineLine,
  outlineOf,
  playsOf,
  sheetCapo,
  versionRow,
} from "../song/read";
import type { Exception, SongBody, VersionBody } from "../song/schema";
import {
  type ChordSheet,
  EMPTY_SHEET,
  type SheetExtra,
  type SheetLine,
  type SheetLoss,
  type SheetSection,
  type SheetUse,
} from "./sheet";

/**
 * A version as a sheet, to be written in an open format. Exceptions are played out: a use that differs becomes a
 * section of its own. What a sheet cannot hold is named in `losses`.
 */
export function sheetOfVersion(body: VersionBody, song: SongBody): ChordSheet {
  const version = versionRow(body);
  const { title, by, composer, copyright, tags } = Object.values(song.song)[0]!;
  const outline = outlineOf(body);
  const losses: SheetLoss[] = [];
  const lose = (what: string, text: string) => losses.push({ line: 0, what, text, kept: false });
  const sections: SheetSection[] = [];
  const known = new Map<string, number>();
  const form: SheetUse[] = [];
  const capo = sheetCapo(body);
  const extras: SheetExtra[] = extrasOf(body, null)
    .filter(({ text }) => capo === 0 || text !== capoNote(capo))
    .map(({ kind, text }) => ({ kind, text, section: null, line: 0 }));
  for (const { use, section, round } of playsOf(outline)) {
    const exceptions = exceptionsAt(outline, use);
    const laid = linesPlayed(section, exceptions, round);
    const lines = laid.map(({ outline: line }) => sheetLine(line));
    const own = laid.some(({ origin }) => origin !== "section") || lines.length !== section.lines.length;
    const key = JSON.stringify([section.section.id, lines]);
    const label = own ? (use.label ?? `${section.section.label} (own)`) : section.section.label;
    let index = known.get(key);
    if (index === undefined) {
      const { kind, pickup, melodyRange } = section.section;
      index = sections.push({ label: freshLabel(label, sections), kind, pickup, lines, melodyRange }) - 1;
      known.set(key, index);
      for (const extra of extrasOf(body, section.section.id)) {
        const line = laid.findIndex(({ slot }) => slot === extra.lineId);
        extras.push({
          kind: extra.kind,
          text: extra.text,
          section: index,
          line: line < 0 ? lines.length : line,
        });
      }
    }
    for (const { exception } of exceptions)
      if (isPlayed(exception, round)) describeMark(exception, use.label ?? section.section.label, lose);
    if (!use.vocals) lose("a section without voice", use.label ?? section.section.label);
    const { shift, bpm: tempo, meterBeats, meterUnit } = use;
    const meter =
      meterBeats === null && meterUnit === null
        ? null
        : { beats: meterBeats ?? version.meterBeats, unit: meterUnit ?? version.meterUnit };
    const last = form.at(-1);
    const same = last?.section === index && round.round > 0;
    if (same) form[form.length - 1] = { ...last, repeat: last.repeat + 1 };
    else form.push({ section: index, repeat: 1, label: own ? null : use.label, shift, tempo, meter });
  }
  if (Object.keys(body.players).length > 0) lose("players, capos, parts and chosen shapes", "");
  if (Object.keys(body.melodies).length > 0) lose("what the voice sings, note by note", "");
  if (Object.keys(body.loopLayers).length > 0) lose("the looper, its layers and what is wanted of them", "");
  if (Object.keys(body.cues).length > 0) lose("cues of your own", "");
  if (Object.keys(body.sounds).length > 0)
    lose("the players' sounds, their boxes and where each is saved", "");
  const written = parseKey(version.writtenKey);
  const sounding = parseKey(version.key);
  const higher = written.ok && sounding.ok ? semitonesUp(written.value.tonic, sounding.value.tonic) : 0;
  const transpose = higher - version.writtenCapo;
  const meter = { beats: version.meterBeats, unit: version.meterUnit };
  return {
    ...EMPTY_SHEET,
    title,
    by,
    composer,
    copyright,
    tags,
    key: version.writtenKey,
    keySure: version.keySure,
    tempo: version.bpm,
    beatUnit: version.beatUnit === beatUnitOf(meter) ? null : version.beatUnit,
    meter,
    capo,
    shapes: version.writtenCapo > 0,
    transpose: transpose > 6 ? transpose - 12 : transpose < -6 ? transpose + 12 : transpose,
    sections,
    form,
    extras,
    losses,
  };
}

const extrasOf = (body: VersionBody, sectionId: string | null) =>
  Object.values(body.extras)
    .filter((extra) => extra.sectionId === sectionId)
    .sort(byOrder)
    .map(({ kind, text, lineId }) => ({ kind, text, lineId }));

const sheetLine = (line: OutlineLine): SheetLine => ({
  words: line.text,
  chords: line.chords.map(({ chord, at }) => ({
    symbol: chord.symbol,
    at: Math.min(at, line.text.length),
    ticks: chord.ticks,
    guessed: chord.guessed,
    ...(!chord.sure && { unsure: true }),
  })),
});

function freshLabel(label: string, sections: readonly SheetSection[]): string {
  const taken = new Set(sections.map((section) => section.label.toLowerCase()));
  let fresh = label;
  for (let count = 2; taken.has(fresh.toLowerCase()); count++) fresh = `${label} ${count}`;
  return fresh;
}

const MARK_WORDS: Readonly<Partial<Record<Exception["kind"], string>>> = Object.freeze({
  hold: "a hold",
  push: "a push",
  late: "a late chord",
  choke: "a choked chord",
  hit: "a hit",
  stop: "a stop",
  tacet: "a silence of the band",
});

function describeMark({ kind }: Exception, label: string, lose: (what: string, text: string) => void): void {
  const words = MARK_WORDS[kind];
  if (words) lose(words, label);
}
