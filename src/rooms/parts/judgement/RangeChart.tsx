"use client";

import { useState } from "react";
import { Bar } from "react-chartjs-2";
import { type BandSheet, type SheetRow, sharedSemitones } from "@/core/parts";
import { describeSemitones } from "@/core/pitch";
import { axis, Beside, INK, plain, th } from "@/ui/chart-frame";
import { SelectField } from "@/ui/SelectField";
import { useNames } from "../../open";

type Register = { readonly name: string; readonly low: number; readonly high: number };

const registersOf = (row: SheetRow): Register[] => [
  ...(row.sung ? [{ name: "what is sung", low: row.sung[0], high: row.sung[1] }] : []),
  ...row.parts.flatMap((part) =>
    part.out || part.low === null || part.high === null || part.player.instrument === "voice"
      ? []
      : [{ name: part.player.name, low: part.low, high: part.high }],
  ),
];

/** What two registers have in common, as MIDI pitches. */
type Shared = {
  readonly a: Register;
  readonly b: Register;
  readonly semitones: number;
  readonly low: number;
  readonly high: number;
};

function sharedOf(registers: readonly Register[]): Shared[] {
  return registers.flatMap((a, at) =>
    registers.slice(at + 1).flatMap((b) => {
      const semitones = sharedSemitones(a, b);
      return semitones === 0
        ? []
        : [{ a, b, semitones, low: Math.max(a.low, b.low), high: Math.min(a.high, b.high) }];
    }),
  );
}

/** From the lowest to the highest each one sounds in a section, and what somebody else lies in too. */
export function RangeChart({ sheet }: { sheet: BandSheet }) {
  const [useId, setUse] = useState("");
  const fullest = sheet.rows.reduce((most, one) =>
    registersOf(one).length > registersOf(most).length ? one : most,
  );
  const row = sheet.rows.find((one) => one.use.id === useId) ?? fullest;
  const registers = registersOf(row);
  const pairs = sharedOf(registers);
  return (
    <Beside
      title="Registers"
      words="From the lowest to the highest each one sounds in a section; what somebody else lies in too is framed in amber."
      chart={
        <div className="flex h-full flex-col">
          <SelectField
            label="Section"
            className="w-52"
            value={row.use.id}
            options={sheet.rows.map((one) => ({ value: one.use.id, label: one.label }))}
            onSet={setUse}
          />
          <div className="min-h-0 flex-1">
            <RangeBars label={row.label} registers={registers} pairs={pairs} />
          </div>
        </div>
      }
    >
      <RangeTable registers={registers} pairs={pairs} />
    </Beside>
  );
}

type RangeProps = { readonly registers: readonly Register[]; readonly pairs: readonly Shared[] };

function RangeBars({ label, registers, pairs }: RangeProps & { readonly label: string }) {
  const namer = useNames()();
  /** The stretch of a register that somebody else lies in too. */
  const shared = (one: Register): [number, number] | null => {
    const own = pairs.filter(({ a, b }) => a === one || b === one);
    return own.length === 0
      ? null
      : [Math.min(...own.map(({ low }) => low)), Math.max(...own.map(({ high }) => high))];
  };
  return (
    <Bar
      aria-label={`Registers in ${label}; the table beside it has the same figures`}
      data={{
        labels: registers.map(({ name }) => name),
        datasets: [
          {
            label: "shared with somebody",
            data: registers.map(shared),
            backgroundColor: "#f2a51e",
            borderColor: INK,
            borderWidth: 2,
            borderSkipped: false,
            grouped: false,
            barPercentage: 0.5,
            maxBarThickness: 36,
          },
          {
            label: "register",
            data: registers.map(({ low, high }): [number, number] => [low, high]),
            backgroundColor: "#c9b78f",
            grouped: false,
            maxBarThickness: 72,
          },
        ],
      }}
      options={{
        ...plain,
        scales: {
          x: axis("who"),
          y: {
            min: 24,
            max: 96,
            ...axis("pitch"),
            ticks: { color: INK, stepSize: 12, callback: (value) => namer.soundingPitch(Number(value)) },
          },
        },
      }}
    />
  );
}

function RangeTable({ registers, pairs }: RangeProps) {
  const namer = useNames()();
  return (
    <table className="w-full text-sm">
      <thead>
        <tr>
          <th scope="col" className={th}>
            Who
          </th>
          <th scope="col" className={th}>
            From
          </th>
          <th scope="col" className={th}>
            To
          </th>
          <th scope="col" className={th}>
            Shares
          </th>
        </tr>
      </thead>
      <tbody>
        {registers.map((one) => (
          <tr key={one.name}>
            <th scope="row" className="px-2 text-left font-normal">
              {one.name}
            </th>
            <td className="px-2">{namer.soundingPitch(one.low)}</td>
            <td className="px-2">{namer.soundingPitch(one.high)}</td>
            <td className="px-2">
              {pairs
                .filter(({ a, b }) => a === one || b === one)
                .map(
                  ({ a, b, semitones }) => `${describeSemitones(semitones)} with ${(a === one ? b : a).name}`,
                )
                .join("; ") || "nothing"}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
