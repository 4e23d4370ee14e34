"use client";

import Link from "next/link";
import { type KeyboardEvent, useMemo, useRef, useState } from "react";
import { byOrder, cellKey, type Outline, type Player, resolveCell, setCell, type Use } from "@/core/song";
import { SectionTag } from "@/ui/SectionTag";
import { derive, makeId, useAct, useVersion } from "../document";
import { CellPane } from "./CellPane";
import { SheetCell } from "./SheetCell";

type Place = { readonly row: number; readonly column: number };

/** The Parts room: the sheet. Sections run down as they are played, players stand across. */
export function PartsRoom() {
  const body = useVersion();
  const act = useAct();
  const outline = derive.outline(body);
  const index = derive.cellIndex(body);
  const players = useMemo(() => Object.values(body.players).sort(byOrder), [body.players]);
  const [place, setPlace] = useState<Place>({ row: 0, column: 0 });
  const table = useRef<HTMLTableElement>(null);
  const pane = useRef<HTMLElement>(null);
  const row = Math.min(place.row, outline.form.length - 1);
  const column = Math.min(place.column, players.length - 1);
  const use = outline.form[row];
  const player = players[column];

  const go = (to: Place) => {
    const next = {
      row: Math.max(0, Math.min(outline.form.length - 1, to.row)),
      column: Math.max(0, Math.min(players.length - 1, to.column)),
    };
    setPlace(next);
    table.current?.querySelector<HTMLElement>(`[data-cell="${next.row}-${next.column}"]`)?.focus();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    if (step && !event.altKey && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      go({ row: row + step[0], column: column + step[1] });
    } else if (/^[0-4]$/u.test(event.key) && use && player) {
      act(setCell(index, use.id, player.id, { light: Number(event.key) }, makeId));
    } else if (event.key === "Enter") {
      event.preventDefault();
      pane.current?.querySelector<HTMLElement>("button, select, input")?.focus();
    }
  };

  if (players.length === 0 || outline.form.length === 0) {
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
      <p className="mb-3 text-sm">
        A wick is as thick as a player’s light; the flame is on whoever carries. Keys: arrows move, 0 to 4 set
        the light, Enter opens the part.
      </p>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_23rem]">
        <div className="overflow-x-auto">
          <table ref={table} className="w-full border-separate border-spacing-y-1" onKeyDown={onKeyDown}>
            <thead>
              <tr>
                <th scope="col" className="w-52 text-left text-sm">
                  Section
                </th>
                {players.map((one) => (
                  <th key={one.id} scope="col" className="px-2 text-left">
                    {one.name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {outline.form.map((one, at) => (
                <SheetRow
                  key={one.id}
                  use={one}
                  row={at}
                  outline={outline}
                  players={players}
                  selected={at === row ? column : null}
                  onSelect={(to) => setPlace({ row: at, column: to })}
                />
              ))}
            </tbody>
          </table>
        </div>
        {use && player && (
          <aside
            ref={pane}
            aria-label={`${player.name}’s part in ${use.label ?? outline.byId.get(use.sectionId)?.section.label}`}
            className="self-start rounded-box bg-base-200 p-4 lg:sticky lg:top-3 lg:max-h-[calc(100dvh-1.5rem)] lg:overflow-y-auto"
          >
            <CellPane key={cellKey(use.id, player.id)} use={use} player={player} />
          </aside>
        )}
      </div>
    </>
  );
}

const STEPS: Readonly<Record<string, readonly [rows: number, columns: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

type RowProps = {
  readonly use: Use;
  readonly row: number;
  readonly outline: Outline;
  readonly players: readonly Player[];
  readonly selected: number | null;
  readonly onSelect: (column: number) => void;
};

function SheetRow({ use, row, outline, players, selected, onSelect }: RowProps) {
  const index = derive.cellIndex(useVersion());
  const section = outline.byId.get(use.sectionId);
  if (!section) return null;
  const label = use.label ?? section.section.label;
  const opening = section.lines.find((line) => line.text !== "")?.text;
  return (
    <tr>
      <th scope="row" className="border-t border-base-300 py-2 pr-3 text-left align-top font-normal">
        <SectionTag label={label} kind={section.section.kind} />
        {use.repeat > 1 && <span className="ml-2 text-sm">× {use.repeat}</span>}
        <span className="mt-1 block text-sm italic">{opening ?? "no words"}</span>
      </th>
      {players.map((player, column) => (
        <td key={player.id} className="border-t border-base-300 p-1 align-top">
          <SheetCell
            cell={resolveCell(index, use, player)}
            name={`${label}, ${player.name}`}
            place={`${row}-${column}`}
            player={player}
            selected={selected === column}
            onSelect={() => onSelect(column)}
          />
        </td>
      ))}
    </tr>
  );
}
