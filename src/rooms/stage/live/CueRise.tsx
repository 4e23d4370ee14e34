import { ahead, BARS_AHEAD, type LivePassage, type Place, type StageCue } from "@/core/stage";

const MOST_SHOWN = 4;
const EVERY_BAR = 1000;
/** Nearer than this something is now, ms. */
const NOW_MS = 150;

const describeWhen = (bars: number, ms: number): string => {
  if (bars <= 0) return ms < NOW_MS ? "now" : "in this bar";
  return bars === 1 ? "next bar" : `in ${bars} bars`;
};

/** What comes within two bars, nearest first; what is near stands taller. The row keeps its height when it is empty. */
export function CueRise({
  cues,
  passages,
  place,
  stretch,
  large,
}: {
  cues: readonly StageCue[];
  passages: readonly LivePassage[];
  place: Place;
  stretch: number;
  large: boolean;
}) {
  // With nothing else on the screen all that comes in this section and the next is shown.
  const rising = ahead(cues, passages, place, stretch, large ? EVERY_BAR : BARS_AHEAD).slice(0, MOST_SHOWN);
  if (large && rising.length === 0)
    return <p className="text-3xl">Nothing else to do in this section or the next.</p>;
  return (
    <ul
      aria-label="What comes next"
      className={
        large
          ? "cue-rise flex-col gap-4 text-4xl max-sm:text-2xl"
          : "cue-rise h-11 overflow-hidden text-xl max-sm:h-13 max-sm:text-base"
      }
    >
      {rising.map(({ one, bars, ms }) => (
        <li key={`${one.passage} ${one.id}`} data-bars={bars} className="cue-risen">
          <span className="text-base">{describeWhen(bars, ms)}</span> {one.text}
        </li>
      ))}
    </ul>
  );
}
