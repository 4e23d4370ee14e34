import { stageNotes, writeNote } from "@/api";
import { findDocument } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { personOfGuest, refuseNotOwn, serveSongs } from "@/server/stage/asked";
import { writeNote as keepNote, notesOfPerson } from "@/server/stage/stage-notes";

/** A person's own notes: a player's own, none for who looks on, or those of `?person=` for whoever sits at this machine. */
export const GET = serveSongs(stageNotes, async ({ items, database, who, sent }) => {
  const person = who.guestId === null ? (sent.person ?? null) : await personOfGuest(database, who);
  // A leader may look at anybody’s part: their own notes do not stand under another’s.
  const isOther = who.role === "leader" && sent.person !== undefined && sent.person !== person;
  if (person === null || isOther || who.role === "viewer") return { notes: [] };
  const versions = items.flatMap(({ versionId }) => versionId ?? []);
  return { notes: await notesOfPerson(database, person, versions) };
});

/** Writes a note at a section. A player writes only their own. */
export const PUT = serveSongs(writeNote, async (asked) => {
  const { person, ...note } = asked.sent;
  const refused = await refuseNotOwn(asked, asked.sent, "notes");
  if (refused) return refused;
  const { database } = asked;
  const song = await findDocument(database, note.versionId);
  if (song?.kind !== "version" || !Object.hasOwn(song.body.uses, note.useId))
    return refuse(404, "useId", "should be a place in the song’s form; it may have been removed");
  await keepNote(database, person, note);
  return {};
});
