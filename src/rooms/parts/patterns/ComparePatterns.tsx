"use client";

import { useState } from "react";
import { patternOfRow } from "@/core/parts";
import type { StrumRow } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";
import { TwoStrums } from "./TwoStrums";

/** Two patterns of the song, chosen to be laid over one another. */
export function Compare({ rows }: { rows: readonly StrumRow[] }) {
  const [a, setA] = useState(rows[0]!.id);
  const [b, setB] = useState(rows[1]!.id);
  const find = (id: string, at: number) => rows.find((row) => row.id === id) ?? rows[at]!;
  const [one, other] = [find(a, 0), find(b, 1)];
  const [first, second] = [patternOfRow(one), patternOfRow(other)];
  const options = rows.map((row) => ({ value: row.id, label: row.name }));
  return (
    <section aria-label="Two patterns together" className="mb-8">
      <h2 className="mb-2">Two patterns together</h2>
      <div className="flex flex-wrap gap-3">
        <SelectField label="One" className="w-56" value={one.id} options={options} onSet={setA} />
        <SelectField label="The other" className="w-56" value={other.id} options={options} onSet={setB} />
      </div>
      {first && second ? (
        <TwoStrums a={{ name: one.name, pattern: first }} b={{ name: other.name, pattern: second }} />
      ) : (
        <p className="mt-2 text-sm">One of them can’t be read; mend it above.</p>
      )}
    </section>
  );
}
