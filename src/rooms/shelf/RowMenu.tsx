"use client";

import { useEffect, useRef } from "react";
import type { ShelfSong, SongAct } from "@/api";
import { today } from "@/ui/tell-day";
import type { Act } from "./shelf-song";

function actsOf(song: ShelfSong): [label: string, wanted: SongAct, words: string][] {
  if (song.archived)
    return [["Bring it back to the shelf", { act: "restore" }, `“${song.title}” is back on the shelf.`]];
  return [
    ["Rehearsed today", { act: "rehearsed", day: today() }, `“${song.title}”: rehearsed today.`],
    ["Duplicate the song", { act: "duplicate" }, `“${song.title}” stands twice now.`],
    [
      "Put it away",
      { act: "archive" },
      `“${song.title}” is put away. It can be brought back under “Put away”.`,
    ],
  ];
}

/** What can be done with a song of the list, beside the button that asked; there is one for the whole list. */
export function RowMenu({
  song,
  at,
  onAct,
  onEvening,
  onClose,
}: {
  song: ShelfSong;
  at: HTMLElement;
  onAct: Act;
  /** Asks which evening it is put into. */
  onEvening: () => void;
  onClose: () => void;
}) {
  const menu = useRef<HTMLUListElement>(null);
  useEffect(() => {
    const own = menu.current!;
    own.showPopover();
    const { right, bottom, top } = at.getBoundingClientRect();
    const below = bottom + own.offsetHeight < window.innerHeight;
    own.style.left = `${Math.max(8, right - own.offsetWidth)}px`;
    own.style.top = `${below ? bottom : top - own.offsetHeight}px`;
    own.querySelector("button")?.focus();
  }, [at]);
  const close = () => {
    onClose();
    at.focus();
  };
  return (
    <ul
      ref={menu}
      popover="auto"
      aria-label={`More for ${song.title}`}
      className="menu fixed inset-auto m-0 rounded-box border border-base-300 bg-base-100 p-2 shadow-lg"
      onToggle={(event) => event.newState === "closed" && close()}
    >
      {!song.archived && (
        <li>
          <button
            type="button"
            onClick={() => {
              menu.current?.hidePopover();
              onEvening();
            }}
          >
            Put it into an evening
          </button>
        </li>
      )}
      {actsOf(song).map(([label, body, words]) => (
        <li key={label}>
          <button
            type="button"
            onClick={() => {
              menu.current?.hidePopover();
              onAct(song, body, words);
            }}
          >
            {label}
          </button>
        </li>
      ))}
    </ul>
  );
}
