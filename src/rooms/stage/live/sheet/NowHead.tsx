import type { StageSheet } from "@/core/stage";
import { ROLE_WORDS } from "@/ui/pretty";
import { SectionTag } from "@/ui/SectionTag";
import { Wick } from "@/ui/Wick";
import { describeWait } from "../../describe-wait";

/** The section that is now: its name, the player's light and role, what is otherwise. */
export function NowHead({
  sheet,
  plays,
}: {
  sheet: StageSheet;
  /** Whether it is somebody's part; who reads along has no light and no role. */
  plays: boolean;
}) {
  const wait = describeWait(sheet);
  return (
    <div className="passage-head my-1 flex flex-wrap items-center gap-x-4">
      <h2 className="text-3xl max-sm:text-2xl">
        <SectionTag label={sheet.label} kind={sheet.kind} />
      </h2>
      {sheet.round && <span className="text-2xl">{sheet.round}</span>}
      {plays && (
        <>
          <Wick light={sheet.light} carries={sheet.role === "carry"} />
          <span className="text-2xl max-sm:text-lg">
            {ROLE_WORDS[sheet.role]}
            {sheet.optional && ", may be left out"}
            {sheet.note && `: ${sheet.note}`}
          </span>
        </>
      )}
      {wait && <strong className="text-2xl max-sm:text-lg">{wait}</strong>}
      {sheet.how.length > 0 && <span className="text-xl max-sm:text-base">{sheet.how.join(" · ")}</span>}
      {sheet.otherwise.length > 0 && (
        <span className="w-full text-2xl font-bold max-sm:text-lg">{sheet.otherwise.join(" · ")}</span>
      )}
      {sheet.drawn.length > 0 && (
        <span className="w-full text-lg max-sm:text-sm">{sheet.drawn.join(" · ")}</span>
      )}
    </div>
  );
}
