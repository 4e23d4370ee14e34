"use client";

import { memo } from "react";
import type { Player, ResolvedCell } from "@/core/song";
import { LIGHT_WORDS } from "@/ui/light-words";
import { ROLE_WORDS } from "@/ui/pretty";
import { Wick } from "@/ui/Wick";

type Props = {
  readonly cell: ResolvedCell;
  readonly name: string;
  readonly place: string;
  readonly player: Player;
  readonly selected: boolean;
  readonly onSelect: () => void;
};

/** A cell of the sheet as it is written there: wick, role, what differs, note. Inherited words are slanted. */
export const SheetCell = memo(function SheetCell({ cell, name, place, player, selected, onSelect }: Props) {
  const light = cell.light.value;
  const out = light === 0 || cell.role.value === "out";
  const words = out ? "stays out" : ROLE_WORDS[cell.role.value];
  return (
    <button
      type="button"
      data-cell={place}
      tabIndex={selected ? 0 : -1}
      aria-pressed={selected}
      aria-label={`${name}: ${LIGHT_WORDS[light]}, ${words}${cell.note.value ? `, ${cell.note.value}` : ""}`}
      className={`w-full rounded-field px-2 py-1 text-left ${selected ? "bg-base-300 ring-2 ring-base-content" : "hover:bg-base-200"}`}
      onClick={onSelect}
      onFocus={onSelect}
    >
      <Wick light={out ? 0 : light} carries={cell.role.value === "carry"} />
      <span
        className={`block text-sm ${cell.role.from === "own" && cell.light.from === "own" ? "" : "italic"}`}
      >
        {words}
        {cell.capo.from === "own" && cell.capo.value !== player.capo && (
          <strong>, capo {cell.capo.value} here</strong>
        )}
      </span>
      {cell.note.value && <span className="line-clamp-2 block text-sm">{cell.note.value}</span>}
    </button>
  );
});
