"use client";

import { describeMove } from "@/core/fretboard";
import type { ListedChange } from "@/core/parts";
import type { Player } from "@/core/song/schema";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { type Dots, dotLabels } from "@/ui/dot-labels";
import { useNames } from "../open";

/** The changes to practise first, with what makes them hard. */
export function HardChanges({
  changes,
  player,
  dots,
}: {
  changes: readonly ListedChange[];
  player: Player;
  dots: Dots;
}) {
  const names = useNames();
  const told = ({ capo }: ListedChange, { symbol }: ListedChange["from"]) =>
    names({ player, capo }).readSounding(symbol);
  if (changes.length === 0) return null;
  return (
    <section aria-label="The hardest changes" className="mt-8">
      <h2 className="mb-2">The hardest {changes.length === 1 ? "change" : `${changes.length} changes`}</h2>
      <ol className="flex flex-col gap-3">
        {changes.map((change) => (
          <li
            key={`${change.from.symbol} ${change.to.symbol} ${change.shapes[1].frets.join()}`}
            className="flex flex-wrap items-center gap-4 rounded-box bg-base-200 p-3"
          >
            <span className="flex items-center gap-1">
              <Held change={change} at={0} player={player} dots={dots} />
              <span aria-hidden="true" className="text-xl">
                →
              </span>
              <Held change={change} at={1} player={player} dots={dots} />
            </span>
            <span className="min-w-60 flex-1">
              <strong>
                {told(change, change.from)} to {told(change, change.to)}
              </strong>
              , cost {change.cost.toFixed(1)}
              {change.isQuick && ", doubled because the chord before lasts under 700 ms"};{" "}
              {change.times === 1 ? "once" : `${change.times} times`}, into {change.where.join(", ")}
              <span className="block text-sm">
                {describeMove(change.parts, names({ player, capo: change.capo }).strings())}
                {change.travelMm > 0 && `. In all ${Math.round(change.travelMm)} mm`}.
              </span>
            </span>
          </li>
        ))}
      </ol>
      <p className="mt-2 max-w-3xl text-sm">
        A finger put down costs 1, lifted 0.5, kept nothing; slid or moved more, by the millimetre. Practise
        slowly; stop at numbness or pain, rest, and see a clinician if it stays.
      </p>
    </section>
  );
}

function Held({ change, at, player, dots }: { change: ListedChange; at: 0 | 1; player: Player; dots: Dots }) {
  const event = at === 0 ? change.from : change.to;
  const shape = change.shapes[at];
  const namer = useNames()({ player, capo: change.capo });
  const name = namer.readSounding(event.symbol);
  return (
    <span className="text-center">
      <span className="block font-mono font-bold">{name}</span>
      <ChordDiagram
        shape={shape}
        name={name}
        capo={change.capo}
        leftHanded={player.leftHanded}
        labels={dotLabels(dots, shape, event.symbol, (one) => namer.noteOf(one))}
        className="h-24"
      />
    </span>
  );
}
