"use client";

import { type KeyboardEvent, memo, type RefObject, useMemo } from "react";
import type { Gathered } from "@/core/findings";
import type { SheetFinding, SheetPart, SheetRow } from "@/core/parts";
import { cellKey } from "@/core/song/read";
import type { StrumRow } from "@/core/song/schema";
import { SectionTag } from "@/ui/SectionTag";
import { derive, useDerived, useRows } from "../open";
import { SheetCell } from "./SheetCell";
import type { Block, Place } from "./use-selection";

/** A row is a grid of its own, so that rows out of sight need be neither laid out nor painted; all have the same columns. */
const columnsOf = (players: number): string => `8rem repeat(${players}, minmax(0, 1fr))`;
const leastWidth = (players: number): string => `${8 + 6.5 * players}rem`;

/** The sheet itself: sections down as they are played, players across. */
export function SheetTable({
  table,
  focus,
  block,
  open,
  onPick,
  onKeyDown,
}: {
  readonly table: RefObject<HTMLTableElement | null>;
  readonly focus: Place;
  readonly block: Block;
  readonly open: readonly Gathered<SheetFinding>[];
  readonly onPick: (place: string, extend: boolean) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}) {
  const { strums } = useRows("strums");
  const { players, rows } = useDerived(derive.sheet);
  const counts = useMemo(() => countsOf(open), [open]);
  return (
    <div className="overflow-x-auto">
      <table
        ref={table}
        className="block w-full"
        style={{ minWidth: leastWidth(players.length) }}
        onKeyDown={onKeyDown}
      >
        <thead className="block">
          <tr className="grid" style={{ gridTemplateColumns: columnsOf(players.length) }}>
            <th scope="col" className="text-left text-sm">
              Section
            </th>
            {players.map((player) => (
              <th key={player.id} scope="col" className="px-1.5 text-left">
                {player.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="mt-1 block">
          {rows.map((row, at) => (
            <Row
              key={row.use.id}
              row={row}
              opening={row.passage.lines.find(({ outline }) => outline.text !== "")?.outline.text ?? ""}
              at={at}
              strums={strums}
              counts={counts}
              focusColumn={at === focus.row ? focus.column : null}
              from={at >= block.row && at < block.row + block.rows ? block.column : null}
              to={block.column + block.columns}
              onPick={onPick}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** How many findings each part has. */
function countsOf(open: readonly Gathered<SheetFinding>[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { places, playerIds } of open)
    for (const { useId } of places)
      for (const playerId of playerIds) {
        if (useId === null) continue;
        const key = cellKey(useId, playerId);
        counts.set(key, (counts.get(key) ?? 0) + 1);
      }
  return counts;
}

type RowProps = {
  readonly row: SheetRow;
  /** The first words of the section. */
  readonly opening: string;
  readonly at: number;
  readonly strums: Readonly<Record<string, StrumRow>>;
  readonly counts: ReadonlyMap<string, number>;
  /** The column keys go to, or null. */
  readonly focusColumn: number | null;
  /** The first column selected here, or null; `to` is the one after the last. */
  readonly from: number | null;
  readonly to: number;
  readonly onPick: (place: string, extend: boolean) => void;
};

const sameRow = (a: RowProps, b: RowProps): boolean =>
  a.row === b.row &&
  a.opening === b.opening &&
  a.at === b.at &&
  a.strums === b.strums &&
  a.focusColumn === b.focusColumn &&
  a.from === b.from &&
  (a.from === null || a.to === b.to) &&
  a.onPick === b.onPick &&
  (a.counts === b.counts ||
    a.row.parts.every((part) => {
      const key = cellKey(part.use.id, part.player.id);
      return a.counts.get(key) === b.counts.get(key);
    }));

const Row = memo(function Row({ row, opening, at, strums, counts, focusColumn, from, to, onPick }: RowProps) {
  return (
    <tr
      className="sheet-row grid border-t border-base-300"
      style={{ gridTemplateColumns: columnsOf(row.parts.length) }}
    >
      <th scope="row" className="py-2 pr-2 text-left font-normal">
        <SectionTag label={row.label} kind={row.section.kind} />
        <span className="mt-1 block text-sm">
          {row.bars} {row.bars === 1 ? "bar" : "bars"}
          {row.use.repeat > 1 && ` × ${row.use.repeat}`}
        </span>
        <span className="line-clamp-2 text-sm italic">{opening || "no words"}</span>
      </th>
      {row.parts.map((part: SheetPart, column) => (
        <td key={part.player.id} className="p-0.5 py-1">
          <SheetCell
            part={part}
            bars={row.bars}
            meter={row.passage.meter}
            strum={strums[part.cell.strumId.value ?? ""] ?? null}
            name={`${row.label}, ${part.player.name}`}
            place={`${at}-${column}`}
            focused={focusColumn === column}
            selected={from !== null && column >= from && column < to}
            findings={counts.get(cellKey(part.use.id, part.player.id)) ?? 0}
            onPick={onPick}
          />
        </td>
      ))}
    </tr>
  );
}, sameRow);
