import { fail, ok, type Result } from "@/base";
import { isKind, SCHEMA } from "@/core/song/schema";
import { restore } from "@/document/log";
import type { documents, edits } from "../db/schema";
import { definitionOf } from "../documents/row";
import type { Told } from "../serve";
import type { LeftOut, SavedDocument } from "./backup-file";

export type Prepared = {
  document: Omit<typeof documents.$inferSelect, "createdAt" | "updatedAt">;
  edits: (typeof edits.$inferInsert)[];
};

/** A document by what people call it, as far as its beginning says so. */
function nameOf({ id, kind, origin }: SavedDocument): string {
  const rows = (origin as Readonly<Record<string, unknown>> | null)?.[kind];
  const row = rows && typeof rows === "object" ? (Object.values(rows)[0] as Record<string, unknown>) : null;
  const name = row?.title ?? row?.name;
  return typeof name === "string" && name !== "" ? `${kind} “${name.slice(0, 60)}”` : `${kind} ${id}`;
}

const MOST_TOLD = 5;

/** Says what is left out, each with its reason. */
export const tellLeftOut = (leftOut: readonly LeftOut[]): string =>
  leftOut
    .slice(0, MOST_TOLD)
    .map(({ name, problem }) => `The ${name}: ${problem}.`)
    .concat(leftOut.length > MOST_TOLD ? [`And ${leftOut.length - MOST_TOLD} more.`] : [])
    .join(" ");

/** What is wrong with where a document stands among the others of its backup, or null. */
function misplaced(
  { id, kind, parentId }: SavedDocument,
  byId: ReadonlyMap<string, readonly SavedDocument[]>,
): string | null {
  if (byId.get(id)!.length > 1) return "stands in it more than once";
  if (kind !== "version")
    return parentId === null ? null : "belongs to another document, as only a version does";
  if (parentId === null) return "belongs to no song";
  if (parentId === id) return "belongs to itself";
  const song = byId.get(parentId)?.[0];
  if (!song) return "belongs to a song that is not in it";
  return song.kind === "song" ? null : "belongs to something that is no song";
}

/**
 * Plays every document of a backup; a version of a song that can't be brought back is left out with it.
 * @returns what can be written, songs before their versions
 */
export function prepareAll(
  saved: readonly SavedDocument[],
  told: Told = () => {},
): { rows: Prepared[]; leftOut: LeftOut[] } {
  const byId = new Map<string, SavedDocument[]>();
  for (const document of saved) byId.set(document.id, [...(byId.get(document.id) ?? []), document]);
  const rows: Prepared[] = [];
  const leftOut = new Map<string, LeftOut>();
  const seen = new Set<string>();
  const leave = (document: SavedDocument, problem: string) =>
    leftOut.set(document.id, { id: document.id, name: nameOf(document), problem });
  for (const [at, document] of saved.entries()) {
    told(at, saved.length);
    const wrong = misplaced(document, byId) ?? repeatedEdit(document, seen);
    const row = wrong === null ? prepare(document) : fail(wrong);
    if (row.ok) rows.push(row.value);
    else leave(document, row.problem);
  }
  for (const document of saved)
    if (document.parentId !== null && leftOut.has(document.parentId) && !leftOut.has(document.id))
      leave(document, "its song can't be brought back");
  const left = rows.filter(({ document }) => !leftOut.has(document.id));
  const isVersion = ({ document }: Prepared) => Number(document.parentId !== null);
  return { rows: left.sort((a, b) => isVersion(a) - isVersion(b)), leftOut: [...leftOut.values()] };
}

/** Says that an edit's id was there before, in this document or another. @param seen is filled with this one's */
function repeatedEdit({ edits: log }: SavedDocument, seen: Set<string>): string | null {
  const ids = log.map(({ editId }) => editId);
  if (new Set(ids).size < ids.length || ids.some((id) => seen.has(id))) return "holds an edit more than once";
  for (const id of ids) seen.add(id);
  return null;
}

/** Plays a document's log from its beginning, checking each step. */
function prepare(saved: SavedDocument): Result<Prepared, string> {
  const { id, kind, parentId, originSchema } = saved;
  if (!isKind(kind)) return fail("is of no kind known here");
  const restored = restore(
    definitionOf(kind),
    { schema: originSchema, body: saved.origin },
    saved.edits.map(({ command }) => command),
  );
  if (!restored.ok) return fail(restored.problem);
  const { body, origin, edits: played } = restored.value;
  const stored = { revision: played.length, schema: SCHEMA, body, originSchema: SCHEMA, origin };
  return ok({
    document: { id, kind, parentId, ...stored },
    edits: played.map((edit, at) => {
      const { editId, at: time } = saved.edits[at]!;
      return { documentId: id, ...edit, editId, at: new Date(time) };
    }),
  });
}
