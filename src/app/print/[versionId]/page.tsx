import type { Metadata } from "next";
import { connection } from "next/server";
import { missing } from "@/app/missing";
import { hasLoopBox, looperPlayer } from "@/core/loops";
import { feetOfSong } from "@/core/stage";
import { byOrder, headOf } from "@/document";
import { readChoice } from "@/rooms/names/query";
import { PrintSheets } from "@/rooms/stage/PrintSheets";
import { stagePart } from "@/rooms/stage/stage-sheets";
import { openSong } from "@/server/songs/open-song";
import { plannedLoops } from "@/server/songs/planned-feet";

export const metadata: Metadata = { title: "Print" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ versionId: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  await connection();
  const { versionId } = await params;
  const opened = await openSong(versionId);
  if (!opened) return missing((await params).versionId);
  const body = opened.version.body;
  const choice = readChoice(await searchParams);
  const { title, by } = headOf(opened.song.body, "song");
  const builder = hasLoopBox(body) ? (looperPlayer(body)?.id ?? null) : null;
  const { song, plan } = builder === null ? { song: null, plan: null } : await plannedLoops(body);
  const loops = song && plan ? { song, plan } : null;
  const parts = Object.values(body.players)
    .sort(byOrder)
    .map((player) => {
      const feet = player.id === builder ? feetOfSong(body, player.id, { tones: null, loops }) : null;
      return { id: player.id, part: stagePart(body, player, [], choice, feet) };
    });
  return <PrintSheets title={title} by={by} versionId={versionId} parts={parts} names={choice} />;
}
