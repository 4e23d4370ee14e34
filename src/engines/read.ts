import { z } from "zod";
import { moveChord, parseChord } from "@/core/chord";
import {
  type ChordSheet,
  describeSheetLoss,
  describeSheetProblem,
  LONGEST_SHEET,
  readSheet,
  type SheetSection,
  TEXT_FORMATS,
} from "@/core/formats";
import { formatKey, type Key, moveKey, parseKey } from "@/core/pitch";
import { beatsOfTicks, beatUnitOf, COMMON_TIME, checkMeter, type Meter, ticksOfBar } from "@/core/rhythm";
import { FieldError, plainEngine } from "./engine";
import { readKey } from "./fields";

const number = z.number({ error: "should be a number" });

const input = z.object({
  text: z
    .string({ error: "should be the text of a song" })
    .max(LONGEST_SHEET, { error: `should have at most ${LONGEST_SHEET} characters` }),
  format: z.enum(TEXT_FORMATS, { error: `should be one of ${TEXT_FORMATS.join(", ")}` }).default("auto"),
  key: z.string({ error: 'should be a key such as "A" or "F#m"' }).optional(),
  meter: z
    .object({ beats: number, unit: number }, { error: "should be a metre such as { beats: 4, unit: 4 }" })
    .optional(),
  beatsPerChord: number
    .positive({ error: "should be a number of beats above 0" })
    .max(128, { error: "should be at most 128 beats" })
    .optional(),
});

/** The importer: text in, a song out, with what was not understood. Symbols sound as the sheet writes them, capo apart. */
export const read = plainEngine({
  name: "read",
  summary:
    "Reads a chord sheet or ChordPro: key, sections, chords with beats, the form, and what was not understood.",
  input,
  compute: ({ text, format, key, meter, beatsPerChord }) => {
    const given = key === undefined ? undefined : formatKey(readKey(key, ["key"]));
    if (meter && !checkMeter(meter).ok)
      throw new FieldError(["meter"], "should be a metre such as { beats: 4, unit: 4 }");
    const sheet = readSheet(text, { format, key: given, meter, beatsPerChord });
    const { sections, form } = played(sheet);
    const places = sections.map(({ section }) => sheet.sections.indexOf(section));
    const metre = sheet.meter ?? COMMON_TIME;
    const unit = sheet.beatUnit ?? beatUnitOf(metre);
    return {
      title: sheet.title,
      by: sheet.by,
      composer: sheet.composer,
      copyright: sheet.copyright,
      tags: sheet.tags,
      key: sheet.key === null ? null : moved(sheet.key, sheet.transpose + (sheet.shapes ? sheet.capo : 0)),
      keySure: sheet.keySure,
      tempo: sheet.tempo,
      beatUnit: unit,
      meter: metre,
      meterSure: sheet.meter !== null,
      capo: sheet.capo,
      shapes: sheet.shapes,
      naming: sheet.naming,
      sections: sections.map((section) => sectionOut(section, metre, unit)),
      form,
      readings: sheet.readings.map(({ sections: all, bars, cost, why }) => ({
        sections: places.map((place) => all[place]!),
        bars: places.map((place) => bars[place]!),
        cost,
        why,
      })),
      problems: sheet.problems.map((problem) => ({
        line: problem.line,
        column: problem.column,
        code: problem.code,
        message: describeSheetProblem(problem),
        suggestions: problem.suggestions ?? [],
      })),
      losses: sheet.losses.map((loss) => ({ ...loss, message: describeSheetLoss(loss) })),
    };
  },
});

type Sounding = { readonly section: SheetSection; readonly shift: number; readonly key: string | null };

/** Sections as they sound, one for each key a section is played in, and the form by their index. */
function played(sheet: ChordSheet): { sections: Sounding[]; form: number[] } {
  const sections: Sounding[] = sheet.sections.map((section) => ({
    section,
    shift: sheet.transpose,
    key: sheet.key,
  }));
  const form = sheet.form.flatMap((use) => {
    const shift = sheet.transpose + use.shift;
    const section = sheet.sections[use.section]!;
    const known = sections.findIndex((one) => one.section === section && one.shift === shift);
    const index = known >= 0 ? known : sections.push({ section, shift, key: sheet.key }) - 1;
    return Array<number>(use.repeat).fill(index);
  });
  // A section that is only played in another key does not stand in its own.
  const played = new Set(form);
  const named = new Set(form.map((index) => sections[index]!.section));
  const kept = sections.flatMap((one, index) =>
    played.has(index) || !named.has(one.section) ? [index] : [],
  );
  const places = new Map(kept.map((index, place) => [index, place]));
  return { sections: kept.map((index) => sections[index]!), form: form.map((index) => places.get(index)!) };
}

const moved = (key: string, shift: number): string => {
  const parsed = parseKey(key);
  return shift === 0 || !parsed.ok ? key : formatKey(moveKey(parsed.value, shift));
};

function sectionOut({ section, shift, key }: Sounding, meter: Meter, unit: string) {
  const { label, kind, pickup, lines } = section;
  const ticks = lines.flatMap((line) => line.chords).reduce((sum, chord) => sum + chord.ticks, 0);
  const from: Key | null = key === null ? null : parsedKey(key);
  const to = from && moveKey(from, shift);
  const sounding = (symbol: string): string => {
    const chord = shift === 0 || !from || !to ? null : parseChord(symbol);
    return chord?.ok ? moveChord(chord.value, from!, to!) : symbol;
  };
  return {
    label,
    kind,
    bars: Math.ceil(Math.max(0, ticks - pickup) / ticksOfBar(meter)),
    pickup: beatsOfTicks(pickup, unit),
    lines: lines.map(({ words, chords }) => ({
      words,
      chords: chords.map(({ symbol, ticks, at, guessed, unsure }) => ({
        symbol: sounding(symbol),
        beats: beatsOfTicks(ticks, unit),
        at,
        guessed,
        sure: unsure !== true,
      })),
    })),
  };
}

const parsedKey = (key: string): Key | null => {
  const parsed = parseKey(key);
  return parsed.ok ? parsed.value : null;
};
