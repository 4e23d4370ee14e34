import type { Metadata } from "next";
import { partIn } from "@/app/part-in";
import { OWN_NAMES } from "@/core/song/names";
import { headOf } from "@/document";
import { StrumStand } from "@/rooms/stage/StrumStand";
import { openedFor } from "../../../opened";

export const metadata: Metadata = { title: "Strum" };

/** A player's strums, big: for the music stand, and to practise. */
export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ versionId: string; playerId: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { versionId, playerId, opened, body } = await openedFor(params);
  const { use } = await searchParams;
  return (
    <StrumStand
      part={await partIn(body, playerId, OWN_NAMES)}
      title={headOf(opened.song.body, "song").title}
      versionId={versionId}
      useId={typeof use === "string" ? use : null}
    />
  );
}
