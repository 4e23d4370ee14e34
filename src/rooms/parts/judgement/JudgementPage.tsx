"use client";

import dynamic from "next/dynamic";
import { useState } from "react";
import { sayLoopFinding } from "@/core/loops";
import { sayFinding } from "@/core/parts";
import { pretty } from "@/ui/pretty";
import { LoopFindingsList, useLoopFindings } from "../../loops";
import { derive, useAct, useDerived } from "../../open";
import { FindingsList } from "../FindingsList";
import { PartsTabs } from "../PartsTabs";
import { useFindings } from "../use-findings";
import { BandSum } from "./BandSum";

/** Charts are loaded when this page is looked at, not before. */
const Charts = dynamic(() => import("./Charts").then((own) => own.Charts), {
  ssr: false,
  loading: () => <p className="text-sm">The charts are coming…</p>,
});

/** Judgement: everything found on the sheet, the charts behind it, and what the whole band sounds like. */
export function JudgementPage() {
  const sheet = useDerived(derive.sheet);
  const { open, stand, plans, isOld } = useFindings();
  const looped = useLoopFindings();
  const all = open.length + looped.open.length;
  const standing = [
    ...stand.map(({ finding, ...row }) => ({ ...row, what: sayFinding(finding, pretty).what })),
    ...looped.stand.map(({ finding, ...row }) => ({ ...row, what: sayLoopFinding(finding, pretty).what })),
  ];
  const [showStand, setShowStand] = useState(false);
  const act = useAct();
  return (
    <>
      <h1 className="mb-1">Parts</h1>
      <PartsTabs />
      <section aria-label="Findings" className="mb-8">
        <h2 className="mb-1">Findings</h2>
        <p className="mb-3 text-sm">
          {all === 0
            ? "Nothing on the sheet asks for a second look."
            : `${all} open. Each can be mended, or let stand with a reason.`}
          {isOld && " Changes of the hands are still being worked out."}
        </p>
        <FindingsList findings={open} />
        {looped.open.length > 0 && (
          <>
            <h3 className="mt-4 mb-2 font-bold">Of the loops</h3>
            <LoopFindingsList findings={looped.open} />
          </>
        )}
        {standing.length > 0 && (
          <>
            <button
              type="button"
              className="btn btn-sm mt-3"
              aria-expanded={showStand}
              onClick={() => setShowStand(!showStand)}
            >
              {standing.length} let stand
            </button>
            {showStand && (
              <ul className="mt-2 flex flex-col gap-2">
                {standing.map(({ what, id, reason }) => (
                  <li key={id} className="rounded-box bg-base-200 p-3">
                    {what} <em>{reason}</em>{" "}
                    <button
                      type="button"
                      className="link text-sm"
                      onClick={() => act({ type: "remove", table: "dismissals", id })}
                    >
                      raise it again
                    </button>
                  </li>
                ))}
              </ul>
            )}
          </>
        )}
      </section>
      {sheet.players.length > 0 && sheet.rows.length > 0 && (
        <>
          <BandSum sheet={sheet} plans={plans} isOld={isOld} loops={looped.loops.shown} />
          <Charts sheet={sheet} />
        </>
      )}
    </>
  );
}
