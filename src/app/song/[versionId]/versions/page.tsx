import { VersionsPage } from "@/rooms/song/VersionsPage";
import { openDatabase } from "@/server/db/open-database";
import { openSong } from "@/server/songs/open-song";
import { versionsOf } from "@/server/songs/song-versions";

export default async function Page({ params }: { params: Promise<{ versionId: string }> }) {
  const found = await openSong((await params).versionId);
  const versions = found ? await versionsOf(await openDatabase(), found.song.id) : [];
  return <VersionsPage versions={versions} />;
}
