"use client";

import Link from "next/link";
import type { Gathered, Place } from "@/core/findings";
import { describeFinding, describeFix, type SheetFinding } from "@/core/parts";
import { setCells } from "@/core/song/edit";
import {
  derive,
  FindingItem,
  makeId,
  useAct,
  useCurrentVersion,
  useNames,
  useOpenSong,
  useRows,
} from "../open";
import { ownNameFor, writeFor } from "./finding-names";

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
  const names = useNames();
  const body = useRows("version", "extras", "players");
  return (
    <ul className="flex flex-col gap-3">
      {findings.map((finding) => (
        <FindingItem
          key={finding.id}
          finding={finding}
          {...describeFinding(finding, writeFor(finding, names, body))}
          onGo={onGo && ((place) => onGo(finding, place))}
        >
          {finding.fixes.map((fix) => (
            <button
              key={describeFix(fix)}
              type="button"
              className="btn btn-sm h-auto min-h-8 whitespace-normal"
              onClick={() => {
                const { code } = fix;
                const note =
                  code.do === "one-chord"
                    ? { note: `only ${ownNameFor(finding, body, code.chord)}, each time it comes` }
                    : {};
                const cells = fix.cells.map((cell) => ({ ...cell, fields: { ...cell.fields, ...note } }));
                act(
                  setCells(
                    derive.cellIndex(current()),
                    `Mend: ${describeFix(fix, writeFor(finding, names, body))}`,
                    cells,
                    makeId,
                  ),
                );
              }}
            >
              {describeFix(fix, writeFor(finding, names, body))}
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
