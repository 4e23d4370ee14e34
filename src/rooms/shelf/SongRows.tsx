"use client";

import { useWindowVirtualizer } from "@tanstack/react-virtual";
import Link from "next/link";
import { memo, useCallback, useEffect, useRef, useState } from "react";
import type { ShelfPage, ShelfSong } from "@/api";
import { describeTime } from "@/ui/pretty";
import { tellMinutes } from "@/ui/tell-minutes";
import { VERDICT_WORDS } from "@/ui/verdict-words";
import { IntoEvening } from "../evenings";
import { useKeyTold } from "../names";
import { RowMenu } from "./RowMenu";
import type { Act } from "./shelf-song";

export const PAGE = 60;
const ROW = 64;

/** Pages of the shelf that have been fetched, by their number, for one question. */
export type Found = {
  readonly total: number;
  readonly songs: number;
  readonly pages: ReadonlyMap<number, readonly ShelfSong[]>;
};

export const pageOf = (page: ShelfPage): Found => ({
  total: page.total,
  songs: page.songs,
  pages: new Map([[0, page.rows]]),
});

/** Only the rows in sight are drawn; the list is as long as all of them. */
export function SongRows({
  found,
  onMissing,
  onAct,
}: {
  found: Found;
  onMissing: (page: number) => void;
  onAct: Act;
}) {
  const list = useRef<HTMLUListElement>(null);
  const [top, setTop] = useState(0);
  const [open, setOpen] = useState<{ song: ShelfSong; at: HTMLElement } | null>(null);
  const [going, setGoing] = useState<ShelfSong | null>(null);
  useEffect(() => setTop(list.current?.offsetTop ?? 0), []);
  const rows = useWindowVirtualizer({
    count: found.total,
    estimateSize: () => ROW,
    overscan: 5,
    scrollMargin: top,
    initialRect: { width: 1024, height: 900 },
  });
  const items = rows.getVirtualItems();
  const [from, to] = [items[0]?.index ?? 0, items.at(-1)?.index ?? 0];
  useEffect(() => {
    for (let page = Math.floor(from / PAGE); page <= Math.floor(to / PAGE); page++)
      if (!found.pages.has(page)) onMissing(page);
  }, [from, to, found, onMissing]);
  const more = useCallback((song: ShelfSong, at: HTMLElement) => setOpen({ song, at }), []);
  return (
    <>
      <ul ref={list} className="relative" style={{ height: rows.getTotalSize() }}>
        {items.map((item) => {
          const song = found.pages.get(Math.floor(item.index / PAGE))?.[item.index % PAGE];
          return (
            <li
              key={song?.versionId ?? item.key}
              className="absolute inset-x-0 border-b border-base-300"
              style={{ height: ROW, transform: `translateY(${item.start - top}px)` }}
              aria-setsize={found.total}
              aria-posinset={item.index + 1}
            >
              {song ? <Row song={song} onMore={more} /> : <span className="block p-4 text-sm">…</span>}
            </li>
          );
        })}
      </ul>
      {open && (
        <RowMenu
          key={open.song.versionId}
          song={open.song}
          at={open.at}
          onAct={onAct}
          onEvening={() => setGoing(open.song)}
          onClose={() => setOpen(null)}
        />
      )}
      {going && <IntoEvening key={going.versionId} song={going} onClose={() => setGoing(null)} />}
    </>
  );
}

const Row = memo(function Row({
  song,
  onMore,
}: {
  song: ShelfSong;
  onMore: (song: ShelfSong, at: HTMLElement) => void;
}) {
  const keyTold = useKeyTold();
  const tags = song.tags.slice(0, 3).join(", ");
  const rehearsed = song.rehearsed ? `rehearsed ${song.rehearsed}` : "not rehearsed yet";
  const fit = [
    ...(song.weighed ? [`to learn: ${tellMinutes(song.weighed)}`] : []),
    ...(song.verdict === "open" ? [] : [VERDICT_WORDS[song.verdict]]),
  ].join(", ");
  return (
    <div className="flex h-full items-center gap-4 px-2 hover:bg-base-200">
      <div className="min-w-0 flex-1">
        {/* No page is fetched before it is asked for: a list that is scrolled would ask for hundreds. */}
        <Link
          className="link block truncate text-base font-bold"
          href={`/song/${song.versionId}`}
          prefetch={false}
        >
          {song.title}
        </Link>
        <span className="block truncate text-sm">
          {song.versionName}
          {song.by && `, ${song.by}`}
          {tags && ` · ${tags}`}
        </span>
      </div>
      <span className="w-14 text-right font-mono">{keyTold(song.key)}</span>
      <span className="w-20 text-right text-sm max-sm:hidden">{song.bpm} a min</span>
      <span className="w-10 text-right text-sm max-sm:hidden">{song.meter}</span>
      <span className="w-24 text-right text-sm max-md:hidden">
        {describeTime(song.seconds)}, {song.bars} bars
      </span>
      <span className="w-52 text-right text-sm max-lg:hidden">
        <span className="block">{rehearsed}</span>
        {fit !== "" && <span className="block">{fit}</span>}
      </span>
      <button
        type="button"
        className="btn btn-ghost btn-sm px-1"
        aria-haspopup="menu"
        aria-label={`More for ${song.title}`}
        onClick={(event) => onMore(song, event.currentTarget)}
      >
        <span aria-hidden="true">•••</span>
      </button>
    </div>
  );
});
