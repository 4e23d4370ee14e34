import { z } from "zod";
import { NAMINGS } from "../chord";
import { beatUnitOf, METER_UNITS, type Meter, MOST_BEATS_IN_A_BAR, MOST_BPM } from "../rhythm";
import { keySchema, SECTION_KINDS } from "../song/schema";
import type { ReadOptions } from "./chord-text";
import { MOST_READINGS } from "./guess/readings";
import type { ChordSheet, SheetSection } from "./sheet";

/** What a person changes of the guesses before a song is made. */
export const adjustmentsSchema = z.object({
  key: keySchema.optional(),
  tempo: z.number().min(1).max(MOST_BPM).optional(),
  meter: z
    .object({
      beats: z.int().min(1).max(MOST_BEATS_IN_A_BAR),
      unit: z.union(METER_UNITS.map((unit) => z.literal(unit))),
    })
    .optional(),
  beatsPerChord: z.number().positive().max(128).optional(),
  naming: z.enum(NAMINGS).optional(),
  /** Which of the readings of guessed beats is taken. */
  reading: z
    .int()
    .min(0)
    .max(MOST_READINGS - 1)
    .optional(),
  /** By the section's place in the sheet. */
  sections: z
    .array(
      z.object({
        section: z.int().min(0),
        label: z.string().trim().min(1).max(80).optional(),
        kind: z.enum(SECTION_KINDS).optional(),
        /** It goes on from the section before. */
        join: z.boolean().optional(),
      }),
    )
    .max(400)
    .optional(),
});

export type Adjustments = z.infer<typeof adjustmentsSchema>;

/** The part of the adjustments the reader itself needs. */
export const readOptionsOf = ({ key, meter, naming, beatsPerChord, reading }: Adjustments): ReadOptions => ({
  key,
  meter: meter as Meter | undefined,
  naming,
  beatsPerChord,
  reading,
});

/**
 * Applies what was changed by hand to a sheet that was read with {@link readOptionsOf}. A section can be joined to
 * the one before where both are always played together.
 */
export function adjustSheet(sheet: ChordSheet, adjustments: Adjustments): ChordSheet {
  const changes = new Map((adjustments.sections ?? []).map((change) => [change.section, change]));
  const joined = sheet.sections.map((_, index) => (changes.get(index)?.join ? canJoin(sheet, index) : false));
  const sections: SheetSection[] = [];
  const placeOf: { section: number; line: number }[] = [];
  for (const [index, section] of sheet.sections.entries()) {
    const change = changes.get(index);
    const last = sections.at(-1);
    if (joined[index] && last) {
      placeOf.push({ section: sections.length - 1, line: last.lines.length });
      sections[sections.length - 1] = { ...last, lines: [...last.lines, ...section.lines] };
      continue;
    }
    placeOf.push({ section: sections.length, line: 0 });
    sections.push({ ...section, label: change?.label ?? section.label, kind: change?.kind ?? section.kind });
  }
  const tempo = adjustments.tempo ?? sheet.tempo;
  const meter = adjustments.meter ?? sheet.meter;
  return {
    ...sheet,
    key: adjustments.key ?? sheet.key,
    keySure: adjustments.key !== undefined || sheet.keySure,
    tempo,
    meter,
    beatUnit: adjustments.tempo === undefined ? sheet.beatUnit : meter ? beatUnitOf(meter) : null,
    sections,
    form: sheet.form
      .filter((use) => !joined[use.section])
      .map((use) => ({ ...use, section: placeOf[use.section]!.section })),
    extras: sheet.extras.map((extra) => {
      const place = extra.section === null ? null : placeOf[extra.section]!;
      return place ? { ...extra, section: place.section, line: place.line + extra.line } : extra;
    }),
  };
}

/** Whether a section always comes straight after the one before it in the sheet, and that one always before it. */
export function canJoin(sheet: ChordSheet, index: number): boolean {
  if (index === 0 || sheet.sections[index]!.pickup > 0) return false;
  return sheet.form.every((use, at) => {
    if (use.section === index)
      return (
        use.repeat === 1 &&
        sheet.form[at - 1]?.section === index - 1 &&
        use.shift === sheet.form[at - 1]!.shift
      );
    if (use.section === index - 1) return use.repeat === 1 && sheet.form[at + 1]?.section === index;
    return true;
  });
}
