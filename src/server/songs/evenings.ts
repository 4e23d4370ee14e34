import { byOrder, type EveningBody, type SongBody, type VersionBody } from "@/core/song";
import { openDatabase } from "../db/open";
import { findDocument, listDocuments } from "../documents/store";

/** An evening with the songs of its running order; a song that is gone is left out. */
export type OpenedEvening = {
  readonly id: string;
  readonly name: string;
  readonly items: readonly {
    readonly title: string;
    readonly versionId: string;
    readonly body: VersionBody;
  }[];
};

/** The evenings in whose running order a version stands. */
export async function eveningsWith(versionId: string): Promise<OpenedEvening[]> {
  const database = await openDatabase();
  const evenings = (await listDocuments(database, "evening")).filter(({ body }) =>
    Object.values((body as unknown as EveningBody).items).some((item) => item.versionId === versionId),
  );
  return Promise.all(
    evenings.map(async ({ id, body }): Promise<OpenedEvening> => {
      const { evening, items } = body as unknown as EveningBody;
      const found = await Promise.all(
        Object.values(items)
          .sort(byOrder)
          .map(async (item) => {
            const version = await findDocument(database, item.versionId);
            const song = await findDocument(database, item.songId);
            if (version?.kind !== "version" || song?.kind !== "song") return [];
            const { title } = Object.values((song.body as unknown as SongBody).song)[0]!;
            return [{ title, versionId: version.id, body: version.body as unknown as VersionBody }];
          }),
      );
      return { id, name: Object.values(evening)[0]!.name, items: found.flat() };
    }),
  );
}
