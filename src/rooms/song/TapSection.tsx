"use client";

import { beatsOfBar, ticksOfRow } from "@/core/rhythm";
import { setBeats } from "@/core/song/edit";
import type { OutlineSection } from "@/core/song/read";
import type { VersionRow } from "@/core/song/schema";
import { derive, useAct, useCurrentVersion, useNameOf } from "../open";
import { TapBeats } from "./TapBeats";

/** A section of the song whose beats are tapped. */
export function TapSection({
  outline,
  version,
  onLeave,
}: {
  outline: OutlineSection;
  version: VersionRow;
  onLeave: () => void;
}) {
  const act = useAct();
  const current = useCurrentVersion();
  const nameOf = useNameOf();
  const { beatUnit } = version;
  const take = (rows: readonly (readonly number[])[]) => {
    const now = derive.outline(current()).byId.get(outline.section.id);
    const command = setBeats(
      rows.flatMap((row, at) => {
        const line = now?.lines[at];
        return line && row.length > 0 ? [{ line, ticks: ticksOfRow(row, beatUnit) }] : [];
      }),
      `Tap the beats of ${outline.section.label}`,
    );
    if (command) act(command);
    onLeave();
  };
  return (
    <TapBeats
      label={outline.section.label}
      lines={outline.lines}
      nameOf={nameOf}
      tempo={version.bpm}
      bar={beatsOfBar({ beats: version.meterBeats, unit: version.meterUnit }, beatUnit)}
      onTake={take}
      onLeave={onLeave}
    />
  );
}
