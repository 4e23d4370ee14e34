"use client";

import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  type ChartOptions,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from "chart.js";
import { type ReactNode, useState } from "react";
import { Bar, Line } from "react-chartjs-2";
import { type BandSheet, lightOfRow, type SheetRow, sharedSemitones } from "@/core/parts";
import { describeSemitones, formatPitch } from "@/core/pitch";
import { beatsOfBar } from "@/core/rhythm";
import { LIGHT_WORDS } from "@/core/song/schema";
import { pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
);

/** Players are told by hue, dash and point together: no one of them alone. */
const HUES = [
  "#8a4a00",
  "#2f5068",
  "#3d5a2a",
  "#7a2f5e",
  "#8c2318",
  "#4b4b8f",
  "#5b4a2e",
  "#0f6a6a",
] as const;
const DASHES = [[], [8, 4], [2, 3], [10, 3, 2, 3], [5, 5], [14, 4], [1, 5], [6, 2]] as const;
const POINTS = ["circle", "rect", "triangle", "rectRot", "rectRounded", "star", "cross", "dash"] as const;

const look = (at: number) => ({
  borderColor: HUES[at % HUES.length]!,
  backgroundColor: HUES[at % HUES.length]!,
  borderDash: [...DASHES[at % DASHES.length]!],
  pointStyle: POINTS[at % POINTS.length]!,
});
const INK = "#231d14";
const plain = {
  animation: false,
  maintainAspectRatio: false,
  plugins: { legend: { labels: { usePointStyle: true, color: INK } } },
} satisfies ChartOptions;
const axis = (text: string) => ({ title: { display: true, text, color: INK }, ticks: { color: INK } });

/** Light over the form, registers in a section, and how dense the strokes are; a table beside each. */
export function Charts({ sheet }: { sheet: BandSheet }) {
  return (
    <section aria-label="Charts" className="flex flex-col gap-8">
      <LightChart sheet={sheet} />
      <RangeChart sheet={sheet} />
      <DensityChart sheet={sheet} />
    </section>
  );
}

function Beside({
  title,
  words,
  chart,
  children,
}: {
  title: string;
  words: string;
  chart: ReactNode;
  children: ReactNode;
}) {
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      <p className="mb-2 text-sm">{words}</p>
      <div className="grid gap-4 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div className="h-72">{chart}</div>
        <div className="max-h-72 overflow-auto">{children}</div>
      </div>
    </section>
  );
}

const th = "sticky top-0 bg-base-100 px-2 text-left";

/** A figure for each player in each section, and what they come to together. */
function PlayersTable({
  sheet,
  figure,
  together,
}: {
  sheet: BandSheet;
  figure: (row: SheetRow, player: number) => number;
  together?: (row: SheetRow) => number;
}) {
  return (
    <table className="w-full text-sm">
      <thead>
        <tr>
          <th scope="col" className={th}>
            Section
          </th>
          {sheet.players.map((player) => (
            <th key={player.id} scope="col" className={th}>
              {player.name}
            </th>
          ))}
          {together && (
            <th scope="col" className={th}>
              Together
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {sheet.rows.map((row) => (
          <tr key={row.use.id}>
            <th scope="row" className="px-2 text-left font-normal">
              {row.label}
            </th>
            {sheet.players.map((player, at) => (
              <td key={player.id} className="px-2">
                {figure(row, at)}
              </td>
            ))}
            {together && <td className="px-2">{together(row)}</td>}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function LightChart({ sheet }: { sheet: BandSheet }) {
  const labels = sheet.rows.map((row) => row.label);
  return (
    <Beside
      title="Light over the form"
      words="How bright each player is, section by section."
      chart={
        <Line
          aria-label="Light of each player over the form; the table beside it has the same figures"
          data={{
            labels,
            datasets: sheet.players.map((player, at) => ({
              label: player.name,
              data: sheet.rows.map((row) => (row.parts[at]!.out ? 0 : row.parts[at]!.cell.light.value)),
              stepped: "middle" as const,
              ...look(at),
            })),
          }}
          options={{
            ...plain,
            scales: {
              x: axis("section"),
              y: {
                min: 0,
                max: 4,
                ...axis("light"),
                ticks: { color: INK, stepSize: 1, callback: (value) => LIGHT_WORDS[Number(value)] ?? "" },
              },
            },
          }}
        />
      }
    >
      <PlayersTable
        sheet={sheet}
        figure={(row, at) => (row.parts[at]!.out ? 0 : row.parts[at]!.cell.light.value)}
        together={lightOfRow}
      />
    </Beside>
  );
}

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

function RangeChart({ sheet }: { sheet: BandSheet }) {
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
            ticks: { color: INK, stepSize: 12, callback: (value) => formatPitch(Number(value)) },
          },
        },
      }}
    />
  );
}

function RangeTable({ registers, pairs }: RangeProps) {
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
            <td className="px-2">{pretty(formatPitch(one.low))}</td>
            <td className="px-2">{pretty(formatPitch(one.high))}</td>
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

function DensityChart({ sheet }: { sheet: BandSheet }) {
  const density = (row: SheetRow, at: number) =>
    Math.round((row.parts[at]!.onsets.length / beatsOfBar(row.passage.meter)) * 100) / 100;
  return (
    <Beside
      title="How dense it is"
      words="Strokes or notes begun in a beat, where the sheet says the rhythm."
      chart={
        <Bar
          aria-label="Strokes a beat by section and player; the table beside it has the same figures"
          data={{
            labels: sheet.rows.map((row) => row.label),
            datasets: sheet.players.map((player, at) => ({
              label: player.name,
              data: sheet.rows.map((row) => density(row, at)),
              ...look(at),
            })),
          }}
          options={{
            ...plain,
            scales: {
              x: { stacked: true, ...axis("section") },
              y: { stacked: true, ...axis("strokes a beat") },
            },
          }}
        />
      }
    >
      <PlayersTable sheet={sheet} figure={density} />
    </Beside>
  );
}
