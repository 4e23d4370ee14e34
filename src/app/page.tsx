import { connection } from "next/server";
import { WHOLE_SHELF } from "@/api";
import { byOrder, headOf } from "@/document";
import type { ShelfEvening } from "@/rooms/shelf/Evenings";
import { inOrder } from "@/rooms/shelf/evening-order";
import { Rescue } from "@/rooms/shelf/Rescue";
import { Shelf } from "@/rooms/shelf/Shelf";
import { tellKept } from "@/server/backups/keeping";
import { openDatabase } from "@/server/db/open-database";
import { searchShelf, shelfFacets, shelfRowsOf } from "@/server/documents/shelf";
import { listDocuments, listUnreadable } from "@/server/documents/stored-documents";
import { whyClosed } from "@/server/rescue";
import { today } from "@/ui/tell-day";

export default async function Page() {
  await connection();
  const { kept, problem: keptProblem } = tellKept();
  const closed = whyClosed();
  if (closed !== null) return <Rescue reason={closed} kept={kept} />;
  const database = await openDatabase();
  const [first, facets, evenings, unreadable] = await Promise.all([
    searchShelf(database, WHOLE_SHELF),
    shelfFacets(database, false),
    listDocuments(database, "evening"),
    listUnreadable(database),
  ]);
  const bodies = evenings.map(({ id, body }) => ({ id, body: body }));
  const versionIds = bodies.flatMap(({ body }) =>
    Object.values(body.items).flatMap((item) => item.versionId ?? []),
  );
  const titles = new Map(
    (
      await shelfRowsOf(
        database,
        unreadable.map(({ id }) => id),
      )
    ).map((row) => [row.versionId, row]),
  );
  const named = unreadable.map(({ id, kind, problem }) => {
    const row = titles.get(id);
    return { id, problem, name: row ? `${row.title}, ${row.versionName}` : `a ${kind} without a name` };
  });
  const rows = new Map((await shelfRowsOf(database, versionIds)).map((row) => [row.versionId, row]));
  const listed = bodies.flatMap(({ id, body }): ShelfEvening[] => {
    const { name, place, note, day, kept } = headOf(body, "evening");
    if (kept === "removed") return [];
    const items = Object.values(body.items)
      .sort(byOrder)
      .flatMap((item) => {
        const song = rows.get(item.versionId ?? "");
        return song ? [{ id: item.id, note: item.note, song: plain(song) }] : [];
      });
    return [{ id, name, place, note, day, kept, items }];
  });
  return (
    <Shelf
      evenings={inOrder(listed, today())}
      first={{ ...first, rows: first.rows.map(plain) }}
      facets={facets}
      unreadable={named}
      kept={kept}
      keptProblem={keptProblem}
    />
  );
}

/** A row as a page may hand it to the browser. */
const plain = <Row extends { updatedAt: Date }>({ updatedAt, ...row }: Row) => ({
  ...row,
  updatedAt: updatedAt.toISOString(),
});
