"use client";

import { useState } from "react";
import type { SheetPart } from "@/core/parts";
import { describeBarsProblem, formatBars, readBars } from "@/core/song/read";
import { type Cell, ROLES, type Role } from "@/core/song/schema";
import { ROLE_WORDS } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { From } from "./From";

type Phrases = NonNullable<Cell["phrases"]>;

type Props = {
  readonly part: SheetPart;
  readonly bars: number;
  readonly onSet: (phrases: Phrases | null) => void;
};

/** Roles of single phrases, where they differ from the part's: for trading with the voice or another player. */
export function PhraseRoles({ part, bars, onSet }: Props) {
  const { phrases, role } = part.cell;
  const [adding, setAdding] = useState(false);
  const change = (at: number, fields: Partial<Phrases[number]>) =>
    onSet(phrases.value.map((one, index) => (index === at ? { ...one, ...fields } : one)));
  const checkBars = (text: string): string | null => {
    const read = readBars(text, bars);
    if (!read.ok) return describeBarsProblem(read.problem);
    const isOne = read.value === null || (read.value.length === 1 && typeof read.value[0]![0] === "number");
    return isOne ? null : "One phrase at a time, by its bars, such as 1-4.";
  };
  const rangeOf = (text: string): { from: number; to: number } => {
    const read = readBars(text, bars);
    const [from, to] = (read.ok && read.value?.[0]) || [0, bars];
    return typeof from === "number" ? { from, to: Number(to) } : { from: 0, to: bars };
  };
  if (bars === 0 || part.out) return null;
  return (
    <fieldset>
      <legend className="text-sm">
        Role by phrase <From what="roles by phrase" value={phrases} onClear={() => onSet(null)} />
      </legend>
      <ul className="flex flex-col gap-2">
        {phrases.value.map((phrase, at) => (
          <li key={`${phrase.from} ${phrase.to}`} className="flex flex-wrap items-end gap-2">
            <TextField
              label="Bars"
              className="w-20"
              value={formatBars([[phrase.from, phrase.to]])}
              check={checkBars}
              onSet={(text) => change(at, rangeOf(text))}
            />
            <SelectField
              label="Role there"
              className="w-36"
              value={phrase.role}
              options={ROLES.map((value) => ({ value, label: ROLE_WORDS[value] }))}
              onSet={(value) => change(at, { role: value })}
            />
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => onSet(phrases.value.filter((_, index) => index !== at))}
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
      {adding ? (
        <TextField
          label="Bars of the phrase"
          className="mt-2 w-40"
          value=""
          check={checkBars}
          onSet={(text) => {
            setAdding(false);
            const other: Role = role.value === "carry" ? "support" : "carry";
            onSet([...phrases.value, { ...rangeOf(text), role: other }]);
          }}
        />
      ) : (
        <button type="button" className="btn btn-sm mt-1" onClick={() => setAdding(true)}>
          Give a phrase another role
        </button>
      )}
    </fieldset>
  );
}
