"use client";

import dynamic from "next/dynamic";
import { describeLoopFinding } from "@/core/loops";
import { describeFinding } from "@/core/parts";
import { SearchNote } from "@/ui/SearchNote";
import { LoopFindingsList, useLoopFindings } from "../../loops";
import { derive, StandingList, soundingNames, useDerived, useNames, useRows } from "../../open";
import { FindingsList } from "../FindingsList";
import { writeFor } from "../finding-names";
import { PartsTabs } from "../PartsTabs";
import { useSheetFindings } from "../use-sheet-findings";
import { BandSum } from "./BandSum";

/** Charts are loaded when this page is looked at, not before. */
const Charts = dynamic(() => import("./Charts").then((own) => own.Charts), {
  ssr: false,
  loading: () => <p className="text-sm">The charts are coming…</p>,
});

/** Judgement: everything found on the sheet, the charts behind it, and what the whole band sounds like. */
export function JudgementPage() {
  const sheet = useDerived(derive.sheet);
  const { open, stand, plans, search } = useSheetFindings();
  const looped = useLoopFindings();
  const names = useNames();
  const body = useRows("version", "extras", "players");
  const all = open.length + looped.open.length;
  const standing = [
    ...stand.map(({ finding, ...row }) => ({
      ...row,
      what: describeFinding(finding, writeFor(finding, names, body)).what,
    })),
    ...looped.stand.map(({ finding, ...row }) => ({
      ...row,
      what: describeLoopFinding(finding, soundingNames(names())).what,
    })),
  ];
  return (
    <>
      <h1 className="mb-1">Parts</h1>
      <PartsTabs />
      <section aria-label="Findings" className="mb-8">
        <h2 className="mb-1">Findings</h2>
        <p className="mb-3 text-sm">
          {all === 0
            ? "Nothing on the sheet asks for a second look."
            : `${all} open. Each can be mended, or let stand with a reason.`}{" "}
          <SearchNote search={search} doing="Changes of the hands are still being worked out." />
        </p>
        <FindingsList findings={open} />
        {looped.open.length > 0 && (
          <>
            <h3 className="mt-4 mb-2 font-bold">Of the loops</h3>
            <LoopFindingsList findings={looped.open} />
          </>
        )}
        <StandingList standing={standing} />
      </section>
      {sheet.players.length > 0 && sheet.rows.length > 0 && (
        <>
          <BandSum sheet={sheet} plans={plans} isOld={search.isOld} loops={looped.loops.shown} />
          <Charts sheet={sheet} />
        </>
      )}
    </>
  );
}
