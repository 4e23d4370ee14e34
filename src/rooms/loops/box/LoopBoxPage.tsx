"use client";

import { LoopsTabs } from "../LoopsTabs";
import { Notes } from "../Notes";
import { useLoops } from "../use-loops";
import { Habits } from "./Habits";
import { Levels } from "./Levels";
import { BoxFields } from "./LoopBoxFields";
import { PedalTable } from "./PedalTable";
import { TeachBox } from "./TeachBox";
import { useBox } from "./use-box";

/** The box on the floor: what it can do, what its pedals do, what this band always does, and the levels. */
export function BoxPage() {
  const loops = useLoops();
  const model = useBox(loops);
  return (
    <>
      <h1 className="mb-1">Loops</h1>
      <LoopsTabs />
      <Notes loops={loops} />
      <section aria-labelledby="box-title" className="mb-8">
        <h2 id="box-title" className="mb-2">
          The box
        </h2>
        <TeachBox model={model} />
        <BoxFields model={model} />
        <PedalTable model={model} />
        <p className="mt-2 max-w-3xl text-sm">
          Put the box where both feet reach it without leaning off balance, and tape down cables where people
          walk.
        </p>
      </section>
      <Habits tracks={model.box.tracks} />
      <Levels loops={loops} />
    </>
  );
}
