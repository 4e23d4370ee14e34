"use client";

import { ARCS, ARRANGE_WEIGHTS, dropBefore } from "@/core/parts";
import { NumberField } from "@/ui/NumberField";
import { Tick } from "@/ui/Tick";
import { Toggles } from "@/ui/Toggles";
import { Limits } from "./Limits";
import { OwnWays } from "./OwnWays";
import { Tastes } from "./Tastes";
import type { Arranging } from "./use-arrangement";
import { ARC_WORDS, WEIGHT_WORDS } from "./words";

/** What a leader wants before anything is worked out: who is there, how the song goes, what is fixed, what counts. */
export function Wishes({ arranging }: { readonly arranging: Arranging }) {
  const { sheet, wishes, set } = arranging;
  const drop = dropBefore(sheet);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-start gap-x-8 gap-y-3">
        <fieldset>
          <legend className="mb-1 text-sm">Who is there</legend>
          <div className="flex flex-wrap gap-x-5">
            {sheet.players.map(({ id, name }) => (
              <Tick
                key={id}
                label={name}
                on={!wishes.away.has(id)}
                onSet={(here) => {
                  const next = new Set(wishes.away);
                  if (here) next.delete(id);
                  else next.add(id);
                  set.away(next);
                }}
              />
            ))}
          </div>
        </fieldset>
        <Toggles
          label="The song"
          value={wishes.arc}
          options={ARCS.map((value) => ({ value, label: ARC_WORDS[value] }))}
          onSet={set.arc}
        />
        {drop !== null && (
          <fieldset>
            <legend className="mb-1 text-sm">{sheet.rows[drop]!.label}</legend>
            <Tick label="drop before the last chorus" on={wishes.drops} onSet={set.drops} />
          </fieldset>
        )}
        <fieldset>
          <legend className="mb-1 text-sm">The sheet</legend>
          <Tick label="keep what it has" on={wishes.keepsAll} onSet={set.keepsAll} />
        </fieldset>
      </div>
      <Limits arranging={arranging} />
      <Tastes />
      <details className="max-w-3xl">
        <summary className="cursor-pointer">What counts against a proposal, and how much</summary>
        <div className="mt-2 grid gap-x-6 gap-y-2 sm:grid-cols-2">
          {WEIGHT_WORDS.map(([name, words]) => (
            <NumberField
              key={name}
              label={words}
              value={wishes.weights[name]}
              least={0}
              most={1000}
              whole={false}
              onSet={(value) => set.weights({ ...wishes.weights, [name]: value })}
            />
          ))}
        </div>
        <button type="button" className="btn btn-sm mt-3" onClick={() => set.weights(ARRANGE_WEIGHTS)}>
          As they were at first
        </button>
        <OwnWays arranging={arranging} />
      </details>
    </>
  );
}
