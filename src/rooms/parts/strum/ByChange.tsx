import { patternOfRow, type SheetPart } from "@/core/parts";
import { barsOfPattern, drawnPattern } from "@/core/rhythm";
import type { PatternField } from "@/core/song/edit";
import { SelectField } from "@/ui/SelectField";
import { StrumBars } from "@/ui/StrumBars";
import { From } from "../From";
import { OF_LIBRARY, type PartPatterns } from "./use-part-patterns";

/** What is otherwise by how the chords change: short chords, and the last beats before another chord. */
export function ByChange({ cell, patterns }: { cell: SheetPart["cell"]; patterns: PartPatterns }) {
  const { own, library } = patterns;
  const mine = own.map((one) => ({ value: one.id, label: one.name }));
  // A fill is less than a bar: what is longer leaves nothing of the pattern.
  const fills = [
    ...own
      .filter((one) => {
        const pattern = patternOfRow(one);
        return pattern !== null && barsOfPattern(pattern) < 1;
      })
      .map((one) => ({ value: one.id, label: one.name })),
    ...library
      .filter((one) => one.name.startsWith("fill"))
      .map((one) => ({ value: `${OF_LIBRARY}${one.id}`, label: `${one.name} (library)` })),
  ];
  return (
    <div className="mt-2 grid gap-2">
      {(own.length > 1 || cell.shortStrumId.value !== null) && (
        <Otherwise
          field="shortStrumId"
          label="Chords of half a bar"
          what="pattern for short chords"
          none="the same pattern, cut"
          options={mine}
          {...{ cell, patterns }}
        />
      )}
      {(fills.length > 0 || cell.fillStrumId.value !== null) && (
        <Otherwise
          field="fillStrumId"
          label="Before a change"
          what="fill before a change"
          none="nothing of its own"
          options={fills}
          {...{ cell, patterns }}
        />
      )}
    </div>
  );
}

function Otherwise({
  field,
  label,
  what,
  none,
  options,
  cell,
  patterns,
}: {
  readonly field: PatternField;
  readonly label: string;
  readonly what: string;
  /** What is played where none is chosen. */
  readonly none: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly cell: SheetPart["cell"];
  readonly patterns: PartPatterns;
}) {
  const row = patterns.rowOf(field);
  const pattern = row && patternOfRow(row);
  const known =
    row && !options.some(({ value }) => value === row.id) ? [{ value: row.id, label: row.name }] : [];
  return (
    <div>
      <SelectField
        label={label}
        value={row?.id ?? ""}
        options={[{ value: "", label: none }, ...known, ...options]}
        onSet={(value) => patterns.choose(field, value)}
      />
      <From what={what} value={cell[field]} onClear={() => patterns.choose(field, "")} />
      {pattern && <StrumBars drawn={drawnPattern(pattern, field === "fillStrumId")} className="mt-1" />}
    </div>
  );
}
