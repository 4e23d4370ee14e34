import type { Metadata } from "next";
import { connection } from "next/server";
import { missing } from "@/app/missing";
import { describeChange, itemsOf, runningOrder } from "@/core/evenings";
import { EveningPrint } from "@/rooms/evenings/EveningPrint";
import { KIND_WORDS } from "@/rooms/evenings/evening-words";
import { openDatabase } from "@/server/db/open-database";
import { findDocument } from "@/server/documents/stored-documents";
import { listVersions } from "@/server/songs/song-evenings";
import { describeTime, pretty } from "@/ui/pretty";

export const metadata: Metadata = { title: "Running order" };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  await connection();
  const found = await findDocument(await openDatabase(), (await params).id);
  if (found?.kind !== "evening") return missing((await params).id);
  const body = found.body;
  const items = itemsOf(body);
  const versions = new Map(
    (await listVersions(items.flatMap((item) => item.versionId ?? []))).map((one) => [one.versionId, one]),
  );
  const { rows } = runningOrder(items, (item) => versions.get(item.versionId ?? "")?.edges ?? null);
  const { name, place } = Object.values(body.evening)[0]!;
  return (
    <EveningPrint
      name={name}
      place={place}
      back={`/evening/${found.id}`}
      rows={rows.map(({ item, from, seconds, gap }) => {
        const version = versions.get(item.versionId ?? "");
        const changes = gap ? [...gap.changes, ...gap.meanwhile] : [];
        return {
          id: item.id,
          name: version?.title ?? (item.title || KIND_WORDS[item.kind]),
          told: version ? `${pretty(version.key)}, ${describeTime(seconds)}` : describeTime(seconds),
          at: describeTime(from),
          note: item.note,
          changes: changes.map((one) => ({ name: one.name, text: describeChange(one) })),
        };
      })}
    />
  );
}
