import type { Ticks } from "../../../base";
import type { MakeId } from "../../../document";
import type { Outline, OutlineLine, OutlineSection } from "../read/outline";
import type { Exception, ExceptionKind, ExceptionTimes } from "../schema/sections";
import { orderAtEnd } from "./commands";
import { copyLines } from "./copy-rows";
import type { VersionCommand, VersionStep } from "./edits";
import { add, batch } from "./makers";

/** Where an exception holds: at one use, or whenever its section is played, or at some of those times. */
export type ExceptionHome =
  | { readonly useId: string; readonly round?: number | null }
  | { readonly sectionId: string; readonly times: ExceptionTimes };

/** The fields of an exception that say where it holds. @example homeFields({ sectionId: "s", times: "last" }) */
export const homeFields = (
  home: ExceptionHome,
): Pick<Exception, "useId" | "sectionId" | "times" | "round"> =>
  "useId" in home
    ? { useId: home.useId, sectionId: null, times: "every", round: home.round ?? null }
    : { useId: null, sectionId: home.sectionId, times: home.times, round: null };

/** What a new exception says beyond its kind and where it holds. */
export type ExceptionFields = Partial<
  Pick<Exception, "lineId" | "chordId" | "followedBy" | "ticks" | "cued" | "symbol">
>;

const BLANK = Object.freeze({
  lineId: null,
  chordId: null,
  followedBy: null,
  ticks: 0,
  cued: false,
  symbol: null,
});

/** A row that says nothing yet, for makers of exceptions. */
export const blankException = (
  home: ExceptionHome,
  kind: ExceptionKind,
  order: string,
  id: string,
): Exception => ({ ...BLANK, ...homeFields(home), id, order, kind });

/** The section a home belongs to, and what is said there already. */
const placeOf = (outline: Outline, home: ExceptionHome) => {
  const rows = "useId" in home ? outline.exceptions.get(home.useId) : outline.ofSections.get(home.sectionId);
  const sectionId =
    "useId" in home ? outline.form.find(({ id }) => id === home.useId)?.sectionId : home.sectionId;
  return { rows: (rows ?? []).map(({ exception }) => exception), section: outline.byId.get(sectionId ?? "") };
};

/**
 * Makes something otherwise at a use, or whenever a section is played. A changed line begins as a copy of the line, an
 * ending as a copy of what it replaces, an extra line as the last line once more, other words and other chords as those
 * there are: what is copied is then changed like any line. Chords under other words stay the section's.
 */
export function addException(
  outline: Outline,
  home: ExceptionHome,
  kind: ExceptionKind,
  fields: ExceptionFields,
  makeId: MakeId,
): VersionCommand {
  const id = makeId();
  const { rows, section } = placeOf(outline, home);
  const row = { ...blankException(home, kind, orderAtEnd(rows), id), ...fields };
  if (!section) return batch(LABELS[kind], [add("exceptions", row)]);
  const lines = startingLines(section, kind, row);
  const at = { sectionId: section.section.id, exceptionId: id };
  const copied = copyLines(lines.map(KEPT_OF[kind] ?? whole), at, makeId, (wordId) => wordId);
  const anchors = kind === "words" ? lines.flatMap((line) => anchorsFor(line, copied, makeId)) : [];
  return batch(LABELS[kind], [add("exceptions", row), ...copied.commands, ...anchors]);
}

const LABELS: Readonly<Record<ExceptionKind, string>> = Object.freeze({
  line: "Change a line here",
  words: "Other words",
  chords: "Other chords",
  chord: "Another chord",
  ending: "Another ending",
  extra: "An extra line",
  hold: "A hold",
  push: "A push",
  late: "A late chord",
  choke: "A choked chord",
  hit: "A hit, then silence",
  stop: "A stop",
  tacet: "The band is silent",
});

const whole = (line: OutlineLine): OutlineLine => line;

/** What of a line an exception makes its own, where it is not all of it. */
const KEPT_OF: Readonly<Partial<Record<ExceptionKind, (line: OutlineLine) => OutlineLine>>> = {
  words: (line) => ({ ...line, chords: [] }),
  chords: (line) => ({ ...line, words: [] }),
};

/** Where the chords of a line stand over a copy of its words. */
export const anchorsFor = (
  line: OutlineLine,
  { lineIds, wordIds }: Pick<ReturnType<typeof copyLines>, "lineIds" | "wordIds">,
  makeId: MakeId,
  chordIdAt: (index: number) => string = (index) => line.chords[index]!.chord.id,
): VersionStep[] =>
  line.chords.flatMap(({ chord }, index) => {
    const [lineId, wordId] = [lineIds.get(line.line.id), wordIds.get(chord.wordId ?? "")];
    const anchor = { id: makeId(), chordId: chordIdAt(index), offset: chord.offset };
    return lineId && wordId ? [add("anchors", { ...anchor, lineId, wordId })] : [];
  });

function startingLines(
  section: OutlineSection,
  kind: ExceptionKind,
  { lineId, ticks }: Pick<Exception, "lineId" | "ticks">,
): readonly OutlineLine[] {
  const { lines } = section;
  if (kind === "line" || kind === "words" || kind === "chords")
    return lines.filter((one) => one.line.id === lineId);
  if (kind === "extra") return lines.slice(-1);
  return kind === "ending" ? endOf(lines, ticks) : [];
}

/** The last ticks of some lines; a chord across the beginning keeps its end. */
export function endOf(lines: readonly OutlineLine[], ticks: Ticks): OutlineLine[] {
  const found: OutlineLine[] = [];
  let left = ticks;
  for (const line of lines.toReversed()) {
    if (left <= 0) break;
    const chords: OutlineLine["chords"][number][] = [];
    for (const placed of line.chords.toReversed()) {
      if (left <= 0) break;
      const part = Math.min(left, placed.chord.ticks);
      chords.unshift({ ...placed, chord: { ...placed.chord, ticks: part } });
      left -= part;
    }
    const isWhole = chords.length === line.chords.length;
    const from = isWhole ? 0 : (chords[0]?.at ?? 0);
    found.unshift({ ...line, chords, words: line.words.filter(({ at }) => at >= from) });
  }
  return found;
}
