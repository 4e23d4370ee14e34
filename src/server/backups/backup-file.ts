import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { z } from "zod";
import { fail, ok, type Result } from "@/base";
import { isKind } from "@/core/song/schema";
import { LONGEST_NOTE } from "@/core/stage";
import { commandSchema, idSchema } from "@/document";

/** The form of the backup file itself. */
const BACKUP_FORM = 1;
/** The longest backup file that is taken, bytes. */
export const LARGEST_BACKUP = 64_000_000;
const ENTRY = "shared-lantern.json";
const LARGEST_CONTENT = 256_000_000;

const contentSchema = z.object({
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

/** What a backup holds. */
export type Content = z.output<typeof contentSchema>;
export type SavedDocument = Content["documents"][number];

/** A document of a backup that can't be brought back, and why. */
export type LeftOut = { readonly id: string; readonly name: string; readonly problem: string };

/** Why a backup is not brought back; with the documents that stand in the way, where the others could be. */
export type BackupProblem = { readonly message: string; readonly leftOut?: readonly LeftOut[] };

/** @returns the file: JSON in a zip */
export const packContent = (content: Omit<z.input<typeof contentSchema>, "form">): Uint8Array =>
  zipSync({ [ENTRY]: strToU8(JSON.stringify({ form: BACKUP_FORM, ...content })) });

/** Reads a backup file; a file of another form, or one that is damaged, is refused with a sentence. */
export function readContent(file: Uint8Array): Result<Content, BackupProblem> {
  const text = readEntry(file);
  if (!text.ok) return text;
  let json: unknown;
  try {
    json = JSON.parse(text.value);
  } catch {
    return fail({ message: "This file's content is cut off or damaged. Nothing was changed." });
  }
  const parsed = contentSchema.safeParse(json);
  if (parsed.success) return ok(parsed.data);
  const issue = parsed.error.issues[0]!;
  return fail({
    message: `This file can't be used: ${issue.path.join(".") || "it"} ${issue.message}. Nothing was changed.`,
  });
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
