import type { Metadata } from "next";
import { packOf } from "@/app/packed";
import { OPEN_TO_MANY } from "@/core/stage";
import { headOf } from "@/document";
import { readChoice } from "@/rooms/names/query";
import { OwnStage } from "@/rooms/stage/live/OwnStage";
import { personOnOwn } from "@/rooms/stage/pack";
import { peopleIn } from "@/server/stage/stage-pack";
import { ownItem } from "@/server/stage/stage-score";
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
  const item = ownItem(versionId, headOf(opened.song.body, "song").title, body);
  const choice = readChoice(await searchParams);
  const pack = await packOf([item], personOnOwn(body, playerId), choice);
  const people = [...peopleIn([body]), ...OPEN_TO_MANY];
  const { shows, writing, accidentals, lines } = choice;
  return (
    <OwnStage
      versionId={versionId}
      revision={opened.version.revision}
      song={{ item, pack, people }}
      names={{
        shows: shows ?? "",
        writing: writing ?? "",
        accidentals: accidentals ?? "",
        lines: lines ?? "",
      }}
    />
  );
}
