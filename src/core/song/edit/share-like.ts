import type { MakeId } from "../../../document";
import { type OutlineSection, outlineOf } from "../read/outline";
import type { VersionBody } from "../schema/documents";
import { after } from "./after";
import { foldUses } from "./fold";
import { sameChords } from "./same-lines";

/** A section whose chords are those of an earlier one. */
export type Shared = {
  readonly sectionId: string;
  readonly label: string;
  /** The earlier section, by its name. */
  readonly like: string;
};

/** What a section holds beside chords and words, that would be lost in another: notes of the sheet, a melody of its own. */
const holdsMore = (body: VersionBody, sectionId: string): boolean =>
  [body.extras, body.melodies].some((rows) => Object.values(rows).some((row) => row.sectionId === sectionId));

const isLike = (a: OutlineSection, b: OutlineSection): boolean =>
  a.section.kind === b.section.kind &&
  a.section.pickup === b.section.pickup &&
  a.lines.length === b.lines.length &&
  a.lines.every((line, index) => sameChords(line, b.lines[index]!));

/**
 * Sections that have the same chords for as long, line by line, as an earlier one of their kind: verse 2 and 3 of like
 * chords. Sections that hold more than chords and words are left alone, as are those without chords.
 */
export function likeSections(body: VersionBody): readonly (Shared & { readonly intoId: string })[] {
  const { sections, form } = outlineOf(body);
  const played = new Set(form.map(({ sectionId }) => sectionId));
  const found: (Shared & { intoId: string })[] = [];
  const gone = new Set<string>();
  for (const [index, section] of sections.entries()) {
    const { id, label, kind } = section.section;
    const isSong = section.lines.some(({ chords }) => chords.length > 0);
    if (kind === "other" || !isSong || !played.has(id) || holdsMore(body, id)) continue;
    const into = sections.slice(0, index).find((one) => !gone.has(one.section.id) && isLike(one, section));
    if (!into) continue;
    gone.add(id);
    found.push({ sectionId: id, label, like: into.section.label, intoId: into.section.id });
  }
  return found;
}

/**
 * Keeps the chords of like sections once, words their own: a change of verse 1's chords then reaches verse 2. For a song
 * as it is made: one in which something is otherwise already stays as it is.
 * @param apart names of sections that stay by themselves all the same
 */
export function shareLike(body: VersionBody, apart: readonly string[], makeId: MakeId): VersionBody {
  const shared = likeSections(body).filter(({ label }) => !apart.includes(label));
  if (shared.length === 0 || Object.keys(body.exceptions).length > 0) return body;
  const outline = outlineOf(body);
  const moved = shared.flatMap(({ sectionId, intoId }) => foldUses(body, outline, sectionId, intoId, makeId));
  return without(after(body, moved), new Set(shared.map(({ sectionId }) => sectionId)));
}

/** A body without some sections nobody plays and nothing names, and without what they held. */
function without(body: VersionBody, sections: ReadonlySet<string>): VersionBody {
  const keep = <Row extends { readonly id: string }>(
    rows: Readonly<Record<string, Row>>,
    isKept: (row: Row) => boolean,
  ): Readonly<Record<string, Row>> =>
    Object.fromEntries(Object.entries(rows).filter(([, row]) => isKept(row)));
  const lines = keep(body.lines, (line) => !sections.has(line.sectionId));
  return {
    ...body,
    lines,
    sections: keep(body.sections, ({ id }) => !sections.has(id)),
    words: keep(body.words, ({ lineId }) => Object.hasOwn(lines, lineId)),
    chords: keep(body.chords, ({ lineId }) => Object.hasOwn(lines, lineId)),
  };
}
