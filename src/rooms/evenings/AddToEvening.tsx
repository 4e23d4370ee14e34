"use client";

import { useEffect, useState } from "react";
import { call, edgesOf, type ListedVersion, type ShelfSong, searchShelf } from "@/api";
import { eveningEdits, orderAtEnd } from "@/core/song/edit";
import { type EveningItem, ITEM_KINDS, PLAIN_ITEM } from "@/core/song/schema";
import { useKeyTold } from "../names";
import { makeId, useActOnEvening, useCurrentEvening } from "../open";
import { KIND_WORDS } from "./evening-words";

/** How long something that is no song takes to begin with, minutes. */
const USUAL_MINUTES = 3;

/** Adds songs from the shelf, and what is no song. */
export function AddToEvening({ onKnown }: { onKnown: (versions: readonly ListedVersion[]) => void }) {
  const keyTold = useKeyTold();
  const act = useActOnEvening();
  const current = useCurrentEvening();
  const [q, setQ] = useState("");
  const [found, setFound] = useState<readonly ShelfSong[]>([]);
  const [problem, setProblem] = useState("");
  useEffect(() => {
    let isCurrent = true;
    void call(searchShelf, { sent: { q, limit: 8 } }).then((asked) => {
      if (!isCurrent) return;
      if (asked.ok) setFound(asked.answer.rows);
      setProblem(asked.ok ? "" : "The shelf can’t be searched now: the server did not answer.");
    });
    return () => {
      isCurrent = false;
    };
  }, [q]);
  const put = (fields: Partial<EveningItem>) => {
    const order = orderAtEnd(Object.values(current().items));
    const row = { ...PLAIN_ITEM, songId: null, versionId: null, note: "", ...fields, id: makeId(), order };
    act(eveningEdits.add("items", row));
  };
  const addSong = async ({ songId, versionId }: ShelfSong) => {
    const known = await call(edgesOf, { sent: { versions: versionId } });
    if (known.ok) onKnown(known.answer.versions);
    put({ songId, versionId });
  };
  return (
    <section aria-label="Add" className="rounded-box bg-base-200 p-4">
      <h2 className="mb-2">Add</h2>
      <label className="mb-2 flex flex-col gap-1 text-sm">
        A song from the shelf
        <input
          className="input input-sm w-full"
          value={q}
          placeholder="title, words or chords"
          onChange={(event) => setQ(event.target.value)}
        />
      </label>
      {problem && <p role="alert">{problem}</p>}
      <ul className="mb-4 flex flex-col gap-1">
        {found.map((one) => (
          <li key={one.versionId}>
            <button
              type="button"
              className="btn btn-sm h-auto min-h-8 w-full justify-start text-left font-normal whitespace-normal"
              onClick={() => void addSong(one)}
            >
              <span>
                <strong>{one.title}</strong> · {one.versionName}, {keyTold(one.key)}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <p className="mb-1 text-sm">Something else</p>
      <p className="flex flex-wrap gap-2">
        {ITEM_KINDS.filter((kind) => kind !== "song").map((kind) => (
          <button
            key={kind}
            type="button"
            className="btn btn-sm"
            onClick={() => put({ kind, title: KIND_WORDS[kind], minutes: USUAL_MINUTES })}
          >
            {KIND_WORDS[kind]}
          </button>
        ))}
      </p>
    </section>
  );
}
