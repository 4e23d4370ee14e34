"use client";

import { type ArrangeCell, ideaOf, tellIdea } from "@/core/parts";
import { drawnRow, patternOf } from "@/core/rhythm";
import { LIGHT_WORDS } from "@/core/song/schema";
import { StrumRow } from "@/ui/StrumRow";
import { Wick } from "@/ui/Wick";

type Props = {
  /** Whose part, and in which section. */
  readonly where: string;
  readonly cell: ArrangeCell;
  readonly bars: number;
  /** Whether the sheet keeps what it has here. */
  readonly isKept: boolean;
  readonly isOpen: boolean;
  /** What another proposal has here, where it differs. */
  readonly other: { readonly school: string; readonly cell: ArrangeCell } | null;
  readonly onOpen: () => void;
};

/** One proposed cell: its light, its idea, its strokes; a press opens it. */
export function CellOffer({ where, cell, bars, isKept, isOpen, other, onOpen }: Props) {
  const entry = (cell.entryBar - 1) / bars;
  const said = `${LIGHT_WORDS[cell.light]}, ${tellIdea(cell)}${isKept ? ", the sheet keeps what it has" : ""}`;
  return (
    <td className="h-px border-t border-base-300 p-1 align-top">
      <button
        type="button"
        aria-expanded={isOpen}
        aria-label={`${where}: ${said}`}
        className={`flex h-full w-full flex-col rounded-field px-2 py-1 text-left text-sm hover:bg-base-300 ${isOpen ? "bg-base-300 outline-2" : ""} ${other ? "outline-2 outline-dashed" : ""}`}
        onClick={onOpen}
      >
        <Wick light={cell.light} carries={cell.role === "carry"} spans={[[entry, 1]]} />
        <span className={cell.role === "out" ? "block italic" : "block font-bold"}>{tellIdea(cell)}</span>
        {cell.over && <span className="block">goes round; over it {tellIdea(cell.over)}</span>}
        <Strokes cell={cell.over ?? cell} />
        {isKept && <span className="block">kept as it is</span>}
        {other && (
          <span className="mt-1 block italic">
            {other.school}: {tellIdea(other.cell)}
          </span>
        )}
      </button>
    </td>
  );
}

/** The strokes of a cell, small; nothing for what has none on strings. */
export function Strokes({ cell }: { readonly cell: ArrangeCell }) {
  const { pattern } = cell;
  const idea = ideaOf(cell.idea);
  if (!pattern || !idea || cell.line || pattern.kind === "hits") return null;
  const { kind, meter, subdivision, swing, text } = pattern;
  return <StrumRow row={drawnRow(patternOf({ kind, meter, subdivision, swing, text }))} />;
}
