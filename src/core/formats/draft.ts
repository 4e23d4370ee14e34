import { guessKey, parseChord, type SoundingChord, type WeighedChord } from "../chord";
import { formatKey } from "../pitch";
import type { MelodyNote } from "../song/read";
import type { SectionKind } from "../song/schema";
import type { ChordSheet, SheetExtra, SheetLine, SheetSection, SheetUse } from "./sheet";

/** A section as a reader meets it, one for each time it is written. */
export type Draft = {
  readonly label: string | null;
  readonly kind: SectionKind;
  readonly repeat: number;
  readonly lines: SheetLine[];
  readonly extras: { readonly kind: SheetExtra["kind"]; readonly text: string; readonly line: number }[];
  pickup: number;
  melody?: readonly MelodyNote[] | undefined;
  melodyRange: readonly [number, number] | null;
  /** Where its heading stands in the text, from 1; one without is never left out for holding no lines. */
  heading?: number | undefined;
  readonly use: Pick<SheetUse, "shift" | "tempo" | "meter">;
  /** The draft this one plays again, whatever it holds itself. */
  readonly again?: Draft;
};

export const newDraft = (
  label: string | null,
  kind: SectionKind,
  repeat = 1,
  use: Draft["use"] = { shift: 0, tempo: null, meter: null },
): Draft => ({ label, kind, repeat, lines: [], extras: [], pickup: 0, melodyRange: null, use });

/** The sections of one name: the first, and each by what it holds. */
type Named = { first: number | null; readonly byContent: Map<string, number> };

const contentOf = ({ pickup, lines, melody }: Pick<SheetSection, "pickup" | "lines" | "melody">): string =>
  JSON.stringify([pickup, lines, melody]);

/** The section of the same name that holds just what a draft holds. */
function sameContent(
  { first, byContent }: Named,
  draft: Draft,
  sections: readonly SheetSection[],
): number | null {
  if (first === null) return null;
  if (byContent.size === 0) byContent.set(contentOf(sections[first]!), first);
  return byContent.get(contentOf(draft)) ?? null;
}

/** Sections once each; a heading alone, or the same again under the same heading, is another use. */
export function arrange(
  drafts: readonly Draft[],
): Pick<ChordSheet, "sections" | "form" | "extras" | "unlined"> {
  const unlined: ChordSheet["unlined"][number][] = [];
  const sections: SheetSection[] = [];
  const form: SheetUse[] = [];
  const extras: SheetExtra[] = [];
  const known = new Map<Draft, number>();
  const byLabel = new Map<string, Named>();
  const choruses: number[] = [];
  const noted = new Set<string>();
  for (const [index, draft] of drafts.entries()) {
    const label = draft.label ?? (drafts.length > 1 ? `Part ${index + 1}` : "Song");
    const same = byLabel.get(label.toLowerCase()) ?? { first: null, byContent: new Map() };
    byLabel.set(label.toLowerCase(), same);
    const empty = draft.lines.length === 0;
    // "Chorus" alone is the one chorus there is, where the sheet calls it otherwise ("Refrain", "Chorus 1").
    const only = empty && draft.extras.length === 0 && draft.kind === "chorus" && choruses.length === 1;
    const named = empty ? same.first : sameContent(same, draft, sections);
    const again = draft.again ? known.get(draft.again) : (named ?? (only ? choruses[0] : undefined));
    if (again === undefined && empty && draft.heading !== undefined && !draft.extras.some(isTab)) {
      unlined.push({ label, kind: draft.kind, line: draft.heading });
      // What stands beside lines it has not goes to the end of the section before.
      const home = sections.length > 0 ? sections.length - 1 : null;
      for (const { kind, text } of draft.extras)
        extras.push({ kind, text, section: home, line: home === null ? 0 : sections[home]!.lines.length });
      continue;
    }
    const section =
      again ??
      sections.push({
        label,
        kind: draft.kind,
        pickup: draft.pickup,
        lines: draft.lines,
        melodyRange: draft.melodyRange,
        ...(draft.melody && { melody: draft.melody }),
      }) - 1;
    if (again === undefined) {
      if (same.first === null) same.first = section;
      else same.byContent.set(contentOf(draft), section);
      if (draft.kind === "chorus") choruses.push(section);
    }
    known.set(draft, section);
    const own = draft.label !== null && draft.label !== sections[section]!.label ? draft.label : null;
    form.push({ section, repeat: draft.repeat, label: own, ...draft.use });
    for (const extra of draft.extras) {
      const last = sections[section]!.lines.length;
      const line = again === undefined ? Math.min(extra.line, last) : last;
      const text = extra.text;
      const key = `${section} ${extra.kind} ${text}`;
      if (again === undefined || !noted.has(key)) extras.push({ kind: extra.kind, text, section, line });
      noted.add(key);
    }
  }
  extras.sort((a, b) => (a.section ?? 0) - (b.section ?? 0) || a.line - b.line);
  return { sections, form, extras, unlined };
}

const isTab = ({ kind }: Draft["extras"][number]): boolean => kind === "tab";

type Played = Pick<ChordSheet, "sections" | "form">;

/** Each chord of a song as it is played once, with all its ticks, in the order they come; the last one stands last again. */
export function weighedChords(sheet: Played): WeighedChord[] {
  const found = new Map<string, { chord: SoundingChord | null; beats: number }>();
  let last: SoundingChord | null = null;
  for (const { section } of sheet.form)
    for (const { chords } of sheet.sections[section]!.lines)
      for (const { symbol, ticks } of chords) {
        const known = found.get(symbol) ?? { chord: soundingOf(symbol), beats: 0 };
        known.beats += ticks;
        found.set(symbol, known);
        last = known.chord ?? last;
      }
  const weighed = [...found.values()].flatMap(({ chord, beats }) => (chord ? [{ chord, beats }] : []));
  return last ? [...weighed, { chord: last, beats: 0 }] : [];
}

/** The key whose chords cover most of the song as it is played. */
export function keyOfSheet(sheet: Played): { key: string; sure: boolean } | null {
  const guessed = guessKey(weighedChords(sheet));
  return guessed && { key: formatKey(guessed.key), sure: guessed.sure };
}

const soundingOf = (symbol: string): SoundingChord | null => {
  const chord = parseChord(symbol);
  return chord.ok && chord.value.kind === "chord" ? chord.value : null;
};

export const hasChords = (sheet: Pick<ChordSheet, "sections">): boolean =>
  sheet.sections.some((section) => section.lines.some((line) => line.chords.length > 0));
