"use client";

import type { usePedals } from "./use-pedals";

/** The pedals as buttons; the one that goes next is lit when it is about to. */
export function PedalRow({
  names,
  pedals,
  due,
}: {
  names: readonly string[];
  pedals: ReturnType<typeof usePedals>;
  /** The pedals that go next, when they are about to. */
  due: readonly number[];
}) {
  return (
    <fieldset>
      <legend className="text-sm">Pedals</legend>
      <div className="flex flex-wrap gap-3">
        {names.map((name, at) => (
          <button
            key={at}
            type="button"
            className={`btn h-16 min-w-28 touch-none flex-col ${due.includes(at) ? "btn-primary" : ""}`}
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
            {name}
            {at < 9 && <span className="font-mono text-sm font-normal">key {at + 1}</span>}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
