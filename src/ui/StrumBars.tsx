import { type DrawnPattern, halvesOf, placeInBars } from "@/core/rhythm";
import { StrumRow } from "./StrumRow";

type Props = {
  readonly drawn: DrawnPattern;
  /** The stroke of the pattern that sounds now; null where no clock runs. */
  readonly now?: number | null;
  /** Only the bar that is now, the first where no clock runs. */
  readonly oneBar?: boolean;
  /** How wide a place is at most, in px; the text grows with it. */
  readonly step?: number;
  /** From more places a bar is broken in its middle. */
  readonly mostPlaces?: number;
  readonly className?: string;
};

/**
 * A pattern as its player reads it: the curve of the hand a bar at a time, equal bars folded, counts below. Drawn in the ink
 * of its surroundings, told to who hears it read.
 */
export function StrumBars({
  drawn: { bars, aloud },
  now = null,
  oneBar = false,
  step = 24,
  mostPlaces = Number.POSITIVE_INFINITY,
  className = "",
}: Props) {
  const here = now === null ? null : placeInBars(bars, now);
  const shown = oneBar ? bars.filter((_, at) => at === (here?.at ?? 0)) : bars;
  return (
    <ul aria-label={`Strum: ${aloud}`} className={`flex flex-wrap gap-x-6 gap-y-2 ${className}`}>
      {shown.map((row) => {
        const lit = here && bars[here.at] === row ? here.place : null;
        return (
          <li key={row.bar} className="flex max-w-full items-center gap-2" data-row={row.bar}>
            <span className="flex max-w-full flex-wrap">
              {halvesOf(row, mostPlaces).map((half) => (
                <StrumRow
                  key={half.from}
                  row={half}
                  now={
                    lit !== null && lit >= half.from && lit < half.from + half.strokes.length
                      ? lit - half.from
                      : null
                  }
                  step={step}
                />
              ))}
            </span>
            {row.free && <span className="font-bold whitespace-nowrap">free</span>}
            {row.times > 1 && <span className="font-bold whitespace-nowrap">× {row.times}</span>}
          </li>
        );
      })}
    </ul>
  );
}
