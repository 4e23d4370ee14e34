"use client";

import Link from "next/link";
import { useState } from "react";
import { SelectField } from "@/ui/SelectField";

/** A place of the running order as it is printed. */
export type PrintedRow = {
  readonly id: string;
  readonly name: string;
  readonly told: string;
  readonly at: string;
  readonly note: string;
  /** What each person changes after it, by name. */
  readonly changes: readonly { readonly name: string; readonly text: string }[];
};

/** The running order on paper, for all or for one player. */
export function EveningPrint({
  name,
  place,
  back,
  rows,
}: {
  name: string;
  place: string;
  back: string;
  rows: readonly PrintedRow[];
}) {
  const [who, setWho] = useState("");
  const people = [...new Set(rows.flatMap(({ changes }) => changes.map((one) => one.name)))].sort();
  return (
    <main className="mx-auto max-w-4xl bg-white px-6 py-4 text-black">
      <header className="no-print mb-4 flex flex-wrap items-end gap-3 border-b pb-3">
        <Link className="link mr-auto" href={back}>
          Back to the evening
        </Link>
        <SelectField
          label="For"
          className="w-44"
          value={who}
          options={[{ value: "", label: "everybody" }, ...people.map((one) => ({ value: one, label: one }))]}
          onSet={setWho}
        />
        <button type="button" className="btn btn-primary btn-sm" onClick={() => window.print()}>
          Print
        </button>
      </header>
      <h1 className="text-4xl">
        {name}
        {who !== "" && `: ${who}`}
      </h1>
      <p className="mb-4 text-xl">{place}</p>
      <ol className="flex flex-col gap-2">
        {rows.map((row, at) => (
          <li key={row.id} className="border-t pt-2">
            <span className="mr-3 font-mono text-2xl">{at + 1}</span>
            <strong className="text-2xl">{row.name}</strong> <span className="text-xl">{row.told}</span>
            <span className="ml-3">at {row.at}</span>
            {row.note !== "" && <p className="pl-10 italic">{row.note}</p>}
            {row.changes
              .filter((one) => who === "" || one.name === who)
              .map((one) => (
                <p key={one.text} className="pl-10 text-xl">
                  → {one.text}
                </p>
              ))}
          </li>
        ))}
      </ol>
    </main>
  );
}
