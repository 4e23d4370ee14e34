import type { Ticks } from "../../../base";
import type { Outline } from "../../song/read";
import type { LoopWant, VersionBody } from "../../song/schema";
import type { Want } from "../loop-case";

/** A span of a use in which one thing is wanted; `to` null is the end of the use. */
export type WantedSpan = LoopWant["stretches"][number];

/** What is wanted at a tick of a use, counted from its start. */
export const wantAt = (spans: readonly WantedSpan[], tick: Ticks): Want =>
  spans.find(({ from, to }) => from <= tick && (to === null || tick < to))?.want ?? "off";

/**
 * Draws, cuts or loosens a span; what lies outside stays. The result is in order, without overlaps, and "off" is not
 * written down.
 * @param total the length of the use: a span that reaches it ends with the use, however long that becomes
 * @example paint([], 0, 3840, "on", 7680) // => [{ from: 0, to: 3840, want: "on" }]
 */
export function paint(
  spans: readonly WantedSpan[],
  from: Ticks,
  to: Ticks,
  want: Want,
  total: Ticks,
): WantedSpan[] {
  if (to <= from) return tidy(spans);
  const end = to >= total ? null : to;
  const isBefore = (a: Ticks | null, b: Ticks) => a !== null && a <= b;
  const kept = spans.flatMap((one): WantedSpan[] => {
    if (isBefore(one.to, from) || (end !== null && one.from >= end)) return [one];
    const head = one.from < from ? [{ ...one, to: from }] : [];
    const tail = end !== null && (one.to === null || one.to > end) ? [{ ...one, from: end }] : [];
    return [...head, ...tail];
  });
  return tidy([...kept, { from, to: end, want }]);
}

function tidy(spans: readonly WantedSpan[]): WantedSpan[] {
  const sorted = spans.filter(({ want }) => want !== "off").toSorted((a, b) => a.from - b.from);
  const joined: WantedSpan[] = [];
  for (const one of sorted) {
    const last = joined.at(-1);
    if (last?.want === one.want && last.to === one.from) joined[joined.length - 1] = { ...last, to: one.to };
    else joined.push(one);
  }
  return joined;
}

/** What a layer is wanted for at a use, and whether the use says so itself or takes it from its section's first use. */
export type UseWant = { readonly spans: readonly WantedSpan[]; readonly row: LoopWant | null };

/** Wants of all layers by use: an own row, else that of the section's first use. */
export function wantsOf(
  body: Pick<VersionBody, "loopWants">,
  outline: Pick<Outline, "form">,
): (layerId: string, useId: string) => UseWant {
  const rows = new Map(Object.values(body.loopWants).map((row) => [`${row.layerId} ${row.useId}`, row]));
  const first = new Map<string, string>();
  const sectionOf = new Map(outline.form.map((use) => [use.id, use.sectionId]));
  for (const use of outline.form) if (!first.has(use.sectionId)) first.set(use.sectionId, use.id);
  return (layerId, useId) => {
    const row = rows.get(`${layerId} ${useId}`) ?? null;
    const before = rows.get(`${layerId} ${first.get(sectionOf.get(useId) ?? "")}`);
    return { row, spans: (row ?? before)?.stretches ?? [] };
  };
}
