"use client";

import { useState } from "react";
import { drawnShapes } from "@/core/formats";
import type { Fingering, Reason } from "@/core/fretboard";
import { handOf, requestKey, type ShapeRequest, shapeAt, shapeQuestion, shapesOfPlan } from "@/core/parts";
import { chooseShape, set } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import { findChoice, type ResolvedCell, type ShapeSpot, spotOf, type Timeline } from "@/core/song/read";
import type { Choice, Player, Use } from "@/core/song/schema";
import { useEngine, useEngines } from "@/engines/window";
import { ChordDiagram, writeFrets } from "@/ui/ChordDiagram";
import { pretty } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { usePane } from "@/ui/use-pane";
import {
  derive,
  makeId,
  SourceAndDoubt,
  useAct,
  useCurrentVersion,
  useDerivedLater,
  useRows,
  useRowsLater,
} from "../open";

type Props = {
  readonly use: Use;
  readonly player: Player;
  readonly cell: ResolvedCell;
  readonly namer: Namer;
};

type Place = {
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

const SCOPES: readonly { value: Choice["scope"]; label: string }[] = [
  { value: "symbol", label: "everywhere in this song" },
  { value: "chord", label: "for this chord each time" },
  { value: "chord-in-use", label: "for this chord, this time only" },
];

/** The shapes of a part, each once; any can be swapped for another the engine found. */
export function Shapes({ use, player, cell, namer }: Props) {
  const { choices } = useRowsLater("choices");
  const timeline = useDerivedLater(derive.timeline);
  const plans = useDerivedLater((body) => derive.planOf(body, player));
  const [opened, setOpened] = useState<string | null>(null);
  const places = placesIn(
    timeline.passages.filter((passage) => passage.use.id === use.id),
    player,
    cell,
    namer,
  );
  const search = useEngines(
    "fingerings",
    new Map(
      [...places.values()].flatMap(({ request }) => {
        const question = shapeQuestion(request);
        return question ? [[requestKey(request), question] as const] : [];
      }),
    ),
  );
  const answers = search.data;
  const way = useEngine("shape-plan", plans);
  const planned = way.data && shapesOfPlan(way.data);
  if (places.size === 0) return <p className="text-sm">No chords here.</p>;
  return (
    <section aria-label="Shapes">
      <h3 className="font-bold">Shapes</h3>
      {(way.error || search.error) && <SearchNote search={way.error ? way : search} doing="" />}
      <ul className="mt-1 grid grid-cols-3 gap-2">
        {[...places.values()].map((place) => {
          const found = answers.get(requestKey(place.request));
          const spot = spotAt(place, use, player);
          const { shape, unfit } = shapeAt(
            { choices },
            spot,
            () => planned?.get(requestKey(place.request)) ?? (planned && found?.fingerings[0]) ?? null,
          );
          return (
            <li key={place.sounding}>
              <ShapeButton
                place={place}
                shape={shape}
                isUnfit={unfit}
                isDoubted={findChoice({ choices }, spotAt(place, use, player)).choice?.sure === false}
                isPlanned={found !== undefined && planned !== undefined}
                player={player}
                isOpen={opened === place.sounding}
                onOpen={(open) => setOpened(open ? place.sounding : null)}
              />
            </li>
          );
        })}
      </ul>
      {opened && places.has(opened) && (
        <Swap
          place={places.get(opened)!}
          spot={spotAt(places.get(opened)!, use, player)}
          offers={answers.get(requestKey(places.get(opened)!.request))}
          leftHanded={player.leftHanded}
          onLeave={() => setOpened(null)}
        />
      )}
    </section>
  );
}

/** What is played at a place, changed lines and endings too: each chord once, by how it sounds. */
function placesIn(
  passages: Timeline["passages"],
  player: Player,
  cell: ResolvedCell,
  namer: Namer,
): ReadonlyMap<string, Place> {
  const places = new Map<string, Place>();
  for (const { chord } of passages.flatMap(({ lines }) => lines.flatMap(({ outline }) => outline.chords))) {
    const named = namer.name(chord.symbol);
    if (named.chord?.kind !== "chord" || places.has(named.sounding)) continue;
    const request = { ...handOf(player, cell), symbol: named.sounding };
    const { id: chordId, symbol } = chord;
    const told = namer.inCustom(named.sounding);
    const sounds = namer.isOfShapes && told !== named.read ? told : null;
    places.set(named.sounding, {
      chordId,
      symbol,
      isAsWritten: named.shape === symbol,
      name: named.read,
      sounds,
      sounding: named.sounding,
      request,
    });
  }
  return places;
}

/** One chord of the part with the shape that is held; a press opens the others. */
function ShapeButton({
  place,
  shape,
  isUnfit,
  isPlanned,
  isDoubted,
  player,
  isOpen,
  onOpen,
}: {
  place: Place;
  shape: ReturnType<typeof shapeAt>["shape"];
  /** A choice made for another capo waits. */
  isUnfit: boolean;
  /** False while the search goes on. */
  isPlanned: boolean;
  /** Whether somebody is not sure of the choice. */
  isDoubted: boolean;
  player: Player;
  isOpen: boolean;
  onOpen: (open: boolean) => void;
}) {
  return (
    <button
      type="button"
      aria-expanded={isOpen}
      className={`w-full rounded-field p-1 text-center ${isOpen ? "bg-base-300" : "hover:bg-base-300"}`}
      onClick={() => onOpen(!isOpen)}
    >
      <span className="block font-mono font-bold">{place.name}</span>
      {place.sounds !== null && (
        <span data-names="sounding" className="block text-xs">
          sounds {place.sounds}
        </span>
      )}
      {shape ? (
        <ChordDiagram
          shape={shape}
          name={place.name}
          capo={place.request.capo}
          leftHanded={player.leftHanded}
          className="mx-auto h-24"
        />
      ) : (
        <span className="block py-6 text-sm">{isPlanned ? "no fingering for this hand" : "planning…"}</span>
      )}
      {shape?.chosen && <span className="block text-xs">{isDoubted ? "chosen, not sure" : "chosen"}</span>}
      {isUnfit && <span className="block text-xs text-warning">a choice made for another capo waits</span>}
    </button>
  );
}

const spotAt = ({ chordId, sounding, request }: Place, use: Use, player: Player): ShapeSpot =>
  spotOf(player, request.capo, { useId: use.id, chordId, symbol: sounding });

type SwapProps = {
  readonly place: Place;
  readonly spot: ShapeSpot;
  readonly offers: { readonly fingerings: readonly Fingering[]; readonly total: number } | undefined;
  readonly leftHanded: boolean;
  readonly onLeave: () => void;
};

function Swap({ place, spot, offers, leftHanded, onLeave }: SwapProps) {
  const body = useRows("choices", "extras");
  const currentVersion = useCurrentVersion();
  const act = useAct();
  const [scope, setScope] = useState<Choice["scope"]>("symbol");
  const { choice } = findChoice(body, spot);
  const onKeyDown = usePane(onLeave);
  if (!offers) return null;
  // A shape the sheet draws is meant for the names it writes: behind another capo it is another chord.
  const drawn = drawnShapes(body).find((shape) => shape.symbol === place.symbol && place.isAsWritten);
  const isDrawn = (fingering: Fingering) =>
    drawn !== undefined && fingering.frets.join() === drawn.frets.join();
  const current = choice ? choice.frets.join() : offers.fingerings[0]?.frets.join();
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: Escape of the fields inside
    <div className="mt-3 border-t border-base-content/30 pt-3" onKeyDown={onKeyDown}>
      <h3 className="font-bold">Other shapes for {place.name}</h3>
      <p className="text-sm">
        The easiest {offers.fingerings.length} of {offers.total} this hand can hold.
      </p>
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
      <ul className="grid grid-cols-3 gap-2">
        {[...offers.fingerings]
          .sort((a, b) => Number(isDrawn(b)) - Number(isDrawn(a)))
          .map((fingering) => {
            return (
              <li key={fingering.frets.join()}>
                <Offer
                  place={place}
                  fingering={fingering}
                  isOn={fingering.frets.join() === current}
                  isDrawn={isDrawn(fingering)}
                  leftHanded={leftHanded}
                  onTake={() => {
                    const held = { frets: [...fingering.frets], fingers: [...fingering.fingers] };
                    act(chooseShape(currentVersion(), spot, scope, held, makeId));
                  }}
                />
              </li>
            );
          })}
      </ul>
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
