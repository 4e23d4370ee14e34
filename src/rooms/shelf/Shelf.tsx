"use client";

import Link from "next/link";
import type { ShelfPage, ShelfSong } from "@/api";
import { describeTime } from "@/ui/pretty";
import { HelpButtons } from "../frame";
import { useKeyTold, WindowNames } from "../names";
import { Backup } from "./Backup";
import type { KeptBackup } from "./KeptBackups";
import { NewEvening } from "./NewEvening";
import { type Facets, SongList } from "./SongList";

export type ShelfEvening = {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  readonly note: string;
  readonly items: readonly { readonly id: string; readonly note: string; readonly song: ShelfSong }[];
};

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
      {evenings.map((evening) => (
        <Evening key={evening.id} evening={evening} />
      ))}
      <SongList first={first} facets={facets} />
      <Backup kept={kept} problem={keptProblem} />
    </main>
  );
}

function Evening({ evening }: { evening: ShelfEvening }) {
  const keyTold = useKeyTold();
  const seconds = evening.items.reduce((sum, item) => sum + item.song.seconds, 0);
  return (
    <section aria-label={evening.name} className="mb-8 rounded-box bg-neutral p-5 text-neutral-content">
      <h2 className="text-2xl">{evening.name}</h2>
      <p>{evening.place}</p>
      <p className="mt-1 text-sm">{evening.note}</p>
      <ol className="mt-4 flex flex-col gap-3">
        {evening.items.map(({ id, song, note }, index) => (
          <li
            key={id}
            className="flex flex-wrap items-baseline gap-x-4 border-t border-neutral-content/30 pt-2"
          >
            <span className="font-mono text-lg">{index + 1}</span>
            <Link
              className="text-lg font-bold underline decoration-2 decoration-primary underline-offset-4"
              href={`/song/${song.versionId}`}
            >
              {song.title}
            </Link>
            <span>
              {keyTold(song.key)}, {song.meter}, {song.bpm} a minute, {describeTime(song.seconds)}
            </span>
            <span className="text-sm">{song.players.join(", ")}</span>
            {note && <span className="w-full pl-8 text-sm italic">{note}</span>}
          </li>
        ))}
      </ol>
      <p className="mt-3 text-sm">
        {evening.items.length} songs, {describeTime(seconds)} of music.{" "}
        <Link className="link mr-3" href={`/live/${evening.id}`} prefetch={false}>
          Go on stage
        </Link>
        <Link className="link" href={`/evening/${evening.id}`}>
          The running order, with what changes between songs
        </Link>
      </p>
    </section>
  );
}
