"use client";

import Link from "next/link";
import type { ShelfPage } from "@/api";
import { HelpButtons } from "../frame";
import { WindowNames } from "../names";
import { Backup } from "./Backup";
import { Evenings, type ShelfEvening } from "./Evenings";
import type { KeptBackup } from "./KeptBackups";
import { NewEvening } from "./NewEvening";
import { type Facets, SongList } from "./SongList";

/** Where one comes in: the evenings ahead, and every song on the shelf. */
export function Shelf({
  evenings,
  first,
  facets,
  unreadable,
  kept,
  keptProblem,
}: {
  evenings: readonly ShelfEvening[];
  first: ShelfPage;
  facets: Facets;
  unreadable: readonly { readonly id: string; readonly name: string; readonly problem: string }[];
  kept: readonly KeptBackup[];
  /** Why the last backup was not kept; null where it was. */
  keptProblem: string | null;
}) {
  return (
    <main className="mx-auto max-w-5xl px-4 py-6">
      <header className="mb-6 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto underline decoration-4 decoration-primary underline-offset-8">
          Shared Lantern
        </h1>
        <NewEvening />
        <Link className="btn" href="/bring">
          Bring many files in
        </Link>
        <Link className="btn btn-primary" href="/new">
          Make a song
        </Link>
        <WindowNames />
        <HelpButtons />
      </header>
      {unreadable.length > 0 && (
        <section aria-label="Can’t be read" className="mb-6 rounded-box border-2 border-error p-4">
          <h2>{unreadable.length === 1 ? "One document" : `${unreadable.length} documents`} can’t be read</h2>
          <p className="text-sm">Everything else goes on. Look at each, and save it out.</p>
          <ul className="mt-2 list-disc pl-5">
            {unreadable.map(({ id, name, problem }) => (
              <li key={id}>
                <Link className="link font-bold" href={`/unreadable/${id}`}>
                  {name}
                </Link>
                : {problem}
              </li>
            ))}
          </ul>
        </section>
      )}
      <Evenings evenings={evenings} />
      <SongList first={first} facets={facets} />
      <Backup kept={kept} problem={keptProblem} />
    </main>
  );
}
