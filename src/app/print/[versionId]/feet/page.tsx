import type { Metadata } from "next";
import { connection } from "next/server";
import { missing } from "@/app/missing";
import { buildSheet, footPresses, heldShapes, layerName } from "@/core/loops";
import { headOf } from "@/document";
import { FootPrint } from "@/rooms/loops/feet/FootPrint";
import { openSong } from "@/server/songs/open-song";
import { plannedLoops } from "@/server/songs/planned-feet";

export const metadata: Metadata = { title: "Foot sheet" };

export default async function Page({ params }: { params: Promise<{ versionId: string }> }) {
  await connection();
  const { versionId } = await params;
  const opened = await openSong(versionId);
  if (!opened) return missing((await params).versionId);
  const body = opened.version.body;
  const { song, plan } = await plannedLoops(body);
  const { title } = headOf(opened.song.body, "song");
  if (!plan) return <FootPrint title={title} versionId={versionId} box={song.box} sheet={null} />;
  const namesOf = (ids: readonly string[]) => ids.map((id) => layerName(song, id));
  const sheet = {
    presses: footPresses(song, plan),
    tracks: plan.tracks.map(namesOf),
    build: buildSheet(song, plan, heldShapes(body)),
    pieces: song.pieces.map(({ id, span, bar }, at) => ({
      id,
      label: span.label,
      bar,
      kind: span.passages[0]!.section.kind,
      sounding: plan.states[at]!,
    })),
  };
  return <FootPrint title={title} versionId={versionId} box={song.box} sheet={sheet} />;
}
