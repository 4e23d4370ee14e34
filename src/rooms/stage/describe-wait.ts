import type { StageSheet } from "@/core/stage";

/**
 * How long a player still waits.
 * @example "you come in after 16 bars, at Verse 2"
 */
export function describeWait({ waits, label }: Pick<StageSheet, "waits" | "label">): string {
  const left = Math.ceil((waits?.bars ?? 0) - 1e-6);
  if (!waits || left <= 0) return "";
  const where = waits.label === label ? "" : `, at ${waits.label}`;
  return `you come in after ${left} ${left === 1 ? "bar" : "bars"}${where}`;
}
