"use client";

import Link from "next/link";
import { type ReactNode, useEffect, useState } from "react";
import { call, type ShelfSong, searchShelf, type WeighedSong, WHOLE_SHELF, weighedSong } from "@/api";
import { describeTime } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { tellMinutes } from "@/ui/tell-minutes";
import { VERDICT_WORDS } from "@/ui/verdict-words";
import { useKeyTold } from "../names";
import { useNames, useOpenSong } from "../open";

const MOST_FOUND = 12;
const nameOf = ({ title, versionName }: ShelfSong): string => `${title} (${versionName})`;

/** This song and another of the shelf side by side: what each asks of the band and of everybody in it. */
export function CompareSongs() {
  const { version } = useOpenSong();
  const [asked, setAsked] = useState("");
  const [found, setFound] = useState<readonly ShelfSong[]>([]);
  const [otherId, setOtherId] = useState("");
  const [pair, setPair] = useState<readonly [WeighedSong, WeighedSong] | null>(null);
  const [problem, setProblem] = useState("");
  useEffect(() => {
    const away = new AbortController();
    const sent = { ...WHOLE_SHELF, q: asked, limit: MOST_FOUND };
    void call(searchShelf, { sent, signal: away.signal }).then((answer) => {
      if (answer.ok && !away.signal.aborted)
        setFound(answer.answer.rows.filter(({ versionId }) => versionId !== version.id));
    });
    return () => away.abort();
  }, [asked, version.id]);
  useEffect(() => {
    setPair(null);
    setProblem("");
    if (otherId === "") return;
    const away = new AbortController();
    const weighed = (versionId: string) => call(weighedSong, { sent: { versionId }, signal: away.signal });
    void Promise.all([weighed(version.id), weighed(otherId)]).then(([own, other]) => {
      if (away.signal.aborted) return;
      if (own.ok && other.ok) setPair([own.answer, other.answer]);
      else
        setProblem("The songs could not be weighed: the server does not answer. Choose again in a moment.");
    });
    return () => away.abort();
  }, [otherId, version.id]);
  const shown = pair?.[1].song.versionId === otherId ? pair : null;
  return (
    <section aria-labelledby="compare" className="flex min-w-0 flex-col gap-3">
      <h2 id="compare">Compare it with another</h2>
      <div className="flex flex-wrap items-end gap-3">
        <TextField label="Find a song" className="w-60" longest={200} value={asked} onSet={setAsked} />
        <SelectField
          className="w-72"
          label="Compare with"
          value={found.some(({ versionId }) => versionId === otherId) ? otherId : ""}
          options={[
            { value: "", label: found.length === 0 ? "no other song" : "choose a song" },
            ...found.map((song) => ({ value: song.versionId, label: nameOf(song) })),
          ]}
          onSet={setOtherId}
        />
      </div>
      {problem && (
        <p role="alert" className="text-sm text-error">
          {problem}
        </p>
      )}
      {otherId !== "" && !shown && problem === "" && <p role="status">Weighing both…</p>}
      {shown && <SideBySide pair={shown} />}
    </section>
  );
}

function SideBySide({ pair }: { readonly pair: readonly [WeighedSong, WeighedSong] }) {
  const keyTold = useKeyTold();
  const names = useNames()();
  const people = [...new Set(pair.flatMap(({ weighed }) => weighed.players.map(({ name }) => name)))];
  const both = (tell: (one: WeighedSong) => ReactNode) => pair.map(tell);
  const rows: readonly (readonly [string, readonly ReactNode[]])[] = [
    ["The band", both(({ weighed }) => tellMinutes(weighed))],
    ...people.map(
      (name) =>
        [
          name,
          both(({ weighed }) => {
            const player = weighed.players.find((one) => one.name === name);
            if (!player) return "does not play";
            const { change } = player;
            return (
              <>
                {tellMinutes(player)}
                {change && (
                  <span className="block text-xs">
                    hardest change {names.readSounding(change.from)} to {names.readSounding(change.to)} (
                    {change.points.toFixed(1)})
                  </span>
                )}
              </>
            );
          }),
        ] as const,
    ),
    ["Key, as it sounds", both(({ song }) => keyTold(song.key))],
    ["Tempo and metre", both(({ song }) => `${song.bpm} a minute, ${song.meter}`)],
    ["Length", both(({ song }) => `${describeTime(song.seconds)}, ${song.bars} bars`)],
    ["Last rehearsed", both(({ song }) => song.rehearsed ?? "not yet")],
    ["For us", both(({ song }) => VERDICT_WORDS[song.verdict])],
  ];
  return (
    <div className="overflow-x-auto">
      <table className="table-sm table" aria-label="Both songs">
        <caption className="caption-bottom pt-1 text-left text-xs">
          Estimates for each player’s level, before any log corrects them; chords as they sound.
        </caption>
        <thead className="text-base-content">
          <tr>
            <td />
            {pair.map(({ song }, at) => (
              <th key={song.versionId} scope="col" className="align-bottom whitespace-normal">
                {at === 0 ? (
                  "This song"
                ) : (
                  <Link className="link" href={`/song/${song.versionId}/rehearse/fit`} prefetch={false}>
                    {nameOf(song)}
                  </Link>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([head, cells]) => (
            <tr key={head}>
              <th scope="row" className="text-left font-normal">
                {head}
              </th>
              {cells.map((cell, at) => (
                <td key={pair[at]!.song.versionId}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
