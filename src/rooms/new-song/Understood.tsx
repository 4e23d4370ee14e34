"use client";

import { useMemo } from "react";
import {
  type Adjustments,
  type ChordSheet,
  describeSheetLoss,
  describeSheetProblem,
  type SheetProblem,
  versionOfSheet,
} from "@/core/formats";
import { beatsOfBar, beatUnitOf, countBeats, formatMeter } from "@/core/rhythm";
import { outlineOf, sectionSums, timelineOf, versionRow } from "@/core/song/read";
import { piecesOf } from "@/ui/pieces";
import { describeKey, describeTime } from "@/ui/pretty";
import { SungLine } from "@/ui/SungLine";
import { soundingName } from "../song";
import { SectionGuess } from "./Guesses";

const MOST_SHOWN = 12;
/** Longer sheets are previewed in part: the song itself takes all of it. */
const MOST_SECTIONS_SHOWN = 40;
const MOST_LINES_SHOWN = 60;

/** The song a sheet would become, as far as the preview shows it. */
function previewOf(sheet: ChordSheet) {
  let count = 0;
  const body = versionOfSheet(sheet, { name: "", kind: "sheet" }, () => `p${count++}`);
  const outline = outlineOf(body);
  const version = versionRow(body);
  const { bars, seconds } = timelineOf(body, outline);
  // The preview shows the chords as they are written, whatever capo the sheet names.
  const written = { ...version, key: version.writtenKey };
  return { version, written, outline, sums: sectionSums(body, outline), bars, seconds };
}

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
  const bar = beatsOfBar(meter, beatUnitOf(meter));
  const labels = sheet.form.map(
    (use) => `${use.label ?? sheet.sections[use.section]!.label}${use.repeat > 1 ? ` × ${use.repeat}` : ""}`,
  );
  const joined = read.sections.flatMap((_, index) =>
    adjustments.sections?.some((one) => one.section === index && one.join) ? [index] : [],
  );
  const readIndex = read.sections.map((_, index) => index).filter((index) => !joined.includes(index));
  return (
    <section aria-label="What was understood" aria-live="polite" className="min-w-0">
      <p>
        {sheet.key ? describeKey(sheet.key) : "No key found"}, {formatMeter(meter)}, {version.bpm} a minute:{" "}
        {shown.bars} {shown.bars === 1 ? "bar" : "bars"} of {countBeats(bar)}, {describeTime(shown.seconds)}
        {sheet.capo > 0 && `; sounds in ${describeKey(version.key)}`}.
      </p>
      {labels.length > 0 && <p className="text-sm">Played: {labels.join(" · ")}</p>}
      <Looks sheet={sheet} onShowLine={onShowLine} />
      {shown.outline.sections.slice(0, MOST_SECTIONS_SHOWN).map(({ section, lines }, index) => (
        <div key={section.id} className="mt-4 border-l-4 border-base-300 pl-4">
          <SectionGuess
            sheet={read}
            index={readIndex[index] ?? index}
            adjustments={adjustments}
            onChange={onChange}
          />
          {joined
            .filter((one) => one === (readIndex[index] ?? 0) + 1)
            .map((one) => (
              <SectionGuess
                key={one}
                sheet={read}
                index={one}
                adjustments={adjustments}
                onChange={onChange}
              />
            ))}
          {lines.slice(0, MOST_LINES_SHOWN).map((line, at) => (
            <SungLine
              key={line.line.id}
              className="mt-1"
              beatsInBar={bar}
              pieces={piecesOf(line, shown.sums.get(section.id)?.lines[at], version.beatUnit, (symbol) =>
                soundingName(shown.written, symbol),
              )}
            />
          ))}
          {lines.length > MOST_LINES_SHOWN && (
            <p className="text-sm">and {lines.length - MOST_LINES_SHOWN} more lines</p>
          )}
          {shown.sums.get(section.id)?.open && (
            <p role="note" className="mt-1 text-sm">
              Its bars do not close yet. That can be put right in the Song room, with offers.
            </p>
          )}
        </div>
      ))}
      {sheet.sections.length > MOST_SECTIONS_SHOWN && (
        <p className="mt-3">and {sheet.sections.length - MOST_SECTIONS_SHOWN} more sections</p>
      )}
      <p className="mt-4 text-sm">
        Dotted lines are guessed beats; a wavy chord could not be read and is kept as written.
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
