import type { Metadata } from "next";
import Link from "next/link";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import { placeOf, saveStored } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { findUnreadable } from "@/server/documents/stored-documents";

export const metadata: Metadata = { title: "Can’t be read" };

/** A document that is there and can't be read: what is wrong with it, and a way to save it out. */
export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  await connection();
  const { id } = await params;
  const unreadable = await findUnreadable(await openDatabase(), id);
  if (!unreadable) notFound();
  return (
    <main className="mx-auto max-w-3xl px-4 py-10">
      <h1 className="mb-4">This {unreadable.kind} can’t be read</h1>
      <p className="mb-2">
        What is stored of it: <strong>{unreadable.problem}</strong>. A newer program may have written it, or
        it is damaged. Nothing of it was changed, and everything else goes on.
      </p>
      <p className="mb-6">
        Save it out before anything else is tried: the file holds all that is stored, with its history.
      </p>
      <p className="flex flex-wrap gap-3">
        <a className="btn btn-primary" href={placeOf(saveStored, { params: { id } })} download>
          Save it out as a file (JSON)
        </a>
        <Link className="btn" href="/">
          To the first page
        </Link>
      </p>
    </main>
  );
}
