"use client";

import { useMemo } from "react";
import {
  type ArrangeCase,
  type Arrangement,
  ideaOf,
  type OtherIdea,
  type TakenCells,
  tellCell,
  tellIdea,
  withCell,
} from "@/core/parts";
import { useEngine } from "@/engines/window";
import { ROLE_WORDS } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { type HeardLater, HearPart } from "../../hear";
import { Strokes } from "./CellOffer";
import { namesIn } from "./ProposalList";
import type { Arranging } from "./use-arrangement";
import { useHeardCells } from "./use-heard-cells";
import { TERM_WORDS } from "./words";

type Props = {
  readonly arranging: Arranging;
  readonly asked: ArrangeCase;
  readonly proposal: Arrangement;
  readonly at: number;
  readonly who: number;
  /** How the proposal sounds. */
  readonly heard: () => HeardLater;
  /** Its cells in the order of the sheet. */
  readonly whole: TakenCells["cells"];
  readonly onTake: () => void;
  readonly onClose: () => void;
};

/** One cell of a proposal: why it is so, the next best ideas with what they change in the song, and acts on it. */
export function CellDetail({ arranging, asked, proposal, at, who, heard, whole, onTake, onClose }: Props) {
  const { set, wishes, change } = arranging;
  const names = namesIn(arranging, asked);
  const cell = proposal.cells[at]![who]!;
  const where = `${names.player(who)} in ${names.use(at)}`;
  const question = useMemo(() => ({ asked, arrangement: proposal, at, who }), [asked, proposal, at, who]);
  const search = useEngine("other-ideas", question);
  const fix = () => {
    const words = `${names.player(who)} ${cell.role === "out" ? "waits" : `plays ${tellIdea(cell)}`} in ${names.use(at)}`;
    if (wishes.limits.some((limit) => limit.words === words)) return;
    const instrument = ideaOf(cell.idea)?.instrument ?? null;
    set.limits([
      ...wishes.limits,
      { rule: "lock", player: who, uses: [at], idea: cell.idea, instrument, number: null, words },
    ]);
  };
  return (
    <section
      aria-label={where}
      className="sticky bottom-0 mt-3 max-h-[60vh] overflow-y-auto rounded-box border-2 border-base-content bg-base-100 p-4"
    >
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h3>
            {where}: {tellIdea(cell)}
          </h3>
          <p className="text-sm">
            {cell.role === "out" ? "" : `${ROLE_WORDS[cell.role]}; `}
            {tellCell(asked, proposal.cells, at, who)}.
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          {cell.role !== "out" && (
            <HearPart
              what={where}
              song={heard}
              useId={asked.uses[at]!.id}
              playerId={asked.players[who]!.id}
            />
          )}
          <button type="button" className="btn btn-primary btn-sm" onClick={onTake}>
            Take this cell
          </button>
          <button type="button" className="btn btn-sm" onClick={fix}>
            Fix it for the next split
          </button>
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Close
          </button>
        </div>
      </div>
      <Strokes cell={cell} />
      <h4 className="mt-3 text-sm font-bold">Another idea here</h4>
      <SearchNote search={search} doing="Looking for other ideas…" />
      <ul className="mt-1 grid gap-2 md:grid-cols-3">
        {(search.data ?? []).map((other) => (
          <Other
            key={other.cell.idea}
            other={other}
            sheet={arranging.sheet}
            whole={whole}
            useId={asked.uses[at]!.id}
            playerId={asked.players[who]!.id}
            onUse={() => change(at, who, other.cell)}
          />
        ))}
      </ul>
    </section>
  );
}

const signed = (by: number): string => `${by >= 0 ? "+" : "−"}${Math.abs(by).toFixed(1)}`;

/** Another idea for a cell, and what it changes. */
function Other({
  other,
  sheet,
  whole,
  useId,
  playerId,
  onUse,
}: {
  readonly other: OtherIdea;
  readonly sheet: Arranging["sheet"];
  readonly whole: TakenCells["cells"];
  readonly useId: string;
  readonly playerId: string;
  readonly onUse: () => void;
}) {
  const cells = useMemo(() => {
    const at = sheet.rows.findIndex(({ use }) => use.id === useId);
    const who = sheet.players.findIndex(({ id }) => id === playerId);
    return withCell(whole, at, who, other.cell);
  }, [whole, sheet, useId, playerId, other]);
  const heard = useHeardCells(cells);
  return (
    <li className="rounded-field bg-base-200 p-2 text-sm">
      <p className="font-bold">{tellIdea(other.cell)}</p>
      <Strokes cell={other.cell} />
      <p>
        {signed(other.by)} against it
        {other.changes.length > 0 &&
          `: ${other.changes
            .slice(0, 3)
            .map(({ name, by }) => `${TERM_WORDS[name]} ${signed(by)}`)
            .join(", ")}`}
        .
      </p>
      {other.breaks.length > 0 && (
        <p className="text-warning">
          Then can’t be held: {[...new Set(other.breaks.map(({ words }) => words))].join("; ")}.
        </p>
      )}
      {other.cell.role !== "out" && (
        <HearPart
          what={tellIdea(other.cell)}
          song={heard}
          useId={useId}
          playerId={playerId}
          isKeyed={false}
          className="btn-xs mr-2"
        />
      )}
      <button
        type="button"
        className="btn btn-xs mt-1"
        aria-label={`Put in ${tellIdea(other.cell)}`}
        onClick={onUse}
      >
        Put it in
      </button>
    </li>
  );
}
