"use client";

import { useState } from "react";
import { patternOfPart, type SheetPart, type SheetRow } from "@/core/parts";
import { cellKey } from "@/core/song/read";
import { SelectField } from "@/ui/SelectField";
import { derive, useDerived } from "../../open";
import { TwoStrums } from "../patterns/TwoStrums";

/** A part's strum laid over that of any other part on the sheet, chosen in one act. */
export function BesideOther({ part, row }: { part: SheetPart; row: SheetRow }) {
  const { rows } = useDerived(derive.sheet);
  const [chosen, setChosen] = useState("");
  const mine = patternOfPart(part, row.passage.meter);
  if (!mine) return null;
  const keyOf = (one: SheetPart) => cellKey(one.use.id, one.player.id);
  // Those of the same section first: they sound together.
  const others = [...rows]
    .sort((a, b) => Number(b === row) - Number(a === row))
    .flatMap((other) =>
      other.parts.flatMap((one) => {
        const pattern = keyOf(one) === keyOf(part) ? null : patternOfPart(one, other.passage.meter);
        return pattern ? [{ key: keyOf(one), name: `${one.player.name}, ${other.label}`, pattern }] : [];
      }),
    );
  if (others.length === 0) return null;
  const other = others.find(({ key }) => key === chosen);
  return (
    <div className="my-2">
      <SelectField
        label="Compare with the strum of"
        value={other?.key ?? ""}
        options={[
          { value: "", label: "nobody" },
          ...others.map(({ key, name }) => ({ value: key, label: name })),
        ]}
        onSet={setChosen}
      />
      {other && <TwoStrums a={{ name: `${part.player.name}, ${row.label}`, pattern: mine }} b={other} />}
    </div>
  );
}
