"use client";

import { useState } from "react";
import type { Frets } from "@/core/fretboard";
import { handOf, requestKey, shapeAt, shapeQuestion, shapesOfPlan } from "@/core/parts";
import { tellBarNumber } from "@/core/song/moments";
import type { Namer } from "@/core/song/names";
import {
  barsIn,
  findChoice,
  type ResolvedCell,
  type ShapeSpot,
  spotOf,
  type Timeline,
} from "@/core/song/read";
import type { Player, Use } from "@/core/song/schema";
import { useEngine, useEngines } from "@/engines/window";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { SearchNote } from "@/ui/SearchNote";
import { derive, type ShapePlace, useDerivedLater, useRowsLater } from "../open";
import { type Place, SwapShape } from "./SwapShape";

type Props = {
  readonly use: Use;
  readonly player: Player;
  readonly cell: ResolvedCell;
  readonly namer: Namer;
};

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
      [...places.values()].flatMap(([{ request }]) => {
        const question = shapeQuestion(request);
        return question ? [[requestKey(request), question] as const] : [];
      }),
    ),
  );
  const answers = search.data;
  const way = useEngine("shape-plan", plans);
  const planned = way.data && shapesOfPlan(way.data);
  if (places.size === 0) return <p className="text-sm">No chords here.</p>;
  const foundOf = (place: Place) => answers.get(requestKey(place.request));
  const shapeOf = (place: Place) =>
    shapeAt(
      { choices },
      spotAt(place, use, player),
      () => planned?.get(requestKey(place.request)) ?? (planned && foundOf(place)?.fingerings[0]) ?? null,
    );
  const held = [...places.values()].flatMap((same) => heldAlike(same, shapeOf));
  const open = held.find(({ same }) => same.some(({ chordId }) => chordId === opened));
  return (
    <section aria-label="Shapes">
      <h3 className="font-bold">Shapes</h3>
      {cell.moved.value && (
        <p className="text-sm">
          One shape, moved to fret {held.map(({ shape }) => lowestFret(shape?.frets) ?? "–").join(", ")}
          {cell.approach.value && ", each time from one fret below"}.
        </p>
      )}
      {(way.error || search.error) && <SearchNote search={way.error ? way : search} doing="" />}
      <ul className="mt-1 grid grid-cols-3 gap-2">
        {held.map((group) => {
          const { place, shape, unfit, isOneOfSeveral } = group;
          return (
            <li key={place.chordId}>
              <ShapeButton
                place={place}
                from={isOneOfSeveral ? place.bar : null}
                shape={shape}
                isUnfit={unfit}
                isDoubted={findChoice({ choices }, spotAt(place, use, player)).choice?.sure === false}
                isPlanned={foundOf(place) !== undefined && planned !== undefined}
                player={player}
                isOpen={open === group}
                onOpen={(open) => setOpened(open ? place.chordId : null)}
              />
            </li>
          );
        })}
      </ul>
      {open && (
        <SwapShape
          key={open.place.chordId}
          place={open.place}
          places={placesOf(open.same, use, player)}
          namer={namer}
          plan={way.data}
          held={open.shape?.frets ?? null}
          leftHanded={player.leftHanded}
          onLeave={() => setOpened(null)}
        />
      )}
    </section>
  );
}

/** What a player calls a place on the neck by. */
function lowestFret(frets: Frets | undefined): number | null {
  const fretted = frets?.filter((fret): fret is number => fret !== null && fret > 0) ?? [];
  return fretted.length > 0 ? Math.min(...fretted) : null;
}

/** What is played at a place, changed lines and endings too: by how it sounds, each time it comes. */
function placesIn(
  passages: Timeline["passages"],
  player: Player,
  cell: ResolvedCell,
  namer: Namer,
): ReadonlyMap<string, readonly [Place, ...Place[]]> {
  const places = new Map<string, [Place, ...Place[]]>();
  const hand = handOf(player, cell);
  for (const passage of passages) {
    const bars = barsIn(passage);
    for (const { outline, events } of passage.lines)
      for (const [at, { chord }] of outline.chords.entries()) {
        const named = namer.name(chord.symbol);
        if (named.chord?.kind !== "chord") continue;
        const told = namer.inCustom(named.sounding);
        const place: Place = {
          chordId: chord.id,
          bar: bars.findLastIndex(({ tick }) => tick <= events[at]!.tick) + 1,
          symbol: chord.symbol,
          isAsWritten: named.shape === chord.symbol,
          name: named.read,
          sounds: namer.isOfShapes && told !== named.read ? told : null,
          sounding: named.sounding,
          request: { ...hand, symbol: named.sounding },
        };
        const known = places.get(named.sounding);
        if (known) known.push(place);
        else places.set(named.sounding, [place]);
      }
  }
  return places;
}

type Held = ReturnType<typeof shapeAt> & {
  /** The first place held so, and all of them. */
  readonly place: Place;
  readonly same: readonly Place[];
  /** Whether the same chord is held otherwise too. */
  readonly isOneOfSeveral: boolean;
};

/** The shapes of one chord of a part, each with the places it is held at. */
function heldAlike(places: readonly Place[], shapeOf: (place: Place) => ReturnType<typeof shapeAt>): Held[] {
  const groups = new Map<string, ReturnType<typeof shapeAt> & { place: Place; same: Place[] }>();
  for (const place of places) {
    const found = shapeOf(place);
    const key = found.shape?.frets.join() ?? "none";
    const known = groups.get(key);
    if (known) known.same.push(place);
    else groups.set(key, { ...found, place, same: [place] });
  }
  return [...groups.values()].map((group) => ({ ...group, isOneOfSeveral: groups.size > 1 }));
}

/** Where a chord can be held otherwise: by their bars. A place that comes twice in a use is one chord. */
function placesOf(same: readonly Place[], use: Use, player: Player): [ShapePlace, ...ShapePlace[]] {
  const once = new Map(same.map((place) => [place.chordId, place]));
  const [first, ...others] = [...once.values()].map((place) => ({
    spot: spotAt(place, use, player),
    label: tellBarNumber(place.bar),
  }));
  return [first!, ...others];
}

/** One chord of the part with the shape that is held; a press opens the others. */
function ShapeButton({
  place,
  from,
  shape,
  isUnfit,
  isPlanned,
  isDoubted,
  player,
  isOpen,
  onOpen,
}: {
  place: Place;
  /** The bar it begins in, where the chord has other shapes too. */
  from: number | null;
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
      {from !== null && <span className="block text-xs">from {tellBarNumber(from)}</span>}
      {shape?.chosen && <span className="block text-xs">{isDoubted ? "chosen, not sure" : "chosen"}</span>}
      {isUnfit && <span className="block text-xs text-warning">a choice made for another capo waits</span>}
    </button>
  );
}

const spotAt = ({ chordId, sounding, request }: Place, use: Use, player: Player): ShapeSpot =>
  spotOf(player, request, { useId: use.id, sectionId: use.sectionId, chordId, symbol: sounding });
