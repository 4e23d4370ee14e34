import { groupBy, type Ticks } from "../../../base";
import { byOrder } from "../../../document";
import type { VersionBody } from "../schema/documents";
import type { Anchor, Exception, Line, PlacedChord, Section, Use, Word } from "../schema/sections";

/** A line with its words in a row; `at` counts characters of `text`. */
export type OutlineLine = {
  readonly line: Line;
  readonly text: string;
  readonly words: readonly { readonly word: Word; readonly at: number }[];
  readonly chords: readonly { readonly chord: PlacedChord; readonly at: number }[];
  readonly ticks: Ticks;
};

export type OutlineSection = {
  readonly section: Section;
  readonly lines: readonly OutlineLine[];
  readonly ticks: Ticks;
};

/** A version's tables read as a song: sections with their lines in order, and the form. */
export type Outline = {
  readonly sections: readonly OutlineSection[];
  readonly byId: ReadonlyMap<string, OutlineSection>;
  readonly form: readonly Use[];
  /** By use: what is otherwise there and nowhere else, in order, with the lines an exception brings. */
  readonly exceptions: ReadonlyMap<string, readonly OutlineException[]>;
  /** By section: what is otherwise whenever it is played, or the first time, from the second on, the last time. */
  readonly ofSections: ReadonlyMap<string, readonly OutlineException[]>;
};

export type OutlineException = {
  readonly exception: Exception;
  readonly lines: readonly OutlineLine[];
  /** Where shared chords stand over words of its own, by the chord. */
  readonly anchors: ReadonlyMap<string, Anchor>;
};

const NONE: readonly OutlineException[] = Object.freeze([]);

/** All that may be otherwise at a use: what its section says first, then what it says itself. */
export function exceptionsAt(
  outline: Outline,
  use: Pick<Use, "id" | "sectionId">,
): readonly OutlineException[] {
  const [shared, own] = [outline.ofSections.get(use.sectionId), outline.exceptions.get(use.id)];
  return shared && own ? [...shared, ...own] : (shared ?? own ?? NONE);
}

type Tables = Pick<
  VersionBody,
  "sections" | "lines" | "words" | "chords" | "uses" | "exceptions" | "anchors"
>;

/** Reads the tables in order. Rows that name nothing are passed over. */
export function outlineOf(body: Tables): Outline {
  const linesOf = group(Object.values(body.lines), lineHome);
  const wordsOf = group(Object.values(body.words), (word) => word.lineId);
  const chordsOf = group(Object.values(body.chords), (chord) => chord.lineId);
  const linesAt = (home: string) =>
    (linesOf.get(home) ?? []).map((line) =>
      outlineLine(line, wordsOf.get(line.id) ?? [], chordsOf.get(line.id) ?? []),
    );
  const anchorsOf = groupBy(Object.values(body.anchors), ({ lineId }) => lineId);
  const brought = (exception: Exception): OutlineException => {
    const lines = linesAt(exception.id);
    const anchors = lines.flatMap(({ line }) => anchorsOf.get(line.id) ?? []);
    return { exception, lines, anchors: new Map(anchors.map((anchor) => [anchor.chordId, anchor])) };
  };
  const exceptions = Object.values(body.exceptions);
  const byHome = (homeOf: (exception: Exception) => string | null) =>
    new Map(
      [
        ...group(
          exceptions.filter((one) => homeOf(one) !== null),
          (one) => homeOf(one)!,
        ),
      ].map(([home, list]) => [home, list.map(brought)] as const),
    );
  const sections = Object.values(body.sections)
    .sort(byOrder)
    .map((section) => {
      const lines = linesAt(section.id);
      return { section, lines, ticks: lines.reduce((sum, line) => sum + line.ticks, 0) };
    });
  return {
    sections,
    byId: new Map(sections.map((one) => [one.section.id, one])),
    form: Object.values(body.uses).sort(byOrder),
    exceptions: byHome(({ useId }) => useId),
    ofSections: byHome(({ useId, sectionId }) => (useId === null ? sectionId : null)),
  };
}

/** A line stands in its section, or in the exception that brings it. */
const lineHome = (line: Line): string => line.exceptionId ?? line.sectionId;

function group<Row extends { order: string; id: string }>(
  rows: Row[],
  keyOf: (row: Row) => string,
): Map<string, Row[]> {
  const groups = groupBy(rows, keyOf);
  for (const list of groups.values()) list.sort(byOrder);
  return groups;
}

/** Sets a line's words in a row and its chords over them. */
export function outlineLine(line: Line, words: readonly Word[], chords: readonly PlacedChord[]): OutlineLine {
  const starts = new Map<string, number>();
  let text = "";
  const placedWords = words.map((word) => {
    const at = text === "" ? 0 : text.length + 1;
    text = text === "" ? word.text : `${text} ${word.text}`;
    starts.set(word.id, at);
    return { word, at };
  });
  return {
    line,
    text,
    words: placedWords,
    chords: chords.map((chord) => ({
      chord,
      at: (starts.get(chord.wordId ?? "") ?? text.length) + chord.offset,
    })),
    ticks: chords.reduce((sum, chord) => sum + chord.ticks, 0),
  };
}
