import type { LivePassage } from "./score";

/** How the clock of a song stands. It needs nothing more than the time to say where everybody is. */
export type Transport = {
  readonly itemId: string | null;
  readonly mode: "waiting" | "running" | "held" | "stopped";
  /** At `at` (server's clock, ms) the song is at `tick` of the passage. */
  readonly passage: string | null;
  readonly tick: number;
  readonly at: number;
  /** Length of the count-in that ends at `at`, ms. */
  readonly countMs: number;
  /** How much longer than written everything lasts: 2 is half the tempo. */
  readonly stretch: number;
  /** Where the passage is left early, in its ticks; null at its end. */
  readonly leave: number | null;
  /** The passage that comes then instead of the next one; {@link THE_END} ends the song. */
  readonly after: string | null;
  /** Whether the passage begins anew when it ends. */
  readonly circles: boolean;
};

export const THE_END = "";

export const EMPTY_TRANSPORT: Transport = Object.freeze({
  itemId: null,
  mode: "waiting",
  passage: null,
  tick: 0,
  at: 0,
  countMs: 0,
  stretch: 1,
  leave: null,
  after: null,
  circles: false,
});

type Phase = "waiting" | "counting" | "playing" | "holding" | "sign" | "stopped" | "ended";

/** Where everybody is. */
export type Place = {
  readonly phase: Phase;
  /** The passage by its place in the song. */
  readonly index: number;
  readonly tick: number;
  /** Bars are counted through the song; a pickup belongs to the bar before. Beats from 1. */
  readonly bar: number;
  readonly beat: number;
  readonly beatsInBar: number;
  /** Counting in: the beat that is counted, 0 before the first. */
  readonly count: number;
  /** Bars until the next section, the present one among them. */
  readonly barsLeft: number;
  /** Where the passage is left, in its ticks: at its end, or where the leader goes on early. */
  readonly leave: number;
  /** What comes after this passage, by its place; null at the end. */
  readonly next: number | null;
  /** Whether the leader has asked for that, and it has not happened yet. */
  readonly asked: boolean;
  /** Whether the section goes round and round. */
  readonly circles: boolean;
  /** Until the next beat, ms; null while nothing moves. */
  readonly msToBeat: number | null;
};

/** Where the clock has come to: the passage with the anchor it was entered by, and whether it waits there. */
export type Walked = {
  readonly index: number;
  readonly tick: number;
  readonly anchor: { readonly tick: number; readonly at: number };
  readonly leave: number | null;
  readonly after: string | null;
  readonly circles: boolean;
  readonly stands: "moving" | "sign" | "ended";
};

const msPerTick = (passage: LivePassage, stretch: number): number =>
  (60_000 / passage.bpm / passage.beat) * stretch;

/** A passage's place by its id, or the first's. */
export const indexOf = (passages: readonly LivePassage[], id: string | null): number =>
  Math.max(
    0,
    passages.findIndex((passage) => passage.id === id),
  );

/** What follows a passage, with what the leader has asked for. */
const follower = (
  passages: readonly LivePassage[],
  index: number,
  { after, circles }: Pick<Transport, "after" | "circles">,
): number => {
  if (after === null) return circles ? index : index + 1;
  return after === THE_END ? passages.length : indexOf(passages, after);
};

/**
 * Lets a running clock go on to a moment.
 * @param now the server's clock, ms
 */
export function walk(passages: readonly LivePassage[], transport: Transport, now: number): Walked {
  const { stretch } = transport;
  let { tick, at, leave, after, circles } = transport;
  let index = indexOf(passages, transport.passage);
  for (;;) {
    const passage = passages[index]!;
    const ms = msPerTick(passage, stretch);
    const until = Math.min(passage.ticks, leave ?? passage.ticks);
    const sign = passage.signs.find((one) => one > tick && one <= until);
    const arrives = at + ((sign ?? until) - tick) * ms;
    const here = { index, anchor: { tick, at }, leave, after, circles };
    if (now < arrives) return { ...here, tick: tick + (now - at) / ms, stands: "moving" };
    if (sign !== undefined) return { ...here, tick: sign, stands: "sign" };
    const to = follower(passages, index, { after, circles });
    if (to >= passages.length) return { ...here, tick: until, stands: "ended" };
    // Whoever is called somewhere else leaves the circle.
    circles &&= after === null;
    index = to;
    tick = 0;
    at = arrives;
    leave = null;
    after = null;
  }
}

/** A hair's breadth, in beats: what a sum of fractions lacks to a beat must not show the one before. */
const HAIR = 1e-6;

/** The bar and beat of a place in a passage. */
export function barOf(
  { bars, firstBar, beat, bar }: LivePassage,
  tick: number,
): { readonly bar: number; readonly beat: number; readonly from: number } {
  const reached = tick + HAIR * beat;
  const at = bars.findLastIndex((start) => start <= reached);
  const from = at >= 0 ? bars[at]! : (bars[0] ?? bar) - bar;
  return { bar: firstBar + at, beat: Math.floor((reached - from) / beat) + 1, from };
}

/** The next beat at or after a place, counted from the passage's bar lines, in ticks. */
export function nextBeat({ bars, beat }: LivePassage, tick: number): number {
  const from =
    bars.findLast((start) => start <= tick) ?? (bars[0] ?? 0) - beat * Math.ceil((bars[0] ?? 0) / beat);
  const line = from + Math.ceil((tick - from) / beat - HAIR) * beat;
  const bar = bars.find((start) => start >= tick - HAIR * beat);
  return bar !== undefined && bar < line ? bar : line;
}

/**
 * Where everybody is at a moment: the whole of what a screen needs to draw, from the last known state and the time alone.
 * @param passages of the song the transport stands in
 * @param now the server's clock, ms
 * @example placeAt(passages, transport, now) // => { phase: "playing", index: 2, bar: 17, beat: 3, … }
 */
export function placeAt(passages: readonly LivePassage[], transport: Transport, now: number): Place | null {
  if (passages.length === 0) return null;
  const { mode, stretch, at, countMs } = transport;
  const counting = mode === "running" && now < at;
  const walked =
    mode === "running" && !counting
      ? walk(passages, transport, now)
      : {
          index: indexOf(passages, transport.passage),
          tick: transport.tick,
          leave: transport.leave,
          after: transport.after,
          circles: transport.circles,
          stands: "moving" as const,
        };
  const { index, tick, leave, after, circles, stands } = walked;
  const passage = passages[index]!;
  const beatLength = (60_000 / passage.bpm) * stretch;
  const { bar, beat, from } = barOf(passage, Math.min(tick, passage.ticks - 1e-3));
  const phase = phaseOf(mode, counting, stands);
  const until = Math.min(passage.ticks, leave ?? passage.ticks);
  const reached = tick + HAIR * passage.beat;
  const left =
    passage.bars.filter((start) => start > reached && start < until).length + (reached < until ? 1 : 0);
  const next = follower(passages, index, { after, circles });
  const counted = counting ? (now - (at - countMs)) / beatLength : 0;
  return {
    phase,
    index,
    tick,
    bar,
    beat,
    beatsInBar: Math.max(1, Math.round(passage.bar / passage.beat)),
    count: counting && counted >= 0 ? Math.floor(counted + HAIR) + 1 : 0,
    barsLeft: stands === "ended" ? 0 : left,
    leave: until,
    next: next < passages.length ? next : null,
    asked: after !== null || leave !== null,
    circles: circles && after === null,
    msToBeat: counting
      ? (Math.floor(counted + HAIR) + 1 - counted) * beatLength || beatLength
      : phase === "playing"
        ? Math.max(0, beatEnd(passage, from, beat) - tick) * msPerTick(passage, stretch)
        : null,
  };
}

/** Where a beat ends: at the next one, or at a bar line that comes before. */
const beatEnd = ({ bars, beat: ticks }: LivePassage, from: number, beat: number): number =>
  Math.min(from + beat * ticks, bars.find((start) => start > from) ?? Number.POSITIVE_INFINITY);

function phaseOf(mode: Transport["mode"], counting: boolean, stands: Walked["stands"]): Phase {
  if (mode === "held") return "holding";
  if (mode !== "running") return mode;
  if (counting) return "counting";
  if (stands === "sign") return "sign";
  return stands === "ended" ? "ended" : "playing";
}
