"use client";

import Link from "next/link";
import { patternOfRow, type SheetPart, type SheetRow, techniquePattern } from "@/core/parts";
import { paceOfPattern, type SaidPattern, STRUM_LIBRARY } from "@/core/rhythm";
import { setCell, strumLike, takePattern } from "@/core/song/edit";
import { byOrder } from "@/document";
import { SelectField } from "@/ui/SelectField";
import { StrumBars } from "@/ui/StrumBars";
import { derive, makeId, useAct, useCurrentVersion, useOpenSong, useRowsLater } from "../open";
import { From } from "./From";
import { SaidStrum } from "./patterns/SaidStrum";
import { saidAsRow } from "./patterns/said-as-row";

/** The pattern of a part: one of the song's, or one of the library, which the song then has its own copy of. */
export function StrumField({ part, row }: { part: SheetPart; row: SheetRow }) {
  const body = useRowsLater("strums");
  const current = useCurrentVersion();
  const act = useAct();
  const { version } = useOpenSong();
  const { cell, use, player, technique } = part;
  const { meter } = row.passage;
  const own = Object.values(body.strums).sort(byOrder);
  const fitting = STRUM_LIBRARY.filter(
    (one) =>
      one.meter.beats === meter.beats &&
      one.meter.unit === meter.unit &&
      strumLike(body, one) === null &&
      (player.instrument !== "drums" || one.kind === "strum"),
  );
  const chosen = body.strums[cell.strumId.value ?? ""] ?? null;
  const pattern = chosen && patternOfRow(chosen);
  const usual = technique && techniquePattern(technique, meter);
  const shown = pattern ?? (chosen ? null : usual);
  const pace = pattern && paceOfPattern(pattern, row.tempo, player.level);
  const set = (value: string) => {
    const library = fitting.find((one) => `library ${one.id}` === value);
    const now = current();
    const index = derive.cellIndex(now);
    if (library) act(takePattern(now, index, library, [{ useId: use.id, playerId: player.id }], makeId));
    else act(setCell(index, use.id, player.id, { strumId: value === "" ? null : value }, makeId));
  };
  const short = body.strums[cell.shortStrumId.value ?? ""] ?? null;
  const shortPattern = short && patternOfRow(short);
  const setShort = (id: string | null) =>
    act(setCell(derive.cellIndex(current()), use.id, player.id, { shortStrumId: id }, makeId));
  const takeSaid = ({ pattern: said }: SaidPattern, words: string) => {
    const now = current();
    const made = { ...saidAsRow(said, words), id: "" };
    act(takePattern(now, derive.cellIndex(now), made, [{ useId: use.id, playerId: player.id }], makeId));
  };
  return (
    <section aria-label="Pattern">
      <SelectField
        label="Pattern"
        value={chosen?.id ?? ""}
        options={[
          { value: "", label: technique ? `as “${technique.words}” usually goes` : "free" },
          ...own.map((one) => ({ value: one.id, label: one.name })),
          ...fitting.map((one) => ({ value: `library ${one.id}`, label: `${one.name} (library)` })),
        ]}
        onSet={set}
      />
      <From what="pattern" value={cell.strumId} onClear={() => set("")} />
      {shown && <StrumBars pattern={shown} className="mt-2" />}
      {pattern && own.length > 1 && (
        <div className="mt-2">
          <SelectField
            label="Chords of half a bar"
            value={short?.id ?? ""}
            options={[
              { value: "", label: "the same pattern, cut" },
              ...own.map((one) => ({ value: one.id, label: one.name })),
            ]}
            onSet={(id) => setShort(id === "" ? null : id)}
          />
          <From what="pattern for short chords" value={cell.shortStrumId} onClear={() => setShort(null)} />
          {shortPattern && <StrumBars pattern={shortPattern} className="mt-2" />}
        </div>
      )}
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
          <SaidStrum meter={meter} tempo={row.tempo} taking="Play it here" onTake={takeSaid} />
        </div>
      </details>
      <Link className="link text-sm" href={`/song/${version.id}/parts/patterns`}>
        Write and compare patterns
      </Link>
    </section>
  );
}
