"use client";

import type { ReactNode } from "react";
import { namesOfPlaces, type Place } from "@/core/findings";
import { LetItStand } from "./LetItStand";

/** A finding of any room: where, what, why, what can be done, and letting it stand. */
export function FindingItem({
  finding,
  what,
  why,
  whole = "The whole song",
  onGo,
  children,
}: {
  readonly finding: { readonly ids: readonly string[]; readonly places: readonly Place[] };
  readonly what: string;
  readonly why?: string;
  /** What the whole song is called here; "" says nothing of where. */
  readonly whole?: string;
  /** Goes to the first of its places. */
  readonly onGo?: ((place: Place) => void) | undefined;
  /** What can be done. */
  readonly children?: ReactNode;
}) {
  const [first] = finding.places;
  const where =
    first && first.useId !== null ? namesOfPlaces(finding.places).join(", ") : first?.label || whole;
  return (
    <li className="rounded-box border border-base-300 bg-base-100 p-3">
      <p>
        {where !== "" && (
          <>
            {onGo && first && first.useId !== null ? (
              <button type="button" className="link font-bold" onClick={() => onGo(first)}>
                {where}
              </button>
            ) : (
              <strong>{where}</strong>
            )}
            :{" "}
          </>
        )}
        {what}
      </p>
      {why && <p className="mt-1 text-sm">{why}</p>}
      <div className="mt-2 flex flex-wrap gap-2">
        {children}
        <LetItStand findings={finding.ids} />
      </div>
    </li>
  );
}
