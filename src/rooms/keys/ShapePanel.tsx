"use client";

import { describeFingering, describeMove, describeStandIn, type Reason } from "@/core/fretboard";
import {
  alsoCalled,
  type ListedShape,
  listChanges,
  neighboursOf,
  optionsOf,
  type ShapePlan,
  shapeQuestion,
} from "@/core/parts";
import { tellBarNumber } from "@/core/song/moments";
import type { Namer } from "@/core/song/names";
import { keysOf, spotOf, tuningOf } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { useEngine } from "@/engines/window";
import { type Dots, dotLabels } from "@/ui/dot-labels";
import { usePane } from "@/ui/use-pane";
import { HearThis, scoreOfShape } from "../hear";
import { ChooseShape, soundingNames, useNames, useRows } from "../open";

type Props = {
  readonly shape: ListedShape;
  readonly plan: ShapePlan;
  readonly player: Player;
  readonly dots: Dots;
  readonly onLeave: () => void;
};

/** One shape opened: how to hold it, the changes around it, and what could be held instead. */
export function ShapePanel({ shape, plan, player, dots, onLeave }: Props) {
  const onKeyDown = usePane(onLeave);
  const body = useRows("version");
  const { symbol, hand, fingering, event, others } = shape;
  const namer = useNames()({ player, capo: hand.capo });
  const name = namer.readSounding(symbol);
  const request = { ...hand, symbol };
  const question = shapeQuestion(request);
  const easier = useEngine(
    "stand-ins",
    question && { chord: question.chord, key: keysOf(body).sounding, options: optionsOf(request) },
  );
  const placeOf = (one: typeof event) => ({
    spot: spotOf(player, hand, { ...one, symbol }),
    label: `${tellBarNumber(one.bar)} of ${one.label}`,
  });
  return (
    <section aria-label={`${name} opened`} onKeyDown={onKeyDown} className="rounded-box bg-base-200 p-4">
      <div className="flex items-center gap-4">
        <h2 className="font-mono">{name}</h2>
        <HearThis what={name} score={() => scoreOfShape(player, hand.capo, fingering.frets)} />
      </div>
      <HowToHold shape={shape} player={player} namer={namer} />
      <ChangesAround plan={plan} symbol={symbol} namer={namer} />
      <h3 className="mt-3 font-bold">Hold something else</h3>
      <ChooseShape
        request={request}
        places={[placeOf(event), ...others.map(placeOf)]}
        name={name}
        namer={namer}
        leftHanded={player.leftHanded}
        around={(spot) => neighboursOf(plan, spot)}
        held={fingering.frets}
        labels={(one) => dotLabels(dots, one, symbol, (note) => namer.noteOf(note))}
        standIns={(easier.isOld ? [] : (easier.data ?? [])).map((one) => ({
          fingering: one.fingering,
          words: describeStandIn(one, symbol, soundingNames(namer)),
        }))}
      />
    </section>
  );
}

/** Finger by finger, what else the same strings are called, and what the effort is made of. */
function HowToHold({
  shape: { fingering },
  player,
  namer,
}: {
  shape: ListedShape;
  player: Player;
  namer: Namer;
}) {
  const body = useRows("version");
  if (fingering.pitches.length === 0) return null;
  const others = alsoCalled(fingering.pitches, keysOf(body).sounding, fingering.is);
  return (
    <>
      <ol className="mt-1 list-disc pl-5">
        {describeFingering(fingering, tuningOf(player), (name) => namer.letter(name)).map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ol>
      {others.length > 0 && (
        <p className="mt-1 text-sm">
          The same strings are also called{" "}
          {others.map((one) => `${namer.readSounding(one.symbol)} (${one.reading})`).join(", ")}.
        </p>
      )}
      <Why why={fingering.why} difficulty={fingering.difficulty} />
    </>
  );
}

function ChangesAround({ plan, symbol, namer }: { plan: ShapePlan; symbol: string; namer: Namer }) {
  const around = listChanges(plan).filter(
    (change) => change.from.symbol === symbol || change.to.symbol === symbol,
  );
  return (
    <>
      <h3 className="mt-3 font-bold">Changes around it</h3>
      <ul className="text-sm">
        {around.map((change) => (
          <li
            key={`${change.from.symbol} ${change.to.symbol} ${change.shapes.map((one) => one.frets.join()).join(" ")}`}
          >
            <strong>
              {namer.readSounding(change.from.symbol)} → {namer.readSounding(change.to.symbol)}
            </strong>{" "}
            {change.cost.toFixed(1)}: {describeMove(change.parts, namer.strings())}
          </li>
        ))}
      </ul>
    </>
  );
}

/** The terms of a difficulty and their prices: they add up. */
function Why({ why, difficulty }: { why: readonly Reason[]; difficulty: number }) {
  return (
    <details className="mt-2 text-sm">
      <summary className="cursor-pointer">Effort {difficulty.toFixed(2)}: why</summary>
      <table className="mt-1">
        <tbody>
          {why.map((reason) => (
            <tr key={reason.term}>
              <th scope="row" className="pr-3 text-left font-normal">
                {reason.term}
              </th>
              <td className="pr-3 text-right">{Math.round(reason.amount * 10) / 10}</td>
              <td className="text-right">{reason.cost.toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
