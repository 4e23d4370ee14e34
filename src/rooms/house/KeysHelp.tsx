"use client";

import { useEffect, useRef } from "react";
import { isTyping } from "@/ui/is-typing";

const KEYS: readonly (readonly [string, string])[] = [
  ["Ctrl Z", "take back"],
  ["Ctrl Shift Z", "do again"],
  ["?", "this list"],
  ["Arrows", "Parts: move over the sheet; Lines: over the grid"],
  ["Shift Arrows", "Parts: select several; Ctrl A selects all"],
  ["0 to 4", "Parts: light of what is selected, out to full"],
  ["c s l b o", "Parts: carries, supports, line, bass, out"],
  ["Ctrl C  Ctrl V", "Parts: copy and paste parts"],
  ["Ctrl D", "Parts: fill a selection down from its first row"],
  ["Delete", "Parts: let a part inherit again; Lines: take a note away"],
  ["Enter", "Parts: open the cell at right; Song: open a line"],
  ["Digits, h p / x b", "Lines: fret, hammer-on, pull-off, slide, dead, bend"],
  ["d c l", "Loops: draw, cut or leave loose what is selected"],
  ["a  Enter", "Loops: select the whole section; do again what a drag does"],
  ["1 to 9", "Loops, Sounds: pedals of the simulated box"],
  ["Alt ↑ Alt ↓", "Song: move a place in the form; Evening: in the running order"],
  ["↑ ↓", "Keys: from row to row of a capo table"],
  ["0 to 9", "Keys: put the capo there, in its table"],
  ["→ Space Page Down", "Stage: go on"],
  ["← Page Up", "Stage: back"],
];

/** The list of keys, on "?". */
export function KeysHelp() {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "?" && !isTyping(event.target)) dialog.current?.showModal();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <>
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => dialog.current?.showModal()}
        aria-label="Keys"
      >
        ?
      </button>
      <dialog ref={dialog} className="modal" aria-labelledby="keys-title">
        <div className="modal-box">
          <h2 id="keys-title">Keys</h2>
          <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            {KEYS.map(([keys, does]) => (
              <div key={keys} className="contents">
                <dt className="font-mono font-bold">{keys}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <form method="dialog" className="modal-action">
            <button type="submit" className="btn">
              Close
            </button>
          </form>
        </div>
      </dialog>
    </>
  );
}
