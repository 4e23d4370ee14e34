"use client";

import type { Loops } from "./use-loops";

/** What stands in the way of a plan, and the way out. The last good plan stays on the screen below. */
export function Notes({
  loops,
}: {
  loops: Pick<Loops, "problem" | "notes"> & { readonly shown: object | null };
}) {
  const { problem, notes, shown } = loops;
  if (!problem && notes.length === 0) return null;
  return (
    <div
      role="status"
      className="mb-4 flex max-w-3xl flex-col gap-1 rounded-box border-2 border-base-content bg-base-200 p-3"
    >
      {problem && (
        <p className="font-bold">
          {problem}
          {shown && <span className="font-normal"> Below is the last plan that worked.</span>}
        </p>
      )}
      {notes.map((note) => (
        <p key={note}>{note}</p>
      ))}
    </div>
  );
}
