import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import { headOf } from "@/document";
import { Stage } from "@/rooms/stage/Stage";
import { stagePart } from "@/rooms/stage/stage-sheets";
import { cuesOfVersion } from "@/server/songs/cues-of-version";
import { openSong } from "@/server/songs/open-song";

export const metadata: Metadata = { title: "Stage" };

export default async function Page({ params }: { params: Promise<{ versionId: string; playerId: string }> }) {
  await connection();
  const { versionId, playerId } = await params;
  const opened = await openSong(versionId);
  const body = opened?.version.body;
  const player = body && Object.hasOwn(body.players, playerId) ? body.players[playerId] : undefined;
  if (!opened || !body || !player) notFound();
  const { title } = headOf(opened.song.body, "song");
  return (
    <Stage
      part={stagePart(body, player, await cuesOfVersion(body, playerId))}
      title={title}
      versionId={versionId}
      revision={opened.version.revision}
    />
  );
}
