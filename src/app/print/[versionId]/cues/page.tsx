import type { Metadata } from "next";
import { connection } from "next/server";
import { missing } from "@/app/missing";
import { describePlaying, Namer, namersFor, readerBy } from "@/core/song/names";
import type { Player } from "@/core/song/schema";
import { byOrder, headOf } from "@/document";
import { CuePrint } from "@/rooms/cues/CuePrint";
import { readChoice } from "@/rooms/names/query";
import { cuesOfVersion } from "@/server/songs/cues-of-version";
import { openSong } from "@/server/songs/open-song";

export const metadata: Metadata = { title: "Cue sheet" };

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
  const handOf = (player: Player) =>
    describePlaying(
      player,
      new Namer(body, readerBy(choice, body, { player, capo: player.capo })),
      player.instrument === "guitar",
    );
  const { title } = headOf(opened.song.body, "song");
  return (
    <CuePrint
      title={title}
      versionId={versionId}
      players={Object.values(body.players)
        .sort(byOrder)
        .map((player) => ({ id: player.id, name: player.name, hand: handOf(player) }))}
      cues={await cuesOfVersion(body, undefined, namersFor(body, readerBy(choice, body, null)))}
      names={choice}
    />
  );
}
