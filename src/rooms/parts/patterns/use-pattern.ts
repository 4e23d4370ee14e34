"use client";

import { useMemo } from "react";
import { patternOfRow } from "@/core/parts";
import { describePatternProblem, type Meter, type Pattern, readPattern, type Tempo } from "@/core/rhythm";
import { set } from "@/core/song/edit";
import { versionRow } from "@/core/song/read";
import type { StrumRow } from "@/core/song/schema";
import { useAct, useRows } from "../../open";

/** A pattern that is being changed. */
export type EditedPattern = {
  readonly row: StrumRow;
  readonly meter: Meter;
  /** The song's. */
  readonly tempo: Tempo;
  /** What the row says, or null where it can't be read. */
  readonly pattern: Pattern | null;
  readonly change: (fields: Partial<StrumRow>) => void;
  /** What would be wrong with it after a change, in a sentence. */
  readonly problemOf: (fields: Partial<StrumRow>) => string | null;
};

/** A pattern of the open song as its editor needs it. */
export function usePattern(row: StrumRow): EditedPattern {
  const act = useAct();
  const { bpm, beatUnit } = versionRow(useRows("version"));
  return useMemo(
    () => ({
      row,
      meter: { beats: row.meterBeats, unit: row.meterUnit },
      tempo: { bpm, beatUnit },
      pattern: patternOfRow(row),
      change: (fields) => act(set("strums", row.id, fields)),
      problemOf: (fields) => {
        const next = { ...row, ...fields };
        const read = readPattern({
          meter: { beats: next.meterBeats, unit: next.meterUnit },
          subdivision: next.subdivision,
          swing: next.swing,
          text: next.pattern,
          kind: next.kind,
        });
        return read.ok ? null : describePatternProblem(read.problem);
      },
    }),
    [row, bpm, beatUnit, act],
  );
}
