"use client";

import Link from "next/link";
import { useMemo, useState } from "react";
import { type Proposal, SONG_WEIGHTS, type SplitCase, splitCaseOf } from "@/core/parts";
import type { Player } from "@/core/song/schema";
import { useEngine, useProgress } from "@/engines/window";
import { SearchNote } from "@/ui/SearchNote";
import { Tick } from "@/ui/Tick";
import { derive, useCurrentVersion, useDerived, useOpenSong } from "../../open";
import { PartsTabs } from "../PartsTabs";
import { ProposalSheet } from "./ProposalSheet";
import { SchoolChoice } from "./SchoolChoice";
import { WeightsFold } from "./WeightsFold";

type Asked = { readonly split: SplitCase; readonly proposals: readonly Proposal[] };

/** Split for me: three proposals by named school, laid over the sheet, to be taken whole or in part. */
export function SplitPage() {
  const current = useCurrentVersion();
  const { version } = useOpenSong();
  const sheet = useDerived(derive.sheet);
  const [away, setAway] = useState<ReadonlySet<string>>(new Set());
  const [weights, setWeights] = useState(SONG_WEIGHTS);
  const [school, setSchool] = useState(0);
  const [against, setAgainst] = useState<number | null>(null);
  const [question, setQuestion] = useState<SplitCase | null>(null);
  const search = useEngine("split", question, question);
  const { share } = useProgress("split", question);
  const { data, beside } = search;
  const asked = useMemo<Asked | null>(
    () => (beside && data ? { split: beside, proposals: data } : null),
    [beside, data],
  );
  const there = sheet.players.filter((one) => one.instrument !== "voice" && !away.has(one.id));
  const ask = () => setQuestion(splitCaseOf(current(), sheet, away, weights));
  // The last proposals stand again; the search for newer ones ends with its question.
  const stop = () => setQuestion(beside);
  return (
    <>
      <h1 className="mb-1">Parts</h1>
      <PartsTabs />
      {sheet.players.length === 0 || sheet.rows.length === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          A song is split once there are players and a form.{" "}
          <Link className="link font-bold" href={`/song/${version.id}/players`}>
            Add players
          </Link>
        </p>
      ) : (
        <>
          <p className="mb-3 max-w-3xl">
            Three ways to spread the song over who is there, by what each section needs: its energy, its bass,
            the voice’s register. Nothing on the sheet changes until you take something over.
          </p>
          <WhoIsThere players={sheet.players} away={away} onSet={setAway} />
          <WeightsFold weights={weights} onSet={setWeights} />
          <div className="my-4 flex flex-wrap items-center gap-3">
            {search.isWorking ? (
              <>
                <progress className="progress w-56" aria-label="Proposals worked out" value={share} max={1} />
                <button type="button" className="btn btn-sm" onClick={stop}>
                  Stop
                </button>
              </>
            ) : (
              <button type="button" className="btn btn-primary" disabled={there.length === 0} onClick={ask}>
                {asked ? "Split again" : "Split for me"}
              </button>
            )}
            {there.length === 0 && <span className="text-sm">Somebody has to be there.</span>}
            {search.error && <SearchNote search={search} doing="" />}
          </div>
          {asked && (
            <>
              <SchoolChoice
                proposals={asked.proposals}
                school={school}
                against={against}
                onSchool={setSchool}
                onAgainst={setAgainst}
              />
              <ProposalSheet
                split={asked.split}
                proposal={asked.proposals[school]!}
                other={against === null || against === school ? null : asked.proposals[against]!}
              />
            </>
          )}
        </>
      )}
    </>
  );
}

/** Who of the band is there; the others get no part. */
function WhoIsThere({
  players,
  away,
  onSet,
}: {
  players: readonly Player[];
  away: ReadonlySet<string>;
  onSet: (away: ReadonlySet<string>) => void;
}) {
  return (
    <fieldset className="mb-3">
      <legend className="text-sm">Who is there</legend>
      <div className="flex flex-wrap gap-x-5">
        {players
          .filter((one) => one.instrument !== "voice")
          .map((player) => (
            <Tick
              key={player.id}
              label={player.name}
              on={!away.has(player.id)}
              onSet={(here) => {
                const next = new Set(away);
                if (here) next.delete(player.id);
                else next.add(player.id);
                onSet(next);
              }}
            />
          ))}
      </div>
    </fieldset>
  );
}
