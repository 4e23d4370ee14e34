"use client";

import { tempoMs } from "@/core/rhythm";
import type { Timeline } from "@/core/song/read";
import { CUT_OF_KIND, describeTime } from "@/ui/pretty";

/** The song from left to right, every passage as long as it lasts; one is chosen by a click. */
export function FormStrip({
  timeline,
  chosen,
  onChoose,
}: {
  timeline: Timeline;
  chosen: string | null;
  onChoose: (useId: string) => void;
}) {
  let seconds = 0;
  return (
    <section aria-label="The song in time" className="mb-4">
      <div className="form-strip pb-1">
        {timeline.passages.map((passage) => {
          const from = seconds;
          const lasts = tempoMs(passage.ticks, passage.tempo) / 1000;
          seconds += lasts;
          const bars = passage.bars.length === 1 ? "1 bar" : `${passage.bars.length} bars`;
          const times = passage.use.repeat > 1 ? ` ${passage.round + 1}/${passage.use.repeat}` : "";
          return (
            <button
              key={`${passage.use.id} ${passage.round}`}
              type="button"
              className="form-block"
              data-cut={CUT_OF_KIND[passage.section.kind]}
              data-here={passage.use.id === chosen}
              aria-pressed={passage.use.id === chosen}
              style={{ flexGrow: Math.max(lasts, 0.1) }}
              title={`${passage.label}${times}: from ${describeTime(from)}, ${bars}, ${Math.round(lasts)} s`}
              onClick={() => onChoose(passage.use.id)}
            >
              <span className="block text-sm font-bold">
                {passage.label}
                {times}
              </span>
              <span className="block text-xs">
                {describeTime(from)} · {bars}
              </span>
            </button>
          );
        })}
      </div>
    </section>
  );
}
