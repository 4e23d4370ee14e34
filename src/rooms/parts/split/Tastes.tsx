"use client";

import { tellTaste } from "@/core/parts";
import { bandEdits } from "@/core/song/edit";
import { useActOnBand, useBand } from "../../open";

/** What has been learned of the band, in words, each to be forgotten, or all of it. */
export function Tastes() {
  const band = useBand();
  const act = useActOnBand();
  if (!band) return null;
  const rows = Object.values(band.ideaTastes);
  const told = rows.flatMap((row) => {
    const words = tellTaste(row);
    return words === null ? [] : [{ row, words }];
  });
  return (
    <details className="max-w-4xl">
      <summary className="cursor-pointer">What this band likes</summary>
      <p className="mt-1 max-w-3xl text-sm">
        {told.length === 0
          ? "Nothing yet. What you take, and what you put in its place, moves the next proposals a little; only for this band."
          : "Learned from what was taken, and what was put in its place. It moves the proposals a little; only for this band."}
      </p>
      {told.length > 0 && (
        <ul className="mt-2 flex flex-wrap gap-2" aria-label="Learned">
          {told.map(({ row, words }) => (
            <li key={row.id} className="rounded-field bg-base-200 px-3 py-1 text-sm">
              {words}{" "}
              <button
                type="button"
                className="link ml-1"
                aria-label={`Forget: ${words}`}
                onClick={() => act(bandEdits.remove("ideaTastes", row))}
              >
                forget
              </button>
            </li>
          ))}
        </ul>
      )}
      {rows.length > 0 && (
        <button
          type="button"
          className="btn btn-sm mt-2 mb-3"
          onClick={() =>
            act(
              bandEdits.batch(
                "Forget what the band likes",
                rows.map((row) => bandEdits.remove("ideaTastes", row)),
              ),
            )
          }
        >
          Forget all of it
        </button>
      )}
    </details>
  );
}
