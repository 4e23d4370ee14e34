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
import { Chart as ChartOf } from "react-chartjs-2";
import type { practiceDays } from "@/core/practice";
import { axis, Beside, INK, look, plain, th } from "@/ui/chart-frame";

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

/** Minutes practised and the tempo reached, day by day; a table beside. */
export function LogChart({ days }: { readonly days: ReturnType<typeof practiceDays> }) {
  return (
    <Beside
      title="Day by day"
      words="Minutes, and the fastest tempo that was gone through without a fault; where nobody counted, the fastest."
      chart={
        <ChartOf
          type="bar"
          aria-label="Minutes and tempo by days"
          data={{
            labels: days.map(({ day }) => day),
            datasets: [
              {
                type: "line" as const,
                label: "tempo, %",
                yAxisID: "tempo",
                spanGaps: true,
                data: days.map(({ percent }) => percent),
                ...look(0),
              },
              {
                type: "bar" as const,
                label: "minutes",
                yAxisID: "minutes",
                data: days.map(({ minutes }) => minutes),
                maxBarThickness: 48,
                backgroundColor: "#e3b45c",
                borderColor: INK,
              },
            ],
          }}
          options={{
            ...plain,
            scales: {
              x: axis("day"),
              minutes: { ...axis("minutes"), beginAtZero: true },
              tempo: { ...axis("tempo, %"), position: "right", beginAtZero: true, suggestedMax: 100 },
            },
          }}
        />
      }
    >
      <table className="w-full text-sm">
        <thead>
          <tr>
            {["Day", "Minutes", "Tempo", "Clean"].map((head) => (
              <th key={head} scope="col" className={th}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {days.map(({ day, minutes, percent, clean }) => (
            <tr key={day}>
              <th scope="row" className="px-2 text-left font-normal">
                {day}
              </th>
              <td className="px-2">{Math.round(minutes * 10) / 10}</td>
              <td className="px-2">{percent === null ? "" : `${percent} %`}</td>
              <td className="px-2">{clean}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Beside>
  );
}
