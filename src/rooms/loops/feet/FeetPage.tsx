"use client";

import { useMemo } from "react";
import { useEngine } from "@/engines/window";
import { SearchNote } from "@/ui/SearchNote";
import { Waiting } from "@/ui/Waiting";
import { LoopFindingsList } from "../LoopFindingsList";
import { LoopsTabs } from "../LoopsTabs";
import { Notes } from "../Notes";
import { useLoopFindings } from "../use-loops";
import { BuildPlan } from "./BuildPlan";
import { FootStrip } from "./FootStrip";
import { TracksBoard } from "./TracksBoard";
import { Trade } from "./Trade";
import { WayBack } from "./WayBack";

/** Tracks, what the feet do, how it is built, and the way back. */
export function FeetPage() {
  const { loops, open } = useLoopFindings();
  const { song, shown } = loops;
  const freely = useMemo(() => song.asked && { ...song.asked, pins: {} }, [song.asked]);
  const hasPins = Object.keys(song.asked?.pins ?? {}).length > 0;
  const free = useEngine("loops", hasPins && freely ? { looped: freely, trade: false } : null);
  const traded = useEngine("loops", song.asked && { looped: song.asked, trade: true });
  const trade = traded.isOld ? null : (traded.data?.trade ?? null);
  return (
    <>
      <h1 className="mb-1">Loops</h1>
      <LoopsTabs />
      <Notes loops={loops} />
      {!shown && loops.search.isOld && (
        <Waiting>
          <SearchNote search={loops.search} doing="The plan is being worked out…" />
        </Waiting>
      )}
      {!shown && !loops.search.isOld && (
        <p className="max-w-2xl rounded-box bg-base-200 p-4">
          There is no plan yet: it follows from layers and from where along the words they are wanted, on the
          page “The ropes”.
        </p>
      )}
      <TracksBoard loops={loops} free={free.data} />
      <FootStrip loops={loops} />
      <WayBack loops={loops} />
      <BuildPlan loops={loops} />
      {shown && <Trade loops={loops} trade={trade} />}
      {shown && (
        <section aria-label="Findings">
          <h2 className="mb-1">Findings</h2>
          <p className="mb-3 text-sm">
            {open.length === 0
              ? "Nothing in the plan asks for a second look."
              : `${open.length} open. They stand in Parts under Judgement as well.`}
          </p>
          <LoopFindingsList findings={open} />
        </section>
      )}
    </>
  );
}
