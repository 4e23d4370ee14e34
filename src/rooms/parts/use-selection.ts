"use client";

import { useCallback, useRef, useState } from "react";

/** A place on the sheet by row and column. */
export type Place = { readonly row: number; readonly column: number };

/** A block of the sheet: from where it was begun to where the keys are. */
export type Selection = { readonly anchor: Place; readonly focus: Place };

export type Block = {
  readonly row: number;
  readonly column: number;
  readonly rows: number;
  readonly columns: number;
};

const START: Place = { row: 0, column: 0 };

export const blockOf = ({ anchor, focus }: Selection): Block => ({
  row: Math.min(anchor.row, focus.row),
  column: Math.min(anchor.column, focus.column),
  rows: Math.abs(anchor.row - focus.row) + 1,
  columns: Math.abs(anchor.column - focus.column) + 1,
});

const clamp = ({ row, column }: Place, rows: number, columns: number): Place => ({
  row: Math.max(0, Math.min(rows - 1, row)),
  column: Math.max(0, Math.min(columns - 1, column)),
});

/** What is selected on a sheet of so many rows and columns, and how it is moved. */
export function useSelection(rows: number, columns: number) {
  const [kept, setKept] = useState<Selection>({ anchor: START, focus: START });
  const selection: Selection = {
    anchor: clamp(kept.anchor, rows, columns),
    focus: clamp(kept.focus, rows, columns),
  };
  const now = useRef(selection);
  now.current = selection;
  /** Goes to a place; `extend` keeps where the block was begun. */
  const go = useCallback((to: Place, extend: boolean) => {
    setKept({ anchor: extend ? now.current.anchor : to, focus: to });
  }, []);
  return { selection, block: blockOf(selection), go };
}
