"use client";

import Link from "next/link";
import { type KeyboardEvent, memo, useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Place as FoundAt } from "@/core/findings";
import type { SheetFinding, SheetPart, SheetRow } from "@/core/parts";
import {
  type CopiedCell,
  clearCells,
  copyCell,
  fillDown,
  pasteCells,
  type SheetPlace,
  setCells,
} from "@/core/song/edit";
import { cellKey } from "@/core/song/read";
import type { StrumRow } from "@/core/song/schema";
import { type KeyAct, keyAct } from "@/ui/keys";
import { onEscape } from "@/ui/on-escape";
import { SectionTag } from "@/ui/SectionTag";
import { useAfterPaint } from "@/ui/use-after-paint";
import { derive, makeId, useAct, useDerived, useRows } from "../open";
import { CellPane } from "./CellPane";
import { FindingsList } from "./FindingsList";
import { PartsTabs } from "./PartsTabs";
import { SheetCell } from "./SheetCell";
import { type Block, type Place, useSelection } from "./use-selection";
import { useSheetFindings } from "./use-sheet-findings";

const STEPS: Readonly<Record<string, readonly [rows: number, columns: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** The Parts room: the sheet. Sections run down as they are played, players stand across. */
export function PartsRoom() {
  const { players, rows } = useDerived(derive.sheet);
  if (players.length === 0 || rows.length === 0) {
    return (
      <>
        <h1 className="mb-2">Parts</h1>
        <p className="rounded-box bg-base-200 p-4">
          The sheet stands here once there are players and a form.{" "}
          <Link className="link font-bold" href={players.length === 0 ? "players" : "."}>
            {players.length === 0 ? "Add players" : "Put sections in order"}
          </Link>
        </p>
      </>
    );
  }
  return (
    <>
      <h1 className="mb-1">Parts</h1>
      <PartsTabs />
      <Sheet />
    </>
  );
}

function Sheet() {
  const { strums } = useRows("strums");
  const act = useAct();
  const { players, rows } = useDerived(derive.sheet);
  const index = useDerived(derive.cellIndex);
  const { selection, block, go } = useSelection(rows.length, players.length);
  const { open } = useSheetFindings();
  const table = useRef<HTMLTableElement>(null);
  const pane = useRef<HTMLElement>(null);
  const copied = useRef<CopiedCell[][]>([]);
  const [said, setSaid] = useState("");
  const [entering, setEntering] = useState(false);
  const { row, column } = selection.focus;
  const part = rows[row]!.parts[column]!;
  // The opened part follows the frame on the sheet as soon as there is time for it.
  const { part: opened, row: openedRow } = useAfterPaint(
    useMemo(() => ({ part, row: rows[row]! }), [part, rows, row]),
  );

  // The opened part may come a moment after the frame: keys go into it once it is there.
  useEffect(() => {
    if (!entering || opened !== part) return;
    pane.current?.querySelector<HTMLElement>('[aria-pressed="true"], select, input')?.focus();
    setEntering(false);
  }, [entering, opened, part]);

  const show = (to: Place, extend: boolean) => {
    const next = {
      row: Math.max(0, Math.min(rows.length - 1, to.row)),
      column: Math.max(0, Math.min(players.length - 1, to.column)),
    };
    go(next, extend);
    table.current?.querySelector<HTMLElement>(`[data-cell="${next.row}-${next.column}"]`)?.focus();
  };
  const onPick = useCallback(
    (place: string, extend: boolean) => {
      const [atRow, atColumn] = place.split("-").map(Number);
      go({ row: atRow!, column: atColumn! }, extend);
    },
    [go],
  );
  const places = (of: Block): SheetPlace[][] =>
    rows
      .slice(of.row, of.row + of.rows)
      .map((one) =>
        players
          .slice(of.column, of.column + of.columns)
          .map((player) => ({ useId: one.use.id, playerId: player.id })),
      );
  const all = places({ row: 0, column: 0, rows: rows.length, columns: players.length });
  const setAll = (label: string, fields: CopiedCell) =>
    act(
      setCells(
        index,
        label,
        places(block)
          .flat()
          .map((place) => ({ ...place, fields })),
        makeId,
      ),
    );
  const count = block.rows * block.columns;
  const sayCells = `${count} ${count === 1 ? "part" : "parts"}`;
  const acts: Readonly<Record<KeyAct<"sheet">, (event: KeyboardEvent) => void>> = {
    left: () => show({ row, column: column - 1 }, false),
    right: () => show({ row, column: column + 1 }, false),
    up: () => show({ row: row - 1, column }, false),
    down: () => show({ row: row + 1, column }, false),
    first: () => show({ row, column: 0 }, false),
    last: () => show({ row, column: players.length - 1 }, false),
    more: ({ key }) => {
      const step = STEPS[key];
      if (step) show({ row: row + step[0], column: column + step[1] }, true);
      else show({ row, column: key === "Home" ? 0 : players.length - 1 }, true);
    },
    all: () => {
      go({ row: 0, column: 0 }, false);
      go({ row: rows.length - 1, column: players.length - 1 }, true);
    },
    light: ({ key }) => setAll("Set light", { light: Number(key) }),
    carry: () => setAll("Set role", { role: "carry" }),
    support: () => setAll("Set role", { role: "support" }),
    line: () => setAll("Set role", { role: "line" }),
    bass: () => setAll("Set role", { role: "bass" }),
    out: () => setAll("Set role", { role: "out" }),
    copy: () => {
      copied.current = places(block).map((those) =>
        those.map(({ useId, playerId }) => copyCell(index, useId, playerId)),
      );
      setSaid(`Copied ${sayCells}.`);
    },
    paste: () => {
      if (copied.current.length === 0) return;
      act(pasteCells(index, copied.current, block, all, makeId));
      setSaid("Pasted.");
    },
    fill: () => {
      if (block.rows <= 1) return;
      act(fillDown(index, places(block), makeId));
      setSaid(`Filled down over ${block.rows} sections.`);
    },
    clear: () => act(clearCells(index, places(block).flat())),
    open: () => setEntering(true),
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const pressed = keyAct("sheet", event);
    if (!pressed) return;
    event.preventDefault();
    acts[pressed](event);
  };
  const outline = useDerived(derive.outline);
  const openings = useMemo(
    () =>
      new Map(
        outline.sections.map(({ section, lines }) => [
          section.id,
          lines.find((line) => line.text !== "")?.text ?? "",
        ]),
      ),
    [outline],
  );
  const counts = useMemo(() => {
    const found = new Map<string, number>();
    for (const { places, playerIds } of open)
      for (const { useId } of places)
        for (const playerId of playerIds) {
          if (useId === null) continue;
          const key = cellKey(useId, playerId);
          found.set(key, (found.get(key) ?? 0) + 1);
        }
    return found;
  }, [open]);
  const here = open.filter(({ places }) => places.some(({ useId }) => useId === part.use.id));
  const ofSong = open.filter(({ useId }) => useId === null);
  const goTo = (finding: SheetFinding, place: FoundAt) => {
    const at = rows.findIndex((one) => one.use.id === place.useId);
    const who = players.findIndex((player) => player.id === finding.playerIds[0]);
    if (at >= 0) show({ row: at, column: Math.max(0, who) }, false);
  };
  return (
    <>
      <p className="mb-3 max-w-3xl text-sm">
        A wick is as long as the bars played and as thick as the light; the flame is on whoever carries.
        Slanted words are inherited. Arrows move, Shift with them selects, 0 to 4 set the light, Enter opens
        the part at right; ? lists all keys.
      </p>
      <p role="status" className="sr-only">
        {said}
      </p>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div>
          <div className="overflow-x-auto">
            <table
              ref={table}
              className="w-full table-fixed border-separate border-spacing-y-1"
              style={{ minWidth: `${8 + 6.5 * players.length}rem` }}
              onKeyDown={onKeyDown}
            >
              <thead>
                <tr>
                  <th scope="col" className="w-32 text-left text-sm">
                    Section
                  </th>
                  {players.map((player) => (
                    <th key={player.id} scope="col" className="min-w-24 px-1.5 text-left">
                      {player.name}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.map((one, at) => (
                  <Row
                    key={one.use.id}
                    row={one}
                    opening={openings.get(one.section.id) ?? ""}
                    at={at}
                    strums={strums}
                    counts={counts}
                    focusColumn={at === row ? column : null}
                    from={at >= block.row && at < block.row + block.rows ? block.column : null}
                    to={block.column + block.columns}
                    onPick={onPick}
                  />
                ))}
              </tbody>
            </table>
          </div>
          <p className="sticky bottom-2 mt-3 lg:hidden">
            <a className="btn w-full" href="#opened-part">
              Open {part.player.name}’s part in {rows[row]!.label}
            </a>
          </p>
          <section aria-label="Findings" className="mt-6">
            <h2 className="mb-1">Findings</h2>
            <p className="mb-3 text-sm">
              {open.length === 0
                ? "Nothing on this sheet asks for a second look."
                : `${open.length} on the whole sheet, ${here.length} in ${rows[row]!.label}${ofSong.length > 0 ? `, ${ofSong.length} of the song as a whole` : ""}.`}{" "}
              <Link className="link" href="parts/judgement">
                All findings, charts and the sum of the band
              </Link>
            </p>
            <FindingsList findings={[...here, ...ofSong]} onGo={goTo} />
          </section>
        </div>
        <aside
          id="opened-part"
          ref={pane}
          aria-label={`${opened.player.name}’s part in ${openedRow.label}`}
          onKeyDown={onEscape(() => show({ row, column }, false))}
          className="self-start rounded-box bg-base-200 p-4 lg:sticky lg:top-3 lg:max-h-[calc(100dvh-1.5rem)] lg:overflow-y-auto"
        >
          {count > 1 && (
            <p className="mb-3 rounded-field bg-base-100 px-3 py-2 text-sm">
              {sayCells} are selected. Light, role, copy, paste, Ctrl D (fill down) and Delete act on all of
              them; below is the one with the frame.
            </p>
          )}
          <CellPane key={cellKey(opened.use.id, opened.player.id)} part={opened} row={openedRow} />
        </aside>
      </div>
    </>
  );
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
    <tr>
      <th scope="row" className="border-t border-base-300 py-2 pr-2 text-left align-top font-normal">
        <SectionTag label={row.label} kind={row.section.kind} />
        <span className="mt-1 block text-sm">
          {row.bars} {row.bars === 1 ? "bar" : "bars"}
          {row.use.repeat > 1 && ` × ${row.use.repeat}`}
        </span>
        <span className="line-clamp-2 text-sm italic">{opening || "no words"}</span>
      </th>
      {row.parts.map((part: SheetPart, column) => (
        <td key={part.player.id} className="h-px border-t border-base-300 p-0.5 align-top">
          <SheetCell
            part={part}
            bars={row.bars}
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
