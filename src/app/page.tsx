import { connection } from "next/server";
import { byOrder, type EveningBody } from "@/core/song";
import { Shelf, type ShelfEvening } from "@/rooms/shelf/Shelf";
import { openDatabase } from "@/server/db/open";
import { listShelf } from "@/server/documents/shelf";
import { listDocuments } from "@/server/documents/store";

export default async function Page() {
  await connection();
  const database = await openDatabase();
  const [songs, evenings] = await Promise.all([listShelf(database), listDocuments(database, "evening")]);
  const byVersion = new Map(songs.map((song) => [song.versionId, song]));
  const listed = evenings.map(({ id, body }): ShelfEvening => {
    const { evening, items } = body as EveningBody;
    const { name, place, note } = Object.values(evening)[0]!;
    const played = Object.values(items)
      .sort(byOrder)
      .flatMap((item) => {
        const song = byVersion.get(item.versionId);
        return song ? [{ id: item.id, note: item.note, song }] : [];
      });
    return { id, name, place, note, items: played };
  });
  return <Shelf evenings={listed} songs={songs} />;
}
