"use client";

import { useState } from "react";
import { placeOf, saveKept } from "@/api";
import { ChooseKept, HowFar, type KeptBackup, LostOfKept, useBringKept } from "./KeptBackups";

/** The first page where the database does not open: why, and the newest backup as a way out. */
export function Rescue({ reason, kept }: { reason: string; kept: readonly KeptBackup[] }) {
  const [chosen, setChosen] = useState(kept[0]?.name ?? "");
  const { share, said, lost, bring } = useBringKept();
  return (
    <main className="mx-auto max-w-3xl px-4 py-10">
      <h1 className="mb-4">The database does not open</h1>
      <p className="mb-2">
        Its files in the data folder are damaged, or not all there ({reason}). Nothing was changed. If a disk
        is failing, copy the whole data folder elsewhere before anything else.
      </p>
      <p className="mb-6">
        Whatever you choose, the damaged files are kept beside, as <code>postgres.damaged</code> with a
        number.
      </p>
      {kept.length > 0 ? (
        <section aria-label="Kept backups" className="mb-6 rounded-box bg-base-200 p-4">
          <h2>Go on from a backup</h2>
          <p className="mt-1 mb-3 text-sm">
            The program has kept {kept.length === 1 ? "one" : kept.length} by itself. What was edited after
            the one you choose is not in it.
          </p>
          <p className="flex flex-wrap items-center gap-3">
            <ChooseKept kept={kept} chosen={chosen} onChoose={setChosen} />
            <button
              type="button"
              className="btn btn-primary"
              disabled={share !== null}
              onClick={() => bring(chosen)}
            >
              Go on from this one
            </button>
            <a className="btn btn-sm" href={placeOf(saveKept, { sent: { name: chosen } })} download>
              Save it as a file
            </a>
          </p>
        </section>
      ) : (
        <p className="mb-6">
          No backup is kept in this data folder. If you saved one elsewhere, begin with an empty shelf, and
          bring it back on the first page.
        </p>
      )}
      <p className="flex flex-wrap items-center gap-3">
        <button type="button" className="btn" disabled={share !== null} onClick={() => bring(null)}>
          Begin with an empty shelf
        </button>
        {share !== null && <HowFar share={share} />}
      </p>
      <LostOfKept lost={lost} />
      <p aria-live="polite" className="mt-3">
        {said}
      </p>
    </main>
  );
}
