import type { SheetRow } from "@/core/parts";
import { barsOfPattern, type Pattern, throughBars } from "@/core/rhythm";
import { JoinBehind } from "../patterns/JoinBehind";
import type { PartPatterns } from "./use-part-patterns";

/** A longer pattern of a part's own: another joined behind it, or written out through the section to be changed by bars. */
export function Longer({
  name,
  pattern,
  patterns,
  row,
}: {
  name: string;
  pattern: Pattern;
  patterns: PartPatterns;
  row: SheetRow;
}) {
  return (
    <div className="my-2 flex flex-wrap items-end gap-2">
      <JoinBehind name={name} pattern={pattern} own={patterns.own} onJoined={patterns.take} />
      {barsOfPattern(pattern) < row.bars && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => patterns.take(throughBars(pattern, row.bars), `${name}, ${row.label}`, "section")}
        >
          Write out {row.bars} bars
        </button>
      )}
    </div>
  );
}
