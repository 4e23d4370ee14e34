"use client";

import { useState } from "react";
import { drawnShapes } from "@/core/formats";
import type { Fingering, Frets, Reason } from "@/core/fretboard";
import { neighboursOf, type ShapePlan, type ShapeRequest } from "@/core/parts";
import { chooseShape, set } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import { findChoice, type ShapeSpot } from "@/core/song/read";
import type { Choice } from "@/core/song/schema";
import { ChordDiagram, writeFrets } from "@/ui/ChordDiagram";
import { pretty } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { usePane } from "@/ui/use-pane";
import {
  makeId,
  OwnShape,
  SCOPES,
  SourceAndDoubt,
  useAct,
  useCurrentVersion,
  useRows,
  useShapeOffers,
  WishFields,
} from "../open";

/** A chord of a part, as it is written, read and asked for. */
export type Place = {
  readonly chordId: string;
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
  readonly spot: ShapeSpot;
  readonly namer: Namer;
  /** The way of the hand through the song, where it is known. */
  readonly plan: ShapePlan | null;
  /** What is held there now. */
  readonly held: Frets | null;
  readonly leftHanded: boolean;
  readonly onLeave: () => void;
};

/** Other shapes for a chord of a part: found by the engine, drawn on the sheet, or one's own. */
export function SwapShape({ place, spot, namer, plan, held, leftHanded, onLeave }: Props) {
  const body = useRows("choices", "extras");
  const currentVersion = useCurrentVersion();
  const act = useAct();
  const [scope, setScope] = useState<Choice["scope"]>("symbol");
  const { choice } = findChoice(body, spot);
  const onKeyDown = usePane(onLeave);
  const around = plan ? neighboursOf(plan, spot) : { before: null, after: null };
  const offers = useShapeOffers(place.request, around);
  // A shape the sheet draws is meant for the names it writes: behind another capo it is another chord.
  const drawn = drawnShapes(body).find((shape) => shape.symbol === place.symbol && place.isAsWritten);
  const isDrawn = (fingering: Fingering) =>
    drawn !== undefined && fingering.frets.join() === drawn.frets.join();
  const take = ({ frets, fingers }: Pick<Choice, "frets" | "fingers">) =>
    act(chooseShape(currentVersion(), spot, scope, { frets: [...frets], fingers: [...fingers] }, makeId));
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: Escape of the fields inside
    <div className="mt-3 border-t border-base-content/30 pt-3" onKeyDown={onKeyDown}>
      <h3 className="font-bold">Other shapes for {place.name}</h3>
      <div className="my-2 flex flex-wrap items-end gap-2">
        <SelectField
          label="Choose it"
          className="w-52"
          value={scope}
          options={SCOPES}
          onSet={(value) => setScope(value)}
        />
        {choice && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => act({ type: "remove", table: "choices", id: choice.id })}
          >
            Give the choice back
          </button>
        )}
        {choice && (
          <SourceAndDoubt
            what="this shape"
            said={choice}
            onSet={(fields) => act(set("choices", choice.id, fields))}
          />
        )}
      </div>
      <OwnShape
        request={place.request}
        name={place.name}
        namer={namer}
        leftHanded={leftHanded}
        onTake={take}
      />
      <h4 className="mt-3 text-sm font-bold">
        {offers.shapes && `${offers.shapes.length} of ${offers.total} ways to hold ${place.name}`}
        <SearchNote search={offers.answer} doing="Searching…" />
      </h4>
      <WishFields search={offers.search} strings={namer.strings()} onSet={offers.setSearch} />
      <ul className="mt-3 grid grid-cols-3 gap-2">
        {[...(offers.shapes ?? [])]
          .sort((a, b) => Number(isDrawn(b)) - Number(isDrawn(a)))
          .map((fingering) => (
            <li key={fingering.frets.join()}>
              <Offer
                place={place}
                fingering={fingering}
                isOn={fingering.frets.join() === held?.join()}
                isDrawn={isDrawn(fingering)}
                leftHanded={leftHanded}
                onTake={() => take({ frets: [...fingering.frets], fingers: [...fingering.fingers] })}
              />
            </li>
          ))}
      </ul>
      {offers.shapes && offers.shapes.length < offers.total && (
        <button type="button" className="btn btn-sm mt-2" onClick={offers.showMore}>
          Show more
        </button>
      )}
    </div>
  );
}

/** Another shape for a chord, to be held from now on. */
function Offer({
  place,
  fingering,
  isOn,
  isDrawn,
  leftHanded,
  onTake,
}: {
  place: Place;
  fingering: Fingering;
  isOn: boolean;
  /** The sheet that was brought in draws this one. */
  isDrawn: boolean;
  leftHanded: boolean;
  onTake: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={isOn}
      title={describeWhy(fingering.why)}
      aria-label={`Choose ${writeFrets(fingering.frets)} for ${place.name}`}
      className={`w-full rounded-field border p-1 text-center ${isOn ? "border-base-content bg-base-300" : "border-base-300 hover:bg-base-300"}`}
      onClick={onTake}
    >
      <ChordDiagram
        shape={fingering}
        name={place.name}
        capo={place.request.capo}
        leftHanded={leftHanded}
        className="mx-auto h-20"
      />
      {isDrawn && <span className="block text-xs font-bold">as the sheet draws it</span>}
      <span className="block text-xs">effort {fingering.difficulty.toFixed(1)}</span>
      {fingering.omits.length > 0 && (
        <span className="block text-xs">without {fingering.omits.map(pretty).join(", ")}</span>
      )}
    </button>
  );
}

/** "fingers 3 (1.8), span mm 34 (0.2)". */
const describeWhy = (why: readonly Reason[]): string =>
  why
    .map((reason) => `${reason.term} ${Math.round(reason.amount * 10) / 10} (${reason.cost.toFixed(1)})`)
    .join(", ");
