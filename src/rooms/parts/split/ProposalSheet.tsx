"use client";

import { useState } from "react";
import {
  cellFieldsOf,
  type Proposal,
  proposalChanges,
  proposalDifferences,
  type SheetRow,
  type SplitCase,
  type SplitCell,
  type Taken,
} from "@/core/parts";
import { setCells } from "@/core/song/edit";
import { tellBars } from "@/core/song/moments";
import { cellKey, techniqueOf } from "@/core/song/read";
import { type Cell, LIGHT_WORDS } from "@/core/song/schema";
import { ROLE_WORDS } from "@/ui/pretty";
import { SectionTag } from "@/ui/SectionTag";
import { Wick } from "@/ui/Wick";
import { derive, makeId, useAct, useDerived, useRows } from "../../open";
import { TERM_WORDS } from "./SchoolChoice";

type Props = {
  readonly split: SplitCase;
  readonly proposal: Proposal;
  /** Another proposal to compare with. */
  readonly other: Proposal | null;
};

const howOf = (cell: SplitCell, label: string): string => {
  if (cell.role === "out") return "stays out";
  const how = cell.technique ? techniqueOf(cell.technique).words : "";
  return `${ROLE_WORDS[cell.role]}: ${how}${cell.entryBar > 1 ? `, from ${tellBars(String(cell.entryBar), label)}` : ""}`;
};

/** A proposal laid over the sheet: what it says for each cell, and acts that take it over, whole or in part. */
export function ProposalSheet({ split, proposal, other }: Props) {
  const body = useRows("uses", "players");
  const act = useAct();
  const { rows, players } = useDerived(derive.sheet);
  const index = useDerived(derive.cellIndex);
  const [said, setSaid] = useState("");
  const nameOf = (id: string) => players.find((one) => one.id === id)?.name ?? "a player who is gone";
  const take = (taken: Taken, words: string) => {
    const there = proposalChanges(split, proposal, taken).filter(
      ({ useId, playerId }) => body.uses[useId] && body.players[playerId],
    );
    act(setCells(index, words, there, makeId));
    setSaid(`${words}.`);
  };
  return (
    <section aria-label="The proposal over the sheet" className="mt-4">
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-primary btn-sm"
          onClick={() => take({}, "Took the whole proposal")}
        >
          Take all of it
        </button>
        <p className="text-sm">Or a player, a section, or one cell. Undo takes it back.</p>
        <p role="status" className="text-sm font-bold">
          {said}
        </p>
      </div>
      <div className="mt-2 overflow-x-auto">
        <table className="w-full border-separate border-spacing-y-1">
          <thead>
            <tr>
              <th scope="col" className="w-44 text-left text-sm">
                Section
              </th>
              {split.players.map((player) => (
                <PlayerHead
                  key={player.id}
                  name={nameOf(player.id)}
                  onTake={() => take({ playerId: player.id }, `Took ${nameOf(player.id)}’s parts`)}
                />
              ))}
            </tr>
          </thead>
          <tbody>
            {split.sections.map((section, at) => {
              const row = rows.find((one) => one.use.id === section.id);
              return (
                row && (
                  <ProposedRow
                    key={section.id}
                    row={row}
                    at={at}
                    offered={{ split, proposal, other }}
                    nameOf={nameOf}
                    onTake={take}
                  />
                )
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** A section of the proposal, player by player. */
function ProposedRow({
  row,
  at,
  offered: { split, proposal, other },
  nameOf,
  onTake,
}: {
  row: SheetRow;
  /** Which section of the proposal. */
  at: number;
  offered: Props;
  nameOf: (player: string) => string;
  onTake: (taken: Taken, words: string) => void;
}) {
  const index = useDerived(derive.cellIndex);
  const section = split.sections[at]!;
  const differing = other ? proposalDifferences(proposal, other).filter((one) => one.section === at) : [];
  return (
    <tr>
      <SectionHead
        row={row}
        section={section}
        terms={proposal.terms.filter((term) => term.section === section.id)}
        onTake={() => onTake({ useId: section.id }, `Took ${row.label}`)}
      />
      {split.players.map((player, who) => {
        const cell = proposal.cells[at]![who]!;
        const name = nameOf(player.id);
        return (
          <CellOffer
            key={player.id}
            where={`${name} in ${row.label}`}
            label={row.label}
            cell={cell}
            bars={section.bars}
            isTaken={isTaken(index.cells.get(cellKey(section.id, player.id)), cell, section.bars)}
            other={
              other && differing.some((one) => one.player === who)
                ? { school: other.school, cell: other.cells[at]![who]! }
                : null
            }
            onTake={() => onTake({ useId: section.id, playerId: player.id }, `Took ${name} in ${row.label}`)}
          />
        );
      })}
    </tr>
  );
}

/** True where the sheet has all that a proposed cell says. */
function isTaken(own: Cell | undefined, cell: SplitCell, bars: number): boolean {
  if (!own) return false;
  return Object.entries(cellFieldsOf(cell, bars)).every(
    ([field, value]) => JSON.stringify(own[field as keyof Cell]) === JSON.stringify(value),
  );
}

function PlayerHead({ name, onTake }: { name: string; onTake: () => void }) {
  return (
    <th scope="col" className="min-w-36 px-2 text-left align-bottom">
      {name}
      <button
        type="button"
        className="btn btn-xs ml-2"
        aria-label={`Take all of ${name}’s parts`}
        onClick={onTake}
      >
        take
      </button>
    </th>
  );
}

/** A section of the proposal: what it asks for, and how well the proposal does there. */
function SectionHead({
  row,
  section,
  terms,
  onTake,
}: {
  row: SheetRow;
  section: SplitCase["sections"][number];
  terms: Proposal["terms"];
  onTake: () => void;
}) {
  return (
    <th scope="row" className="border-t border-base-300 py-2 pr-2 text-left align-top font-normal">
      <SectionTag label={row.label} kind={row.section.kind} />
      <span className="mt-1 block text-sm">
        {section.bars} bars, energy {section.energy}
        <button
          type="button"
          className="btn btn-xs ml-2"
          aria-label={`Take ${row.label} from all players`}
          onClick={onTake}
        >
          take
        </button>
      </span>
      <span className="block text-xs">
        {terms
          .map(({ name, value, weight }) => `${TERM_WORDS[name]} ${(value * weight).toFixed(2)}`)
          .join(", ")}
      </span>
    </th>
  );
}

type OfferProps = {
  /** Whose part, and in which section. */
  readonly where: string;
  readonly label: string;
  readonly cell: SplitCell;
  readonly bars: number;
  readonly isTaken: boolean;
  /** What another school proposes here, where it differs. */
  readonly other: { readonly school: string; readonly cell: SplitCell } | null;
  readonly onTake: () => void;
};

/** One proposed cell; a press takes it onto the sheet. */
function CellOffer({ where, label, cell, bars, isTaken, other, onTake }: OfferProps) {
  const entry = (cell.entryBar - 1) / bars;
  const said = `${LIGHT_WORDS[cell.lamp]}, ${howOf(cell, label)}${isTaken ? ", as the sheet has it" : ""}`;
  return (
    <td className="h-px border-t border-base-300 p-1 align-top">
      <button
        type="button"
        disabled={isTaken}
        aria-label={`Take for ${where}: ${said}`}
        className={`flex h-full w-full flex-col rounded-field px-2 py-1 text-left text-sm ${isTaken ? "bg-base-200" : "hover:bg-base-300"} ${other ? "outline-2 outline-dashed" : ""}`}
        onClick={onTake}
      >
        <Wick light={cell.lamp} carries={cell.role === "carry"} spans={[[entry, 1]]} />
        <span className="block">{howOf(cell, label)}</span>
        {isTaken && <span className="block font-bold">on the sheet</span>}
        {other && (
          <span className="mt-1 block italic">
            {other.school}: {LIGHT_WORDS[other.cell.lamp]}, {howOf(other.cell, label)}
          </span>
        )}
      </button>
    </td>
  );
}
