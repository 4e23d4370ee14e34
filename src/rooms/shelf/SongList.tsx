"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import {
  call,
  changeSong,
  lightDemo,
  type ShelfAsked,
  type ShelfPage,
  searchShelf,
  WHOLE_SHELF,
} from "@/api";
import { VERDICTS } from "@/core/song/schema";
import { describeKey } from "@/ui/pretty";
import { useReady } from "@/ui/use-ready";
import { VERDICT_WORDS } from "@/ui/verdict-words";
import { PAGE, pageOf, SongRows } from "./SongRows";
import type { Act } from "./shelf-song";
import { WeighSongs } from "./WeighSongs";

type Facet = { readonly value: string; readonly count: number };
export type Facets = {
  readonly tags: readonly Facet[];
  readonly keys: readonly Facet[];
  readonly meters: readonly Facet[];
  readonly archived: number;
};

type Asked = Omit<ShelfAsked, "offset" | "limit">;

const { offset: _offset, limit: _limit, ...NOTHING_ASKED } = WHOLE_SHELF;
const SORTS = [
  ["title", "title"],
  ["key", "key"],
  ["tempo", "tempo"],
  ["length", "length"],
  ["rehearsed", "last rehearsed"],
  ["learning", "minutes to learn"],
  ["changed", "last changed"],
] as const;
/** Every song: searched, filtered and sorted on the server, a page at a time as one scrolls. */
export function SongList({ first, facets }: { first: ShelfPage; facets: Facets }) {
  const ready = useReady();
  const [asked, setAsked] = useState<Asked>(NOTHING_ASKED);
  const [found, setFound] = useState(() => pageOf(first));
  const [problem, setProblem] = useState("");
  const [said, setSaid] = useState("");
  const turn = useRef(0);
  const loading = useRef(new Set<number>());

  const load = useCallback(async (question: Asked, page: number, mine: number) => {
    if (page > 0 && loading.current.has(page)) return;
    loading.current.add(page);
    const asked = await call(searchShelf, { sent: { ...question, offset: page * PAGE, limit: PAGE } });
    loading.current.delete(page);
    if (!asked.ok)
      return setProblem("The shelf can’t be searched: the server doesn’t answer. What is shown may be old.");
    if (turn.current !== mine) return;
    const { answer } = asked;
    setProblem("");
    setFound((before) =>
      page === 0
        ? pageOf(answer)
        : { total: answer.total, songs: answer.songs, pages: new Map(before.pages).set(page, answer.rows) },
    );
  }, []);

  // The page was drawn anew, with the demo or a backup in it.
  useEffect(() => {
    if (turn.current === 0) setFound(pageOf(first));
  }, [first]);

  const ask = (fields: Partial<Asked>) => {
    const next = { ...asked, ...fields };
    setAsked(next);
    loading.current.clear();
    void load(next, 0, ++turn.current);
  };
  const missing = useCallback((page: number) => void load(asked, page, turn.current), [asked, load]);

  const act: Act = async (song, wanted, words) => {
    setSaid("");
    const changed = await call(changeSong, { params: { id: song.songId }, sent: wanted });
    if (!changed.ok && changed.status === "away")
      return setSaid("The server can’t be reached. Nothing was changed.");
    setSaid(changed.ok ? words : `The song ${changed.message}.`);
    await load(asked, 0, ++turn.current);
  };

  const nothing = first.total === 0 && facets.archived === 0 && found.total === 0;
  if (nothing) return <EmptyShelf />;
  return (
    <section aria-label="Shelf">
      <div className="mb-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        <h2 className="text-xl">The shelf</h2>
        <p aria-live="polite" className="mr-auto text-sm" data-total={found.total}>
          {describeCount(found.songs, "song")}
          {found.songs !== found.total && ` in ${describeCount(found.total, "version")}`}
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
      {asked.sort === "learning" && <WeighSongs onWeighed={() => void load(asked, 0, ++turn.current)} />}
      {found.total === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          No song has all of that.{" "}
          <button type="button" className="link" onClick={() => ask(NOTHING_ASKED)}>
            Show every song
          </button>
        </p>
      ) : (
        <SongRows found={found} onMissing={missing} onAct={act} />
      )}
    </section>
  );
}

const describeCount = (count: number, what: string): string =>
  `${count.toLocaleString("en")} ${count === 1 ? what : `${what}s`}`;

function EmptyShelf() {
  const router = useRouter();
  const [said, setSaid] = useState("");
  const light = async () => {
    setSaid("Lighting the demo evening…");
    const lit = await call(lightDemo);
    if (lit.ok) router.refresh();
    else if (lit.status === "away") setSaid("The server can’t be reached. Nothing was changed.");
    else setSaid(`The demo ${lit.message}.`);
  };
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
        <button type="button" className="btn" onClick={light}>
          Look around with the demo evening
        </button>
      </p>
      <p className="mt-4 text-sm">
        The demo is one made-up evening: a band, its songs and who plays what. Its songs can be put away
        later.
      </p>
      <p aria-live="polite" className="mt-2 text-sm empty:hidden">
        {said}
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
      <label className="flex min-w-52 flex-1 flex-col gap-1 text-sm">
        Search titles, words, chords
        <input
          type="search"
          className="input w-full"
          placeholder="harbour, uses B♭m, #slow"
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
        name={describeKey}
        onSet={(key) => onAsk({ key })}
      />
      <Choice label="Metre" value={asked.meter} facets={facets.meters} onSet={(meter) => onAsk({ meter })} />
      <label className="flex flex-col gap-1 text-sm">
        For us
        <select
          className="select w-28"
          value={asked.verdict}
          onChange={({ target }) => onAsk({ verdict: VERDICTS.find((one) => one === target.value) ?? "" })}
        >
          <option value="">any</option>
          {VERDICTS.map((value) => (
            <option key={value} value={value}>
              {VERDICT_WORDS[value]}
            </option>
          ))}
        </select>
      </label>
      {facets.tags.length > 0 && (
        <Choice label="Tag" value={asked.tag} facets={facets.tags} onSet={(tag) => onAsk({ tag })} />
      )}
      <span className="flex items-end gap-1">
        <label className="flex flex-col gap-1 text-sm">
          Sorted by
          <select
            className="select w-40"
            value={asked.sort}
            onChange={({ target }) => {
              const [sort] = SORTS.find(([value]) => value === target.value) ?? SORTS[0];
              onAsk({ sort, down: sort === "changed" });
            }}
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
          {asked.down ? "Falling" : "Rising"}
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
      <select className="select w-28" value={value} onChange={(event) => onSet(event.target.value)}>
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
