"use client";

import Link from "next/link";
import { SearchNote } from "@/ui/SearchNote";
import { useOpenSong } from "../../open";
import { LoopsTabs } from "../LoopsTabs";
import { describeWrong } from "../loop-words";
import { Notes } from "../Notes";
import { type ShownPlan, useLoopFindings } from "../use-loops";
import { LayerList } from "./LayerList";
import { Wanted } from "./Wanted";

/** The ropes: what goes round, and where along the words each of it shall be heard. */
export function RopesPage() {
  const { loops, open } = useLoopFindings();
  const { version } = useOpenSong();
  const { shown, song } = loops;
  return (
    <>
      <h1 className="mb-1">Loops</h1>
      <LoopsTabs />
      <Notes loops={loops} />
      {song.layers.length > 0 && (
        <p className="mb-4 min-h-12 max-w-3xl" aria-live="polite">
          {shown && <InAll shown={shown} findings={open.length} href={`/song/${version.id}/loops/feet`} />}
          <SearchNote
            search={loops.search}
            doing={shown ? "Being worked out anew…" : "The plan is being worked out…"}
          />
        </p>
      )}
      <LayerList loops={loops} />
      {song.layers.length > 0 && song.spans.length > 0 && <Wanted loops={loops} />}
    </>
  );
}

/** The plan in one sentence. */
function InAll({
  shown,
  findings,
  href,
}: {
  readonly shown: ShownPlan;
  readonly findings: number;
  readonly href: string;
}) {
  return (
    <>
      {shown.plan.tracks.filter((ids) => ids.length > 0).length} of {shown.plan.tracks.length} tracks in use,{" "}
      <strong>{describeWrong(shown.plan.wrongBars)}</strong>, {shown.presses.length} presses of the foot,{" "}
      {Math.round(shown.plan.build.seconds)} seconds to build
      {findings > 0 && `, ${findings} ${findings === 1 ? "finding" : "findings"}`}.{" "}
      <Link className="link" href={href} prefetch={false}>
        Tracks and feet
      </Link>{" "}
    </>
  );
}
