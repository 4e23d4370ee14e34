import type { Metadata } from "next";
import { connection } from "next/server";
import { missing } from "@/app/missing";
import { coldPartIn } from "@/app/part-in";
import { COLD_INSTRUMENTS } from "@/core/stage";
import { headOf } from "@/document";
import { readChoice } from "@/rooms/names/query";
import { ColdPrint } from "@/rooms/stage/ColdPrint";
import { openSong } from "@/server/songs/open-song";

export const metadata: Metadata = { title: "Joining cold" };

/** A sheet for somebody who does not know the song. */
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
  if (!opened) return missing(versionId);
  const asked = await searchParams;
  const instrument = COLD_INSTRUMENTS.find((one) => one === asked.plays) ?? "guitar";
  const names = readChoice(asked);
  const chords = typeof asked.chords === "string" ? asked.chords.split(" ") : [];
  const { title, by } = headOf(opened.song.body, "song");
  return (
    <ColdPrint
      title={title}
      by={by}
      versionId={versionId}
      instrument={instrument}
      names={names}
      cold={await coldPartIn(opened.version.body, instrument, names, { chords })}
    />
  );
}
