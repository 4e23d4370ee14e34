"use client";

import { SHAPE_ORDERS, type ShapeOrder, USUAL_LAST_FRET } from "@/core/fretboard";
import type { ShapeWish } from "@/core/parts";
import { SelectField } from "@/ui/SelectField";
import { Tick } from "@/ui/Tick";

/** What is wished of a list of shapes, and how it is ordered. */
export type ShapeSearch = ShapeWish & { readonly order: ShapeOrder };

const ANYWHERE = "anywhere";
const FRETS = [ANYWHERE, ...Array.from({ length: USUAL_LAST_FRET - 1 }, (_, at) => String(at + 2))].map(
  (value) => ({ value, label: value }),
);

type Props = {
  readonly search: ShapeSearch;
  readonly strings: readonly string[];
  readonly onSet: (search: ShapeSearch) => void;
};

/** Where on the neck, on which strings, and in which order shapes are offered. */
export function WishFields({ search, strings, onSet }: Props) {
  const { order, fret, strings: chosen } = search;
  const isOn = (string: number) => chosen === null || chosen.includes(string);
  const toggle = (string: number, on: boolean) => {
    const all = strings.map((_, at) => at);
    const next = all.filter((at) => (at === string ? on : isOn(at)));
    onSet({ ...search, strings: next.length === all.length || next.length < 2 ? null : next });
  };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SelectField
        label="Order"
        className="w-60"
        value={order}
        options={SHAPE_ORDERS.map((value) => ({ value, label: value }))}
        onSet={(value) => onSet({ ...search, order: value })}
      />
      <SelectField
        label="About fret"
        className="w-28"
        value={fret === null ? ANYWHERE : String(fret)}
        options={FRETS}
        onSet={(value) => onSet({ ...search, fret: value === ANYWHERE ? null : Number(value) })}
      />
      <fieldset>
        <legend className="text-sm">Strings</legend>
        <div className="flex flex-wrap gap-x-2">
          {strings.map((name, string) => (
            <Tick key={name} label={name} on={isOn(string)} onSet={(on) => toggle(string, on)} />
          ))}
        </div>
      </fieldset>
    </div>
  );
}
