"use client";

import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from "chart.js";
import { Bar } from "react-chartjs-2";
import type { JudgedPress } from "@/performance/judged";

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

const STEP = 50;
const MOST = 500;

/** How far presses were from their time: a histogram in steps of 50 ms, with the same figures as a table for readers. */
export function Histogram({ judged }: { judged: readonly JudgedPress[] }) {
  const timed = judged.flatMap(({ ms, judged: word }) => (ms === null || word === "wrong" ? [] : [ms]));
  const places = Array.from({ length: (2 * MOST) / STEP + 1 }, (_, at) => -MOST + at * STEP);
  const counts = places.map(
    (place) =>
      timed.filter((ms) => Math.max(-MOST, Math.min(MOST, Math.round(ms / STEP) * STEP)) === place).length,
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
                label: "presses",
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
        <caption>Presses by ms from their time</caption>
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
