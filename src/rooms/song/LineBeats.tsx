"use client";

import { beatsOfBar, beatsOfTicks, countBeats, type LineSum, ticksOfRow } from "@/core/rhythm";
import { setBeats } from "@/core/song/edit";
import { type LinePlace, linesLike, type OutlineLine, type OutlineSection } from "@/core/song/read";
import type { VersionRow } from "@/core/song/schema";
import { BeatRowField } from "@/ui/BeatRowField";
import { derive, useAct, useCurrentVersion } from "../open";

/** The beats of a line's chords, to type; what they carry into the next bar stands beneath. */
export function LineBeats({
  lines,
  sum,
  version,
  label,
}: {
  /** The line and those below it in its section. */
  lines: readonly OutlineLine[];
  sum: LineSum | undefined;
  version: VersionRow;
  label: string;
}) {
  const act = useAct();
  const current = useCurrentVersion();
  const { beatUnit } = version;
  const [line] = lines;
  if (!line) return null;
  /** The song as it stands now, the line's place in it, and the lines like it. */
  const look = () => {
    const { sections } = derive.outline(current());
    const place = placeOf(sections, line.line.id);
    return { sections, place, alike: place ? linesLike(sections, place) : [] };
  };
  const onSet = (rows: readonly (readonly number[])[], alsoAlike: boolean) => {
    const { sections, place, alike } = look();
    if (!place) return;
    const below = sections[place.section]!.lines.slice(place.line).filter(({ chords }) => chords.length > 0);
    const like = alsoAlike ? alike.map((at) => sections[at.section]!.lines[at.line]!) : [];
    const command = setBeats([
      ...rows.map((row, at) => ({ line: below[at]!, ticks: ticksOfRow(row, beatUnit) })),
      ...like.map((at) => ({ line: at, ticks: ticksOfRow(rows[0]!, beatUnit) })),
    ]);
    if (command) act(command);
  };
  return (
    <>
      <BeatRowField
        label={label}
        beats={line.chords.map(({ chord }) => beatsOfTicks(chord.ticks, beatUnit))}
        bar={beatsOfBar({ beats: version.meterBeats, unit: version.meterUnit }, beatUnit)}
        from={beatsOfTicks(sum?.carryIn ?? 0, beatUnit)}
        guessed={line.chords.some(({ chord }) => chord.guessed)}
        chordsBelow={lines.map(({ chords }) => chords.length)}
        countAlike={() => look().alike.length}
        onSet={onSet}
      />
      {sum && sum.carryOut > 0 && (
        <span className="block">{countBeats(beatsOfTicks(sum.carryOut, beatUnit))} into a bar</span>
      )}
    </>
  );
}

function placeOf(sections: readonly OutlineSection[], lineId: string): LinePlace | null {
  for (const [section, { lines }] of sections.entries()) {
    const line = lines.findIndex((one) => one.line.id === lineId);
    if (line >= 0) return { section, line };
  }
  return null;
}
