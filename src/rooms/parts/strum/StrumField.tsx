"use client";

import Link from "next/link";
import { patternOfPart, patternOfRow, type SheetPart, type SheetRow } from "@/core/parts";
import { drawnPattern, paceOfPattern } from "@/core/rhythm";
import { SelectField } from "@/ui/SelectField";
import { StrumBars } from "@/ui/StrumBars";
import { useOpenSong } from "../../open";
import { From } from "../From";
import { SaidStrum } from "../patterns/SaidStrum";
import { BesideOther } from "./BesideOther";
import { ByChange } from "./ByChange";
import { Longer } from "./Longer";
import { OF_LIBRARY, usePartPatterns } from "./use-part-patterns";

/** The pattern of a part: one of the song's, or one of the library, which the song then has its own copy of. */
export function StrumField({ part, row }: { part: SheetPart; row: SheetRow }) {
  const { version } = useOpenSong();
  const patterns = usePartPatterns(part, row);
  const { cell, player, technique, use } = part;
  const { meter } = row.passage;
  const chosen = patterns.rowOf("strumId");
  const pattern = chosen && patternOfRow(chosen);
  const shown = pattern ?? (chosen ? null : patternOfPart(part, meter));
  const pace = pattern && paceOfPattern(pattern, row.tempo, player.level);
  return (
    <section aria-label="Pattern">
      <SelectField
        label="Pattern"
        value={chosen?.id ?? ""}
        options={[
          { value: "", label: technique ? `as “${technique.words}” usually goes` : "nothing said" },
          ...patterns.own.map((one) => ({ value: one.id, label: one.name })),
          ...patterns.library.map((one) => ({
            value: `${OF_LIBRARY}${one.id}`,
            label: `${one.name} (library)`,
          })),
        ]}
        onSet={(value) => patterns.choose("strumId", value)}
      />
      <From what="pattern" value={cell.strumId} onClear={() => patterns.choose("strumId", "")} />
      {shown && <StrumBars drawn={drawnPattern(shown)} className="mt-2" />}
      {pattern && <ByChange cell={cell} patterns={patterns} />}
      {chosen && !pattern && (
        <p className="text-sm text-error">This pattern can’t be read; mend it in Patterns.</p>
      )}
      {pace?.tooFast && (
        <p className="text-sm text-warning">
          Fast for this hand: {pace.swingsASecond.toFixed(1)} swings a second, where it does {pace.most}.
        </p>
      )}
      <details className="my-2">
        <summary className="cursor-pointer text-sm font-bold">Say a strum</summary>
        <div className="mt-2">
          <SaidStrum
            meter={meter}
            tempo={row.tempo}
            taking="Play it here"
            onTake={(said, words) => patterns.take(said.pattern, words)}
          />
        </div>
      </details>
      {chosen && pattern && !pattern.free && (
        <Longer name={chosen.name} pattern={pattern} patterns={patterns} row={row} />
      )}
      <BesideOther part={part} row={row} />
      <p className="mt-1 flex flex-wrap gap-x-4 text-sm">
        {shown && (
          <Link className="link" href={`/stage/${version.id}/${player.id}/strum?use=${use.id}`}>
            Big, to practise
          </Link>
        )}
        <Link className="link" href={`/song/${version.id}/parts/patterns`}>
          Write and compare patterns
        </Link>
      </p>
    </section>
  );
}
