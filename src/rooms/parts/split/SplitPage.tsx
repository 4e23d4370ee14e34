"use client";

import Link from "next/link";
import { useState } from "react";
import { SearchNote } from "@/ui/SearchNote";
import { useOpenSong } from "../../open";
import { PartsTabs } from "../PartsTabs";
import { ProposalList } from "./ProposalList";
import { ProposalSheet } from "./ProposalSheet";
import { SongStrip } from "./SongStrip";
import { useArrangement } from "./use-arrangement";
import { Wishes } from "./Wishes";

/** Split for me: proposals by named ways, seen as a song, to be changed cell by cell and taken whole or in part. */
export function SplitPage() {
  const { version } = useOpenSong();
  const arranging = useArrangement();
  const { sheet, wishes, search, share, ask, stop, asked, proposals, chosen } = arranging;
  const [against, setAgainst] = useState<number | null>(null);
  const proposal = proposals[chosen];
  const there = sheet.players.filter(({ id }) => !wishes.away.has(id));
  if (sheet.players.length === 0 || sheet.rows.length === 0)
    return (
      <>
        <h1 className="mb-1">Parts</h1>
        <PartsTabs />
        <p className="rounded-box bg-base-200 p-4">
          A song is split once there are players and a form.{" "}
          <Link className="link font-bold" href={`/song/${version.id}/players`}>
            Add players
          </Link>
        </p>
      </>
    );
  return (
    <>
      <h1 className="mb-1">Parts</h1>
      <PartsTabs />
      <p className="mb-3 max-w-3xl">
        What each player could do, section by section, by whoever is there. Nothing on the sheet changes until
        you take something over; a written line stays, and is built around.
      </p>
      <Wishes arranging={arranging} />
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
      {asked && proposal && (
        <>
          <ProposalList arranging={arranging} asked={asked} against={against} onAgainst={setAgainst} />
          <SongStrip asked={asked} sheet={sheet} proposal={proposal} />
          <ProposalSheet
            arranging={arranging}
            asked={asked}
            proposal={proposal}
            other={against === null || against === chosen ? null : (proposals[against] ?? null)}
          />
        </>
      )}
    </>
  );
}
