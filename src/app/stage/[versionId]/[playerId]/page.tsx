import type { Metadata } from "next";
import { partIn } from "@/app/part-in";
import { headOf } from "@/document";
import { readChoice } from "@/rooms/names/query";
import { Stage } from "@/rooms/stage/Stage";
import { openedFor } from "../../opened";

export const metadata: Metadata = { title: "Stage" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ versionId: string; playerId: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { versionId, playerId, opened, body } = await openedFor(params);
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
