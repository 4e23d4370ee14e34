import { FILL_WORDS, type SheetPart, type SheetRow, tellFill } from "@/core/parts";
import { ticksOfBar } from "@/core/rhythm";
import { setCell } from "@/core/song/edit";
import { LINE_FILLS } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";
import { derive, makeId, useAct, useCurrentVersion } from "../open";
import { From } from "./From";

/** How a line fills the bars its part plays, where it does not come out even in them. */
export function LineFillField({ part, row }: { part: SheetPart; row: SheetRow }) {
  const current = useCurrentVersion();
  const act = useAct();
  const { cell, use, player, riff, spans } = part;
  const bar = ticksOfBar(row.passage.meter);
  const bars = Math.max(1, Math.ceil((riff?.ticks ?? 0) / bar));
  const played = Math.max(...spans.map(({ from, to }) => Math.round((to - from) / bar)), 0);
  const isUneven = played % bars !== 0 || cell.lineFill.value !== "again";
  if (!isUneven) return null;
  const set = (lineFill: (typeof LINE_FILLS)[number] | null) =>
    act(setCell(derive.cellIndex(current()), use.id, player.id, { lineFill }, makeId));
  return (
    <div className="mt-2">
      <SelectField
        label={tellFill(bars, played, cell.lineFill.value) || "How it fills its bars"}
        value={cell.lineFill.value}
        options={LINE_FILLS.map((value) => ({ value, label: FILL_WORDS[value] }))}
        onSet={set}
      />
      <From what="how the line fills its bars" value={cell.lineFill} onClear={() => set(null)} />
    </div>
  );
}
