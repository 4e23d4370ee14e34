import { and, eq, inArray } from "drizzle-orm";
import type { StageNote } from "@/core/stage";
import type { Database } from "../db/open-database";
import { stageNotes } from "../db/schema";

/** A person's own notes in some songs. */
export const notesOfPerson = (
  database: Database,
  person: string,
  versionIds: readonly string[],
): Promise<StageNote[]> =>
  versionIds.length === 0
    ? Promise.resolve([])
    : database
        .select({ versionId: stageNotes.versionId, useId: stageNotes.useId, text: stageNotes.text })
        .from(stageNotes)
        .where(and(eq(stageNotes.person, person), inArray(stageNotes.versionId, [...versionIds])));

/** Writes a note, or takes an empty one away. */
export async function writeNote(
  database: Database,
  person: string,
  { versionId, useId, text }: StageNote,
): Promise<void> {
  const at = and(
    eq(stageNotes.versionId, versionId),
    eq(stageNotes.person, person),
    eq(stageNotes.useId, useId),
  );
  if (text === "") {
    await database.delete(stageNotes).where(at);
    return;
  }
  await database
    .insert(stageNotes)
    .values({ person, versionId, useId, text })
    .onConflictDoUpdate({
      target: [stageNotes.versionId, stageNotes.person, stageNotes.useId],
      set: { text },
    });
}
