"use client";

import { useState } from "react";
import { type Fingering, type Frets, holdShape } from "@/core/fretboard";
import { keptShapes, optionsOf, type ShapeRequest } from "@/core/parts";
import { chooseShape, set } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import { findChoice, type ShapeSpot } from "@/core/song/read";
import { makeId } from "@/document/client";
import { type DotLabels, writeFrets } from "@/ui/ChordDiagram";
import { pretty } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { HearThis, scoreOfShape } from "../../hear";
import { useAct, useCurrentVersion, useRows } from "../open-song";
import { SourceAndDoubt } from "../SourceAndDoubt";
import { OwnShape } from "./OwnShape";
import { type Offered, ShapeOffer } from "./ShapeOffer";
import { isOfOneChord, SCOPES, type Scope } from "./scopes";
import { useShapeBook } from "./use-shape-book";
import { useShapeOffers } from "./use-shape-offers";
import { WishFields } from "./WishFields";

/** A place the chord stands at, and what it is called beside the others. */
export type ShapePlace = { readonly spot: ShapeSpot; readonly label: string };

type Around = { readonly before: Fingering | null; readonly after: Fingering | null };

type Props = {
  readonly request: ShapeRequest;
  /** Where the chord is held so, at least one place. */
  readonly places: readonly [ShapePlace, ...ShapePlace[]];
  /** The chord as it is read. */
  readonly name: string;
  readonly namer: Namer;
  readonly leftHanded: boolean;
  /** What the hand holds before and after a place. */
  readonly around: (spot: ShapeSpot) => Around;
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
  places,
  name,
  namer,
  leftHanded,
  around,
  held,
  labels,
  drawn = null,
  standIns = [],
}: Props) {
  const body = useRows("choices", "players");
  const current = useCurrentVersion();
  const act = useAct();
  const [scope, setScope] = useState<Scope>("voicing");
  const [at, setAt] = useState(0);
  const { spot } = places[at] ?? places[0];
  const book = useShapeBook(spot.playerId);
  const offers = useShapeOffers(request, around(spot));
  const { choice } = findChoice(body, spot);
  const player = body.players[spot.playerId];
  const kept = keptShapes([...book.own, ...book.beside], request);
  const take = ({ frets, fingers }: Pick<Fingering, "frets" | "fingers">) => {
    const shape = { frets: [...frets], fingers: [...fingers] };
    if (scope === "book") book.keep(spot, shape);
    else act(chooseShape(current(), spot, scope, shape, makeId));
  };
  const isDrawn = (one: Offered) => drawn !== null && one.frets.join() === drawn.join();
  const offer = (one: Offered, words: string, told?: DotLabels) => (
    <li key={one.frets.join()} className="flex flex-col items-center gap-1">
      <ShapeOffer
        fingering={one}
        name={name}
        words={words}
        isHeld={one.frets.join() === held?.join()}
        isDrawn={isDrawn(one)}
        capo={request.capo}
        leftHanded={leftHanded}
        labels={told}
        onTake={() => take(one)}
      />
      {player && (
        <HearThis
          what={`${name}, ${writeFrets(one.frets)}`}
          score={() => scoreOfShape(player, request.capo, one.frets)}
          isKeyed={false}
          className="btn-xs"
        />
      )}
    </li>
  );
  return (
    <>
      <div className="my-2 flex flex-wrap items-end gap-2">
        <SelectField
          label="Choose it"
          className="w-60"
          value={scope}
          options={SCOPES.filter(({ value }) => value !== "book" || book.isOfBand)}
          onSet={setScope}
        />
        {isOfOneChord(scope) && places.length > 1 && (
          <SelectField
            label="Which one"
            className="w-52"
            value={String(at)}
            options={places.map(({ label }, index) => ({ value: String(index), label }))}
            onSet={(index) => setAt(Number(index))}
          />
        )}
        {choice && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => act({ type: "remove", table: "choices", id: choice.id })}
          >
            Let the plan choose again
          </button>
        )}
        {choice && book.isOfBand && !book.has(spot, choice) && (
          <button type="button" className="btn btn-sm" onClick={() => book.keep(spot, choice)}>
            Keep it in the shape book
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
      {kept.length > 0 && (
        <>
          <h4 className="mt-3 text-sm font-bold">From the shape book</h4>
          <ul className="mt-1 grid grid-cols-3 gap-2">
            {kept.map(({ frets, fingers }) =>
              offer({ frets, fingers: fingersFor({ frets, fingers }, request) }, ""),
            )}
          </ul>
        </>
      )}
      {standIns.length > 0 && (
        <>
          <h4 className="mt-3 text-sm font-bold">Easier, but another chord</h4>
          <ul className="mt-1 grid grid-cols-3 gap-2">
            {standIns.map(({ fingering, words }) => offer(fingering, words, labels?.(fingering)))}
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
            offer(
              one,
              one.omits.length > 0 ? `without ${one.omits.map(pretty).join(", ")}` : "",
              labels?.(one),
            ),
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

/** The fingers kept with a shape, else those a hand of this level holds it with. */
const fingersFor = (
  { frets, fingers }: Pick<Fingering, "frets" | "fingers">,
  request: ShapeRequest,
): Fingering["fingers"] =>
  fingers.some((finger) => finger !== null)
    ? fingers
    : (holdShape(frets, optionsOf(request))?.fingers ?? fingers);
