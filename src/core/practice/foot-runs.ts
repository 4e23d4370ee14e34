import { byOrder } from "../../document";
import { looperPlayer } from "../loops";
import type { LoopRun, VersionBody } from "../song/schema";

/** One run of a plan on a simulated box, as the log tells it. */
export type FootRun = {
  readonly table: "loopRuns" | "soundRuns";
  readonly id: string;
  readonly day: string;
  /** Whose feet; "" where nobody is known. */
  readonly player: string;
  readonly on: "looper" | "box of sounds";
  /** Presses that were due, and those of them that were right. */
  readonly due: number;
  readonly right: number;
  /** Presses nobody asked for. */
  readonly unasked: number;
  /** How far off those that came were on the whole, ms, above 0 late; null where none came. */
  readonly meanMs: number | null;
};

type Runs = Pick<VersionBody, "loopRuns" | "soundRuns" | "players" | "loopBoxes">;

/**
 * The runs of a version on its simulated looper and boxes, the first day first.
 * @example footRuns(body)[0] // => { day: "2026-12-02", player: "Maren", on: "looper", due: 12, right: 11, unasked: 0, meanMs: 20, … }
 */
export function footRuns(body: Runs): FootRun[] {
  const looper = looperPlayer(body)?.name ?? "";
  const loops = Object.values(body.loopRuns)
    .sort(byOrder)
    .map((run) => ({ table: "loopRuns" as const, player: looper, on: "looper" as const, ...summed(run) }));
  const boxes = Object.values(body.soundRuns)
    .sort(byOrder)
    .map((run) => ({
      table: "soundRuns" as const,
      player: body.players[run.playerId]?.name ?? "",
      on: "box of sounds" as const,
      ...summed(run),
    }));
  return [...loops, ...boxes].toSorted((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}

function summed({ id, day, presses }: Pick<LoopRun, "id" | "day" | "presses">) {
  // What was not asked for has no time it is off from.
  const unasked = presses.filter(({ judged, ms }) => judged === "wrong" && ms === null).length;
  const right = presses.filter(({ judged }) => judged === "right").length;
  const off = presses.flatMap(({ judged, ms }) => (ms === null || judged === "wrong" ? [] : [ms]));
  const meanMs = off.length === 0 ? null : Math.round(off.reduce((sum, ms) => sum + ms, 0) / off.length);
  return { id, day, due: presses.length - unasked, right, unasked, meanMs };
}

/** A run as a row of the log other programs read; see `LOG_COLUMNS`. */
export const footRunRow = ({
  day,
  player,
  on,
  due,
  right,
  unasked,
  meanMs,
}: FootRun): readonly (string | number)[] => [
  day,
  `run on the ${on}`,
  player,
  "",
  "",
  "",
  due,
  right,
  [
    ...(meanMs === null ? [] : [`${meanMs} ms off`]),
    ...(unasked > 0 ? [`${unasked} not asked for`] : []),
  ].join(", "),
];
