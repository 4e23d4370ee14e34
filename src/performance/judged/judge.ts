import type { LoopRun } from "@/core/song/schema";

/** A press that is due: when, s, and which pedal act. */
export type DuePress = {
  readonly seconds: number;
  /** From when on it may be made: earlier than its time on a box that waits. */
  readonly earliest?: number;
  readonly act: string;
  readonly place: LoopRun["presses"][number]["place"];
  readonly sung: boolean;
  /** Where in the song it is due. */
  readonly where?: string;
  /** Which press of the plan it belongs to, by its index; its own index when left out. */
  readonly of?: number;
};

/** A press that was made. */
export type MadePress = { readonly seconds: number; readonly act: string };

export type JudgedPress = LoopRun["presses"][number] & {
  /** What was due, by its index; null for a press nobody asked for. */
  readonly due: number | null;
  /** What was pressed; null for one that was missed. */
  readonly made: MadePress | null;
};

/** Nearer than this counts as right, ms. Ours, no source. */
const RIGHT_WITHIN_MS = 120;
/** Farther than this a press belongs to no other, ms. Ours, no source. */
const BELONGS_WITHIN_MS = 1500;

/** As soon as a foot gets from one pedal to another, s: a press after another at one boundary is due so much later. Ours, no source. */
export const FOOT_SECONDS = 0.35;

/** How far a press is from its time, ms; 0 for one that is early where it may be. */
const missBy = (due: DuePress, seconds: number): number =>
  due.earliest !== undefined && seconds < due.seconds && seconds >= due.earliest
    ? 0
    : (seconds - due.seconds) * 1000;

/**
 * Judges presses against those that were due. Each due press takes the nearest press of its own pedal; what is left near
 * one that nobody pressed is the wrong pedal; a due press without any was missed; a press without a due one is wrong.
 * @returns the due presses in their order, then presses nobody asked for
 */
export function judgePresses(due: readonly DuePress[], made: readonly MadePress[]): JudgedPress[] {
  const free = new Set(made.keys());
  const taken = new Map<number, { readonly at: number; readonly isRight: boolean }>();
  const pairs = due
    .flatMap((one, at) =>
      made.map((press, index) => ({
        at,
        index,
        isSame: press.act === one.act,
        ms: Math.abs(missBy(one, press.seconds)),
      })),
    )
    .filter(({ ms }) => ms <= BELONGS_WITHIN_MS);
  for (const isSame of [true, false])
    for (const pair of pairs
      .filter((one) => one.isSame === isSame)
      .toSorted((a, b) => a.ms - b.ms || a.at - b.at))
      if (free.has(pair.index) && !taken.has(pair.at)) {
        free.delete(pair.index);
        taken.set(pair.at, { at: pair.index, isRight: isSame });
      }
  const judged = due.map((one, at): JudgedPress => {
    const { place, sung, act, where } = one;
    const told = { place, sung, act, ...(where === undefined ? {} : { where }) };
    const found = taken.get(at);
    if (!found) return { due: at, made: null, judged: "missed", ms: null, ...told };
    const press = made[found.at]!;
    const ms = Math.round(missBy(one, press.seconds));
    const word = !found.isRight
      ? "wrong"
      : Math.abs(ms) <= RIGHT_WITHIN_MS
        ? "right"
        : ms < 0
          ? "early"
          : "late";
    return { due: at, made: press, judged: word, ms, ...told };
  });
  const unasked = [...free].map(
    (at): JudgedPress => ({
      due: null,
      made: made[at]!,
      judged: "wrong",
      ms: null,
      place: "first",
      sung: false,
    }),
  );
  return [...judged, ...unasked];
}

/** One sentence for a run. @example describeRun(judged) // => "11 of 12 right, on the whole 20 ms late." */
export function describeRun(judged: readonly JudgedPress[]): string {
  const due = judged.filter((one) => one.due !== null);
  const right = due.filter((one) => one.judged === "right").length;
  const timed = due.flatMap(({ ms, judged: word }) => (ms === null || word === "wrong" ? [] : [ms]));
  const mean = timed.length === 0 ? null : Math.round(timed.reduce((sum, ms) => sum + ms, 0) / timed.length);
  const count = (word: JudgedPress["judged"]) => judged.filter((one) => one.judged === word).length;
  const unasked = judged.length - due.length;
  const wrong = count("wrong") - unasked;
  const faults = [
    count("missed") > 0 ? `${count("missed")} missed` : "",
    wrong > 0 ? `${wrong} on the wrong pedal` : "",
    unasked > 0 ? `${unasked} not asked for` : "",
  ].filter((text) => text !== "");
  const drift =
    mean === null
      ? ""
      : Math.abs(mean) < 10
        ? ", on the whole in time"
        : `, on the whole ${Math.abs(mean)} ms ${mean < 0 ? "early" : "late"}`;
  return `${right} of ${due.length} right${drift}${faults.length > 0 ? `; ${faults.join(", ")}` : ""}.`;
}
