"use client";

import { beatsOfBar, beatsOfTicks, countBeats, type LineSum, ticksOfRow } from "@/core/rhythm";
import { setBeats } from "@/core/song/edit";
import {
  type LinePlace,
  linesLike,
  type OutlineLine,
  type OutlineSection,
  placeRows,
} from "@/core/song/read";
import type { VersionRow } from "@/core/song/schema";
import { BeatRowField } from "@/ui/BeatRowField";
import { derive, useAct, useCurrentVersion } from "../open";

type RowProps = {
  /** The line and those below it in its section. */
  readonly lines: readonly OutlineLine[];
  readonly sum: LineSum | undefined;
  readonly version: VersionRow;
  readonly label: string;
};

/** The beats of a line's chords, to type. */
export function LineRow({
  lines,
  sum,
  version,
  label,
  countAlike,
  onSet,
}: RowProps & Pick<Parameters<typeof BeatRowField>[0], "countAlike" | "onSet">) {
  const { beatUnit } = version;
  const { chords } = lines[0]!;
  return (
    <BeatRowField
      label={label}
      beats={chords.map(({ chord }) => beatsOfTicks(chord.ticks, beatUnit))}
      bar={beatsOfBar({ beats: version.meterBeats, unit: version.meterUnit }, beatUnit)}
      from={beatsOfTicks(sum?.carryIn ?? 0, beatUnit)}
      guessed={chords.some(({ chord }) => chord.guessed)}
      chordsBelow={lines.map((line) => line.chords.length)}
      countAlike={countAlike}
      onSet={onSet}
    />
  );
}

/** A line's beats in the song, to type; what they carry into the next bar stands beneath. */
export function LineBeats({ lines, sum, version, label }: RowProps) {
  const act = useAct();
  const current = useCurrentVersion();
  const { beatUnit } = version;
  /** The song as it stands now, and the line's place in it. */
  const look = () => {
    const { sections } = derive.outline(current());
    return { sections, place: placeOf(sections, lines[0]!.line.id) };
  };
  const countAlike = () => {
    const { sections, place } = look();
    return place ? linesLike(sections, place).length : 0;
  };
  const onSet = (rows: readonly (readonly number[])[], alsoAlike: boolean) => {
    const { sections, place } = look();
    if (!place) return;
    const command = setBeats(
      placeRows(sections, place, rows, alsoAlike).map(({ place: at, beats }) => ({
        line: sections[at.section]!.lines[at.line]!,
        ticks: ticksOfRow(beats, beatUnit),
      })),
    );
    if (command) act(command);
  };
  return (
    <>
      <LineRow
        lines={lines}
        sum={sum}
        version={version}
        label={label}
        countAlike={countAlike}
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
