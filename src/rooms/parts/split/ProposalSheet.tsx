"use client";

import { useMemo, useState } from "react";
import { withLayers } from "@/core/loops";
import {
  type ArrangeCase,
  type ArrangeCell,
  type Arrangement,
  arrangementDifferences,
  isHeld,
  learn,
  takeArrangement,
} from "@/core/parts";
import { cellKey } from "@/core/song/read";
import { Tick } from "@/ui/Tick";
import { derive, makeId, useAct, useActOnBand, useBand, useCurrentVersion, useRows } from "../../open";
import { CellDetail } from "./CellDetail";
import { CellOffer } from "./CellOffer";
import { namesIn } from "./ProposalList";
import { SectionOffer } from "./SectionOffer";
import type { Arranging } from "./use-arrangement";
import { useHeardCells } from "./use-heard-cells";

type Props = {
  readonly arranging: Arranging;
  readonly asked: ArrangeCase;
  readonly proposal: Arrangement;
  /** Another proposal laid beside it. */
  readonly other: Arrangement | null;
};

/** A proposal as a sheet: sections down, players across, each cell an idea; acts that take it over, whole or in part. */
export function ProposalSheet({ arranging, asked, proposal, other }: Props) {
  const current = useCurrentVersion();
  const act = useAct();
  const band = useBand();
  const actOnBand = useActOnBand();
  const { sheet, wishes } = arranging;
  const [said, setSaid] = useState("");
  const [onlyUnlike, setOnlyUnlike] = useState(true);
  const [open, setOpen] = useState<{ readonly at: number; readonly who: number } | null>(null);
  const names = namesIn(arranging, asked);
  const unlike = other ? arrangementDifferences(proposal.cells, other.cells) : [];
  const body = useRows("version", "riffNotes");
  const kept = useMemo(() => {
    const places = sheet.rows.flatMap((row) =>
      row.parts.flatMap((part) =>
        isHeld(body, row, part, wishes.keepsAll) ? [cellKey(row.use.id, part.player.id)] : [],
      ),
    );
    return new Set(places);
  }, [body, sheet, wishes.keepsAll]);
  const isKept = (useId: string, playerId: string) => kept.has(cellKey(useId, playerId));
  const whole = useMemo(
    () => placedOn(sheet, asked, proposal, (useId, playerId) => !kept.has(cellKey(useId, playerId))),
    [sheet, asked, proposal, kept],
  );
  const heard = useHeardCells(whole);
  const take = (taken: { readonly useId?: string; readonly playerId?: string }, words: string) => {
    const now = current();
    const isTaken = (useId: string, playerId: string) =>
      (taken.useId ?? useId) === useId &&
      (taken.playerId ?? playerId) === playerId &&
      !isKept(useId, playerId);
    const cells = placedOn(sheet, asked, proposal, isTaken);
    const taking = takeArrangement(now, sheet, derive.cellIndex(now), { cells }, words, makeId);
    const { taken: liked, left } = lessonOf(asked, proposal, arranging.proposed, (at, who) =>
      isTaken(asked.uses[at]!.id, asked.players[who]!.id),
    );
    const fresh = (way: string, all: typeof liked) =>
      all.filter(({ idea, kind }) => {
        const key = `${way} ${kind} ${idea}`;
        if (arranging.met.current.has(key)) return false;
        arranging.met.current.add(key);
        return true;
      });
    const lesson = { taken: fresh("taken", liked), left: fresh("left", left) };
    const learned = band && learn(band, lesson, makeId);
    // Learned before it is taken: the first undo takes the taking back, the second what was learned of it.
    if (learned) actOnBand(learned);
    act(withLayers(now, sheet, taking, cells, makeId));
    setSaid(`${words}.`);
  };
  const rows = asked.uses
    .map((_, at) => at)
    .filter((at) => !other || !onlyUnlike || unlike.some((one) => one.at === at));
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
        {other && (
          <Tick
            label={`only sections that differ, in ${unlike.length} cells`}
            on={onlyUnlike}
            onSet={setOnlyUnlike}
          />
        )}
        <p role="status" className="text-sm font-bold">
          {said}
        </p>
      </div>
      <div className="mt-2 overflow-x-auto">
        <table className="w-full border-separate border-spacing-y-1">
          <thead>
            <tr>
              <th scope="col" className="w-36 text-left text-sm">
                Section
              </th>
              {asked.players.map((player, who) => (
                <th key={player.id} scope="col" className="min-w-36 px-2 text-left align-bottom">
                  {names.player(who)}
                  <button
                    type="button"
                    className="btn btn-xs ml-2"
                    aria-label={`Take all of ${names.player(who)}’s parts`}
                    onClick={() => take({ playerId: player.id }, `Took ${names.player(who)}’s parts`)}
                  >
                    take
                  </button>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((at) => {
              const row = sheet.rows.find(({ use }) => use.id === asked.uses[at]!.id);
              if (!row) return null;
              return (
                <tr key={row.use.id}>
                  <SectionOffer
                    row={row}
                    use={asked.uses[at]!}
                    heard={heard}
                    onTake={() => take({ useId: row.use.id }, `Took ${row.label}`)}
                  />
                  {asked.players.map((player, who) => (
                    <CellOffer
                      key={player.id}
                      where={`${names.player(who)} in ${row.label}`}
                      cell={proposal.cells[at]![who]!}
                      bars={asked.uses[at]!.bars}
                      isKept={isKept(row.use.id, player.id)}
                      isOpen={open?.at === at && open.who === who}
                      other={
                        other && unlike.some((one) => one.at === at && one.who === who)
                          ? { school: other.school, cell: other.cells[at]![who]! }
                          : null
                      }
                      onOpen={() => setOpen({ at, who })}
                    />
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {open && asked.uses[open.at] && asked.players[open.who] && (
        <CellDetail
          key={`${open.at} ${open.who} ${proposal.cells[open.at]![open.who]!.idea}`}
          arranging={arranging}
          asked={asked}
          proposal={proposal}
          at={open.at}
          who={open.who}
          heard={heard}
          whole={whole}
          onTake={() =>
            take(
              { useId: asked.uses[open.at]!.id, playerId: asked.players[open.who]!.id },
              `Took ${names.player(open.who)} in ${names.use(open.at)}`,
            )
          }
          onClose={() => setOpen(null)}
        />
      )}
    </section>
  );
}

/** What is taken, and what had been put aside for it, by idea and kind of section. */
function lessonOf(
  { uses }: ArrangeCase,
  { cells }: Arrangement,
  proposed: Arrangement["cells"] | null,
  isTaken: (at: number, who: number) => boolean,
) {
  const places = uses.flatMap(({ kind }, at) =>
    cells[at]!.flatMap((cell, who) =>
      isTaken(at, who) ? [{ kind, idea: cell.idea, before: proposed?.[at]?.[who]?.idea ?? cell.idea }] : [],
    ),
  );
  const ideas = (all: readonly { readonly kind: (typeof places)[number]["kind"]; readonly idea: string }[]) =>
    all.filter(({ idea }) => idea !== "out").map(({ kind, idea }) => ({ kind, idea }));
  return {
    taken: ideas(places),
    left: ideas(
      places
        .filter(({ idea, before }) => idea !== before)
        .map(({ kind, before }) => ({ kind, idea: before })),
    ),
  };
}

/** What is taken of a proposal, in the order the sheet has now: whatever came since it was asked for has none. */
function placedOn(
  sheet: Arranging["sheet"],
  asked: ArrangeCase,
  { cells }: Arrangement,
  isTaken: (useId: string, playerId: string) => boolean,
): (ArrangeCell | undefined)[][] {
  return sheet.rows.map(({ use }) => {
    const at = asked.uses.findIndex(({ id }) => id === use.id);
    return sheet.players.map(({ id }) => {
      const who = asked.players.findIndex((player) => player.id === id);
      return at < 0 || who < 0 || !isTaken(use.id, id) ? undefined : cells[at]![who]!;
    });
  });
}
