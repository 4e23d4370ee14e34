"use client";

import type { Fingering } from "@/core/fretboard";
import { ChordDiagram, type DotLabels, writeFrets } from "@/ui/ChordDiagram";

/** What is told of a shape on offer: one of a book may be held by no hand we know, and then has no effort. */
export type Offered = Pick<Fingering, "frets" | "fingers"> & Partial<Pick<Fingering, "difficulty" | "why">>;

/** A shape to take, with what it asks. */
export function ShapeOffer({
  fingering,
  name,
  words,
  isHeld,
  isDrawn,
  capo,
  leftHanded,
  labels,
  onTake,
}: {
  fingering: Offered;
  name: string;
  words: string;
  isHeld: boolean;
  isDrawn: boolean;
  capo: number;
  leftHanded: boolean;
  labels: DotLabels | undefined;
  onTake: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={isHeld}
      title={fingering.why && describeWhy(fingering.why)}
      aria-label={`Hold ${writeFrets(fingering.frets)} for ${name}${words ? ` (${words})` : ""}`}
      className={`h-full w-full rounded-field border p-1 text-center ${isHeld ? "border-base-content bg-base-300" : "border-base-300 hover:bg-base-300"}`}
      onClick={onTake}
    >
      <ChordDiagram
        shape={fingering}
        name={name}
        capo={capo}
        leftHanded={leftHanded}
        labels={labels}
        className="mx-auto h-20"
      />
      {isDrawn && <span className="block text-xs font-bold">as the sheet draws it</span>}
      {fingering.difficulty !== undefined && (
        <span className="block text-xs">effort {fingering.difficulty.toFixed(1)}</span>
      )}
      {words && <span className="block text-xs">{words}</span>}
    </button>
  );
}

/** "fingers 3 (4.8), span mm 34 (0.4)". */
const describeWhy = (why: Fingering["why"]): string =>
  why
    .map((reason) => `${reason.term} ${Math.round(reason.amount * 10) / 10} (${reason.cost.toFixed(1)})`)
    .join(", ");
