import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import { cuesOf, type Planned } from "@/core/cues";
import { footPresses, planLoops, songLoops } from "@/core/loops";
import { bandSheet } from "@/core/parts";
import { byOrder, outlineOf, type SongBody, timelineOf, type VersionBody } from "@/core/song";
import { playerTones } from "@/core/tones";
import { CuePrint } from "@/rooms/cues/CuePrint";
import { openDatabase } from "@/server/db/open";
import { findBand } from "@/server/songs/create";
import { openSong } from "@/server/songs/open";

export const metadata: Metadata = { title: "Cue sheet" };

/** Search steps the server spends on the plans of a looper and of a box. */
const LOOPS_BUDGET = 40_000_000;
const TONES_BUDGET = 10_000;

export default async function Page({ params }: { params: Promise<{ versionId: string }> }) {
  await connection();
  const { versionId } = await params;
  const opened = await openSong(versionId);
  if (!opened) notFound();
  const body = opened.version.body as VersionBody;
  const band = await findBand(await openDatabase());
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const loops = songLoops(body, outline, timeline, Object.values(band?.body.loopHabits ?? {}));
  const looped = loops.asked && planLoops({ ...loops.asked, budget: LOOPS_BUDGET }, { trade: false });
  const players = Object.values(body.players).sort(byOrder);
  const withSounds = new Set(Object.values(body.sounds).map(({ playerId }) => playerId));
  const planned: Planned = {
    loops: looped?.ok ? footPresses(loops, looped.value) : [],
    tones: new Map(
      players
        .filter(({ id }) => withSounds.has(id))
        .flatMap(({ id }) => {
          const tones = playerTones(body, id, TONES_BUDGET);
          return tones ? [[id, tones] as const] : [];
        }),
    ),
  };
  const cues = cuesOf(body, bandSheet(body, outline, timeline), timeline, planned);
  const { title } = Object.values((opened.song.body as SongBody).song)[0]!;
  return (
    <CuePrint
      title={title}
      versionId={versionId}
      players={players.map(({ id, name }) => ({ id, name }))}
      cues={cues}
    />
  );
}
