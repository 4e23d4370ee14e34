"use client";

import Link from "next/link";
import { type Finding, sayFinding, sayFix } from "@/core/parts";
import { setCells } from "@/core/song/edit";
import { pretty } from "@/ui/pretty";
import { derive, LetItStand, makeId, useAct, useCurrentVersion, useOpenSong } from "../open";

type Props = {
  readonly findings: readonly Finding[];
  /** Goes to the place of a finding on the sheet. */
  readonly onGo?: (finding: Finding) => void;
};

/** Findings with place, sentence, reason and what can be done. */
export function FindingsList({ findings, onGo }: Props) {
  return (
    <ul className="flex flex-col gap-3">
      {findings.map((finding) => (
        <FindingItem key={finding.id} finding={finding} onGo={onGo} />
      ))}
    </ul>
  );
}

function FindingItem({ finding, onGo }: { finding: Finding; onGo: Props["onGo"] }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { version } = useOpenSong();
  const { what, why } = sayFinding(finding, pretty);
  const where = finding.useId === null ? "The whole song" : finding.label;
  return (
    <li className="rounded-box border border-base-300 bg-base-100 p-3">
      <p>
        {onGo && finding.useId !== null ? (
          <button type="button" className="link font-bold" onClick={() => onGo(finding)}>
            {where}
          </button>
        ) : (
          <strong>{where}</strong>
        )}
        : {what}
      </p>
      <p className="mt-1 text-sm">{why}</p>
      <div className="mt-2 flex flex-wrap gap-2">
        {finding.fixes.map((fix) => (
          <button
            key={sayFix(fix)}
            type="button"
            className="btn btn-sm h-auto min-h-8 whitespace-normal"
            onClick={() =>
              act(setCells(derive.cellIndex(current()), `Mend: ${sayFix(fix)}`, fix.cells, makeId))
            }
          >
            {sayFix(fix, pretty)}
          </button>
        ))}
        {finding.kind === "quick-change" && (
          <Link className="btn btn-sm" prefetch={false} href={`/song/${version.id}/keys/shapes`}>
            Look for easier shapes in Keys
          </Link>
        )}
        <LetItStand finding={finding.id} />
      </div>
    </li>
  );
}
