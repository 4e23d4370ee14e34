import { type MakeId, ordersFor } from "../../../document";
import type { OutlineException, OutlineLine } from "../read/outline";
import type { Exception } from "../schema/sections";
import type { VersionStep } from "./edits";
import { add } from "./makers";

/** Which old row became which, by id. */
type Ids = ReadonlyMap<string, string>;

const NO_IDS: Ids = new Map();

type Copied = {
  readonly commands: VersionStep[];
  readonly lineIds: Ids;
  readonly wordIds: Ids;
  readonly chordIds: Ids;
};

/**
 * Copies what a line holds to another; ids are fresh.
 * @param foreign what a chord's word becomes that is not one of the line's own; none when left out
 */
export function copyContents(
  line: OutlineLine,
  lineId: string,
  makeId: MakeId,
  foreign: (wordId: string) => string | null = () => null,
): Omit<Copied, "lineIds"> {
  const wordIds = new Map(line.words.map(({ word }) => [word.id, makeId()]));
  const chordIds = new Map(line.chords.map(({ chord }) => [chord.id, makeId()]));
  const wordOf = (id: string | null): string | null => id && (wordIds.get(id) ?? foreign(id));
  return {
    wordIds,
    chordIds,
    commands: [
      ...line.words.map(({ word }) =>
        add("words", { ...word, id: wordIds.get(word.id)!, originId: word.id, lineId }),
      ),
      ...line.chords.map(({ chord }) => {
        const ids = { id: chordIds.get(chord.id)!, originId: chord.id, lineId, wordId: wordOf(chord.wordId) };
        return add("chords", { ...chord, ...ids });
      }),
    ],
  };
}

/** Copies lines to a home. @param foreign as of {@link copyContents} */
export function copyLines(
  lines: readonly OutlineLine[],
  home: { readonly sectionId: string; readonly exceptionId: string | null },
  makeId: MakeId,
  foreign?: (wordId: string) => string | null,
): Copied {
  const orders = ordersFor(lines.length);
  const lineIds = new Map(lines.map(({ line }) => [line.id, makeId()]));
  const contents = lines.map((line) => copyContents(line, lineIds.get(line.line.id)!, makeId, foreign));
  return {
    lineIds,
    wordIds: new Map(contents.flatMap(({ wordIds }) => [...wordIds])),
    chordIds: new Map(contents.flatMap(({ chordIds }) => [...chordIds])),
    commands: lines.flatMap(({ line }, index): VersionStep[] => [
      add("lines", { id: lineIds.get(line.id)!, originId: line.id, order: orders[index]!, ...home }),
      ...contents[index]!.commands,
    ]),
  };
}

/** A copied chord that began as a chord of its section, as its original did: anchors find it by that. */
function asOriginal(step: VersionStep, lines: readonly OutlineLine[]): VersionStep {
  if (step.type !== "add" || step.table !== "chords") return step;
  const from = lines.flatMap(({ chords }) => chords).find(({ chord }) => chord.id === step.row.originId);
  return add("chords", { ...step.row, originId: from?.chord.originId ?? step.row.originId });
}

/**
 * Copies an exception with the lines it brings and where shared chords stand over them.
 * @param fields what the copy says otherwise
 * @param sectionId the section its lines belong to
 * @param ids which chords and words of the section the copy names instead of those it named
 */
export function copyException(
  { exception, lines, anchors }: OutlineException,
  fields: Partial<Exception>,
  sectionId: string,
  makeId: MakeId,
  ids: { readonly chordIds?: Ids; readonly wordIds?: Ids } = {},
): Copied {
  const { chordIds = NO_IDS, wordIds = NO_IDS } = ids;
  const id = makeId();
  const foreign = (wordId: string): string => wordIds.get(wordId) ?? wordId;
  const copied = copyLines(lines, { sectionId, exceptionId: id }, makeId, foreign);
  const placed = [...anchors.values()].flatMap((anchor): VersionStep[] => {
    const [lineId, wordId] = [copied.lineIds.get(anchor.lineId), copied.wordIds.get(anchor.wordId)];
    const chordId = chordIds.get(anchor.chordId) ?? anchor.chordId;
    return lineId && wordId ? [add("anchors", { ...anchor, id: makeId(), lineId, chordId, wordId })] : [];
  });
  return {
    ...copied,
    commands: [
      add("exceptions", { ...exception, ...fields, id }),
      ...copied.commands.map((step) => asOriginal(step, lines)),
      ...placed,
    ],
  };
}
