import { Suspense } from "react";
import type { StageRiff, StageSheet } from "@/core/stage";
import { SectionTag } from "@/ui/SectionTag";
import { FoldedTab } from "../seldom";

/** So many of its chords are told. */
const MOST_CHORDS_NEXT = 6;

/** What comes next, folded: its name, its first chords, whether the player is in. */
export function NextStrip({
  next,
  more,
  ended,
  tab,
  plays,
}: {
  next: StageSheet | null | undefined;
  more: boolean;
  ended: boolean;
  /** The first bar of what comes next, where that is tab. */
  tab: StageRiff | null;
  plays: boolean;
}) {
  const chords =
    next?.lines.flatMap((line) =>
      line.pieces.flatMap((piece) => (piece.name === null ? [] : [piece.name])),
    ) ?? [];
  const most = tab ? 1 : MOST_CHORDS_NEXT;
  // That there are more is said.
  const told = [...chords.slice(0, most), ...(chords.length > most && !tab ? ["…"] : [])].join("  ");
  const folded = tab && (
    <Suspense fallback={null}>
      <FoldedTab tab={tab} />
    </Suspense>
  );
  return (
    <div
      className="flex min-w-0 flex-1 items-center gap-4 overflow-hidden rounded-field border-t-4 border-base-300 bg-base-200 px-4 text-2xl whitespace-nowrap max-sm:gap-2 max-sm:px-2 max-sm:text-base"
      aria-live="polite"
    >
      {more && (
        <span>
          <span className="max-sm:hidden">more lines of this section</span>
          <span className="sm:hidden">more below</span>
        </span>
      )}
      {ended && <span>the end</span>}
      {more && folded}
      {next && (
        <>
          <span className="text-base max-sm:sr-only">next</span>
          <SectionTag label={next.label} kind={next.kind} />
          <span className="min-w-0 truncate font-mono font-bold">{told}</span>
          {folded}
          {plays && (
            <span className="min-w-0 truncate text-lg max-sm:hidden">
              {next.role === "out" ? "you stay out" : next.optional ? "may be left out" : next.note}
            </span>
          )}
        </>
      )}
    </div>
  );
}
