import type { ChartOptions } from "chart.js";
import type { ReactNode } from "react";

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

export const look = (at: number) => ({
  borderColor: HUES[at % HUES.length]!,
  backgroundColor: HUES[at % HUES.length]!,
  borderDash: [...DASHES[at % DASHES.length]!],
  pointStyle: POINTS[at % POINTS.length]!,
});
export const INK = "#231d14";
export const plain = {
  animation: false,
  maintainAspectRatio: false,
  plugins: { legend: { labels: { usePointStyle: true, color: INK } } },
} satisfies ChartOptions;
export const axis = (text: string) => ({ title: { display: true, text, color: INK }, ticks: { color: INK } });

export function Beside({
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

export const th = "sticky top-0 bg-base-100 px-2 text-left";
