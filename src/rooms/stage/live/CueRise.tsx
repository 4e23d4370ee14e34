import { ahead, type LivePassage, type Place } from "@/core/stage";
import type { StageSheet } from "../stage-sheets";

const WHEN = ["in this bar", "next bar", "in 2 bars"];
const MOST_SHOWN = 4;

/** What comes within two bars, nearest first; what is near stands taller. The row keeps its height when it is empty. */
export function CueRise({
  sheets,
  passages,
  place,
  stretch,
  large,
}: {
  sheets: readonly StageSheet[];
  passages: readonly LivePassage[];
  place: Place;
  stretch: number;
  large: boolean;
}) {
  const cues = sheets.flatMap((sheet) => sheet.cues.filter(({ kind }) => kind !== "count-in"));
  const rising = ahead(cues, passages, place, stretch).slice(0, MOST_SHOWN);
  return (
    <ul
      aria-label="What comes next"
      className={
        large ? "cue-rise flex-1 flex-col text-3xl" : "cue-rise h-11 overflow-hidden text-xl max-sm:text-base"
      }
    >
      {rising.map(({ one, bars }) => (
        <li key={`${one.passage} ${one.id}`} data-bars={bars} className="cue-risen">
          <span className="text-base">{WHEN[Math.max(0, bars)]}</span> {one.text}
        </li>
      ))}
    </ul>
  );
}
