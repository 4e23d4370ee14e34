"use client";

import { drawnShapes } from "@/core/formats";
import type { Frets } from "@/core/fretboard";
import { neighboursOf, type ShapePlan, type ShapeRequest } from "@/core/parts";
import type { Namer } from "@/core/song/names";
import { usePane } from "@/ui/use-pane";
import { ChooseShape, type ShapePlace, useRows } from "../open";

/** Neighbours that are not known yet. */
const NOBODY = { before: null, after: null } as const;

/** A chord of a part, as it is written, read and asked for. */
export type Place = {
  readonly chordId: string;
  /** The bar of the section it stands in, from 1; 0 is a pickup. */
  readonly bar: number;
  /** The chord as it is written. */
  readonly symbol: string;
  /** Whether the hand plays what is written. */
  readonly isAsWritten: boolean;
  readonly name: string;
  /** How it sounds, where that is another name. */
  readonly sounds: string | null;
  readonly sounding: string;
  readonly request: ShapeRequest;
};

type Props = {
  readonly place: Place;
  /** Where it is held so. */
  readonly places: readonly [ShapePlace, ...ShapePlace[]];
  readonly namer: Namer;
  /** The way of the hand through the song, where it is known. */
  readonly plan: ShapePlan | null;
  /** What is held there now. */
  readonly held: Frets | null;
  readonly leftHanded: boolean;
  readonly onLeave: () => void;
};

/** Other shapes for a chord of a part: found by the engine, drawn on the sheet, or one's own. */
export function SwapShape({ place, places, namer, plan, held, leftHanded, onLeave }: Props) {
  const body = useRows("extras");
  const onKeyDown = usePane(onLeave);
  // A shape the sheet draws is meant for the names it writes: behind another capo it is another chord.
  const drawn = drawnShapes(body).find((shape) => shape.symbol === place.symbol && place.isAsWritten);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: Escape of the fields inside
    <div className="mt-3 border-t border-base-content/30 pt-3" onKeyDown={onKeyDown}>
      <h3 className="font-bold">Other shapes for {place.name}</h3>
      <ChooseShape
        request={place.request}
        places={places}
        name={place.name}
        namer={namer}
        leftHanded={leftHanded}
        around={(spot) => (plan ? neighboursOf(plan, spot) : NOBODY)}
        held={held}
        drawn={drawn?.frets ?? null}
      />
    </div>
  );
}
