"use client";

import Link from "next/link";
import { useState } from "react";
import { type Finding, sayFinding, sayFix } from "@/core/parts";
import { dismiss, setCells } from "@/core/song";
import { pretty } from "@/ui/pretty";
import { derive, makeId, useAct, useCurrentVersion, useOpenSong } from "../document";

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
  const [letting, setLetting] = useState(false);
  const [reason, setReason] = useState("");
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
      <p className="mt-2 flex flex-wrap gap-2">
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
        {!letting && (
          <button type="button" className="btn btn-ghost btn-sm underline" onClick={() => setLetting(true)}>
            Let it stand
          </button>
        )}
      </p>
      {letting && (
        <form
          className="mt-2 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            act(dismiss(finding.id, reason.trim(), makeId));
          }}
        >
          <label className="flex flex-1 flex-col gap-1 text-sm">
            Why it may stand
            <input
              className="input input-sm w-full"
              value={reason}
              maxLength={400}
              onChange={(event) => setReason(event.target.value)}
            />
          </label>
          <button type="submit" className="btn btn-sm" disabled={reason.trim() === ""}>
            Let it stand
          </button>
          <button type="button" className="btn btn-ghost btn-sm underline" onClick={() => setLetting(false)}>
            Not now
          </button>
        </form>
      )}
    </li>
  );
}
