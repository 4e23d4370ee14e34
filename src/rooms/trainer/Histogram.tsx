"use client";

import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from "chart.js";
import { Bar } from "react-chartjs-2";
import { capital } from "@/base";
import type { JudgedPress } from "@/performance/judged";

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

/** How far presses were from their time. */
export const Histogram = ({ judged }: { judged: readonly JudgedPress[] }) => (
  <MsHistogram
    timed={judged.flatMap(({ ms, judged: word }) => (ms === null || word === "wrong" ? [] : [ms]))}
    step={50}
    most={500}
    counted="presses"
  />
);

/** What was so many ms off its time: a histogram, with the same figures as a table for readers. */
export function MsHistogram({
  timed,
  step,
  most,
  counted,
}: {
  readonly timed: readonly number[];
  /** How wide a bar is, and how far the outermost stand, ms. */
  readonly step: number;
  readonly most: number;
  /** What is counted: "presses". */
  readonly counted: string;
}) {
  const places = Array.from({ length: (2 * most) / step + 1 }, (_, at) => -most + at * step);
  const counts = places.map(
    (place) =>
      timed.filter((ms) => Math.max(-most, Math.min(most, Math.round(ms / step) * step)) === place).length,
  );
  return (
    <figure className="max-w-2xl">
      <div className="h-48">
        <Bar
          aria-hidden="true"
          data={{
            labels: places.map((place) => (place > 0 ? `+${place}` : String(place))),
            datasets: [
              {
                label: counted,
                data: counts,
                backgroundColor: "#2e271c",
                barPercentage: 0.95,
                categoryPercentage: 1,
              },
            ],
          }}
          options={{
            animation: false,
            maintainAspectRatio: false,
            plugins: { legend: { display: false } },
            scales: {
              x: {
                title: {
                  display: true,
                  text: "ms from its time: early to the left, late to the right",
                  color: "#231d14",
                },
                ticks: { color: "#231d14" },
              },
              y: { beginAtZero: true, ticks: { precision: 0, color: "#231d14" } },
            },
          }}
        />
      </div>
      <table className="sr-only">
        <caption>{capital(counted)} by ms from their time</caption>
        <tbody>
          {places.map((place, at) =>
            counts[at]! > 0 ? (
              <tr key={place}>
                <th scope="row">{place} ms</th>
                <td>{counts[at]}</td>
              </tr>
            ) : null,
          )}
        </tbody>
      </table>
    </figure>
  );
}
