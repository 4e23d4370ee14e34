import type { Ref } from "react";

/** What stands along a rope: a chord or a count, and where in the pass it begins, 0 to 1. */
export type RopeMark = { readonly at: number; readonly text: string };

/**
 * A loop as a strip of rope that burns down: what has sounded of this pass is ash, the ember is where it is now. The
 * share burnt is set from outside, frame by frame, as the custom property `--burnt`.
 */
export function Rope({ marks, ref }: { marks: readonly RopeMark[]; ref?: Ref<HTMLDivElement> }) {
  return (
    <div ref={ref} className="loop-rope" data-runs="false" aria-hidden="true">
      <span className="loop-rope-ash" />
      <span className="loop-rope-whole" />
      <span className="loop-rope-ember" />
      {marks.map(({ at, text }) => (
        <span key={at} className="loop-rope-mark" style={{ left: `${at * 100}%` }}>
          {text}
        </span>
      ))}
    </div>
  );
}
