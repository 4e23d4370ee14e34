import { guessKey, parseChord } from "../chord";
import { formatKey } from "../pitch";
import type { SectionKind } from "../song";
import type { ChordSheet, SheetExtra, SheetLine, SheetSection, SheetUse } from "./sheet";

/** A section as a reader meets it, one for each time it is written. */
export type Draft = {
  readonly label: string | null;
  readonly kind: SectionKind;
  readonly repeat: number;
  readonly lines: SheetLine[];
  readonly extras: { readonly kind: SheetExtra["kind"]; readonly text: string; readonly line: number }[];
  pickup: number;
  melodyRange: readonly [number, number] | null;
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

/** Sections once each; a heading alone, or the same again under the same heading, is another use. */
export function arrange(drafts: readonly Draft[]): Pick<ChordSheet, "sections" | "form" | "extras"> {
  const sections: SheetSection[] = [];
  const form: SheetUse[] = [];
  const extras: SheetExtra[] = [];
  const known = new Map<Draft, number>();
  const byLabel = new Map<string, number[]>();
  for (const [index, draft] of drafts.entries()) {
    const label = draft.label ?? (drafts.length > 1 ? `Part ${index + 1}` : "Song");
    const same = byLabel.get(label.toLowerCase()) ?? [];
    const again = draft.again ? known.get(draft.again) : same.find((at) => isRecall(draft, sections[at]!));
    const section =
      again ??
      sections.push({
        label,
        kind: draft.kind,
        pickup: draft.pickup,
        lines: draft.lines,
        melodyRange: draft.melodyRange,
      }) - 1;
    if (again === undefined) byLabel.set(label.toLowerCase(), [...same, section]);
    known.set(draft, section);
    const own = draft.label !== null && draft.label !== sections[section]!.label ? draft.label : null;
    form.push({ section, repeat: draft.repeat, label: own, ...draft.use });
    for (const extra of draft.extras) {
      const last = sections[section]!.lines.length;
      const line = again === undefined ? Math.min(extra.line, last) : last;
      const text = extra.text;
      const twice = extras.some(
        (one) => one.section === section && one.text === text && one.kind === extra.kind,
      );
      if (again === undefined || !twice) extras.push({ kind: extra.kind, text, section, line });
    }
  }
  extras.sort((a, b) => (a.section ?? 0) - (b.section ?? 0) || a.line - b.line);
  return { sections, form, extras };
}

const isRecall = (draft: Draft, known: SheetSection): boolean =>
  draft.lines.length === 0 ||
  (draft.pickup === known.pickup && JSON.stringify(draft.lines) === JSON.stringify(known.lines));

/** The key whose chords cover most of the song as it is played. */
export function keyOfSheet(
  sheet: Pick<ChordSheet, "sections" | "form">,
): { key: string; sure: boolean } | null {
  const chords = sheet.form.flatMap(({ section }) =>
    sheet.sections[section]!.lines.flatMap((line) => line.chords),
  );
  const guessed = guessKey(
    chords.flatMap(({ symbol, ticks }) => {
      const chord = parseChord(symbol);
      return chord.ok && chord.value.kind === "chord" ? [{ chord: chord.value, beats: ticks }] : [];
    }),
  );
  return guessed && { key: formatKey(guessed.key), sure: guessed.sure };
}

export const hasChords = (sheet: Pick<ChordSheet, "sections">): boolean =>
  sheet.sections.some((section) => section.lines.some((line) => line.chords.length > 0));
