"use client";

import {
  type Adjustments,
  type ChordSheet,
  describeSheetLoss,
  describeSheetProblem,
  type SheetProblem,
} from "@/core/formats";
import { pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";

const MOST_SHOWN = 12;

type Props = {
  readonly sheet: ChordSheet;
  readonly adjustments: Adjustments;
  readonly onChange: (fields: Partial<Adjustments>) => void;
  /** Shows a line of the text; null where there is no text. */
  readonly onShowLine: ((line: number) => void) | null;
  /** Writes something else where a problem stands in the text. */
  readonly onReplace: (problem: SheetProblem, by: string) => void;
};

/** What to look at: each with what else it may be, one act away, and its place in the text. */
export function Looks({ sheet, adjustments, onChange, onShowLine, onReplace }: Props) {
  const { problems, losses } = sheet;
  if (problems.length + losses.length === 0) return null;
  return (
    <div className="my-3 rounded-field border-2 border-warning px-3 py-2">
      <h2 className="text-base">To look at</h2>
      <ul className="mt-1 flex flex-col gap-1 text-sm">
        {problems.slice(0, MOST_SHOWN).map((problem) => (
          <li key={`${problem.code} ${problem.line} ${problem.column} ${problem.text}`}>
            {describeSheetProblem(problem)}{" "}
            {onShowLine && problem.code === "unreadable-chord" ? (
              problem.suggestions?.map((meant) => (
                <button
                  key={meant}
                  type="button"
                  className="btn btn-xs mr-1"
                  onClick={() => onReplace(problem, meant)}
                >
                  It is {pretty(meant)}
                </button>
              ))
            ) : (
              <Offer problem={problem} sheet={sheet} adjustments={adjustments} onChange={onChange} />
            )}{" "}
            {onShowLine && problem.line > 0 && (
              <button type="button" className="link" onClick={() => onShowLine(problem.line)}>
                Show it in the text
              </button>
            )}
          </li>
        ))}
        {problems.length > MOST_SHOWN && <li>and {problems.length - MOST_SHOWN} more places</li>}
        {losses.slice(0, MOST_SHOWN).map((loss, index) => (
          <li key={`${loss.line} ${loss.what} ${index}`}>{describeSheetLoss(loss)}</li>
        ))}
        {losses.length > MOST_SHOWN && <li>and {losses.length - MOST_SHOWN} more notes</li>}
      </ul>
    </div>
  );
}

/** What else a doubtful place may be: an act where one settles it, else the words. */
function Offer({
  problem,
  sheet,
  adjustments,
  onChange,
}: Omit<Props, "onShowLine" | "onReplace"> & { problem: SheetProblem }) {
  const { line, suggestions = [] } = problem;
  const act = (words: string, fields: Partial<Adjustments>) => (
    <button type="button" className="btn btn-xs" onClick={() => onChange(fields)}>
      {words}
    </button>
  );
  switch (problem.code) {
    case "maybe-heading":
      return act("It is sung", { sung: [...(adjustments.sung ?? []), line] });
    case "figures-as-beats":
      return act("They are parts of the chords", { figures: false });
    case "capo-or-key":
      return act(`They are ${suggestions[0]}`, { shapes: !sheet.shapes });
    case "empty-heading":
      return (
        <SelectField
          label={`What “${problem.text}” plays`}
          hideLabel
          className="inline-block w-56"
          value=""
          options={[
            { value: "", label: "left out" },
            ...sheet.sections.map(({ label }) => ({ value: label, label: `plays like ${label}` })),
          ]}
          onSet={(label) => onChange({ playedLike: { ...adjustments.playedLike, [String(line)]: label } })}
        />
      );
    default:
      return suggestions.length > 0 ? <>Did it mean {suggestions.join(" or ")}?</> : null;
  }
}
