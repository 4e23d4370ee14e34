"use client";

import { useState } from "react";
import type { Frets } from "@/core/fretboard";
import { handOf, requestKey, shapeAt, shapeQuestion, shapesOfPlan } from "@/core/parts";
import type { Namer } from "@/core/song/names";
import { findChoice, type ResolvedCell, type ShapeSpot, spotOf, type Timeline } from "@/core/song/read";
import type { Player, Use } from "@/core/song/schema";
import { useEngine, useEngines } from "@/engines/window";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { SearchNote } from "@/ui/SearchNote";
import { derive, useDerivedLater, useRowsLater } from "../open";
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
  const foundOf = (place: Place) => answers.get(requestKey(place.request));
  const shapeOf = (place: Place) =>
    shapeAt(
      { choices },
      spotAt(place, use, player),
      () => planned?.get(requestKey(place.request)) ?? (planned && foundOf(place)?.fingerings[0]) ?? null,
    );
  const open = opened === null ? undefined : places.get(opened);
  return (
    <section aria-label="Shapes">
      <h3 className="font-bold">Shapes</h3>
      {cell.moved.value && (
        <p className="text-sm">
          One shape, moved to fret{" "}
          {[...places.values()].map((place) => lowestFret(shapeOf(place).shape?.frets) ?? "–").join(", ")}.
        </p>
      )}
      {(way.error || search.error) && <SearchNote search={way.error ? way : search} doing="" />}
      <ul className="mt-1 grid grid-cols-3 gap-2">
        {[...places.values()].map((place) => {
          const { shape, unfit } = shapeOf(place);
          return (
            <li key={place.sounding}>
              <ShapeButton
                place={place}
                shape={shape}
                isUnfit={unfit}
                isDoubted={findChoice({ choices }, spotAt(place, use, player)).choice?.sure === false}
                isPlanned={foundOf(place) !== undefined && planned !== undefined}
                player={player}
                isOpen={opened === place.sounding}
                onOpen={(open) => setOpened(open ? place.sounding : null)}
              />
            </li>
          );
        })}
      </ul>
      {open && (
        <SwapShape
          key={opened}
          place={open}
          spot={spotAt(open, use, player)}
          namer={namer}
          plan={way.data}
          held={shapeOf(open).shape?.frets ?? null}
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
