"use client";

import { X } from "lucide-react";
import { batch, removalIn } from "@/core/song/edit";
import type { Note } from "@/core/song/read";
import { useAct, useCurrentVersion } from "../open";

/** Notes of the sheet at one place: comments as they are read, tab behind a fold. */
export function KeptNotes({ notes }: { notes: readonly Note[] | undefined }) {
  const shown = (notes ?? []).filter((note) => note.kind !== "directive");
  if (shown.length === 0) return null;
  return (
    <ul className="flex flex-col">
      {shown.map((note) => (
        <li key={note.id} className="flex items-start gap-2 px-2 text-sm">
          {note.kind === "words" ? (
            <span className="italic">{note.text}</span>
          ) : (
            <details className="min-w-0">
              <summary className="cursor-pointer">Tab from the sheet</summary>
              <pre className="overflow-x-auto font-mono text-xs">{note.text}</pre>
            </details>
          )}
          <RemoveNote note={note} />
        </li>
      ))}
    </ul>
  );
}

/** Everything that stands before the first section, and directives no room shows: kept, and written back. */
export function HeadNotes({ notes }: { notes: readonly Note[] }) {
  if (notes.length === 0) return null;
  return (
    <details className="rounded-box bg-base-200 p-4">
      <summary className="cursor-pointer font-bold">Kept from the sheet: {notes.length}</summary>
      <p className="mt-1 text-sm">It is written out again with the song.</p>
      <ul className="mt-2 flex flex-col gap-1">
        {notes.map((note) => (
          <li key={note.id} className="flex items-start gap-2 text-sm">
            <span
              className={`min-w-0 flex-1 break-words ${note.kind === "words" ? "" : "font-mono text-xs"}`}
            >
              {note.text}
            </span>
            <RemoveNote note={note} />
          </li>
        ))}
      </ul>
    </details>
  );
}

function RemoveNote({ note }: { note: Note }) {
  const act = useAct();
  const current = useCurrentVersion();
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs px-1"
      aria-label={`Remove the note “${note.text.slice(0, 40)}”`}
      onClick={() => act(batch("Remove a note", removalIn(current(), "extras", note.id)))}
    >
      <X size={14} aria-hidden="true" />
    </button>
  );
}
