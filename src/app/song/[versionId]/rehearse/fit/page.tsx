import { connection } from "next/server";
import { FitPage } from "@/rooms/rehearse";
import { openDatabase } from "@/server/db/open-database";
import { besideOnShelf } from "@/server/documents/shelf-beside";

export default async function Page({ params }: { params: Promise<{ versionId: string }> }) {
  await connection();
  return <FitPage beside={await besideOnShelf(await openDatabase(), (await params).versionId)} />;
}
