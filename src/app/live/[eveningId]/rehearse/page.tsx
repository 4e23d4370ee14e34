import type { Metadata } from "next";
import { connection } from "next/server";
import { PhoneRehearsal } from "@/rooms/rehearse";
import { liveSession } from "@/server/stage/hub";

export const metadata: Metadata = { title: "Rehearse" };

/** The songs of an evening, to be practised on a device that has joined it. */
export default async function Page({ params }: { params: Promise<{ eveningId: string }> }) {
  await connection();
  const { eveningId } = await params;
  const session = await liveSession(eveningId);
  const songs = session?.state.items.flatMap(({ versionId, title, passages }) =>
    versionId !== null && passages.length > 0 ? [{ versionId, title }] : [],
  );
  return <PhoneRehearsal eveningId={eveningId} songs={songs ?? []} />;
}
