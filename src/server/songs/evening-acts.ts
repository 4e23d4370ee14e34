import { type EveningCommand, eveningEdits, orderAtEnd } from "@/core/song/edit";
import { DOCUMENTS, type Evening, type EveningBody, PLAIN_ITEM } from "@/core/song/schema";
import { copyBody, headOf } from "@/document";
import { openDatabase } from "../db/open-database";
import { editHere } from "../documents/edit-here";
import { createDocuments, findDocument } from "../documents/stored-documents";
import { makeId } from "../ids";
import { versionWithTitle } from "./song-evenings";

/** An evening that was changed or made, or what stood in the way. */
export type EveningDone = { readonly id: string } | { readonly gone: "evening" | "song" | "moment" };

const GONE = Object.freeze({ gone: "evening" as const });

async function findEvening(id: string) {
  const found = await findDocument(await openDatabase(), id);
  return found?.kind === "evening" ? found : null;
}

async function change(id: string, commandOf: (body: EveningBody) => EveningCommand): Promise<EveningDone> {
  const evening = await findEvening(id);
  if (!evening) return GONE;
  const revision = await editHere(await openDatabase(), evening, commandOf(evening.body));
  return revision === null ? { gone: "moment" } : { id };
}

/** Puts a song at the end of an evening. */
export async function addSong(id: string, versionId: string): Promise<EveningDone> {
  const song = await versionWithTitle(await openDatabase(), versionId);
  if (!song) return { gone: "song" };
  return change(id, ({ items }) =>
    eveningEdits.add("items", {
      ...PLAIN_ITEM,
      id: makeId(),
      order: orderAtEnd(Object.values(items)),
      songId: song.songId,
      versionId,
      note: "",
    }),
  );
}

/** Puts an evening away, takes it out, or brings it back. */
export const keepEvening = (id: string, kept: Evening["kept"]): Promise<EveningDone> =>
  change(id, (body) => eveningEdits.set("evening", headOf(body, "evening").id, { kept }));

/** Makes another evening of the same songs in the same order, of no day yet. */
export async function duplicateEvening(id: string): Promise<EveningDone> {
  const evening = await findEvening(id);
  if (!evening) return GONE;
  const copy = copyBody(DOCUMENTS.evening, evening.body, makeId);
  const row = headOf(copy, "evening");
  const fresh: Evening = { ...row, name: `${row.name.slice(0, 110)} again`, day: null, kept: "in use" };
  await createDocuments(await openDatabase(), [
    { id: row.id, kind: "evening", parentId: null, body: { ...copy, evening: { [row.id]: fresh } } },
  ]);
  return { id: row.id };
}
