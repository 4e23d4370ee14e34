import { z } from "zod";
import { idSchema } from "@/document";
import { readJson, refuse } from "@/server/http";
import { NO_STORE, personOfGuest, type StageParams, stageAsked } from "@/server/stage/asked";
import { LONGEST_NOTE, notesOfPerson, writeNote } from "@/server/stage/notes";
import { withStorage } from "@/server/storage";

/** A person's own notes: a player's own, none for who looks on, or those of `?person=` for whoever sits at this machine. */
export async function GET(request: Request, params: StageParams): Promise<Response> {
  const stage = await stageAsked(request, params);
  if (!stage.ok) return stage.response;
  const { session, database, who } = stage;
  const asked = new URL(request.url).searchParams.get("person");
  const person = who.guestId === null ? asked : await personOfGuest(database, who);
  if (person === null || who.role === "viewer") return Response.json({ notes: [] }, NO_STORE);
  const versions = session.state.items.flatMap(({ versionId }) => versionId ?? []);
  return Response.json({ notes: await notesOfPerson(database, person, versions) }, NO_STORE);
}

const noteSchema = z.object({
  person: z.string().min(1).max(130),
  versionId: idSchema,
  useId: idSchema,
  text: z.string().trim().max(LONGEST_NOTE),
});

/** Writes a note at a section. A player writes only their own. */
export async function PUT(request: Request, params: StageParams): Promise<Response> {
  const stage = await stageAsked(request, params);
  if (!stage.ok) return stage.response;
  const { session, database, who } = stage;
  if (who.role === "viewer" || who.role === "nobody")
    return refuse(403, "who", "looks on: notes are the players' own");
  const input = await readJson(request, 4000, noteSchema);
  if (!input.ok) return input.response;
  const { person, ...note } = input.value;
  if (who.guestId !== null && (await personOfGuest(database, who)) !== person)
    return refuse(403, "person", "should be yourself: notes are each player's own");
  if (!session.state.items.some(({ versionId }) => versionId === note.versionId))
    return refuse(404, "versionId", "should be a song of this evening");
  return withStorage(async () => {
    await writeNote(database, person, note);
    return Response.json({}, NO_STORE);
  });
}
