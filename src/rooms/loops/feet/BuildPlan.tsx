"use client";

import {
  type BuildSheet,
  buildOf,
  buildPrice,
  buildSheet,
  type LoopSchool,
  layerName,
  movePass,
  orderByPlan,
  plainBuild,
  secondsToFirstWord,
  setBox,
} from "@/core/loops";
import { LOOP_SCHOOLS, type LoopBox } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";
import { SortableList } from "@/ui/SortableList";
import { Tick } from "@/ui/Tick";
import { derive, makeId, useAct, useBand, useCurrentVersion } from "../../open";
import { describeSeconds } from "../loop-words";
import type { Loops, ShownPlan } from "../use-loops";
import { BuildRow } from "./BuildRow";

const SCHOOL_WORDS: Readonly<Record<LoopSchool, string>> = {
  "chords-first": "Chords first",
  "beat-first": "Beat first",
};

/** How the layers are recorded before the song: pass by pass what the foot does, in whose order, and what can wait. */
export function BuildPlan({ loops }: { loops: Loops }) {
  const act = useAct();
  const current = useCurrentVersion();
  const band = useBand();
  const shown = loops.shown && withOrderNow(loops.shown, loops.song);
  const sheet = shown && buildSheet(shown.song, shown.plan);
  if (!shown?.song.asked || !sheet) return null;
  const { order } = shown.plan.build;
  const words = secondsToFirstWord(shown.song, shown.plan);
  const idOf = (ids: readonly string[]) => ids.join(" ");
  /** Moves a pass from where it is in the song as it is now: a second press may come before the first one is drawn. */
  const move = (id: string, toOf: (from: number) => number) => {
    const { asked } = derive.loops(current(), band);
    const now = asked ? buildOf(asked, shown.plan.tracks).order : [];
    const from = now.findIndex((ids) => idOf(ids) === id);
    const to = toOf(from);
    if (from >= 0 && to >= 0 && to < now.length && to !== from) act(movePass(now, from, to));
  };
  return (
    <section aria-labelledby="build-title" className="mb-8">
      <h2 id="build-title" className="mb-1">
        Building it
      </h2>
      <p className="mb-2">
        {sheet.countInBars} bar to count in, then {sheet.steps.length}{" "}
        {sheet.steps.length === 1 ? "pass" : "passes, straight on"}: {describeSeconds(sheet.seconds)}.{" "}
        {words === null
          ? "Nothing is sung in this song."
          : `${describeSeconds(words)} from the count-in to the first sung word.`}
      </p>
      <Orders shown={shown} />
      <SortableList ids={order.map(idOf)} onMove={(id, to) => move(id, () => to)}>
        <ol aria-label="Passes of the build">
          {sheet.steps.map((step, at) => (
            <BuildRow
              key={idOf(step.ids)}
              id={idOf(step.ids)}
              step={step}
              at={at}
              onMove={(by) => move(idOf(step.ids), (from) => from + by)}
            />
          ))}
        </ol>
      </SortableList>
      <AfterPasses sheet={sheet} />
      <Ways box={loops.song.box} onSet={(fields) => act(setBox(current(), fields, makeId))} />
      {shown.plan.later.length > 0 && <CanWait shown={shown} />}
    </section>
  );
}

/** The plan with its build in the order the song has now: that needs no search. */
function withOrderNow(shown: ShownPlan, song: Loops["song"]): ShownPlan {
  const isSame =
    song.asked !== null && song.layers.length === shown.song.layers.length && shown.song.asked !== null;
  return isSame
    ? { ...shown, song, plan: { ...shown.plan, build: buildOf(song.asked, shown.plan.tracks) } }
    : shown;
}

/** What comes after the last pass, before the song. */
const AfterPasses = ({ sheet }: { sheet: BuildSheet }) => (
  <p className="border-t border-base-300 py-2 pl-8">
    {sheet.listenBars > 0 && `Then everything is heard once, ${sheet.listenBars} bars. `}
    {sheet.before}
  </p>
);

/** In whose order passes are recorded: by either school, or one's own with its price against the plan's. */
function Orders({ shown }: { shown: ShownPlan }) {
  const act = useAct();
  const current = useCurrentVersion();
  const asked = shown.song.asked!;
  const own = asked.buildOrder !== undefined;
  const named = (text: string) =>
    shown.song.layers.reduce((said, { id, name }) => said.replaceAll(id, name), text);
  const plain = plainBuild(asked, shown.plan.tracks);
  return (
    <div className="mb-2">
      <fieldset className="flex flex-wrap items-center gap-2">
        <legend className="float-left mr-2 font-bold">Order</legend>
        {LOOP_SCHOOLS.map((school) => {
          const build = plainBuild({ ...asked, school }, shown.plan.tracks);
          const chosen = !own && asked.school === school;
          return (
            <button
              key={school}
              type="button"
              className={`btn btn-sm ${chosen ? "btn-primary" : ""}`}
              aria-pressed={chosen}
              onClick={() => {
                if (own) act(orderByPlan(current()));
                act(setBox(current(), { school }, makeId));
              }}
            >
              {SCHOOL_WORDS[school]}: {describeSeconds(build.seconds)}
            </button>
          );
        })}
        {own && (
          <button
            type="button"
            className="btn btn-sm btn-primary"
            aria-pressed="true"
            onClick={() => act(orderByPlan(current()))}
          >
            Your own: {describeSeconds(shown.plan.build.seconds)}
          </button>
        )}
      </fieldset>
      <p className="mt-1 text-sm">
        {own ? tellPrice(shown, plain) : `${named(shown.plan.build.why)}. Drag a pass to put it elsewhere.`}
      </p>
    </div>
  );
}

/** What an order of one's own costs against the plan's. */
function tellPrice({ song, plan }: ShownPlan, plain: ReturnType<typeof plainBuild>): string {
  const [own, other] = [buildPrice(song, plan.build), buildPrice(song, plain)];
  const more = (value: number, noun: string, nouns: string) =>
    value === 0
      ? []
      : [`${Math.abs(value)} ${Math.abs(value) === 1 ? noun : nouns} ${value > 0 ? "more" : "fewer"}`];
  const told = [
    ...more(own.presses - other.presses, "press", "presses"),
    ...more(own.moves - other.moves, "move from pedal to pedal", "moves from pedal to pedal"),
    ...more(Math.round(own.seconds - other.seconds), "second", "seconds"),
  ];
  const price = told.length === 0 ? "no press, move or second more" : told.join(", ");
  const pulse =
    own.isSteady || !other.isSteady
      ? ""
      : " What is recorded first has no steady pulse: it fixes length and tempo, so count along.";
  return `Your own order, against the plan's: ${price}.${pulse} “Your own” again leaves it to the plan.`;
}

/** How this box is built on, in every order. */
const Ways = ({ box, onSet }: { box: LoopBox; onSet: (fields: Partial<LoopBox>) => void }) => (
  <div className="mt-1 flex flex-wrap items-end gap-x-6 gap-y-1">
    <SelectField
      label="Tracks"
      className="w-72"
      value={box.spread ? "spread" : "few"}
      options={[
        { value: "few", label: "as few as the song needs" },
        { value: "spread", label: "one layer a track, while tracks last" },
      ]}
      onSet={(value) => onSet({ spread: value === "spread" })}
    />
    <Tick
      label="Finish a track before the next is begun"
      on={box.finish}
      onSet={(finish) => onSet({ finish })}
    />
    <Tick label="Listen through once before the song" on={box.listen} onSet={(listen) => onSet({ listen })} />
    <Tick
      label="The loops still run when the song begins"
      on={box.startFrom === "running"}
      onSet={(on) => onSet({ startFrom: on ? "running" : "silence" })}
    />
  </div>
);

/** Layers that can be recorded while the song runs, where nothing else is in the way. */
function CanWait({ shown: { song, plan } }: { shown: ShownPlan }) {
  return (
    <>
      <h3 className="mt-3 text-sm font-bold">Can wait until the song runs</h3>
      <ul className="list-disc pl-6 text-sm">
        {plan.later.map(({ layer, section, bar, savesSeconds }) => {
          const piece = song.pieces.find(({ id }) => id === section);
          const before = piece ? Math.round((piece.from - piece.span.from) / song.barTicks) : 0;
          return (
            <li key={layer}>
              {layerName(song, layer)}: record it in {piece?.span.label}, from bar {before + bar + 1}; what
              plays it is free there for a whole pass. Saves {describeSeconds(savesSeconds)}.
            </li>
          );
        })}
      </ul>
    </>
  );
}
