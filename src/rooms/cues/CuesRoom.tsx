"use client";

import Link from "next/link";
import { useState } from "react";
import { useStore } from "zustand";
import { capital } from "@/base";
import type { Cue } from "@/core/cues";
import { describePlaying } from "@/core/song/names";
import { byOrder } from "@/document";
import { MomentTold } from "@/ui/MomentTold";
import { SectionTag } from "@/ui/SectionTag";
import { SelectField } from "@/ui/SelectField";
import { Tick } from "@/ui/Tick";
import { queryOf, windowNames } from "../names";
import { useNames, useOpenSong } from "../open";
import { AddCue } from "./AddCue";
import { BodySchedule } from "./BodySchedule";
import { CUE_WORDS } from "./cue-words";
import { OwnCue } from "./OwnCue";
import { useCues } from "./use-cues";

/** The Cues room: everything that happens at every boundary and inside sections, for each person, in one list. */
export function CuesRoom() {
  const { body, cues } = useCues();
  const { version } = useOpenSong();
  const names = useNames();
  const [who, setWho] = useState("");
  const [onlyDanger, setOnlyDanger] = useState(false);
  const players = Object.values(body.players).sort(byOrder);
  const shown = cues.filter(
    ({ playerId, own }) =>
      (who === "" || playerId === null || playerId === who || own?.giverId === who) &&
      (!onlyDanger || own?.danger === true),
  );
  const nameOf = (id: string | null): string =>
    id === null ? "all" : (body.players[id]?.name ?? "somebody who is gone");
  return (
    <>
      <h1 className="mb-1">Cues</h1>
      <p className="mb-3 max-w-3xl text-sm">
        What happens when, and for whom. Most of it follows from the other rooms and changes with them; cues
        of your own stand among it.
      </p>
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <SelectField
          label="For"
          className="w-44"
          value={who}
          options={[
            { value: "", label: "everybody" },
            ...players.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onSet={setWho}
        />
        <Tick label="Only danger spots" on={onlyDanger} onSet={setOnlyDanger} />
        <Link className="link pb-1" href={`/print/${version.id}/cues${queryOf(useStore(windowNames))}`}>
          Print the cue sheet
        </Link>
      </div>
      {body.players[who] && (
        <p className="mb-3">
          {capital(
            describePlaying(
              body.players[who],
              names({ player: body.players[who], capo: body.players[who].capo }),
              body.players[who].instrument === "guitar",
            ),
          )}
          .
        </p>
      )}
      {body.players[who] && <BodySchedule body={body} player={body.players[who]} cues={cues} />}
      <AddCue />
      {cues.length === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          Nothing happens yet: put sections in the form in Song, and players in Players.
        </p>
      ) : shown.length === 0 ? (
        <p>No cue is like that.</p>
      ) : (
        <Groups cues={shown} nameOf={nameOf} />
      )}
    </>
  );
}

/** Cues by the section they fall in, in the order of the song. */
function Groups({ cues, nameOf }: { cues: readonly Cue[]; nameOf: (id: string | null) => string }) {
  const groups: Cue[][] = [];
  for (const cue of cues) {
    const last = groups.at(-1);
    if (last?.[0]?.useId === cue.useId) last.push(cue);
    else groups.push([cue]);
  }
  return (
    <ol className="flex flex-col">
      {groups.map((group) => (
        <li key={`${group[0]!.useId} ${group[0]!.id}`} className="border-t border-base-300 py-3">
          <h2 className="mb-1">
            <SectionTag label={group[0]!.label} kind={group[0]!.section} />
          </h2>
          <ul className="flex flex-col">
            {group.map((cue, at) => (
              <li
                key={cue.id}
                className={`grid grid-cols-[13rem_6rem_minmax(0,1fr)] gap-x-3 py-0.5 max-sm:grid-cols-[minmax(0,1fr)_5rem] ${cue.own?.danger ? "border-l-4 border-error pl-2" : ""}`}
              >
                <span className={group[at - 1]?.tick === cue.tick ? "sr-only" : ""}>
                  <MomentTold moment={cue.moment} under={cue.useId} />
                </span>
                {group[at - 1]?.tick === cue.tick && <span aria-hidden="true" />}
                <span className={cue.playerId === null ? "font-bold" : ""}>{nameOf(cue.playerId)}</span>
                <span className="max-sm:col-span-2">
                  {cue.own ? <OwnCue cue={cue.own} /> : cue.text}
                  <span className="sr-only">, {CUE_WORDS[cue.kind]}</span>
                </span>
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ol>
  );
}
