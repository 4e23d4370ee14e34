"use client";

import Link from "next/link";
import type { Gathered } from "@/core/findings";
import { commandOfFix, describeLoopFinding, describeLoopFix, type LoopFinding } from "@/core/loops";
import {
  derive,
  FindingItem,
  makeId,
  soundingNames,
  useAct,
  useBand,
  useCurrentVersion,
  useNames,
  useOpenSong,
} from "../open";

/** What the plan asks a second look at, with place, sentence, reason and what can be done. */
export function LoopFindingsList({ findings }: { findings: readonly Gathered<LoopFinding>[] }) {
  const act = useAct();
  const current = useCurrentVersion();
  const band = useBand();
  const { version } = useOpenSong();
  const names = useNames();
  const nameOf = (id: string) => current().loopLayers[id]?.name ?? "the layer";
  return (
    <ul className="flex flex-col gap-3">
      {findings.map((finding) => (
        <FindingItem
          key={finding.id}
          finding={finding}
          {...describeLoopFinding(finding, soundingNames(names()))}
        >
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
              {describeLoopFix(fix, nameOf)}
            </button>
          ))}
          {finding.kind === "loop-clash" && (
            <Link className="btn btn-sm" prefetch={false} href={`/song/${version.id}`}>
              Change the chords in Song
            </Link>
          )}
        </FindingItem>
      ))}
    </ul>
  );
}
