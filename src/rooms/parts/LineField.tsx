"use client";

import Link from "next/link";
import type { SheetPart, SheetRow } from "@/core/parts";
import { setCell } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import { byOrder } from "@/document";
import { LineShown } from "@/ui/LineShown";
import { SelectField } from "@/ui/SelectField";
import { derive, makeId, useAct, useCurrentVersion, useOpenSong, useRowsLater } from "../open";
import { From } from "./From";
import { LineFillField } from "./LineFillField";
import { LineWays } from "./LineWays";

/** The line of a part, in tab; written in the Lines page. */
export function LineField({ part, row, namer }: { part: SheetPart; row: SheetRow; namer: Namer }) {
  const body = useRowsLater("riffs");
  const current = useCurrentVersion();
  const act = useAct();
  const { version } = useOpenSong();
  const { cell, use, player, riff, notes } = part;
  const riffs = Object.values(body.riffs).sort(byOrder);
  const set = (riffId: string | null) =>
    act(setCell(derive.cellIndex(current()), use.id, player.id, { riffId }, makeId));
  return (
    <section aria-label="Line">
      <SelectField
        label="Line"
        value={riff?.id ?? ""}
        options={[
          { value: "", label: riffs.length === 0 ? "none written yet" : "none" },
          ...riffs.map((one) => ({ value: one.id, label: one.name })),
        ]}
        onSet={(id) => set(id === "" ? null : id)}
      />
      <From what="line" value={cell.riffId} onClear={() => set(null)} />
      {riff && <LineShown riff={riff} notes={notes} meter={row.passage.meter} namer={namer} />}
      {riff && <LineFillField part={part} row={row} />}
      {riff && part.follow && <LineWays part={part} row={row} follow={part.follow} namer={namer} />}
      <Link
        className="link text-sm"
        href={`/song/${version.id}/parts/lines?use=${use.id}&player=${player.id}${riff ? `&line=${riff.id}` : ""}`}
      >
        {riff ? "Change this line" : "Write a line for this part"}
      </Link>
    </section>
  );
}
