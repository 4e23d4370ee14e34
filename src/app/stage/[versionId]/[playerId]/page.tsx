import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import { partIn } from "@/app/part-in";
import { headOf } from "@/document";
import { readChoice } from "@/rooms/names/query";
import { Stage } from "@/rooms/stage/Stage";
import { openSong } from "@/server/songs/open-song";

export const metadata: Metadata = { title: "Stage" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ versionId: string; playerId: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  await connection();
  const { versionId, playerId } = await params;
  const opened = await openSong(versionId);
  const body = opened?.version.body;
  if (!opened || !body || !Object.hasOwn(body.players, playerId)) notFound();
  const { title } = headOf(opened.song.body, "song");
  const choice = readChoice(await searchParams);
  return (
    <Stage
      part={await partIn(body, playerId, choice)}
      names={choice}
      title={title}
      versionId={versionId}
      revision={opened.version.revision}
    />
  );
}
