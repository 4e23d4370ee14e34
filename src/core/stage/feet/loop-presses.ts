import { afterPress, bitsOf, type Press, pressesInStep, type WaitingPress } from "../../loops";
import type { LivePassage } from "../score";
import { barToMend, type FeetPlace, msOfTicks } from "./feet-place";
import type { FeetPress, StageLooper, StageLoops } from "./stage-feet";
import { tellWhen } from "./tell-when";

/** What sounds on a looper: tracks as bits, and when each one's loop began, by the server's clock; null where nobody knows. */
export type LoopsNow = { readonly sounding: number; readonly begun: readonly (number | null)[] };

type LooperPress = Extract<FeetPress, { readonly foot: "looper" }>;

/** What sounds after a press of the plan; one that changes nothing leaves it. */
export const soundingAfter = (
  { recorded }: Pick<StageLooper, "recorded">,
  sounding: number,
  press: Press,
): number => afterPress(sounding, recorded, press) ?? sounding;

/** What is wanted at a tick of a passage; null where nothing is known of it. */
const loopsAt = (looper: StageLooper, passage: LivePassage | undefined, tick: number): StageLoops | null =>
  looper.loops[passage?.id ?? ""]?.findLast(({ from }, at) => at === 0 || from <= tick) ?? null;

/** What is pressed on a looper from what really sounds: what mends it now, and the next change that comes. */
export function loopPresses(looper: StageLooper, now: LoopsNow, place: FeetPlace): FeetPress[] {
  const { passages, here, next } = place;
  const passage = here && passages[here.index];
  const presses: FeetPress[] = [];
  let { sounding } = now;
  if (here && passage) {
    const present = loopsAt(looper, passage, here.tick);
    const later = looper.loops[passage.id]?.find(({ from }) => from > here.tick) ?? null;
    const ends = Math.min(here.leave, later?.from ?? here.leave);
    if (present) {
      const mends = mending(looper, now, present, place, passage, ends);
      presses.push(...mends);
      for (const { press } of mends) sounding = soundingAfter(looper, sounding, press);
    }
    if (later && later.from < here.leave) {
      const change = changing(looper, sounding, later, passage, false);
      if (change.length > 0) return [...presses, ...change];
    }
  }
  for (let index = next ?? passages.length; index < passages.length; index++)
    for (const loops of looper.loops[passages[index]!.id] ?? []) {
      const change = changing(looper, sounding, loops, passages[index]!, true);
      if (change.length > 0) return [...presses, ...change];
    }
  return presses;
}

/** The track that a pass is out of step on: its loop lies elsewhere than the section has it, by more than half a beat. */
function outOfStep(
  { lengths, pitched }: StageLooper,
  { sounding, begun }: LoopsNow,
  present: StageLoops,
  place: FeetPlace,
  passage: LivePassage,
): number[] {
  const { here, now, moves } = place;
  if (!here || !moves) return [];
  const msPerTick = msOfTicks(passage, 1, place);
  return bitsOf(sounding & present.sounding).filter((track) => {
    const since = begun[track] ?? null;
    const round = (pitched & (1 << track)) !== 0 ? lengths[track]! : passage.bar;
    if (since === null || !round) return false;
    const apart = (now - since) / msPerTick - (here.tick - present.begun[track]!);
    return Math.abs(apart - Math.round(apart / round) * round) > passage.beat / 2;
  });
}

function mending(
  looper: StageLooper,
  now: LoopsNow,
  present: StageLoops,
  place: FeetPlace,
  passage: LivePassage,
  ends: number,
): LooperPress[] {
  const here = place.here!;
  const due = barToMend(passage, here.tick, ends);
  const off = outOfStep(looper, now, present, place, passage);
  const stops = off.map((track): Press => ({ press: "track", track, effect: "stop", late: false }));
  const from = off.reduce((mask, track) => mask & ~(1 << track), now.sounding);
  const at = (one: StageLooper) =>
    timed([...stops, ...inStep(one, from, present, passage, due)], passage, due);
  const all = at(looper);
  // Where no pass begins in step any more here, a track waits for the next change, and each one goes by itself.
  const inTime = all.every(({ tick, press }) => press.effect === "stop" || tick < ends)
    ? all
    : at(eachAlone(looper)).filter(({ tick, press }) => press.effect === "stop" || tick < ends);
  return inTime.map(({ press, tick }) => ({
    ...pressOf(press),
    kind: "mend",
    ahead: false,
    passage: passage.id,
    tick,
    when: tick > due ? `at bar ${barNumber(passage, tick)}` : "",
  }));
}

function changing(
  looper: StageLooper,
  sounding: number,
  loops: StageLoops,
  passage: LivePassage,
  ahead: boolean,
): FeetPress[] {
  const presses = timed(inStep(looper, sounding, loops, passage, loops.from), passage, loops.from);
  return presses.map(({ press, tick }) => ({
    ...pressOf(press),
    kind: "change",
    ahead,
    passage: passage.id,
    tick,
    when: tick > loops.from ? `at bar ${barNumber(passage, tick)}` : tellWhen(loops.at),
  }));
}

const pressOf = (press: Press) =>
  ({ foot: "looper", press, heard: press.effect === "start" && press.late }) as const;

const eachAlone = (looper: StageLooper): StageLooper => ({
  ...looper,
  looper: {
    ...looper.looper,
    allStart: false,
    allStop: false,
    ...(looper.looper.prices ? { prices: { ...looper.looper.prices, pairs: [] } } : {}),
  },
});

/** Presses by when they are made: at once, a start at its bar, and what follows everything let in after that. */
function timed(
  presses: readonly WaitingPress[],
  passage: LivePassage,
  from: number,
): { readonly press: Press; readonly tick: number }[] {
  let reached = from;
  const found = presses.map(({ bar, ...press }) => {
    const tick = bar === undefined ? reached : Math.max(reached, tickOfBar(passage, bar));
    if (press.press === "start-all") reached = tick;
    return { press: press as Press, tick };
  });
  // Late is what comes after another one at the same moment.
  return found
    .sort((a, b) => a.tick - b.tick)
    .map(({ press, tick }, at) => ({
      tick,
      press: { ...press, late: press.late && found[at - 1]?.tick === tick },
    }));
}

/** The presses to what is wanted, each start where its pass begins in step. @param gone ticks of the passage that are over */
const inStep = (
  looper: StageLooper,
  from: number,
  { sounding, begun }: StageLoops,
  passage: LivePassage,
  gone: number,
): WaitingPress[] => {
  const [origin, beats] = [passage.bars[0] ?? 0, passage.beat];
  return pressesInStep({ tracks: looper.lengths.length, ...looper.looper }, looper.recorded, from, sounding, {
    lengths: looper.lengths.map((ticks) => ticks / beats),
    begun: begun.map((tick) => (tick - origin) / beats),
    beatsPerBar: passage.bar / beats,
    gone: Math.max(0, gone - origin) / beats,
    bars: passage.bars.length,
  });
};

const tickOfBar = ({ bars, bar: ticks }: LivePassage, bar: number): number => (bars[0] ?? 0) + bar * ticks;
const barNumber = (passage: LivePassage, tick: number): number =>
  Math.round((tick - (passage.bars[0] ?? 0)) / passage.bar) + 1;
