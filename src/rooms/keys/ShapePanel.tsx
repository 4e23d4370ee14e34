"use client";

import { useState } from "react";
import {
  describeFingering,
  describeMove,
  describeStandIn,
  type Fingering,
  type Reason,
} from "@/core/fretboard";
import {
  alsoCalled,
  type ListedShape,
  listChanges,
  neighboursOf,
  optionsOf,
  type ShapePlan,
  shapeQuestion,
} from "@/core/parts";
import { chooseShape } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import { findChoice, keysOf, spotOf, tuningOf } from "@/core/song/read";
import type { Choice, Player } from "@/core/song/schema";
import { useEngine } from "@/engines/window";
import { ChordDiagram, writeFrets } from "@/ui/ChordDiagram";
import { type Dots, dotLabels } from "@/ui/dot-labels";
import { pretty } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { usePane } from "@/ui/use-pane";
import {
  makeId,
  OwnShape,
  SCOPES,
  soundingNames,
  useAct,
  useCurrentVersion,
  useNames,
  useRows,
  useShapeOffers,
  WishFields,
} from "../open";

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
  const body = useRows("version", "choices");
  const current = useCurrentVersion();
  const act = useAct();
  const [scope, setScope] = useState<Choice["scope"]>("symbol");
  const { symbol, hand, fingering, event } = shape;
  const namer = useNames()({ player, capo: hand.capo });
  const name = namer.readSounding(symbol);
  const request = { ...hand, symbol };
  const question = shapeQuestion(request);
  const offers = useShapeOffers(request, neighboursOf(plan, event));
  const easier = useEngine(
    "stand-ins",
    question && { chord: question.chord, key: keysOf(body).sounding, options: optionsOf(request) },
  );
  const standIns = easier.isOld ? null : easier.data;
  const spot = spotOf(player, hand.capo, { ...event, symbol });
  const { choice } = findChoice(body, spot);
  const choose = (one: Pick<Fingering, "frets" | "fingers">) =>
    act(chooseShape(current(), spot, scope, { frets: [...one.frets], fingers: [...one.fingers] }, makeId));
  const offer = (one: Fingering, words: string) => (
    <Offer
      key={one.frets.join()}
      fingering={one}
      name={name}
      words={words}
      isHeld={one.frets.join() === fingering.frets.join()}
      player={player}
      capo={hand.capo}
      labels={dotLabels(dots, one, symbol, (note) => namer.noteOf(note))}
      onChoose={() => choose(one)}
    />
  );
  return (
    <section aria-label={`${name} opened`} onKeyDown={onKeyDown} className="rounded-box bg-base-200 p-4">
      <h2 className="font-mono">{name}</h2>
      <HowToHold shape={shape} player={player} namer={namer} />
      <ChangesAround plan={plan} symbol={symbol} namer={namer} />
      <h3 className="mt-3 font-bold">Hold something else</h3>
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
            Let the plan choose again
          </button>
        )}
      </div>
      <OwnShape request={request} name={name} namer={namer} leftHanded={player.leftHanded} onTake={choose} />
      {standIns && standIns.length > 0 && (
        <>
          <h4 className="text-sm font-bold">Easier, but another chord</h4>
          <ul className="mt-1 grid grid-cols-3 gap-2">
            {standIns.map((one) => offer(one.fingering, describeStandIn(one, symbol, soundingNames(namer))))}
          </ul>
        </>
      )}
      <h4 className="mt-2 text-sm font-bold">
        {offers.shapes && `${offers.shapes.length} of ${offers.total} ways to hold ${name}`}
        <SearchNote search={offers.answer} doing="Searching…" />
      </h4>
      <WishFields search={offers.search} strings={namer.strings()} onSet={offers.setSearch} />
      <ul className="mt-2 grid grid-cols-3 gap-2">
        {offers.shapes?.map((one) =>
          offer(one, one.omits.length > 0 ? `without ${one.omits.map(pretty).join(", ")}` : ""),
        )}
      </ul>
      {offers.shapes && offers.shapes.length < offers.total && (
        <button type="button" className="btn btn-sm mt-2" onClick={offers.showMore}>
          Show more
        </button>
      )}
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

function Offer({
  fingering,
  name,
  words,
  isHeld,
  player,
  capo,
  labels,
  onChoose,
}: {
  fingering: Fingering;
  name: string;
  words: string;
  isHeld: boolean;
  player: Player;
  capo: number;
  labels: ReturnType<typeof dotLabels>;
  onChoose: () => void;
}) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={isHeld}
        aria-label={`Hold ${writeFrets(fingering.frets)} for ${name}${words ? ` (${words})` : ""}`}
        className={`h-full w-full rounded-field border p-1 text-center ${isHeld ? "border-base-content bg-base-300" : "border-base-300 hover:bg-base-300"}`}
        onClick={onChoose}
      >
        <ChordDiagram
          shape={fingering}
          name={name}
          capo={capo}
          leftHanded={player.leftHanded}
          labels={labels}
          className="mx-auto h-20"
        />
        <span className="block text-xs">effort {fingering.difficulty.toFixed(1)}</span>
        {words && <span className="block text-xs">{words}</span>}
      </button>
    </li>
  );
}
