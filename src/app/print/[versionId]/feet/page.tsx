import type { Metadata } from "next";
import { connection } from "next/server";
import { missing } from "@/app/missing";
import { footPresses, planLoops, songLoops } from "@/core/loops";
import { outlineOf, timelineOf } from "@/core/song/read";
import { headOf } from "@/document";
import { FootPrint } from "@/rooms/loops/feet/FootPrint";
import { openDatabase } from "@/server/db/open-database";
import { findBand } from "@/server/songs/create";
import { openSong } from "@/server/songs/open-song";

export const metadata: Metadata = { title: "Foot sheet" };

/** Search steps the server spends on one plan: well under a second. */
const BUDGET = 40_000_000;

export default async function Page({ params }: { params: Promise<{ versionId: string }> }) {
  await connection();
  const { versionId } = await params;
  const opened = await openSong(versionId);
  if (!opened) return missing((await params).versionId);
  const body = opened.version.body;
  const band = await findBand(await openDatabase());
  const outline = outlineOf(body);
  const song = songLoops(
    body,
    outline,
    timelineOf(body, outline),
    Object.values(band?.body.loopHabits ?? {}),
  );
  const planned = song.asked && planLoops({ ...song.asked, budget: BUDGET }, { trade: false });
  const { title } = headOf(opened.song.body, "song");
  if (!planned?.ok) return <FootPrint title={title} versionId={versionId} box={song.box} sheet={null} />;
  const plan = planned.value;
  const namesOf = (ids: readonly string[]) =>
    ids.map((id) => song.layers.find((layer) => layer.id === id)?.name ?? id);
  const sheet = {
    presses: footPresses(song, plan),
    tracks: plan.tracks.map(namesOf),
    build: plan.build.order.map(namesOf),
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
