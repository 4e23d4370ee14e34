import type { Metadata } from "next";
import { connection } from "next/server";
import { missing } from "@/app/missing";
import { EveningRoom } from "@/rooms/evenings/EveningRoom";
import { openDatabase } from "@/server/db/open-database";
import { findDocument } from "@/server/documents/stored-documents";
import { listVersions } from "@/server/songs/song-evenings";

export const metadata: Metadata = { title: "Evening" };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  await connection();
  const found = await findDocument(await openDatabase(), (await params).id);
  if (found?.kind !== "evening") return missing((await params).id);
  const { items } = found.body;
  const versions = await listVersions(Object.values(items).flatMap((item) => item.versionId ?? []));
  const { id, revision, body } = found;
  return <EveningRoom key={id} evening={{ id, revision, body }} versions={versions} />;
}
