import { z } from "zod";
import { NAMINGS } from "../chord";
import { beatUnitOf, COMMON_TIME, METER_UNITS, MOST_BEATS_IN_A_BAR, MOST_BPM, ticksOfRow } from "../rhythm";
import { keySchema, SECTION_KINDS } from "../song/schema";
import type { ReadOptions } from "./chord-text";
import { MOST_READINGS } from "./guess/readings";
import { type ChordSheet, MOST_LINE_CHORDS, type SheetSection } from "./sheet";

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
  /** Whether the chords are shapes behind the capo the sheet names. */
  shapes: z.boolean().optional(),
  /** Whether figures behind all chords are beats. */
  figures: z.boolean().optional(),
  /** Lines that look like headings and are sung, from 1. */
  sung: z.array(z.int().min(1)).max(400).optional(),
  /** What headings without lines play like: the label of a section, by the heading's line. */
  playedLike: z.record(z.string().regex(/^\d{1,6}$/u), z.string().max(80)).optional(),
  /** Which of the readings of guessed beats is taken. */
  reading: z
    .int()
    .min(0)
    .max(MOST_READINGS - 1)
    .optional(),
  /** Beats of lines that were typed or tapped, by section and line of the sheet. */
  beats: z
    .array(
      z.object({
        section: z.int().min(0),
        line: z.int().min(0),
        beats: z.array(z.number().positive().max(128)).max(MOST_LINE_CHORDS),
      }),
    )
    .max(2000)
    .optional(),
  /** Sections of like chords that stay by themselves all the same, by name. */
  apart: z.array(z.string().max(80)).max(400).optional(),
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
export const readOptionsOf = ({
  tempo: _tempo,
  sections: _sections,
  beats: _beats,
  apart: _apart,
  ...known
}: Adjustments): ReadOptions => known as ReadOptions;

/**
 * Applies what was changed by hand to a sheet that was read with {@link readOptionsOf}. A section can be joined to
 * the one before where both are always played together.
 */
export function adjustSheet(read: ChordSheet, adjustments: Adjustments): ChordSheet {
  const sheet = withBeats(read, adjustments);
  const changes = new Map((adjustments.sections ?? []).map((change) => [change.section, change]));
  const homes = homesOf(sheet, adjustments);
  const sections: SheetSection[] = [];
  for (const [index, section] of sheet.sections.entries()) {
    const { section: home, isJoined } = homes[index]!;
    const change = changes.get(index);
    const before = sections[home];
    sections[home] =
      before && isJoined
        ? { ...before, lines: [...before.lines, ...section.lines] }
        : { ...section, label: change?.label ?? section.label, kind: change?.kind ?? section.kind };
  }
  const joined = new Set(homes.flatMap(({ isJoined }, index) => (isJoined ? [index] : [])));
  return {
    ...sheet,
    ...timeOf(sheet, adjustments),
    key: adjustments.key ?? sheet.key,
    keySure: adjustments.key !== undefined || sheet.keySure,
    sections,
    form: sheet.form
      .filter((use) => !joined.has(use.section))
      .map((use) => ({ ...use, section: homes[use.section]!.section })),
    extras: sheet.extras.map((extra) => {
      const place = extra.section === null ? null : homes[extra.section]!;
      return place ? { ...extra, section: place.section, line: place.line + extra.line } : extra;
    }),
  };
}

const timeOf = (sheet: ChordSheet, { tempo, meter: given }: Adjustments) => {
  const meter = given ?? sheet.meter;
  const ownUnit = tempo === undefined;
  return {
    tempo: tempo ?? sheet.tempo,
    meter,
    beatUnit: ownUnit ? sheet.beatUnit : meter ? beatUnitOf(meter) : null,
  };
};

/** Where a section of the sheet stands once some are joined: its section, and its first line there. */
type Home = { readonly section: number; readonly line: number; readonly isJoined: boolean };

function homesOf(sheet: ChordSheet, { sections = [] }: Adjustments): Home[] {
  const joins = new Set(sections.flatMap(({ section, join }) => (join ? [section] : [])));
  const homes: Home[] = [];
  let lines = 0;
  for (const [index, section] of sheet.sections.entries()) {
    const isJoined = joins.has(index) && homes.length > 0 && canJoin(sheet, index);
    const last = homes.at(-1)?.section ?? -1;
    if (!isJoined) lines = 0;
    homes.push({ section: isJoined ? last : last + 1, line: lines, isJoined });
    lines += section.lines.length;
  }
  return homes;
}

/**
 * Where a line of the adjusted sheet stands in the sheet as it was read, whose numbers adjustments go by; null where it has
 * no such line.
 */
export function placeRead(
  read: ChordSheet,
  adjustments: Adjustments,
  place: { readonly section: number; readonly line: number },
): { section: number; line: number } | null {
  const homes = homesOf(read, adjustments);
  const section = homes.findLastIndex((home) => home.section === place.section && home.line <= place.line);
  return section < 0 ? null : { section, line: place.line - homes[section]!.line };
}

/** The sections of the sheet as it was read that one of the adjusted sheet is made of. */
export const sectionsRead = (read: ChordSheet, adjustments: Adjustments, section: number): number[] =>
  homesOf(read, adjustments).flatMap((home, index) => (home.section === section ? [index] : []));

/** A sheet with the beats that were typed or tapped; those for another number of chords than the line has are passed over. */
function withBeats(sheet: ChordSheet, adjustments: Adjustments): ChordSheet {
  const { beats = [] } = adjustments;
  if (beats.length === 0) return sheet;
  const { meter, beatUnit } = timeOf(sheet, adjustments);
  const unit = beatUnit ?? beatUnitOf(meter ?? COMMON_TIME);
  const rows = new Map(beats.map((one) => [`${one.section} ${one.line}`, one.beats]));
  return {
    ...sheet,
    sections: sheet.sections.map((section, at) => ({
      ...section,
      lines: section.lines.map((line, index) => {
        const row = rows.get(`${at} ${index}`);
        if (row?.length !== line.chords.length) return line;
        const ticks = ticksOfRow(row, unit);
        return {
          ...line,
          chords: line.chords.map((chord, place) => ({ ...chord, ticks: ticks[place]!, guessed: false })),
        };
      }),
    })),
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
