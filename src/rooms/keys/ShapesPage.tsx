"use client";

import { useState } from "react";
import { type ListedShape, listChanges, listShapes, type ShapePlan } from "@/core/parts";
import type { Player } from "@/core/song/schema";
import { useEngine } from "@/engines/window";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { DOTS, type Dots, dotLabels } from "@/ui/dot-labels";
import { describeCapo } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { derive, useDerived, useNames } from "../open";
import { HardChanges } from "./HardChanges";
import { PlayerChoice, PlayerPage, type PlayerPageProps } from "./PlayerChoice";
import { ShapePanel } from "./ShapePanel";

const DOT_WORDS: Readonly<Record<Dots, string>> = {
  fingers: "finger numbers",
  notes: "notes",
  intervals: "degrees of the chord",
};

/** Shapes to learn: what one player's hand holds in this song, and the changes that are hard. */
export const ShapesPage = () => <PlayerPage>{Shapes}</PlayerPage>;

function Shapes({ players, player, onPlayer }: PlayerPageProps) {
  const [dots, setDots] = useState<Dots>("fingers");
  const [vary, setVary] = useState(false);
  const request = useDerived((body) => derive.planOf(body, player));
  const search = useEngine("shape-plan", vary ? { ...request, vary } : request);
  const plan = search.data;
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <PlayerChoice players={players} player={player} onSet={onPlayer} />
        <SelectField
          label="In the dots"
          className="w-48"
          value={dots}
          options={DOTS.map((value) => ({ value, label: DOT_WORDS[value] }))}
          onSet={(value) => setDots(value)}
        />
        <label className="flex h-8 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={vary}
            onChange={(event) => setVary(event.target.checked)}
          />
          try several shapes for a chord where that is shorter
        </label>
        <SearchNote search={search} doing="planning the hand’s way…" />
      </div>
      {plan && <Planned plan={plan} player={player} dots={dots} />}
    </>
  );
}

const keyOf = (shape: ListedShape): string =>
  `${shape.symbol} ${shape.hand.capo} ${shape.hand.style} ${shape.fingering.frets.join()}`;

function Planned({ plan, player, dots }: { plan: ShapePlan; player: Player; dots: Dots }) {
  const [opened, setOpened] = useState<string | null>(null);
  const shapes = listShapes(plan);
  const open = shapes.find((shape) => shape.symbol === opened);
  const capos = [...new Set(plan.runs.map(({ run }) => run.hand.capo))];
  if (shapes.length === 0)
    return <p className="rounded-box bg-base-200 p-4">{player.name} plays no chord in this song.</p>;
  return (
    <div className={open ? "grid gap-6 xl:grid-cols-[minmax(0,1fr)_24rem]" : ""}>
      <div>
        <h2>
          {player.name} has {shapes.length} {shapes.length === 1 ? "shape" : "shapes"} to learn
        </h2>
        <p className="mb-3 max-w-3xl text-sm">
          Chosen together, so that the hand moves least: the way costs {plan.cost.toFixed(0)}
          {plan.greedyCost - plan.cost >= 1 &&
            `, where each next chord taken by itself would cost ${plan.greedyCost.toFixed(0)}`}
          .{" "}
          {capos.length === 1
            ? `Frets count from ${describeCapo(capos[0]!).replace("no capo", "the nut")}.`
            : "Frets count from the capo; it changes on the way."}
        </p>
        <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-[repeat(auto-fill,minmax(10rem,1fr))]">
          {shapes.map((shape) => (
            <li key={keyOf(shape)}>
              <button
                type="button"
                aria-expanded={opened === shape.symbol}
                className={`flex h-full w-full flex-col items-center justify-start rounded-field p-2 text-center ${opened === shape.symbol ? "bg-base-300" : "bg-base-200 hover:bg-base-300"}`}
                onClick={() => setOpened(opened === shape.symbol ? null : shape.symbol)}
              >
                <ShapeCard shape={shape} player={player} dots={dots} />
              </button>
            </li>
          ))}
        </ul>
        <HardChanges changes={listChanges(plan).slice(0, 3)} player={player} dots={dots} />
      </div>
      {open && (
        <ShapePanel
          key={keyOf(open)}
          shape={open}
          plan={plan}
          player={player}
          dots={dots}
          onLeave={() => setOpened(null)}
        />
      )}
    </div>
  );
}

function ShapeCard({ shape, player, dots }: { shape: ListedShape; player: Player; dots: Dots }) {
  const { symbol, fingering, hand, where, times, event } = shape;
  const namer = useNames()({ player, capo: hand.capo });
  const name = namer.readSounding(symbol);
  return (
    <>
      <span className="block font-mono text-lg font-bold">{name}</span>
      {namer.isOfShapes && (
        <span data-names="sounding" className="block text-sm">
          {name === namer.inCustom(symbol) ? "as it sounds" : `sounds ${namer.inCustom(symbol)}`}
        </span>
      )}
      {fingering.pitches.length > 0 ? (
        <ChordDiagram
          shape={fingering}
          name={name}
          capo={hand.capo}
          leftHanded={player.leftHanded}
          labels={dotLabels(dots, fingering, symbol, (one) => namer.noteOf(one))}
          className="mx-auto h-28"
        />
      ) : (
        <span className="block py-6 text-sm">no fingering for this hand</span>
      )}
      {fingering.is !== symbol && fingering.pitches.length > 0 && (
        <span className="block text-sm">really {namer.readSounding(fingering.is)}</span>
      )}
      <span className="block text-sm">
        effort {fingering.difficulty.toFixed(1)}
        {event.lock && ", chosen"}
      </span>
      <span className="block text-sm">
        {times === 1 ? "once" : `${times} times`}: {where.join(", ")}
      </span>
    </>
  );
}
