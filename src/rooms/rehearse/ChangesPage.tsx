"use client";

import { useMemo, useState } from "react";
import { changeDays } from "@/core/practice";
import { OWN_NAMES } from "@/core/song/names";
import { hasStrings } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { byOrder } from "@/document";
import { useEngine } from "@/engines/window";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { derive, namesBy, useDerived, useNames, useRows, useSong } from "../open";
import { chordsOfChange, hardChanges, tellChange } from "./hard-changes";
import { MinuteDrill } from "./MinuteDrill";
import { RehearseTabs } from "./RehearseTabs";
import { useKeep } from "./use-keep";

/** The hardest changes of a player's song as a drill: a minute each, counted, over days. */
export function ChangesPage() {
  const { players } = useRows("players");
  const [id, setId] = useState("");
  const withStrings = Object.values(players).sort(byOrder).filter(hasStrings);
  const player = withStrings.find((one) => one.id === id) ?? withStrings[0];
  return (
    <>
      <h1 className="mb-1">Rehearse</h1>
      <RehearseTabs />
      {!player ? (
        <p className="rounded-box bg-base-200 p-4">
          Nobody with strings plays in this song: put a guitar or a bass in Players.
        </p>
      ) : (
        <>
          <SelectField
            label="Hand of"
            className="mb-3 w-44"
            value={player.id}
            options={withStrings.map((one) => ({ value: one.id, label: one.name }))}
            onSet={setId}
          />
          <Changes key={player.id} player={player} />
        </>
      )}
    </>
  );
}

function Changes({ player }: { readonly player: Player }) {
  const request = useDerived((body) => derive.planOf(body, player));
  const search = useEngine("shape-plan", request);
  const names = useNames();
  const { practices } = useSong();
  const keep = useKeep();
  const own = Object.values(practices).filter((one) => one.player === player.name);
  const days = changeDays(own);
  const body = useRows("version", "extras", "players");
  // In the log a change is called as its player reads it, however names are told in this window.
  const ownNames = useMemo(() => namesBy(OWN_NAMES, body), [body]);
  if (!search.data) return <SearchNote search={search} doing="planning the hand’s way…" />;
  const changes = hardChanges(search.data);
  if (changes.length === 0)
    return (
      <p className="rounded-box bg-base-200 p-4">
        {player.name} holds no two chords one after the other here.
      </p>
    );
  return (
    <>
      <p className="mb-3 max-w-3xl text-sm">
        A minute each: change, strike once, change back. Count only changes in which every string sounds, with
        the button or any key. Slow and clean first; stop at numbness or pain, rest, and see a clinician if it
        stays.
      </p>
      <ol className="flex max-w-4xl flex-col gap-3">
        {changes.map((change) => {
          const chords = chordsOfChange(names, player, change);
          const what = tellChange(names, player, change);
          const kept = tellChange(ownNames, player, change);
          return (
            <li
              key={`${what} ${change.shapes.map(({ frets }) => frets.join()).join(" ")}`}
              className="flex flex-wrap items-center gap-4 rounded-box bg-base-200 p-3"
            >
              {([0, 1] as const).map((at) => (
                <span key={at} className="text-center">
                  <span className="block font-mono font-bold">{chords[at]}</span>
                  <ChordDiagram
                    shape={change.shapes[at]}
                    name={chords[at]}
                    capo={change.capo}
                    leftHanded={player.leftHanded}
                    className="h-24"
                  />
                </span>
              ))}
              <div className="min-w-64 flex-1">
                <MinuteDrill
                  what={what}
                  onDone={(clean) =>
                    keep({
                      kind: "changes",
                      player: player.name,
                      what: kept,
                      minutes: 1,
                      rounds: null,
                      clean,
                    })
                  }
                />
                <Days days={days.get(kept) ?? []} />
              </div>
            </li>
          );
        })}
      </ol>
    </>
  );
}

/** Clean changes a minute over days, in words: what it was, and what it has become. */
function Days({ days }: { readonly days: readonly { readonly day: string; readonly clean: number }[] }) {
  const first = days[0];
  const last = days.at(-1);
  if (!first || !last) return <p className="mt-1 text-sm">Not counted yet.</p>;
  return (
    <p className="mt-1 text-sm">
      {days.length > 1 && `${first.clean} on ${first.day}, `}
      <strong>{last.clean} clean changes a minute</strong> on {last.day}
      {days.length > 2 && `; best ${Math.max(...days.map(({ clean }) => clean))} in ${days.length} days`}
    </p>
  );
}
