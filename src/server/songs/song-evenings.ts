import type { ListedVersion, OpenedEvening } from "@/api";
import { songEdges } from "@/core/evenings";
import { versionRow } from "@/core/song/read";
import { byOrder, headOf } from "@/document";
import type { Database } from "../db/open-database";
import { openDatabase } from "../db/open-database";
import { findDocument, listDocuments } from "../documents/stored-documents";

/** A version with its song's title, or null where there is none. */
export async function versionWithTitle(database: Database, versionId: string) {
  const version = await findDocument(database, versionId);
  if (version?.kind !== "version" || version.parentId === null) return null;
  const song = await findDocument(database, version.parentId);
  if (song?.kind !== "song") return null;
  const { title } = headOf(song.body, "song");
  const { revision } = version;
  return { versionId, songId: song.id, title, revision, body: version.body };
}

/** The evenings in whose running order a version stands. */
export async function eveningsWith(versionId: string): Promise<OpenedEvening[]> {
  const database = await openDatabase();
  const evenings = (await listDocuments(database, "evening")).filter(
    ({ body }) =>
      headOf(body, "evening").kept === "in use" &&
      Object.values(body.items).some((item) => item.versionId === versionId),
  );
  return Promise.all(
    evenings.map(async ({ id, body }): Promise<OpenedEvening> => {
      const { evening, items } = body;
      const found = await Promise.all(
        Object.values(items)
          .sort(byOrder)
          .map((item) => (item.versionId === null ? null : versionWithTitle(database, item.versionId))),
      );
      return {
        id,
        name: Object.values(evening)[0]!.name,
        items: found.flatMap((one) =>
          one ? [{ title: one.title, versionId: one.versionId, body: one.body }] : [],
        ),
      };
    }),
  );
}

/** The evenings a version is played at whose day is known, by name and day. */
export async function eveningDays(
  versionId: string,
): Promise<{ readonly name: string; readonly day: string }[]> {
  const evenings = await listDocuments(await openDatabase(), "evening");
  return evenings.flatMap(({ body }) => {
    const { name, day, kept } = headOf(body, "evening");
    const isIn = Object.values(body.items).some((item) => item.versionId === versionId);
    return isIn && kept === "in use" && day !== null ? [{ name, day }] : [];
  });
}

/** Versions as running orders need them; those that are gone are left out. */
export async function listVersions(versionIds: readonly string[]): Promise<ListedVersion[]> {
  const database = await openDatabase();
  const found = await Promise.all([...new Set(versionIds)].map((id) => versionWithTitle(database, id)));
  return found.flatMap((one): ListedVersion[] => {
    if (!one) return [];
    const { body, revision: _revision, ...named } = one;
    const { name, key } = versionRow(body);
    return [{ ...named, versionName: name, key, edges: songEdges(body) }];
  });
}
