"use client";

import Link from "next/link";
import { SearchNote } from "@/ui/SearchNote";
import { useOpenSong } from "../../open";
import { LoopsTabs } from "../LoopsTabs";
import { Notes } from "../Notes";
import { useLoopFindings } from "../use-loops";
import { sayWrong } from "../words";
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
      {shown && song.layers.length > 0 && (
        <p className="mb-4 max-w-3xl" aria-live="polite">
          {shown.plan.tracks.filter((ids) => ids.length > 0).length} of {shown.plan.tracks.length} tracks in
          use, <strong>{sayWrong(shown.plan.wrongBars)}</strong>, {shown.presses.length} presses of the foot,{" "}
          {Math.round(shown.plan.build.seconds)} seconds to build
          {open.length > 0 && `, ${open.length} ${open.length === 1 ? "finding" : "findings"}`}.{" "}
          <Link className="link" href={`/song/${version.id}/loops/feet`} prefetch={false}>
            Tracks and feet
          </Link>
          <SearchNote search={loops.search} doing="Being worked out anew…" />
        </p>
      )}
      <LayerList loops={loops} />
      {song.layers.length > 0 && song.spans.length > 0 && <Wanted loops={loops} />}
    </>
  );
}
