"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";
import { memo, type ReactNode, useMemo, useState } from "react";
import { useStore } from "zustand";
import { versionRow } from "@/core/song/read";
import type { BandTables, SongTables, VersionBody, VersionTables } from "@/core/song/schema";
import { byOrder } from "@/document";
import type { Loaded, Saving } from "@/document/client";
import { Lantern, type Lit } from "@/ui/Lantern";
import { Notice } from "@/ui/Notice";
import { useReady } from "@/ui/use-ready";
import { IntoEvening } from "../evenings";
import { HelpButtons } from "../frame";
import { useLoopFindings } from "../loops";
import { queryOf, windowNames } from "../names";
import {
  derive,
  OpenSongProvider,
  SongNames,
  UndoRedo,
  useNames,
  useOpenSong,
  useRows,
  useSong,
  useWholeVersionLater,
} from "../open";
import { soundsLit } from "../sounds";
import { Conflicts } from "./Conflicts";
import { lanterns, ROOMS, type RoomName } from "./rail";
import { SongInPalette } from "./SongInPalette";

/** The house of one open song: the rail of rooms at left, the room beside it. */
export function House({
  version,
  song,
  band,
  children,
}: {
  version: Loaded<VersionTables>;
  song: Loaded<SongTables>;
  band: Loaded<BandTables> | null;
  children: ReactNode;
}) {
  return (
    <OpenSongProvider version={version} song={song} band={band}>
      <div className="flex min-h-dvh flex-col md:flex-row">
        <Rail versionId={version.id} />
        <div className="min-w-0 flex-1">
          <TopLine />
          <Conflicts />
          <main className="px-4 pb-24 md:px-6">{children}</main>
        </div>
      </div>
      <Sentences />
      <SongInPalette />
    </OpenSongProvider>
  );
}

function Rail({ versionId }: { versionId: string }) {
  const body = useWholeVersionLater();
  const { open, loops } = useLoopFindings();
  const fresh = lanterns(body, derive.outline(body), derive.sums(body), {
    sheet: derive.openFindings(body).length,
    loops: open.length + loops.notes.length + (loops.problem || !loops.shown ? 1 : 0),
    sounds: soundsLit(body),
  });
  // Most edits light no other lantern: the list is drawn anew only when one does.
  const said = Object.values(fresh).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: what they say is all there is to them
  const lit = useMemo(() => fresh, [said]);
  return (
    <nav
      aria-label="Rooms of this song"
      className="shrink-0 border-base-300 bg-base-200 px-3 py-3 max-md:border-b md:min-h-dvh md:w-52 md:border-r"
    >
      <Link
        href="/"
        className="mb-3 inline-block px-2 font-bold underline decoration-2 decoration-primary underline-offset-4 max-md:hidden"
      >
        Shared Lantern
      </Link>
      <Rooms versionId={versionId} lit={lit} />
      <Stages versionId={versionId} players={body.players} />
    </nav>
  );
}

const Rooms = memo(function Rooms({
  versionId,
  lit,
}: {
  versionId: string;
  lit: Readonly<Record<RoomName, Lit>>;
}) {
  const path = usePathname();
  return (
    <ul className="flex gap-1 overflow-x-auto md:flex-col">
      {ROOMS.map((room) => {
        const href = `/song/${versionId}${room.path}`;
        const here =
          path === href ||
          (room.path === "" && /\/(?:versions|evidence)$/u.test(path)) ||
          (room.path !== "" && path.startsWith(`${href}/`));
        return (
          <li key={room.name}>
            <Link
              href={href}
              aria-current={here ? "page" : undefined}
              className={`flex items-center gap-2 rounded-field px-2 py-2 ${here ? "bg-base-100 font-bold shadow-sm" : "hover:bg-base-300"}`}
            >
              <Lantern lit={lit[room.name]} />
              <span>
                {room.name}
                <span className="block text-sm font-normal max-md:hidden">{room.does}</span>
              </span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
});

const Stages = memo(function Stages({
  versionId,
  players,
}: {
  versionId: string;
  players: VersionBody["players"];
}) {
  const inOrder = Object.values(players).sort(byOrder);
  const query = queryOf(useStore(windowNames));
  const ready = useReady();
  const [isGoing, setGoing] = useState(false);
  const { title } = Object.values(useSong().song)[0]!;
  return (
    <div className="mt-4 px-2 max-md:mt-2">
      <h2 className="text-sm max-md:sr-only">Stage</h2>
      {inOrder.length === 0 ? (
        <p className="text-sm">Opens when there is a player.</p>
      ) : (
        <ul className="flex gap-3 md:flex-col md:gap-1">
          {inOrder.map((player) => (
            <li key={player.id}>
              <Link className="link text-sm" href={`/stage/${versionId}/${player.id}${query}`}>
                {player.name}’s stage
              </Link>
            </li>
          ))}
          <li>
            <Link className="link text-sm" href={`/print/${versionId}${query}`}>
              Print the sheets
            </Link>
          </li>
        </ul>
      )}
      <button
        type="button"
        className="link mt-1 text-left text-sm"
        disabled={!ready}
        onClick={() => setGoing(true)}
      >
        Into an evening
      </button>
      {isGoing && <IntoEvening song={{ versionId, title }} onClose={() => setGoing(false)} />}
    </div>
  );
});

const SAVING_WORDS: Readonly<Record<Saving, string>> = {
  saved: "All saved",
  saving: "Saving…",
  away: "The server can’t be reached. What you change is kept here and sent when it answers.",
  storage:
    "The server can’t write: its disk may be full, or its data folder read-only. What you change stays here and is tried again.",
  locked:
    "This window reads along while an evening is open. What you change is kept here, and sent once you give the leader’s passphrase.",
};

function TopLine() {
  const { history, version: store, song: songStore } = useOpenSong();
  const versionSaving = useStore(store.state, (state) => state.saving);
  const songSaving = useStore(songStore.state, (state) => state.saving);
  const saving = versionSaving === "saved" ? songSaving : versionSaving;
  const { title } = Object.values(useSong().song)[0]!;
  const version = versionRow(useRows("version"));
  const namer = useNames()();
  const ready = useReady();
  return (
    <header className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-300 px-4 py-2 md:px-6">
      <p className="mr-auto min-w-0 break-words">
        <strong>{title}</strong> · {version.name} · sounds in {namer.keyName(namer.soundingKey)}
      </p>
      <span
        aria-live="polite"
        className={`text-sm ${saving === "saved" || saving === "saving" ? "" : saving === "locked" ? "max-w-md font-bold" : "max-w-md font-bold text-error"}`}
        data-saving={ready ? saving : "opening"}
      >
        {SAVING_WORDS[saving]}{" "}
        {saving === "locked" && (
          <a className="link" href="/join">
            Give the passphrase
          </a>
        )}
      </span>
      <SongNames />
      <UndoRedo history={history} />
      <HelpButtons />
    </header>
  );
}

/** What the documents have to say. */
function Sentences() {
  const { version, song } = useOpenSong();
  const fromVersion = useStore(version.state, (state) => state.notice);
  const fromSong = useStore(song.state, (state) => state.notice);
  return (
    <div className="no-print pointer-events-none fixed inset-x-0 bottom-4 z-40 flex flex-col items-center px-4 *:pointer-events-auto">
      <Notice text={fromVersion?.text ?? ""} count={fromVersion?.count ?? 0} />
      <Notice text={fromSong?.text ?? ""} count={fromSong?.count ?? 0} />
    </div>
  );
}
