import { type CSSProperties, type PointerEvent, useRef, useState } from "react";
import type { HeardSong, RunPlace } from "@/core/practice";
import { tellBars } from "@/core/song/moments";
import { SectionTag } from "@/ui/SectionTag";
import { type Rehearsal, stretchOf, tellWhat } from "./rehearsal";
import type { Way } from "./settings";

/**
 * The form as a thread of bars: a section is chosen by its name, bars by drawing over them, and one alone begins there. What will
 * sound is thick, what has sounded is burnt.
 */
export function BarThread({
  rehearsal,
  song,
  way,
  place,
}: {
  readonly rehearsal: Rehearsal;
  readonly song: HeardSong;
  readonly way: Way;
  readonly place: RunPlace | null;
}) {
  const stretch = stretchOf(song, way);
  const total = stretch.bars;
  const isWhole = stretch.first === 0 && stretch.last === total;
  const drawn = useRef<number | null>(null);
  const [drawing, setDrawing] = useState<readonly [number, number] | null>(null);
  const [from, to] = drawing ?? [stretch.first, stretch.last];
  const barAt = ({ clientX, clientY }: PointerEvent): number | null => {
    const bar = document.elementFromPoint(clientX, clientY)?.closest<HTMLElement>("[data-line]");
    return bar ? Number(bar.dataset.line) : null;
  };
  const onDown = (event: PointerEvent) => {
    const bar = barAt(event);
    if (bar === null || event.button !== 0) return;
    drawn.current = bar;
    setDrawing([bar, bar + 1]);
  };
  const onMove = (event: PointerEvent) => {
    const bar = barAt(event);
    if (drawn.current === null || bar === null) return;
    setDrawing([Math.min(drawn.current, bar), Math.max(drawn.current, bar) + 1]);
  };
  const onUp = () => {
    if (drawn.current === null || !drawing) return;
    drawn.current = null;
    setDrawing(null);
    const [first, last] = drawing;
    // One bar alone begins there; more of them are what is practised, round and round.
    if (last - first === 1) rehearsal.change({ stretch: { from: first, to: total } });
    else rehearsal.change({ stretch: { from: first, to: last }, circles: true });
  };
  let line = 0;
  return (
    <section aria-label="What is played">
      <div
        className="bar-thread"
        onPointerDown={onDown}
        onPointerMove={onMove}
        onPointerUp={onUp}
        onPointerCancel={() => {
          drawn.current = null;
          setDrawing(null);
        }}
      >
        {song.passages.map((passage, index) => {
          const first = line;
          line += passage.bars.length;
          const isChosen = !isWhole && stretch.first === first && stretch.last === line;
          const last = line;
          return (
            <div
              key={passage.id}
              className="bar-section"
              style={{ "--bars": passage.bars.length } as CSSProperties}
            >
              <button
                type="button"
                className="bar-section-name"
                aria-pressed={isChosen}
                onClick={() => rehearsal.change({ stretch: isChosen ? null : { from: first, to: last } })}
              >
                <SectionTag label={passage.label} kind={passage.kind} />
              </button>
              <span className="bar-row">
                {passage.bars.map((tick, bar) => {
                  const at = first + bar;
                  const isNow =
                    place?.passage === index &&
                    place.phase === "play" &&
                    place.bar === passage.firstBar + bar;
                  return (
                    <span
                      key={tick}
                      data-line={at}
                      data-in={at >= from && at < to}
                      data-now={isNow}
                      className="bar-notch"
                      title={tellBars(String(bar + 1), passage.label)}
                    />
                  );
                })}
              </span>
            </div>
          );
        })}
      </div>
      <p className="mt-1 flex flex-wrap items-center gap-x-4 text-sm">
        <span aria-live="polite">
          {isWhole
            ? "The whole song is played. Draw over bars to practise them; touch one to begin there."
            : `Played: ${tellWhat(song, { stretch: { from, to } })}.`}
        </span>
        {!isWhole && (
          <button
            type="button"
            className="link font-bold"
            onClick={() => rehearsal.change({ stretch: null })}
          >
            The whole song
          </button>
        )}
      </p>
    </section>
  );
}
