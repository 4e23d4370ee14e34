"use client";

import { useMemo } from "react";
import {
  type Adjustments,
  type ChordSheet,
  describeSheetLoss,
  describeSheetProblem,
  type SheetProblem,
} from "@/core/formats";
import { beatsOfBar, countBeats, formatMeter } from "@/core/rhythm";
import { describeKey, describeTime } from "@/ui/pretty";
import { previewOf } from "./preview";
import { SectionPreview } from "./SectionPreview";

const MOST_SHOWN = 12;
/** Longer sheets are previewed in part: the song itself takes all of it. */
const MOST_SECTIONS_SHOWN = 40;

/** The sheet as it will stand, with its doubtful places marked in it. */
export function Understood({
  sheet,
  read,
  adjustments,
  onChange,
  onShowLine,
}: {
  sheet: ChordSheet;
  /** As it was read, before sections were joined: their numbers are what is changed. */
  read: ChordSheet;
  adjustments: Adjustments;
  onChange: (fields: Partial<Adjustments>) => void;
  onShowLine: ((line: number) => void) | null;
}) {
  const shown = useMemo(() => previewOf(sheet), [sheet]);
  const { version } = shown;
  const meter = { beats: version.meterBeats, unit: version.meterUnit };
  const bar = beatsOfBar(meter, version.beatUnit);
  const labels = sheet.form.map(
    (use) => `${use.label ?? sheet.sections[use.section]!.label}${use.repeat > 1 ? ` × ${use.repeat}` : ""}`,
  );
  return (
    <section aria-label="What was understood" aria-live="polite" className="min-w-0">
      <p>
        {sheet.key ? describeKey(sheet.key) : "No key found"}, {formatMeter(meter)}, {version.bpm} a minute:{" "}
        {shown.bars} {shown.bars === 1 ? "bar" : "bars"} of {countBeats(bar)}, {describeTime(shown.seconds)}
        {sheet.shapes && `; sounds in ${describeKey(version.key)}`}.
      </p>
      {labels.length > 0 && <p className="text-sm">Played: {labels.join(" · ")}</p>}
      <Looks sheet={sheet} onShowLine={onShowLine} />
      {shown.outline.sections.slice(0, MOST_SECTIONS_SHOWN).map(({ section }, index) => (
        <SectionPreview
          key={section.id}
          shown={shown}
          index={index}
          read={read}
          adjustments={adjustments}
          onChange={onChange}
        />
      ))}
      {sheet.sections.length > MOST_SECTIONS_SHOWN && (
        <p className="mt-3">and {sheet.sections.length - MOST_SECTIONS_SHOWN} more sections</p>
      )}
      <p className="mt-4 text-sm">
        Dotted lines are guessed beats; a wavy chord could not be read and is kept as written. The numbers at
        the right are the beats of each chord: type over them, such as 6 2 | 4 4.
      </p>
    </section>
  );
}

/** What to look at: each with the place in the text a click away. */
function Looks({ sheet, onShowLine }: { sheet: ChordSheet; onShowLine: ((line: number) => void) | null }) {
  const { problems, losses } = sheet;
  if (problems.length + losses.length === 0) return null;
  const about = (problem: SheetProblem) => {
    const words = describeSheetProblem(problem);
    const offers = problem.suggestions?.length ? ` Did it mean ${problem.suggestions.join(" or ")}?` : "";
    return words + offers;
  };
  return (
    <div className="my-3 rounded-field border-2 border-warning px-3 py-2">
      <h2 className="text-base">To look at</h2>
      <ul className="mt-1 flex flex-col gap-1 text-sm">
        {problems.slice(0, MOST_SHOWN).map((problem) => (
          <li key={`${problem.code} ${problem.line} ${problem.column} ${problem.text}`}>
            {about(problem)}{" "}
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
