import { asc } from "drizzle-orm";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { z } from "zod";
import { fail, ok, type Result } from "@/base";
import { isKind, SCHEMA } from "@/core/song/schema";
import { LONGEST_NOTE } from "@/core/stage";
import { commandSchema, idSchema } from "@/document";
import { restore } from "@/document/log";
import type { Database } from "./db/open-database";
import { documents, edits, stageNotes } from "./db/schema";
import { definitionOf, readRows } from "./documents/row";
import { writeShelf } from "./documents/shelf";
import { takenIds } from "./documents/stored-documents";

/** The form of the backup file itself. */
const BACKUP_FORM = 1;
/** The longest backup file that is taken, bytes. */
export const LARGEST_BACKUP = 64_000_000;
const ENTRY = "shared-lantern.json";
const LARGEST_CONTENT = 256_000_000;

const backupSchema = z.object({
  form: z.literal(BACKUP_FORM, {
    error: `is not a backup of form ${BACKUP_FORM}, the one this program reads`,
  }),
  savedAt: z.string(),
  documents: z.array(
    z.object({
      id: idSchema,
      kind: z.string().refine(isKind, { error: "should be a kind of document" }),
      parentId: idSchema.nullable(),
      originSchema: z.int(),
      origin: z.unknown(),
      edits: z.array(z.object({ editId: idSchema, command: commandSchema, at: z.iso.datetime() })),
    }),
  ),
  /** Players' own notes on stage; older backups have none. */
  notes: z
    .array(
      z.object({
        versionId: idSchema,
        person: z.string().min(1).max(130),
        useId: idSchema,
        text: z.string().min(1).max(LONGEST_NOTE),
      }),
    )
    .default([]),
});

/** A document of a backup that can't be brought back, and why. */
export type LeftOut = { readonly id: string; readonly name: string; readonly problem: string };

/** Why a backup is not brought back; with the documents that stand in the way, where the others could be. */
export type BackupProblem = { readonly message: string; readonly leftOut?: readonly LeftOut[] };

/** Everything as one file: JSON in a zip. Documents are saved as their beginning and their log. */
export async function saveBackup(database: Database, now: Date): Promise<Uint8Array> {
  const rows = await database.select().from(documents).orderBy(asc(documents.createdAt), asc(documents.id));
  const log = await database.select().from(edits).orderBy(asc(edits.documentId), asc(edits.revision));
  const logOf = new Map<string, typeof log>();
  for (const edit of log) {
    const list = logOf.get(edit.documentId);
    if (list) list.push(edit);
    else logOf.set(edit.documentId, [edit]);
  }
  const content: z.input<typeof backupSchema> = {
    form: BACKUP_FORM,
    savedAt: now.toISOString(),
    documents: rows.map(({ id, kind, parentId, originSchema, origin }) => ({
      id,
      kind,
      parentId,
      originSchema,
      origin,
      edits: (logOf.get(id) ?? []).map(({ editId, command, at }) => ({
        editId,
        command,
        at: at.toISOString(),
      })),
    })),
    notes: await database.select().from(stageNotes),
  };
  return zipSync({ [ENTRY]: strToU8(JSON.stringify(content)) });
}

/**
 * Brings a backup back: all of it or nothing. Refused when anything in it is here already.
 * @param isPartly brings back the rest where some of it can't be
 */
export async function restoreBackup(
  database: Database,
  file: Uint8Array,
  isPartly = false,
): Promise<Result<{ documents: number; leftOut: readonly LeftOut[] }, BackupProblem>> {
  const text = readEntry(file);
  if (!text.ok) return text;
  let json: unknown;
  try {
    json = JSON.parse(text.value);
  } catch {
    return fail({ message: "This file's content is cut off or damaged. Nothing was changed." });
  }
  const parsed = backupSchema.safeParse(json);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return fail({
      message: `This file can't be used: ${issue.path.join(".") || "it"} ${issue.message}. Nothing was changed.`,
    });
  }
  const taken = await takenIds(
    database,
    parsed.data.documents.map((document) => document.id),
  );
  if (taken.length > 0) {
    return fail({
      message: `${taken.length} of the ${parsed.data.documents.length} documents in this backup are here already. Bring it back into an empty data folder (LANTERN_DATA, with LANTERN_DEMO=off). Nothing was changed.`,
    });
  }
  const { rows, leftOut } = prepareAll(parsed.data.documents);
  if (rows.length === 0 && leftOut.length > 0)
    return fail({
      message: `Nothing of this backup can be brought back. ${told(leftOut)} Nothing was changed.`,
    });
  if (leftOut.length > 0 && !isPartly)
    return fail({
      message: `${leftOut.length} of the ${parsed.data.documents.length} documents in this backup can't be brought back. ${told(leftOut)} Nothing was changed.`,
      leftOut,
    });
  const now = new Date();
  await database.transaction(async (tx) => {
    for (const row of rows) {
      await tx.insert(documents).values(row.document);
      if (row.edits.length > 0) await tx.insert(edits).values(row.edits);
    }
    const here = new Set(rows.map(({ document }) => document.id));
    const notes = parsed.data.notes.filter(({ versionId }) => here.has(versionId));
    if (notes.length > 0) await tx.insert(stageNotes).values(notes);
    await writeShelf(
      tx,
      readRows(rows.map(({ document }) => ({ ...document, createdAt: now, updatedAt: now }))),
    );
  });
  return ok({ documents: rows.length, leftOut });
}

function readEntry(file: Uint8Array): Result<string, BackupProblem> {
  try {
    let oversize = false;
    const entries = unzipSync(file, {
      filter: (entry) => {
        oversize ||= entry.name === ENTRY && entry.originalSize > LARGEST_CONTENT;
        return entry.name === ENTRY && !oversize;
      },
    });
    if (oversize)
      return fail({
        message: "This backup unpacks to more than 256 MB and was not opened. Nothing was changed.",
      });
    const entry = entries[ENTRY];
    return entry
      ? ok(strFromU8(entry))
      : fail({
          message: `This is not a backup of Shared Lantern: it holds no ${ENTRY}. Nothing was changed.`,
        });
  } catch {
    return fail({
      message: "This is not a backup of Shared Lantern: it can't be read as a zip file. Nothing was changed.",
    });
  }
}

type Prepared = {
  document: Omit<typeof documents.$inferSelect, "createdAt" | "updatedAt">;
  edits: (typeof edits.$inferInsert)[];
};

type Saved = z.output<typeof backupSchema>["documents"][number];

/** A document by what people call it, as far as its beginning says so. */
function nameOf({ id, kind, origin }: Saved): string {
  const rows = (origin as Readonly<Record<string, unknown>> | null)?.[kind];
  const row = rows && typeof rows === "object" ? (Object.values(rows)[0] as Record<string, unknown>) : null;
  const name = row?.title ?? row?.name;
  return typeof name === "string" && name !== "" ? `${kind} “${name.slice(0, 60)}”` : `${kind} ${id}`;
}

const MOST_TOLD = 5;

const told = (leftOut: readonly LeftOut[]): string =>
  leftOut
    .slice(0, MOST_TOLD)
    .map(({ name, problem }) => `The ${name}: ${problem}.`)
    .concat(leftOut.length > MOST_TOLD ? [`And ${leftOut.length - MOST_TOLD} more.`] : [])
    .join(" ");

/** What is wrong with where a document stands among the others of its backup, or null. */
function misplaced(
  { id, kind, parentId }: Saved,
  byId: ReadonlyMap<string, readonly Saved[]>,
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

/** Plays every document of a backup; a version of a song that can't be brought back is left out with it. */
function prepareAll(saved: readonly Saved[]): { rows: Prepared[]; leftOut: LeftOut[] } {
  const byId = new Map<string, Saved[]>();
  for (const document of saved) byId.set(document.id, [...(byId.get(document.id) ?? []), document]);
  const rows: Prepared[] = [];
  const leftOut = new Map<string, LeftOut>();
  const seen = new Set<string>();
  const leave = (document: Saved, problem: string) =>
    leftOut.set(document.id, { id: document.id, name: nameOf(document), problem });
  for (const document of saved) {
    const wrong = misplaced(document, byId) ?? repeatedEdit(document, seen);
    const row = wrong === null ? prepare(document) : fail(wrong);
    if (row.ok) rows.push(row.value);
    else leave(document, row.problem);
  }
  for (const document of saved)
    if (document.parentId !== null && leftOut.has(document.parentId) && !leftOut.has(document.id))
      leave(document, "its song can't be brought back");
  return { rows: rows.filter(({ document }) => !leftOut.has(document.id)), leftOut: [...leftOut.values()] };
}

/** Says that an edit's id was there before, in this document or another. @param seen is filled with this one's */
function repeatedEdit({ edits: log }: Saved, seen: Set<string>): string | null {
  const ids = log.map(({ editId }) => editId);
  if (new Set(ids).size < ids.length || ids.some((id) => seen.has(id))) return "holds an edit more than once";
  for (const id of ids) seen.add(id);
  return null;
}

/** Plays a document's log from its beginning, checking each step. */
function prepare(saved: Saved): Result<Prepared, string> {
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
