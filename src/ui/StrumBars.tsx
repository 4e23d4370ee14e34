import { barRows, type Pattern, placeInRows, readAloud } from "@/core/rhythm";
import { StrumRow } from "./StrumRow";

type Props = {
  readonly pattern: Pattern;
  /** The stroke of the pattern that sounds now; null where no clock runs. */
  readonly now?: number | null;
  /** Only the bar that is now, the first where no clock runs. */
  readonly oneBar?: boolean;
  /** How wide a place is at most, in px; the text grows with it. */
  readonly step?: number;
  readonly className?: string;
};

/**
 * A pattern as its player reads it: the curve of the hand a bar at a time, equal bars folded, counts below. Drawn in the ink
 * of its surroundings, told to who hears it read.
 */
export function StrumBars({ pattern, now = null, oneBar = false, step = 24, className = "" }: Props) {
  const rows = barRows(pattern);
  const here = now === null ? null : placeInRows(rows, now);
  const shown = oneBar ? rows.filter((_, at) => at === (here?.row ?? 0)) : rows;
  return (
    <ul aria-label={`Strum: ${readAloud(pattern)}`} className={`flex flex-wrap gap-x-6 gap-y-2 ${className}`}>
      {shown.map((row) => {
        const lit = here && rows[here.row] === row ? here.place : null;
        return (
          <li key={row.bar} className="flex max-w-full items-center gap-2" data-row={row.bar}>
            <StrumRow pattern={{ ...pattern, strokes: row.strokes }} now={lit} step={step} />
            {row.times > 1 && <span className="font-bold whitespace-nowrap">× {row.times}</span>}
          </li>
        );
      })}
    </ul>
  );
}
