"use client";

import Link from "next/link";
import type { Gathered, Place } from "@/core/findings";
import { describeFinding, describeFix, type SheetFinding } from "@/core/parts";
import { setCells } from "@/core/song/edit";
import { pretty } from "@/ui/pretty";
import { derive, FindingItem, makeId, useAct, useCurrentVersion, useOpenSong } from "../open";

type Props = {
  readonly findings: readonly Gathered<SheetFinding>[];
  /** Goes to the place of a finding on the sheet. */
  readonly onGo?: (finding: SheetFinding, place: Place) => void;
};

/** Findings with place, sentence, reason and what can be done. */
export function FindingsList({ findings, onGo }: Props) {
  const act = useAct();
  const current = useCurrentVersion();
  const { version } = useOpenSong();
  return (
    <ul className="flex flex-col gap-3">
      {findings.map((finding) => (
        <FindingItem
          key={finding.id}
          finding={finding}
          {...describeFinding(finding, pretty)}
          onGo={onGo && ((place) => onGo(finding, place))}
        >
          {finding.fixes.map((fix) => (
            <button
              key={describeFix(fix)}
              type="button"
              className="btn btn-sm h-auto min-h-8 whitespace-normal"
              onClick={() =>
                act(setCells(derive.cellIndex(current()), `Mend: ${describeFix(fix)}`, fix.cells, makeId))
              }
            >
              {describeFix(fix, pretty)}
            </button>
          ))}
          {finding.kind === "quick-change" && (
            <Link className="btn btn-sm" prefetch={false} href={`/song/${version.id}/keys/shapes`}>
              Look for easier shapes in Keys
            </Link>
          )}
        </FindingItem>
      ))}
    </ul>
  );
}
