"use client";

import { useState } from "react";
import type { Fingering, Frets } from "@/core/fretboard";
import type { ShapeRequest } from "@/core/parts";
import { chooseShape, set } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import { findChoice, type ShapeSpot } from "@/core/song/read";
import type { Choice } from "@/core/song/schema";
import { makeId } from "@/document/client";
import { ChordDiagram, type DotLabels, writeFrets } from "@/ui/ChordDiagram";
import { pretty } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { useAct, useCurrentVersion, useRows } from "../open-song";
import { SourceAndDoubt } from "../SourceAndDoubt";
import { OwnShape } from "./OwnShape";
import { SCOPES } from "./scopes";
import { useShapeOffers } from "./use-shape-offers";
import { WishFields } from "./WishFields";

type Props = {
  readonly request: ShapeRequest;
  readonly spot: ShapeSpot;
  /** The chord as it is read. */
  readonly name: string;
  readonly namer: Namer;
  readonly leftHanded: boolean;
  /** What the hand holds before and after. */
  readonly around: { readonly before: Fingering | null; readonly after: Fingering | null };
  /** What is held there now. */
  readonly held: Frets | null;
  /** What stands in the dots instead of fingers. */
  readonly labels?: (shape: Fingering) => DotLabels | undefined;
  /** What the sheet that was brought in draws. */
  readonly drawn?: Frets | null;
  /** Easier shapes that are another chord, each with what it changes. */
  readonly standIns?: readonly { readonly fingering: Fingering; readonly words: string }[];
};

/** Another shape for a chord, from now on: one's own, an easier stand-in, or one the engine found. */
export function ChooseShape({
  request,
  spot,
  name,
  namer,
  leftHanded,
  around,
  held,
  labels,
  drawn = null,
  standIns = [],
}: Props) {
  const body = useRows("choices");
  const current = useCurrentVersion();
  const act = useAct();
  const [scope, setScope] = useState<Choice["scope"]>("symbol");
  const offers = useShapeOffers(request, around);
  const { choice } = findChoice(body, spot);
  const take = ({ frets, fingers }: Pick<Fingering, "frets" | "fingers">) =>
    act(chooseShape(current(), spot, scope, { frets: [...frets], fingers: [...fingers] }, makeId));
  const isDrawn = (one: Fingering) => drawn !== null && one.frets.join() === drawn.join();
  const offer = (one: Fingering, words: string) => (
    <li key={one.frets.join()}>
      <Offer
        fingering={one}
        name={name}
        words={words}
        isHeld={one.frets.join() === held?.join()}
        isDrawn={isDrawn(one)}
        capo={request.capo}
        leftHanded={leftHanded}
        labels={labels?.(one)}
        onTake={() => take(one)}
      />
    </li>
  );
  return (
    <>
      <div className="my-2 flex flex-wrap items-end gap-2">
        <SelectField label="Choose it" className="w-52" value={scope} options={SCOPES} onSet={setScope} />
        {choice && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => act({ type: "remove", table: "choices", id: choice.id })}
          >
            Let the plan choose again
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
      <OwnShape request={request} name={name} namer={namer} leftHanded={leftHanded} onTake={take} />
      {standIns.length > 0 && (
        <>
          <h4 className="mt-3 text-sm font-bold">Easier, but another chord</h4>
          <ul className="mt-1 grid grid-cols-3 gap-2">
            {standIns.map(({ fingering, words }) => offer(fingering, words))}
          </ul>
        </>
      )}
      <h4 className="mt-3 text-sm font-bold">
        {offers.shapes && `${offers.shapes.length} of ${offers.total} ways to hold ${name}`}
        <SearchNote search={offers.answer} doing="Searching…" />
      </h4>
      <WishFields search={offers.search} strings={namer.strings()} onSet={offers.setSearch} />
      <ul className="mt-2 grid grid-cols-3 gap-2">
        {[...(offers.shapes ?? [])]
          .sort((a, b) => Number(isDrawn(b)) - Number(isDrawn(a)))
          .map((one) =>
            offer(one, one.omits.length > 0 ? `without ${one.omits.map(pretty).join(", ")}` : ""),
          )}
      </ul>
      {offers.shapes && offers.shapes.length < offers.total && (
        <button type="button" className="btn btn-sm mt-2" onClick={offers.showMore}>
          Show more
        </button>
      )}
    </>
  );
}

function Offer({
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
  fingering: Fingering;
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
      title={describeWhy(fingering)}
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
      <span className="block text-xs">effort {fingering.difficulty.toFixed(1)}</span>
      {words && <span className="block text-xs">{words}</span>}
    </button>
  );
}

/** "fingers 3 (4.8), span mm 34 (0.4)". */
const describeWhy = ({ why }: Fingering): string =>
  why
    .map((reason) => `${reason.term} ${Math.round(reason.amount * 10) / 10} (${reason.cost.toFixed(1)})`)
    .join(", ");
