"use client";

import Link from "next/link";
import { useState } from "react";
import { capital } from "@/base";
import type { Cue } from "@/core/cues";
import type { NamesChoice } from "@/core/song/names";
import { MomentTold } from "@/ui/MomentTold";
import { SectionTag } from "@/ui/SectionTag";
import { SelectField } from "@/ui/SelectField";
import { PageNames } from "../names";

/** The cue sheet on paper, for all or for one player. */
export function CuePrint({
  title,
  versionId,
  players,
  cues,
  names,
}: {
  title: string;
  versionId: string;
  /** Everybody, with what they have to know before the first chord. */
  players: readonly { readonly id: string; readonly name: string; readonly hand: string }[];
  cues: readonly Cue[];
  /** How names are told. */
  names: NamesChoice;
}) {
  const [who, setWho] = useState("");
  const nameOf = (id: string | null) => (id === null ? "all" : players.find((one) => one.id === id)?.name);
  const shown = cues.filter(({ playerId }) => who === "" || playerId === null || playerId === who);
  return (
    <main className="mx-auto max-w-4xl bg-white px-6 py-4 text-black">
      <header className="no-print mb-4 flex flex-wrap items-end gap-3 border-b pb-3">
        <Link className="link mr-auto" href={`/song/${versionId}/cues`}>
          Back to the song
        </Link>
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
        <PageNames choice={names} />
        <button type="button" className="btn btn-primary btn-sm" onClick={() => window.print()}>
          Print
        </button>
      </header>
      <h1 className="mb-3 text-4xl">
        {title}: cues{who !== "" && ` for ${nameOf(who)}`}
      </h1>
      {who !== "" && (
        <p className="mb-3 text-xl">{capital(players.find(({ id }) => id === who)?.hand ?? "")}.</p>
      )}
      <ol>
        {shown.map((cue, at) => (
          <li key={cue.id}>
            {cue.useId !== shown[at - 1]?.useId && (
              <p className="mt-3 border-t pt-2 text-xl">
                <SectionTag label={cue.label} kind={cue.section} />
              </p>
            )}
            <div
              className={`grid grid-cols-[15rem_minmax(0,1fr)] gap-x-3 py-0.5 text-lg ${cue.own?.danger ? "border-l-4 border-black pl-2 font-bold" : ""}`}
            >
              <span className="text-base">
                {shown[at - 1]?.tick !== cue.tick && <MomentTold moment={cue.moment} under={cue.useId} />}
              </span>
              <span>
                {who === "" && <strong className="mr-3">{nameOf(cue.playerId)}</strong>}
                {cue.text}
              </span>
            </div>
          </li>
        ))}
      </ol>
    </main>
  );
}
