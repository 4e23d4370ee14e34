import {
  type BarRow,
  barRows,
  countsOf,
  lastBeats,
  type Pattern,
  placeInRows,
  readAloud,
} from "@/core/rhythm";
import { StrumRow } from "./StrumRow";

type Props = {
  readonly pattern: Pattern;
  /** The stroke of the pattern that sounds now; null where no clock runs. */
  readonly now?: number | null;
  /** Whether it is a fill: the last beats of a bar, drawn as what it is and not as a bar. */
  readonly fill?: boolean;
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
  pattern,
  now = null,
  fill = false,
  oneBar = false,
  step = 24,
  mostPlaces = Number.POSITIVE_INFINITY,
  className = "",
}: Props) {
  const last = fill ? lastBeats(pattern) : null;
  const rows = last ? [last.row] : barRows(pattern);
  const here = now === null ? null : placeInRows(rows, now);
  const shown = oneBar ? rows.filter((_, at) => at === (here?.row ?? 0)) : rows;
  return (
    <ul aria-label={`Strum: ${readAloud(pattern)}`} className={`flex flex-wrap gap-x-6 gap-y-2 ${className}`}>
      {shown.map((row) => {
        const lit = here && rows[here.row] === row ? here.place : null;
        return (
          <li key={row.bar} className="flex max-w-full items-center gap-2" data-row={row.bar}>
            <span className="flex max-w-full flex-wrap">
              {partsOf(
                row,
                last?.counts ?? countsOf({ ...pattern, strokes: row.strokes }),
                pattern,
                mostPlaces,
              ).map(({ from, strokes, counts }) => (
                <StrumRow
                  key={from}
                  pattern={{ ...pattern, strokes }}
                  counts={counts}
                  now={lit !== null && lit >= from && lit < from + strokes.length ? lit - from : null}
                  step={step}
                />
              ))}
            </span>
            {pattern.free && <span className="font-bold whitespace-nowrap">free</span>}
            {row.times > 1 && <span className="font-bold whitespace-nowrap">× {row.times}</span>}
          </li>
        );
      })}
    </ul>
  );
}

/** A bar, or its two halves where it has too many places for one row. */
function partsOf({ strokes }: BarRow, counts: readonly string[], pattern: Pattern, mostPlaces: number) {
  const half = Math.ceil(strokes.length / pattern.subdivision / 2) * pattern.subdivision;
  const starts = strokes.length > mostPlaces ? [0, half] : [0];
  return starts.map((from, at) => ({
    from,
    strokes: strokes.slice(from, starts[at + 1]),
    counts: counts.slice(from, starts[at + 1]),
  }));
}
