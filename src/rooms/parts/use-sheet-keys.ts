"use client";

import { type KeyboardEvent, useRef, useState } from "react";
import type { BandSheet } from "@/core/parts";
import {
  type CopiedCell,
  clearCells,
  copyCell,
  fillDown,
  pasteCells,
  type SheetPlace,
  setCells,
} from "@/core/song/edit";
import { type KeyAct, keyAct } from "@/ui/keys";
import { derive, makeId, useAct, useDerived } from "../open";
import type { Block, Place } from "./use-selection";

const STEPS: Readonly<Record<string, readonly [rows: number, columns: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** "3 parts". */
export const describeParts = ({ rows, columns }: Block): string =>
  rows * columns === 1 ? "1 part" : `${rows * columns} parts`;

/**
 * The keys of the sheet: moving, light and roles of what is selected, copying, filling down.
 * @param show goes to a place, or takes it into the selection
 * @param enter goes into the opened part
 * @returns the handler, and what it has to say to who does not see the sheet
 */
export function useSheetKeys(
  { players, rows }: BandSheet,
  focus: Place,
  block: Block,
  go: (to: Place, extend: boolean) => void,
  show: (to: Place, extend: boolean) => void,
  enter: () => void,
): { readonly onKeyDown: (event: KeyboardEvent) => void; readonly said: string } {
  const act = useAct();
  const index = useDerived(derive.cellIndex);
  const copied = useRef<CopiedCell[][]>([]);
  const [said, setSaid] = useState("");
  const { row, column } = focus;
  const placesIn = (of: Block): SheetPlace[][] =>
    rows
      .slice(of.row, of.row + of.rows)
      .map(({ use }) =>
        players
          .slice(of.column, of.column + of.columns)
          .map((player) => ({ useId: use.id, playerId: player.id })),
      );
  const selected = () => placesIn(block).flat();
  const whole = () => placesIn({ row: 0, column: 0, rows: rows.length, columns: players.length });
  const setAll = (label: string, fields: CopiedCell) => {
    const changed = selected().map((place) => ({ ...place, fields }));
    act(setCells(index, label, changed, makeId));
  };
  const setRole = (role: NonNullable<CopiedCell["role"]>) => () => setAll("Set role", { role });
  const acts: Readonly<Record<KeyAct<"sheet">, (key: string) => void>> = {
    left: () => show({ row, column: column - 1 }, false),
    right: () => show({ row, column: column + 1 }, false),
    up: () => show({ row: row - 1, column }, false),
    down: () => show({ row: row + 1, column }, false),
    first: () => show({ row, column: 0 }, false),
    last: () => show({ row, column: players.length - 1 }, false),
    more: (key) => {
      const step = STEPS[key];
      if (step) show({ row: row + step[0], column: column + step[1] }, true);
      else show({ row, column: key === "Home" ? 0 : players.length - 1 }, true);
    },
    all: () => {
      go({ row: 0, column: 0 }, false);
      go({ row: rows.length - 1, column: players.length - 1 }, true);
    },
    light: (key) => setAll("Set light", { light: Number(key) }),
    carry: setRole("carry"),
    support: setRole("support"),
    line: setRole("line"),
    bass: setRole("bass"),
    out: setRole("out"),
    copy: () => {
      copied.current = placesIn(block).map((those) =>
        those.map(({ useId, playerId }) => copyCell(index, useId, playerId)),
      );
      setSaid(`Copied ${describeParts(block)}.`);
    },
    paste: () => {
      if (copied.current.length === 0) return;
      act(pasteCells(index, copied.current, block, whole(), makeId));
      setSaid("Pasted.");
    },
    fill: () => {
      if (block.rows <= 1) return;
      act(fillDown(index, placesIn(block), makeId));
      setSaid(`Filled down over ${block.rows} sections.`);
    },
    clear: () => act(clearCells(index, selected())),
    open: enter,
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const pressed = keyAct("sheet", event);
    if (!pressed) return;
    event.preventDefault();
    acts[pressed](event.key);
  };
  return { onKeyDown, said };
}
