"use client";

import { SearchNote } from "@/ui/SearchNote";
import { Waiting } from "@/ui/Waiting";
import { LoopsTabs } from "../LoopsTabs";
import { Notes } from "../Notes";
import { useLoops } from "../use-loops";
import { SimulatedBox } from "./SimulatedBox";

/** The simulated looper: shown, or played by one's own feet and judged. */
export function PlayPage() {
  const loops = useLoops();
  const { shown, search } = loops;
  return (
    <>
      <h1 className="mb-1">Loops</h1>
      <LoopsTabs />
      <Notes loops={loops} />
      {shown ? (
        <SimulatedBox loops={loops} shown={shown} />
      ) : search.isOld ? (
        <Waiting>
          <SearchNote search={search} doing="The plan is being worked out…" />
        </Waiting>
      ) : (
        <p className="max-w-2xl rounded-box bg-base-200 p-4">
          There is nothing to play yet: add layers and draw where they are wanted, on the page “The ropes”.
        </p>
      )}
    </>
  );
}
