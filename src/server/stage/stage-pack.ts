import { personOf } from "@/core/evenings";
import type { VersionBody } from "@/core/song/schema";
import type { LiveItem, StagePerson } from "@/core/stage";
import { byOrder } from "@/document";
import type { Database } from "../db/open-database";
import { findDocument } from "../documents/stored-documents";

/** Everybody who plays in an evening's songs, once each, in the order of the songs. */
export const peopleOf = async (database: Database, items: readonly LiveItem[]): Promise<StagePerson[]> =>
  peopleIn(await bodiesOf(database, items));

/** Everybody who plays in songs, once each, in their order. */
export function peopleIn(bodies: readonly Pick<VersionBody, "players">[]): StagePerson[] {
  const found = new Map<string, StagePerson>();
  for (const body of bodies)
    for (const player of Object.values(body.players).sort(byOrder)) {
      const person = personOf(player);
      if (!found.has(person)) found.set(person, { person, name: player.name, instrument: player.instrument });
    }
  return [...found.values()];
}

async function bodiesOf(database: Database, items: readonly LiveItem[]): Promise<VersionBody[]> {
  const versions = await Promise.all(
    [...new Set(items.flatMap(({ versionId }) => versionId ?? []))].map((id) => findDocument(database, id)),
  );
  return versions.flatMap((version) => (version?.kind === "version" ? [version.body] : []));
}
