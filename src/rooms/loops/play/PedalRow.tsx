"use client";

import type { LoopBox } from "@/core/song";
import type { usePedals } from "./use-pedals";

/** Which pedal does an act, and how: pressed, twice, or held. */
export function pedalOf(box: LoopBox, act: string): { readonly at: number; readonly how: string } | null {
  for (const [way, how] of [
    ["press", ""],
    ["double", ", twice"],
    ["hold", ", held"],
  ] as const) {
    const at = box.pedals.findIndex((pedal) => pedal[way] === act);
    if (at >= 0) return { at, how };
  }
  return null;
}

/** The pedals as buttons; the one that goes next is lit when it is about to. */
export function PedalRow({
  box,
  pedals,
  due,
}: {
  box: LoopBox;
  pedals: ReturnType<typeof usePedals>;
  /** The pedal that goes next, when it is about to. */
  due: number | null;
}) {
  return (
    <fieldset>
      <legend className="text-sm">Pedals</legend>
      <div className="flex flex-wrap gap-3">
        {box.pedals.map((pedal, at) => (
          <button
            key={at}
            type="button"
            className={`btn h-16 min-w-28 touch-none flex-col ${due === at ? "btn-primary" : ""}`}
            aria-keyshortcuts={at < 9 ? String(at + 1) : undefined}
            onPointerDown={(event) => pedals.down(at, event.timeStamp)}
            onPointerUp={() => pedals.up(at)}
            onPointerLeave={() => pedals.up(at)}
            onKeyDown={(event) => {
              if ((event.key === "Enter" || event.key === " ") && !event.repeat)
                pedals.down(at, event.timeStamp);
            }}
            onKeyUp={() => pedals.up(at)}
          >
            {pedal.name}
            {at < 9 && <span className="font-mono text-sm font-normal">key {at + 1}</span>}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
