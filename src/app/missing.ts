import { notFound, redirect } from "next/navigation";
import { openDatabase } from "@/server/db/open-database";
import { unreadableBehind } from "@/server/documents/stored-documents";

/** What a page does that finds no document: one that is there and can't be read has a page that says so. */
export async function missing(id: string): Promise<never> {
  const unreadable = await unreadableBehind(await openDatabase(), id);
  if (unreadable) redirect(`/unreadable/${unreadable.id}`);
  notFound();
}
