"use client";

import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { MoreHorizontal } from "lucide-react";
import Link from "next/link";
import { useCallback, useEffect, useId, useRef, useState } from "react";
import { pretty, sayKey, sayTime } from "@/ui/pretty";
import { useReady } from "@/ui/use-ready";

export type ShelfSong = {
  readonly versionId: string;
  readonly songId: string;
  readonly title: string;
  readonly by: string;
  readonly versionName: string;
  readonly key: string;
  readonly bpm: number;
  readonly meter: string;
  readonly bars: number;
  readonly seconds: number;
  readonly players: readonly string[];
  readonly tags: readonly string[];
  readonly rehearsed: string | null;
  readonly archived: boolean;
};
export type ShelfPage = { readonly rows: readonly ShelfSong[]; readonly total: number };
type Facet = { readonly value: string; readonly count: number };
export type Facets = {
  readonly tags: readonly Facet[];
  readonly keys: readonly Facet[];
  readonly meters: readonly Facet[];
  readonly archived: number;
};

type Asked = {
  readonly q: string;
  readonly sort: string;
  readonly down: boolean;
  readonly tag: string;
  readonly key: string;
  readonly meter: string;
  readonly archived: boolean;
};

const NOTHING_ASKED: Asked = {
  q: "",
  sort: "title",
  down: false,
  tag: "",
  key: "",
  meter: "",
  archived: false,
};
const SORTS = [
  ["title", "title"],
  ["key", "key"],
  ["tempo", "tempo"],
  ["length", "length"],
  ["rehearsed", "last rehearsed"],
  ["changed", "last changed"],
] as const;
const PAGE = 60;
const ROW = 64;

/** Pages of the shelf that have been fetched, by their number, for one question. */
type Found = { readonly total: number; readonly pages: ReadonlyMap<number, readonly ShelfSong[]> };

const pageOf = (page: ShelfPage): Found => ({ total: page.total, pages: new Map([[0, page.rows]]) });

/** Every song: searched, filtered and sorted on the server, a page at a time as one scrolls. */
export function SongList({ first, facets }: { first: ShelfPage; facets: Facets }) {
  const ready = useReady();
  const [asked, setAsked] = useState(NOTHING_ASKED);
  const [found, setFound] = useState(() => pageOf(first));
  const [problem, setProblem] = useState("");
  const [said, setSaid] = useState("");
  const turn = useRef(0);
  const loading = useRef(new Set<number>());

  const load = useCallback(async (question: Asked, page: number, mine: number) => {
    if (page > 0 && loading.current.has(page)) return;
    loading.current.add(page);
    try {
      const address = new URLSearchParams(
        Object.entries({ ...question, offset: page * PAGE, limit: PAGE }).map(([name, value]) => [
          name,
          String(value),
        ]),
      );
      const response = await fetch(`/api/shelf?${address}`);
      if (!response.ok) throw new Error(String(response.status));
      const answer: ShelfPage = await response.json();
      if (turn.current !== mine) return;
      setProblem("");
      setFound((before) =>
        page === 0
          ? pageOf(answer)
          : { total: answer.total, pages: new Map(before.pages).set(page, answer.rows) },
      );
    } catch {
      setProblem("The shelf can’t be searched: the server doesn’t answer. What is shown may be old.");
    } finally {
      loading.current.delete(page);
    }
  }, []);

  const ask = (fields: Partial<Asked>) => {
    const next = { ...asked, ...fields };
    setAsked(next);
    loading.current.clear();
    void load(next, 0, ++turn.current);
  };
  const missing = useCallback((page: number) => void load(asked, page, turn.current), [asked, load]);

  const act = async (song: ShelfSong, body: object, words: string) => {
    setSaid("");
    try {
      const response = await fetch(`/api/songs/${song.songId}`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify(body),
      });
      const answer = await response.json();
      setSaid(response.ok ? words : `The song ${answer.error.message}.`);
      await load(asked, 0, ++turn.current);
    } catch {
      setSaid("The server can’t be reached. Nothing was changed.");
    }
  };

  const nothing = first.total === 0 && facets.archived === 0 && found.total === 0;
  if (nothing) return <EmptyShelf />;
  return (
    <section aria-label="Shelf">
      <div className="mb-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        <h2 className="text-xl">The shelf</h2>
        <p aria-live="polite" className="mr-auto text-sm" data-total={found.total}>
          {found.total === 1 ? "1 song" : `${found.total.toLocaleString("en")} songs`}
          {asked.archived && " put away"}
        </p>
        {(facets.archived > 0 || asked.archived) && (
          <button type="button" className="link text-sm" onClick={() => ask({ archived: !asked.archived })}>
            {asked.archived ? "Back to the songs in use" : `Put away: ${facets.archived}`}
          </button>
        )}
      </div>
      <Filters asked={asked} facets={facets} ready={ready} onAsk={ask} />
      {problem && (
        <p role="alert" className="mb-2 font-bold text-error">
          {problem}
        </p>
      )}
      <p aria-live="polite" className="text-sm empty:hidden">
        {said}
      </p>
      {found.total === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          No song has all of that.{" "}
          <button type="button" className="link" onClick={() => ask(NOTHING_ASKED)}>
            Show every song
          </button>
        </p>
      ) : (
        <Rows found={found} onMissing={missing} onAct={act} />
      )}
    </section>
  );
}

function EmptyShelf() {
  return (
    <section aria-label="Shelf" className="rounded-box bg-base-200 p-6">
      <h2 className="text-xl">No songs yet</h2>
      <p className="mt-1 mb-4 max-w-2xl">
        Paste a sheet with chords over its words, drop a file (text, ChordPro, MusicXML, MIDI), or bring a
        whole folder. What was understood is shown before anything is kept.
      </p>
      <p className="flex flex-wrap gap-3">
        <Link className="btn btn-primary" href="/new">
          Paste or open one song
        </Link>
        <Link className="btn" href="/bring">
          Bring a folder of files
        </Link>
      </p>
      <p className="mt-4 text-sm">
        To look around first: <code>npm run demo</code> starts with a made-up evening of songs in a folder of
        its own.
      </p>
    </section>
  );
}

function Filters({
  asked,
  facets,
  ready,
  onAsk,
}: {
  asked: Asked;
  facets: Facets;
  ready: boolean;
  onAsk: (fields: Partial<Asked>) => void;
}) {
  return (
    <div className="mb-3 flex flex-wrap items-end gap-3">
      <label className="flex min-w-60 flex-1 flex-col gap-1 text-sm">
        Search titles, words, chords
        <input
          type="search"
          className="input w-full"
          placeholder="harbour    or    uses B♭m    or    #slow"
          value={asked.q}
          readOnly={!ready}
          maxLength={200}
          onChange={(event) => onAsk({ q: event.target.value })}
        />
      </label>
      <Choice
        label="Key"
        value={asked.key}
        facets={facets.keys}
        name={sayKey}
        onSet={(key) => onAsk({ key })}
      />
      <Choice label="Metre" value={asked.meter} facets={facets.meters} onSet={(meter) => onAsk({ meter })} />
      {facets.tags.length > 0 && (
        <Choice label="Tag" value={asked.tag} facets={facets.tags} onSet={(tag) => onAsk({ tag })} />
      )}
      <span className="flex items-end gap-1">
        <label className="flex flex-col gap-1 text-sm">
          Sorted by
          <select
            className="select w-36"
            value={asked.sort}
            onChange={(event) => onAsk({ sort: event.target.value, down: event.target.value === "changed" })}
          >
            {SORTS.map(([value, label]) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="btn"
          aria-pressed={asked.down}
          onClick={() => onAsk({ down: !asked.down })}
        >
          {asked.down ? "Down" : "Up"}
        </button>
      </span>
    </div>
  );
}

function Choice({
  label,
  value,
  facets,
  name = (text) => text,
  onSet,
}: {
  label: string;
  value: string;
  facets: readonly Facet[];
  name?: (text: string) => string;
  onSet: (value: string) => void;
}) {
  return (
    <label className="flex flex-col gap-1 text-sm">
      {label}
      <select className="select w-32" value={value} onChange={(event) => onSet(event.target.value)}>
        <option value="">any</option>
        {facets.map((facet) => (
          <option key={facet.value} value={facet.value}>
            {name(facet.value)} ({facet.count})
          </option>
        ))}
      </select>
    </label>
  );
}

/** Only the rows in sight are drawn; the list is as long as all of them. */
function Rows({
  found,
  onMissing,
  onAct,
}: {
  found: Found;
  onMissing: (page: number) => void;
  onAct: (song: ShelfSong, body: object, words: string) => void;
}) {
  const list = useRef<HTMLUListElement>(null);
  const [top, setTop] = useState(0);
  useEffect(() => setTop(list.current?.offsetTop ?? 0), []);
  const rows = useWindowVirtualizer({
    count: found.total,
    estimateSize: () => ROW,
    overscan: 12,
    scrollMargin: top,
    initialRect: { width: 1024, height: 900 },
  });
  const items = rows.getVirtualItems();
  const [from, to] = [items[0]?.index ?? 0, items.at(-1)?.index ?? 0];
  useEffect(() => {
    for (let page = Math.floor(from / PAGE); page <= Math.floor(to / PAGE); page++)
      if (!found.pages.has(page)) onMissing(page);
  }, [from, to, found, onMissing]);
  return (
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
            {song ? <Row song={song} onAct={onAct} /> : <span className="block p-4 text-sm">…</span>}
          </li>
        );
      })}
    </ul>
  );
}

function Row({
  song,
  onAct,
}: {
  song: ShelfSong;
  onAct: (song: ShelfSong, body: object, words: string) => void;
}) {
  const tags = song.tags.slice(0, 3).join(", ");
  const rehearsed = song.rehearsed ? `rehearsed ${song.rehearsed}` : "not rehearsed yet";
  return (
    <div className="flex h-full items-center gap-4 px-2 hover:bg-base-200">
      <div className="min-w-0 flex-1">
        <Link className="link block truncate text-base font-bold" href={`/song/${song.versionId}`}>
          {song.title}
        </Link>
        <span className="block truncate text-sm">
          {song.versionName}
          {song.by && `, ${song.by}`}
          {tags && ` · ${tags}`}
        </span>
      </div>
      <span className="w-14 text-right font-mono">{pretty(song.key)}</span>
      <span className="w-20 text-right text-sm max-sm:hidden">{song.bpm} a min</span>
      <span className="w-10 text-right text-sm max-sm:hidden">{song.meter}</span>
      <span className="w-24 text-right text-sm max-md:hidden">
        {sayTime(song.seconds)}, {song.bars} bars
      </span>
      <span className="w-36 text-right text-sm max-lg:hidden">{rehearsed}</span>
      <RowMenu song={song} onAct={onAct} />
    </div>
  );
}

const today = (): string => {
  const now = new Date();
  const day = new Date(now.getTime() - now.getTimezoneOffset() * 60_000);
  return day.toISOString().slice(0, 10);
};

function RowMenu({
  song,
  onAct,
}: {
  song: ShelfSong;
  onAct: (song: ShelfSong, body: object, words: string) => void;
}) {
  const id = useId();
  const acts: [string, object, string][] = song.archived
    ? [["Bring it back to the shelf", { act: "restore" }, `“${song.title}” is back on the shelf.`]]
    : [
        ["Rehearsed today", { act: "rehearsed", day: today() }, `“${song.title}”: rehearsed today.`],
        ["Duplicate the song", { act: "duplicate" }, `“${song.title}” stands twice now.`],
        [
          "Put it away",
          { act: "archive" },
          `“${song.title}” is put away. It can be brought back under “Put away”.`,
        ],
      ];
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm px-1"
        popoverTarget={id}
        style={{ anchorName: `--${id.replaceAll(/[^\w]/gu, "")}` } as object}
        aria-label={`More for ${song.title}`}
      >
        <MoreHorizontal size={18} aria-hidden="true" />
      </button>
      <ul
        id={id}
        popover="auto"
        className="menu dropdown dropdown-end rounded-box border border-base-300 bg-base-100 p-2 shadow-lg"
        style={{ positionAnchor: `--${id.replaceAll(/[^\w]/gu, "")}` } as object}
      >
        {acts.map(([label, body, words]) => (
          <li key={label}>
            <button
              type="button"
              onClick={(event) => {
                (event.currentTarget.closest("[popover]") as HTMLElement).hidePopover();
                onAct(song, body, words);
              }}
            >
              {label}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
