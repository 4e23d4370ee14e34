"use client";

import { useState } from "react";
import { remove } from "@/core/song/edit";
import { useAct } from "../open-song";

/** A finding that is let stand, in a sentence. */
export type StandingSentence = { readonly rowId: string; readonly what: string; readonly reason: string };

/** What somebody lets stand, with the reason; any of it can be raised again. */
export function StandingList({ standing }: { readonly standing: readonly StandingSentence[] }) {
  const [isOpen, setIsOpen] = useState(false);
  const act = useAct();
  if (standing.length === 0) return null;
  return (
    <>
      <button
        type="button"
        className="btn btn-sm mt-3"
        aria-expanded={isOpen}
        onClick={() => setIsOpen(!isOpen)}
      >
        {standing.length} let stand
      </button>
      {isOpen && (
        <ul className="mt-2 flex max-w-4xl flex-col gap-2">
          {standing.map(({ rowId, what, reason }) => (
            <li key={rowId} className="rounded-box bg-base-200 p-3">
              {what} <em>{reason}</em>{" "}
              <button
                type="button"
                className="link text-sm"
                onClick={() => act(remove("dismissals", { id: rowId }))}
              >
                raise it again
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
