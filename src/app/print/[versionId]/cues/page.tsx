import type { Metadata } from "next";
import { connection } from "next/server";
import { missing } from "@/app/missing";
import { byOrder, headOf } from "@/document";
import { CuePrint } from "@/rooms/cues/CuePrint";
import { cuesOfVersion } from "@/server/songs/cues-of-version";
import { openSong } from "@/server/songs/open-song";

export const metadata: Metadata = { title: "Cue sheet" };

export default async function Page({ params }: { params: Promise<{ versionId: string }> }) {
  await connection();
  const { versionId } = await params;
  const opened = await openSong(versionId);
  if (!opened) return missing((await params).versionId);
  const body = opened.version.body;
  const { title } = headOf(opened.song.body, "song");
  return (
    <CuePrint
      title={title}
      versionId={versionId}
      players={Object.values(body.players)
        .sort(byOrder)
        .map(({ id, name }) => ({ id, name }))}
      cues={await cuesOfVersion(body)}
    />
  );
}
