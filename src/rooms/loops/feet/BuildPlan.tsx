"use client";

import { buildOf, type LoopSchool, secondsToFirstWord, setBox } from "@/core/loops";
import { LOOP_SCHOOLS } from "@/core/song/schema";
import { Tick } from "@/ui/Tick";
import { makeId, useAct, useCurrentVersion } from "../../open";
import { describeSeconds } from "../loop-words";
import type { Loops, ShownPlan } from "../use-loops";
import { tellBuildFeet } from "./tell-build-feet";

const SCHOOL_WORDS: Readonly<Record<LoopSchool, string>> = {
  "chords-first": "Chords first",
  "beat-first": "Beat first",
};

/** How the layers are recorded: both schools beside each other, and what can wait until the song runs. */
export function BuildPlan({ loops }: { loops: Loops }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { shown, song } = loops;
  if (!shown?.song.asked) return null;
  const { asked } = shown.song;
  const nameOf = (id: string) => shown.song.layers.find((layer) => layer.id === id)?.name ?? id;
  const named = (text: string) =>
    shown.song.layers.reduce((said, { id, name }) => said.replaceAll(id, name), text);
  const words = secondsToFirstWord(shown.song, shown.plan);
  return (
    <section aria-labelledby="build-title" className="mb-8">
      <h2 id="build-title" className="mb-1">
        Building it
      </h2>
      <div className="grid gap-3 md:grid-cols-2">
        {LOOP_SCHOOLS.map((school) => {
          const build = buildOf({ ...asked, school }, shown.plan.tracks);
          const chosen = song.box.school === school;
          return (
            <div
              key={school}
              className={`rounded-box border p-3 ${chosen ? "border-2 border-base-content" : "border-base-300"}`}
            >
              <h3 className="flex items-center justify-between gap-2 font-bold">
                {SCHOOL_WORDS[school]}: {describeSeconds(build.seconds)}
                <button
                  type="button"
                  className={`btn btn-sm ${chosen ? "btn-primary" : ""}`}
                  aria-pressed={chosen}
                  onClick={() => act(setBox(current(), { school }, makeId))}
                >
                  {chosen ? "This way" : "Build this way"}
                </button>
              </h3>
              <ol className="mt-1 list-decimal pl-6">
                <li>count in, 1 bar</li>
                {build.passes.map((pass) => (
                  <li key={pass.layers.join()}>
                    {pass.layers.map(nameOf).join(" together with ")}, {pass.bars} bars
                    {chosen && <span className="block text-sm">foot: {tellBuildFeet(pass, song.box)}</span>}
                  </li>
                ))}
                {asked.listen && <li>listen once</li>}
              </ol>
              <p className="mt-1 text-sm">{named(build.why)}.</p>
            </div>
          );
        })}
      </div>
      <div className="mt-2 flex flex-wrap gap-x-6">
        <Tick
          label="Listen through once before the song"
          on={song.box.listen}
          onSet={(listen) => act(setBox(current(), { listen }, makeId))}
        />
        <Tick
          label="The loops still run when the song begins"
          on={song.box.startFrom === "running"}
          onSet={(on) => act(setBox(current(), { startFrom: on ? "running" : "silence" }, makeId))}
        />
      </div>
      <p className="mt-1 text-sm">
        {words === null
          ? "Nothing is sung in this song."
          : `${describeSeconds(words)} from the count-in to the first sung word.`}
      </p>
      {shown.plan.later.length > 0 && <CanWait shown={shown} nameOf={nameOf} />}
    </section>
  );
}

/** Layers that can be recorded while the song runs, where nothing else is in the way. */
function CanWait({ shown, nameOf }: { shown: ShownPlan; nameOf: (layer: string) => string }) {
  return (
    <>
      <h3 className="mt-3 text-sm font-bold">Can wait until the song runs</h3>
      <ul className="list-disc pl-6 text-sm">
        {shown.plan.later.map(({ layer, section, bar, savesSeconds }) => {
          const piece = shown.song.pieces.find(({ id }) => id === section);
          const before = piece ? Math.round((piece.from - piece.span.from) / shown.song.barTicks) : 0;
          return (
            <li key={layer}>
              {nameOf(layer)}: record it in {piece?.span.label}, from bar {before + bar + 1}; what plays it is
              free there for a whole pass. Saves {describeSeconds(savesSeconds)}.
            </li>
          );
        })}
      </ul>
    </>
  );
}
