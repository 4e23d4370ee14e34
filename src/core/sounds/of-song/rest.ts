import { assertNever, type Ticks } from "../../../base";
import { parseChord } from "../../chord";
import type { SheetPart } from "../../parts";
import { type SongClock, tellBars } from "../../song/moments";
import { barsAt, barsIn, tickOfBar, type UseSpan } from "../../song/read";
import type { Heard } from "./heard";

/** What makes a player silent before a section. */
type RestReason =
  | { readonly code: "out"; readonly label: string }
  | { readonly code: "leaves"; readonly bar: number; readonly label: string }
  | { readonly code: "stop" }
  | { readonly code: "hold" }
  | { readonly code: "no-chord" }
  | { readonly code: "choked" }
  | { readonly code: "ends-early" }
  | { readonly code: "line-ends" }
  | { readonly code: "enters"; readonly bar: number; readonly label: string };

/** The silence before a section's first note. */
export type Rest = {
  readonly from: Ticks;
  readonly to: Ticks;
  readonly ms: number;
  readonly reasons: readonly RestReason[];
};

type Side = {
  readonly span: UseSpan;
  readonly part: SheetPart;
  readonly heard: readonly Heard[];
  /** How much sooner than written the last sound ends here, on purpose. */
  readonly endsEarly: Ticks;
};

/**
 * The silence between the last note of one section and the first of the next one a player plays in. Before the song it is
 * as long as one likes, and is given as 0.
 * @param between sections in which the player is silent
 */
export function restBetween(
  before: Side | null,
  after: Side,
  between: readonly UseSpan[],
  clock: SongClock,
): Rest {
  const to = after.heard[0]!.from;
  if (!before) return { from: to, to, ms: 0, reasons: [] };
  const from = Math.min(to, Math.max(...before.heard.map((one) => one.to)));
  const ms = (clock.secondsAt(to) - clock.secondsAt(from)) * 1000;
  if (to <= from) return { from, to, ms: 0, reasons: [] };
  return { from, to, ms: Math.round(ms * 1000) / 1000, reasons: reasonsOf(before, after, between, from, to) };
}

function reasonsOf(
  before: Side,
  after: Side,
  between: readonly UseSpan[],
  from: Ticks,
  to: Ticks,
): RestReason[] {
  const reasons: RestReason[] = [];
  const passage = before.span.passages.at(-1)!;
  const end = passage.tick + passage.ticks;
  if (from < end) reasons.push(...whySilent(before, from));
  for (const { label } of between) reasons.push({ code: "out", label });
  const entry = after.span.passages[0]!;
  if (to > entry.tick) {
    const bar = entry.bars.findIndex((one) => to < one.tick + one.ticks);
    reasons.push({ code: "enters", bar: Math.max(0, bar) + 1, label: entry.label });
  }
  return reasons;
}

/** Why a player is silent from a tick to the end of a section. */
function whySilent({ span, part, endsEarly }: Side, from: Ticks): RestReason[] {
  if (endsEarly > 0) return [{ code: "ends-early" }];
  const passage = span.passages.at(-1)!;
  const events = passage.lines.flatMap(({ outline, events: timed }) =>
    outline.chords.map(({ chord }, at) => ({ ...timed[at]!, symbol: chord.symbol })),
  );
  const last = events.findLast(({ tick }) => tick < from) ?? events.at(-1);
  const lastBar = barsAt(part.cell, passage.round)?.at(-1)?.[1];
  if (lastBar !== undefined && lastBar < barsIn(passage).length && from <= tickOfBar(passage, lastBar))
    return [{ code: "leaves", bar: Math.ceil(lastBar), label: passage.label }];
  if (!last) return [{ code: "no-chord" }];
  const reasons: RestReason[] = [];
  if (last.held > 0) reasons.push({ code: "hold" });
  if (last.sounds < last.ticks) reasons.push({ code: "stop" });
  const later = events.filter(({ tick }) => tick >= from);
  if (later.some(({ symbol }) => isNoChord(symbol))) reasons.push({ code: "no-chord" });
  if (reasons.length > 0) return reasons;
  if (part.riff && !part.pattern) return [{ code: "line-ends" }];
  return [part.pattern ? { code: "choked" } : { code: "ends-early" }];
}

const isNoChord = (symbol: string): boolean => {
  const chord = parseChord(symbol);
  return chord.ok && chord.value.kind === "none";
};

function describeReason(reason: RestReason): string {
  switch (reason.code) {
    case "out":
      return `silent through ${reason.label}`;
    case "leaves":
      return `silent after ${tellBars(String(reason.bar), reason.label)}`;
    case "stop":
      return "everybody stops";
    case "hold":
      return "a hold dies away";
    case "no-chord":
      return "no chord there";
    case "choked":
      return "the pattern is choked";
    case "ends-early":
      return "the last chord ends early";
    case "line-ends":
      return "the line is over";
    case "enters":
      return `comes in at ${tellBars(String(reason.bar), reason.label)}`;
    default:
      return assertNever(reason);
  }
}

/** A rest in words. @example describeRest(rest) // => "1304 ms: silent after bar 7 of Verse 1" */
export function describeRest({ ms, reasons }: Rest): string {
  if (ms <= 0) return "no rest";
  const why = reasons.map(describeReason).join(", ");
  return `${Math.round(ms)} ms${why === "" ? "" : `: ${why}`}`;
}
