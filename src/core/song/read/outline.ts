import type { Ticks } from "../../../base";
import { byOrder } from "../../../document";
import type { VersionBody } from "../schema/documents";
import type { Exception, Line, PlacedChord, Section, Use, Word } from "../schema/sections";

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
  /** By use: what is otherwise there, in order, with the lines an exception brings. */
  readonly exceptions: ReadonlyMap<string, readonly OutlineException[]>;
};

export type OutlineException = { readonly exception: Exception; readonly lines: readonly OutlineLine[] };

type Tables = Pick<VersionBody, "sections" | "lines" | "words" | "chords" | "uses" | "exceptions">;

/** Reads the tables in order. Rows that name nothing are passed over. */
export function outlineOf(body: Tables): Outline {
  const linesOf = group(Object.values(body.lines), lineHome);
  const wordsOf = group(Object.values(body.words), (word) => word.lineId);
  const chordsOf = group(Object.values(body.chords), (chord) => chord.lineId);
  const linesAt = (home: string) =>
    (linesOf.get(home) ?? []).map((line) =>
      outlineLine(line, wordsOf.get(line.id) ?? [], chordsOf.get(line.id) ?? []),
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
    exceptions: new Map(
      [...group(Object.values(body.exceptions), (exception) => exception.useId)].map(([useId, list]) => [
        useId,
        list.map((exception) => ({ exception, lines: linesAt(exception.id) })),
      ]),
    ),
  };
}

/** A line stands in its section, or in the exception that brings it. */
const lineHome = (line: Line): string => line.exceptionId ?? line.sectionId;

function group<Row extends { order: string; id: string }>(
  rows: Row[],
  keyOf: (row: Row) => string,
): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const list = groups.get(keyOf(row));
    if (list) list.push(row);
    else groups.set(keyOf(row), [row]);
  }
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
