"use client";

import Link from "next/link";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Place as FoundAt, Gathered } from "@/core/findings";
import { patternOfPart, type SheetFinding, type SheetPart, type SheetRow } from "@/core/parts";
import { cellKey } from "@/core/song/read";
import { onEscape } from "@/ui/on-escape";
import { useAfterPaint } from "@/ui/use-after-paint";
import { derive, useDerived } from "../open";
import { CellPane } from "./CellPane";
import { FindingsList } from "./FindingsList";
import { PartsTabs } from "./PartsTabs";
import { TwoStrums } from "./patterns/TwoStrums";
import { SheetTable } from "./SheetTable";
import { type Block, type Place, useSelection } from "./use-selection";
import { useSheetFindings } from "./use-sheet-findings";
import { describeParts, useSheetKeys } from "./use-sheet-keys";

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
  const sheet = useDerived(derive.sheet);
  const { players, rows } = sheet;
  const { selection, block, go } = useSelection(rows.length, players.length);
  const { open } = useSheetFindings();
  const table = useRef<HTMLTableElement>(null);
  const pane = useRef<HTMLElement>(null);
  const [entering, setEntering] = useState(false);
  const { row, column } = selection.focus;
  const part = rows[row]!.parts[column]!;
  // The opened part follows the frame on the sheet as soon as there is time for it.
  const opened = useAfterPaint(useMemo(() => ({ part, row: rows[row]! }), [part, rows, row]));

  // The opened part may come a moment after the frame: keys go into it once it is there.
  useEffect(() => {
    if (!entering || opened.part !== part) return;
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
  const { onKeyDown, said } = useSheetKeys(sheet, selection.focus, block, go, show, () => setEntering(true));
  const goTo = (finding: SheetFinding, place: FoundAt) => {
    const at = rows.findIndex(({ use }) => use.id === place.useId);
    const who = players.findIndex((player) => player.id === finding.playerIds[0]);
    if (at >= 0) show({ row: at, column: Math.max(0, who) }, false);
  };
  return (
    <>
      <HowToRead />
      <p role="status" className="sr-only">
        {said}
      </p>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div>
          <SheetTable
            table={table}
            focus={selection.focus}
            block={block}
            open={open}
            onPick={onPick}
            onKeyDown={onKeyDown}
          />
          <ToOpened words={`Open ${part.player.name}’s part in ${rows[row]!.label}`} />
          <FoundHere open={open} part={part} row={rows[row]!} onGo={goTo} />
        </div>
        <aside
          id="opened-part"
          ref={pane}
          // What is typed before the chosen part stands here would go into the one before.
          inert={keyOf(opened.part) !== keyOf(part)}
          aria-label={`${opened.part.player.name}’s part in ${opened.row.label}`}
          onKeyDown={onEscape(() => show({ row, column }, false))}
          className="self-start rounded-box bg-base-200 p-4 lg:sticky lg:top-3 lg:max-h-[calc(100dvh-1.5rem)] lg:overflow-y-auto"
        >
          {block.rows * block.columns > 1 && <Selected block={block} />}
          {block.rows * block.columns === 2 && <TwoParts parts={partsIn(rows, block)} />}
          <CellPane key={keyOf(opened.part)} part={opened.part} row={opened.row} />
        </aside>
      </div>
    </>
  );
}

const keyOf = ({ use, player }: SheetPart): string => cellKey(use.id, player.id);

const HowToRead = () => (
  <p className="mb-3 max-w-3xl text-sm">
    A wick is as long as the bars played and as thick as the light; the flame is on whoever carries. Slanted
    words are inherited. Arrows move, Shift with them selects, 0 to 4 set the light, Enter opens the part at
    right; ? lists all keys.
  </p>
);

/** On a narrow screen the opened part lies below the sheet. */
const ToOpened = ({ words }: { words: string }) => (
  <p className="sticky bottom-2 mt-3 lg:hidden">
    <a className="btn w-full" href="#opened-part">
      {words}
    </a>
  </p>
);

const Selected = ({ block }: { block: Parameters<typeof describeParts>[0] }) => (
  <p className="mb-3 rounded-field bg-base-100 px-3 py-2 text-sm">
    {describeParts(block)} are selected. Light, role, copy, paste, Ctrl D (fill down) and Delete act on all of
    them; below is the one with the frame.
  </p>
);

/** The parts of a block with their rows. */
const partsIn = (rows: readonly SheetRow[], block: Block): { part: SheetPart; row: SheetRow }[] =>
  rows
    .slice(block.row, block.row + block.rows)
    .flatMap((row) =>
      row.parts.slice(block.column, block.column + block.columns).map((part) => ({ part, row })),
    );

/** The strums of two selected parts, laid over one another; nothing where one of them has none. */
function TwoParts({ parts }: { readonly parts: readonly { part: SheetPart; row: SheetRow }[] }) {
  const strums = parts.flatMap(({ part, row }) => {
    const pattern = patternOfPart(part, row.passage.meter);
    return pattern ? [{ name: `${part.player.name}, ${row.label}`, pattern }] : [];
  });
  const [a, b] = strums;
  if (!a || !b) return null;
  return (
    <section aria-label="Their strums together" className="mb-3 rounded-field bg-base-100 px-3 py-2 text-sm">
      <h2 className="text-base">Their strums together</h2>
      <TwoStrums a={a} b={b} />
    </section>
  );
}

/** What is found where the frame is, and of the song as a whole. */
function FoundHere({
  open,
  part,
  row,
  onGo,
}: {
  readonly open: readonly Gathered<SheetFinding>[];
  readonly part: SheetPart;
  readonly row: SheetRow;
  readonly onGo: (finding: SheetFinding, place: FoundAt) => void;
}) {
  const here = open.filter(({ places }) => places.some(({ useId }) => useId === part.use.id));
  const ofSong = open.filter(({ useId }) => useId === null);
  return (
    <section aria-label="Findings" className="mt-6">
      <h2 className="mb-1">Findings</h2>
      <p className="mb-3 text-sm">
        {open.length === 0
          ? "Nothing on this sheet asks for a second look."
          : `${open.length} on the whole sheet, ${here.length} in ${row.label}${ofSong.length > 0 ? `, ${ofSong.length} of the song as a whole` : ""}.`}{" "}
        <Link className="link" href="parts/judgement">
          All findings, charts and the sum of the band
        </Link>
      </p>
      <FindingsList findings={[...here, ...ofSong]} onGo={onGo} />
    </section>
  );
}
