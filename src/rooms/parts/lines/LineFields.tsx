"use client";

import { capital } from "@/base";
import { anotherWay } from "@/core/evidence";
import { NOTE_STROKES } from "@/core/fretboard";
import type { SheetRow } from "@/core/parts";
import { ticksOfBar } from "@/core/rhythm";
import { set, setCell } from "@/core/song/edit";
import { describePlaying, type Namer } from "@/core/song/names";
import type { Player, Riff } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { derive, makeId, SourceAndDoubt, useAct, useCurrentVersion, VariantField } from "../../open";

const STEPS = [
  { value: 2, label: "2 a beat" },
  { value: 3, label: "3 a beat" },
  { value: 4, label: "4 a beat" },
  { value: 6, label: "6 a beat" },
  { value: 8, label: "8 a beat" },
] as const;

/** A line's name, length and grid, and giving it to the player in this section. */
export function LineFields({
  riff,
  row,
  player,
  namer,
  parts,
  onParts,
}: {
  riff: Riff;
  row: SheetRow;
  player: Player;
  /** Who tells its names. */
  namer: Namer;
  /** Steps of the grid in a beat. */
  parts: number;
  onParts: (parts: number) => void;
}) {
  const current = useCurrentVersion();
  const act = useAct();
  const bar = ticksOfBar(row.passage.meter);
  const change = (fields: Partial<Riff>) => act(set("riffs", riff.id, fields));
  const part = row.parts.find((one) => one.player.id === player.id);
  const plays = part?.cell.riffId.value === riff.id;
  return (
    <div className="mb-3 flex flex-wrap items-end gap-3">
      <TextField
        label="Name"
        className="w-44"
        value={riff.name}
        required
        longest={80}
        onSet={(name) => change({ name })}
      />
      <NumberField
        label="Bars"
        value={riff.ticks / bar}
        least={1}
        most={64}
        whole={false}
        onSet={(bars) => change({ ticks: Math.max(1, Math.round(bars * bar)) })}
      />
      <SelectField
        label="Grid"
        className="w-32"
        value={String(parts)}
        options={STEPS.map(({ value, label }) => ({ value: String(value), label }))}
        onSet={(value) => onParts(Number(value))}
      />
      <SelectField
        label="Struck"
        className="w-44"
        value={riff.strokes ?? ""}
        options={[
          { value: "", label: "as one likes" },
          ...NOTE_STROKES.map((value) => ({ value, label: value })),
        ]}
        onSet={(strokes) => change({ strokes: strokes === "" ? null : strokes })}
      />
      <p className="pb-1 text-sm">
        {capital(describePlaying({ tuning: riff.tuning, capo: riff.capo }, namer))}
        {riff.capo > 0 && "; frets count from the capo"}.
      </p>
      <SourceAndDoubt what="this line" said={riff} onSet={change} />
      <VariantField value={riff.variant} onSet={(variant) => change({ variant })} />
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => act(anotherWay(current(), riff, "easy", makeId))}
      >
        Make an easier way of it
      </button>
      {!plays && part && !part.out && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            act(setCell(derive.cellIndex(current()), row.use.id, player.id, { riffId: riff.id }, makeId))
          }
        >
          Give it to {player.name} in {row.label}
        </button>
      )}
    </div>
  );
}
