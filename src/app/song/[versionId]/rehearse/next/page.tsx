import { NextPage } from "@/rooms/rehearse";
import { eveningDays } from "@/server/songs/song-evenings";

export default async function Page({ params }: { params: Promise<{ versionId: string }> }) {
  return <NextPage evenings={await eveningDays((await params).versionId)} />;
}
