"use client";

import { useState } from "react";
import { ARRANGE_WEIGHTS } from "@/core/parts";
import { bandEdits, orderAtEnd } from "@/core/song/edit";
import { byOrder } from "@/document";
import { makeId, useActOnBand, useBand } from "../../open";
import type { Arranging } from "./use-arrangement";

/** Weights kept under a name with the band: a leader's own way of splitting, taken up again with one press. */
export function OwnWays({ arranging }: { readonly arranging: Arranging }) {
  const { wishes, set } = arranging;
  const band = useBand();
  const act = useActOnBand();
  const [name, setName] = useState("");
  if (!band) return null;
  const ways = Object.values(band.splitWays).sort(byOrder);
  const isEdited = JSON.stringify(wishes.weights) !== JSON.stringify(ARRANGE_WEIGHTS);
  return (
    <>
      {ways.length > 0 && (
        <ul className="mt-3 flex flex-wrap gap-2" aria-label="Own ways">
          {ways.map((way) => (
            <li key={way.id} className="rounded-field bg-base-200 px-3 py-1 text-sm">
              <button
                type="button"
                className="link font-bold"
                onClick={() => set.weights({ ...ARRANGE_WEIGHTS, ...way.weights })}
              >
                {way.name}
              </button>{" "}
              <button
                type="button"
                className="link ml-2"
                aria-label={`Forget the way ${way.name}`}
                onClick={() => act(bandEdits.remove("splitWays", way))}
              >
                forget
              </button>
            </li>
          ))}
        </ul>
      )}
      <form
        className="mt-3 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === "") return;
          const row = {
            id: makeId(),
            order: orderAtEnd(ways),
            name: name.trim(),
            weights: { ...wishes.weights },
          };
          act(bandEdits.add("splitWays", row));
          setName("");
        }}
      >
        <label className="flex flex-col gap-1 text-sm">
          Keep these weights with the band as
          <input
            className="input input-sm w-52"
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm" disabled={!isEdited || name.trim() === ""}>
          Keep them
        </button>
      </form>
    </>
  );
}
