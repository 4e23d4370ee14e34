"use client";

import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from "chart.js";
import { Bar, Line } from "react-chartjs-2";
import { type BandSheet, lightOfRow, type SheetRow } from "@/core/parts";
import { beatsOfBar } from "@/core/rhythm";
import { LIGHT_WORDS } from "@/core/song/schema";
import { axis, Beside, INK, look, plain, th } from "@/ui/chart-frame";
import { RangeChart } from "./RangeChart";

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
