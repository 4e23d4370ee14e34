"use client";

import Link from "next/link";
import { commandOfFix, type LoopFinding, sayLoopFinding, sayLoopFix } from "@/core/loops";
import { pretty } from "@/ui/pretty";
import { derive, LetItStand, makeId, useAct, useBand, useCurrentVersion, useOpenSong } from "../open";

/** What the plan asks a second look at, with place, sentence, reason and what can be done. */
export function LoopFindingsList({ findings }: { findings: readonly LoopFinding[] }) {
  return (
    <ul className="flex flex-col gap-3">
      {findings.map((finding) => (
        <Item key={finding.id} finding={finding} />
      ))}
    </ul>
  );
}

function Item({ finding }: { finding: LoopFinding }) {
  const act = useAct();
  const current = useCurrentVersion();
  const band = useBand();
  const { version } = useOpenSong();
  const { what, why } = sayLoopFinding(finding, pretty);
  const nameOf = (id: string) => current().loopLayers[id]?.name ?? "the layer";
  return (
    <li className="rounded-box border border-base-300 bg-base-100 p-3">
      <p>
        <strong>{finding.label}</strong>: {what}
      </p>
      <p className="mt-1 text-sm">{why}</p>
      <div className="mt-2 flex flex-wrap gap-2">
        {finding.fixes.map((fix) => (
          <button
            key={`${fix.do} ${fix.layerId}`}
            type="button"
            className="btn btn-sm h-auto min-h-8 whitespace-normal"
            onClick={() => {
              const body = current();
              act(commandOfFix(body, derive.outline(body), derive.loops(body, band), fix, makeId));
            }}
          >
            {sayLoopFix(fix, nameOf)}
          </button>
        ))}
        {finding.kind === "loop-clash" && (
          <Link className="btn btn-sm" prefetch={false} href={`/song/${version.id}`}>
            Change the chords in Song
          </Link>
        )}
        <LetItStand finding={finding.id} />
      </div>
    </li>
  );
}
