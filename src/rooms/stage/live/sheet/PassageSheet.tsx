import { useRef } from "react";
import type { StagePart, StageSheet } from "@/core/stage";
import { NowHead } from "./NowHead";
import { AsideOf, PhoneStrip } from "./SheetAside";
import { SheetLines } from "./SheetLines";
import { useFollowLine } from "./use-follow-line";

/**
 * One time through a section as its player reads it on stage, for a room that goes through the song by itself.
 * @param tick where the music is, in ticks of the passage; null marks nothing
 */
export function PassageSheet({
  part,
  sheet,
  tick,
}: {
  readonly part: StagePart;
  readonly sheet: StageSheet;
  readonly tick: number | null;
}) {
  const box = useRef<HTMLElement>(null);
  const view = part.sheet;
  useFollowLine(box, sheet, view, tick);
  return (
    <>
      <NowHead sheet={sheet} plays={part.plays} />
      <PhoneStrip sheet={sheet} leftHanded={part.leftHanded} view={view} tick={tick} />
      <div className="flex min-h-0 flex-1 gap-4">
        <section
          ref={box}
          // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keys
          tabIndex={0}
          aria-label={`${sheet.label}, words and chords`}
          className="stage-sheet min-w-0 flex-1 overflow-y-auto"
        >
          <SheetLines sheet={sheet} beatsInBar={sheet.beatsInBar} view={view} counts={false} tick={tick} />
        </section>
        <AsideOf sheet={sheet} leftHanded={part.leftHanded} view={view} tick={tick} />
      </div>
    </>
  );
}
