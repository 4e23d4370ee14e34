import { notFound } from "next/navigation";
import { connection } from "next/server";
import { openSong } from "@/server/songs/open-song";

type Asked = Promise<{ versionId: string; playerId: string }>;

/** The song and the player a page of the stage is asked for; there is no such page where there is no such player. */
export async function openedFor(params: Asked) {
  await connection();
  const { versionId, playerId } = await params;
  const opened = await openSong(versionId);
  const body = opened?.version.body;
  if (!opened || !body || !Object.hasOwn(body.players, playerId)) notFound();
  return { versionId, playerId, opened, body };
}
