"use client";

import { useStore } from "zustand";
import { describePlace, type LostEdit, type Tables } from "@/document";
import type { DocumentStore } from "@/document/client";
import { useOpenSong } from "../open";

/** Two edits on the same place: both values, and the choice between them. */
export function Conflicts() {
  const { version, song } = useOpenSong();
  return (
    <>
      <ConflictsOf store={version} />
      <ConflictsOf store={song} />
    </>
  );
}

function ConflictsOf<T extends Tables>({ store }: { store: DocumentStore<T> }) {
  const lost = useStore(store.state, (state) => state.lost);
  return lost.map((one) => <Conflict key={one.edit.editId} lost={one} store={store} />);
}

const describeSetting = (value: unknown): string => {
  if (value === null || value === undefined) return "nothing (it was removed)";
  if (typeof value === "object")
    return String(
      (value as { label?: unknown; name?: unknown; text?: unknown; symbol?: unknown }).label ??
        (value as { name?: unknown }).name ??
        (value as { text?: unknown }).text ??
        (value as { symbol?: unknown }).symbol ??
        "a new row",
    );
  return `“${String(value)}”`;
};

function Conflict<T extends Tables>({ lost, store }: { lost: LostEdit<T>; store: DocumentStore<T> }) {
  const { history } = useOpenSong();
  const putMine = () => {
    store.dismiss(lost);
    history.act(store, lost.edit.command);
  };
  const [first] = lost.at;
  return (
    <section role="alert" className="mx-4 mb-4 rounded-box border-2 border-warning bg-base-200 p-3 md:mx-6">
      <h2>Changed in two windows at once</h2>
      {lost.at.slice(0, 4).map((place) => (
        <p key={`${place.table} ${place.id} ${place.field}`}>
          {describePlace(store.definition, place)}: there it is now {describeSetting(place.theirs)}; here you
          set {describeSetting(place.yours)}.
        </p>
      ))}
      {lost.at.length > 4 && <p>and {lost.at.length - 4} more places.</p>}
      <p className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" onClick={() => store.dismiss(lost)}>
          Leave theirs
        </button>
        {first && (
          <button type="button" className="btn btn-sm btn-primary" onClick={putMine}>
            Put mine instead
          </button>
        )}
      </p>
    </section>
  );
}
