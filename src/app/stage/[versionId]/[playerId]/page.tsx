import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { packOf } from "@/app/packed";
import { OPEN_TO_MANY } from "@/core/stage";
import { readChoice } from "@/rooms/names/query";
import { OwnStage } from "@/rooms/stage/live/OwnStage";
import { personOnOwn } from "@/rooms/stage/pack";
import { openDatabase } from "@/server/db/open-database";
import { peopleOf } from "@/server/stage/stage-pack";
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
  const database = await openDatabase();
  const item = await ownItem(database, versionId);
  if (!item) notFound();
  const choice = readChoice(await searchParams);
  const pack = await packOf([item], personOnOwn(body, playerId), choice);
  const people = [...(await peopleOf(database, [item])), ...OPEN_TO_MANY];
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
