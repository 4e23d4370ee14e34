"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { call, changeEvening, type EveningAct, type ShelfSong } from "@/api";
import { describeTime } from "@/ui/pretty";
import { tellDay } from "@/ui/tell-day";
import { useReady } from "@/ui/use-ready";
import { useKeyTold } from "../names";

export type ShelfEvening = {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  readonly note: string;
  readonly day: string | null;
  readonly kept: "in use" | "put away";
  readonly items: readonly { readonly id: string; readonly note: string; readonly song: ShelfSong }[];
};

type EveningActs = (evening: ShelfEvening, act: EveningAct, words: string) => void;

/** The evening that comes next with its songs; all others are a line each, folded, so that the shelf stays in sight. */
export function Evenings({ evenings }: { evenings: readonly ShelfEvening[] }) {
  const router = useRouter();
  const [said, setSaid] = useState("");
  const [removed, setRemoved] = useState<ShelfEvening | null>(null);
  const send = async ({ id }: ShelfEvening, act: EveningAct, words: string) => {
    const changed = await call(changeEvening, { params: { id }, sent: act });
    if (!changed.ok && changed.status === "away") {
      setSaid("The server can’t be reached. Nothing was changed.");
      return false;
    }
    setSaid(changed.ok ? words : `The evening ${changed.message}.`);
    router.refresh();
    return changed.ok;
  };
  const onAct: EveningActs = (evening, act, words) => {
    setRemoved(null);
    void send(evening, act, words).then((done) => {
      if (done && act.act === "keep" && act.kept === "removed") setRemoved(evening);
    });
  };
  const used = evenings.filter(({ kept }) => kept === "in use");
  const away = evenings.filter(({ kept }) => kept === "put away");
  const [next, ...others] = used;
  return (
    <>
      {next && <Evening evening={next} onAct={onAct} />}
      <p role="status" className="mb-2 empty:hidden">
        {said}
        {removed && (
          <button
            type="button"
            className="btn btn-sm ml-3"
            onClick={() => {
              onAct(removed, { act: "keep", kept: removed.kept }, `“${removed.name}” is there again.`);
            }}
          >
            Take back
          </button>
        )}
      </p>
      <Folded
        words={others.length === 1 ? "1 other evening" : `${others.length} other evenings`}
        evenings={others}
        onAct={onAct}
      />
      <Folded words={`Evenings put away: ${away.length}`} evenings={away} onAct={onAct} />
    </>
  );
}

function Folded({
  words,
  evenings,
  onAct,
}: {
  words: string;
  evenings: readonly ShelfEvening[];
  onAct: EveningActs;
}) {
  if (evenings.length === 0) return null;
  return (
    <details className="mb-4">
      <summary className="cursor-pointer font-bold">{words}</summary>
      <ul aria-label={words} className="mt-2 flex flex-col gap-2">
        {evenings.map((evening) => (
          <li key={evening.id} className="rounded-box bg-base-200 px-4 py-2">
            <Link className="link font-bold" href={`/evening/${evening.id}`}>
              {evening.name}
            </Link>{" "}
            {[tellDay(evening.day), evening.place, `${evening.items.length} songs`]
              .filter((part) => part !== "")
              .join(" · ")}
            <Acts evening={evening} onAct={onAct} />
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What can be done with an evening. */
function Acts({ evening, onAct }: { evening: ShelfEvening; onAct: EveningActs }) {
  const ready = useReady();
  const { name, kept } = evening;
  const acts: readonly [label: string, act: EveningAct, words: string][] = [
    kept === "in use"
      ? ["Put away", { act: "keep", kept: "put away" }, `“${name}” is put away, under the evenings below.`]
      : ["Bring back", { act: "keep", kept: "in use" }, `“${name}” is with the evenings again.`],
    ["Another one like it", { act: "duplicate" }, `“${name} again” has the same songs, and no day yet.`],
    ["Remove", { act: "keep", kept: "removed" }, `“${name}” is removed.`],
  ];
  return (
    <p className="mt-1 flex flex-wrap gap-x-4 text-sm">
      {acts.map(([label, act, words]) => (
        <button
          key={label}
          type="button"
          className="link min-h-8"
          aria-label={`${label}: ${name}`}
          disabled={!ready}
          onClick={() => onAct(evening, act, words)}
        >
          {label}
        </button>
      ))}
    </p>
  );
}

/** An evening with its songs. */
function Evening({ evening, onAct }: { evening: ShelfEvening; onAct: EveningActs }) {
  const keyTold = useKeyTold();
  const seconds = evening.items.reduce((sum, item) => sum + item.song.seconds, 0);
  return (
    <section aria-label={evening.name} className="mb-8 rounded-box bg-neutral p-5 text-neutral-content">
      <h2 className="text-2xl">{evening.name}</h2>
      <p>{[tellDay(evening.day), evening.place].filter((part) => part !== "").join(" · ")}</p>
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
      <Acts evening={evening} onAct={onAct} />
    </section>
  );
}
