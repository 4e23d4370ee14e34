"use client";

import { useEffect, useRef } from "react";
import { useStore } from "zustand";
import { KEYS, type KeyPlace, PLACE_WORDS, setSingleKeys, showKeys, singleKeys } from "@/ui/keys";
import { Tick } from "@/ui/Tick";
import { showFrame } from "./frame-store";
import { isMac } from "./is-mac";

const PLACES = Object.keys(PLACE_WORDS) as KeyPlace[];

/** The keys of every place, from the table that the handlers read. */
export function KeysAndHelp() {
  const dialog = useRef<HTMLDialogElement>(null);
  const singles = useStore(singleKeys);
  useEffect(() => dialog.current?.showModal(), []);
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="keys-title" onClose={() => showFrame(null)}>
      <div className="modal-box flex max-h-[calc(100dvh-2rem)] w-11/12 max-w-5xl flex-col">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
          <h2 id="keys-title" className="mr-auto">
            Keys and help
          </h2>
          <Tick label="Keys of one letter, digit or sign act" on={singles} onSet={setSingleKeys} />
          <form method="dialog">
            <button type="submit" className="btn btn-sm">
              Close
            </button>
          </form>
        </div>
        <p className="mt-1 text-sm">
          {showKeys("Mod+k", isMac())} finds every room, song, evening, section, player and act. Keys of a
          place hold while the focus is in it; Escape leaves a pane.
        </p>
        <section
          aria-label="All keys"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by keys
          tabIndex={0}
          className="mt-3 gap-8 overflow-y-auto sm:columns-2 lg:columns-3"
        >
          {PLACES.map((place) => (
            <section key={place} aria-label={PLACE_WORDS[place]} className="mb-4 break-inside-avoid">
              <h3 className="font-bold">{PLACE_WORDS[place]}</h3>
              <dl className="grid grid-cols-[auto_1fr] gap-x-3 text-sm">
                {KEYS.filter((row) => row.place === place && !("shown" in row && row.shown === "")).map(
                  (row) => (
                    <div key={row.act} className="contents">
                      <dt className="font-mono font-bold">
                        {"shown" in row
                          ? row.shown
                          : row.keys.map((key) => showKeys(key, isMac())).join(", ")}
                      </dt>
                      <dd>{row.does}</dd>
                    </div>
                  ),
                )}
              </dl>
            </section>
          ))}
        </section>
      </div>
      <form method="dialog" className="modal-backdrop">
        <button type="submit">Close</button>
      </form>
    </dialog>
  );
}
