"use client";

import { useMemo } from "react";
import type { Adjustments, ChordSheet, SheetProblem } from "@/core/formats";
import { formatPitch } from "@/core/pitch";
import { beatsOfBar, countBeats, formatMeter } from "@/core/rhythm";
import { rangeOfMelody } from "@/core/song/read";
import { describeKey, describeTime } from "@/ui/pretty";
import { Looks } from "./Looks";
import { previewOf } from "./preview";
import { SectionPreview } from "./SectionPreview";
import { SharedChords } from "./SharedChords";

/** Longer sheets are previewed in part: the song itself takes all of it. */
const MOST_SECTIONS_SHOWN = 40;

/** The sheet as it will stand, with its doubtful places marked in it. */
export function Understood({
  sheet,
  read,
  adjustments,
  onChange,
  onShowLine,
  onReplace,
}: {
  sheet: ChordSheet;
  /** As it was read, before sections were joined: their numbers are what is changed. */
  read: ChordSheet;
  adjustments: Adjustments;
  onChange: (fields: Partial<Adjustments>) => void;
  onShowLine: ((line: number) => void) | null;
  onReplace: (problem: SheetProblem, by: string) => void;
}) {
  const shown = useMemo(() => previewOf(sheet), [sheet]);
  const { version } = shown;
  const meter = { beats: version.meterBeats, unit: version.meterUnit };
  const bar = beatsOfBar(meter, version.beatUnit);
  const sung = sheet.sections.flatMap(({ melody = [] }) => melody);
  const range = rangeOfMelody(sung);
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
      {sung.length > 0 && (
        <p className="text-sm">
          The voice’s own line is kept: {sung.length} notes, {formatPitch(range![0])} to{" "}
          {formatPitch(range![1])}.
        </p>
      )}
      <SharedChords shared={shown.shared} adjustments={adjustments} onChange={onChange} />
      <Looks
        sheet={sheet}
        adjustments={adjustments}
        onChange={onChange}
        onShowLine={onShowLine}
        onReplace={onReplace}
      />
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
