import { beforeEach, describe, expect, it } from "vitest";
import type { DuePress } from "../judged";
import type { Beat, Device, Score, Way } from "./device";
import { Runner } from "./runner";

/** A song of four bars of two beats, a second each, with a press due on each bar. */
const PRESSES = [0, 2, 4, 6].map(
  (seconds, at): DuePress => ({ seconds, act: `p${at}`, place: "first", sung: false }),
);
const beatsOf = (from: number, to: number): Beat[] =>
  Array.from({ length: 30 }, (_, at) => ({ seconds: at - 10, isFirst: at % 2 === 0 })).filter(
    ({ seconds }) => seconds >= from && seconds < to && seconds < 8,
  );
const scoreAt = (begin: number): Score => ({ due: PRESSES, begin, countIn: 2, end: 8, beats: beatsOf });

const clock = { currentTime: 100 };
let log: string[];
let taps: (readonly [number, boolean])[];
const round = (value: number) => Math.round(value * 1000) / 1000;

class Bell implements Device<{ rung: number }> {
  readonly aheadSeconds = 0.1;
  rung = 0;
  until = 0;
  constructor(readonly start: number) {}
  press = (act: string, at: number, instead: boolean) => {
    this.rung += instead ? 0 : 1;
    log.push(`${instead ? "instead " : ""}${act} ${round(at - this.start)}`);
  };
  tick = (until: number) => {
    this.until = until;
  };
  view = () => ({ rung: this.rung });
  end = () => {};
}
const runnerOf = (way: Way, begin = 0) =>
  new Runner(
    clock,
    way,
    scoreAt(begin),
    (start) => new Bell(start),
    (at, strong) => taps.push([at, strong]),
  );
/** Lets time pass to a second of the song, stepping as a timer would. */
function playTo(runner: Runner<{ rung: number }, Bell>, seconds: number, isCounted = true): boolean {
  let isOver = false;
  while (!isOver && runner.seconds < seconds - 1e-9) {
    clock.currentTime += Math.min(0.025, seconds - runner.seconds);
    isOver = runner.step(isCounted);
  }
  return isOver;
}
const press = (act: string, lateMs = 0, instead = false) =>
  [{ act, instead, stamp: 5000 - lateMs }, 5000] as const;

beforeEach(() => {
  clock.currentTime = 100;
  log = [];
  taps = [];
});

describe("a run that is shown", () => {
  it("makes each press of the plan once, at its time, told a little before", () => {
    const runner = runnerOf("show");
    expect(round(runner.seconds)).toBe(-2.2);
    playTo(runner, -0.15);
    expect(log).toEqual([]);
    playTo(runner, -0.05);
    expect(log).toEqual(["p0 0"]);
    expect(playTo(runner, 9)).toBe(true);
    expect(log).toEqual(["p0 0", "p1 2", "p2 4", "p3 6"]);
  });

  it("takes no press of a foot, and answers none", () => {
    const runner = runnerOf("show");
    playTo(runner, 1);
    runner.press(...press("p1"));
    runner.note("p1", 1);
    expect([log, runner.finished()]).toEqual([["p0 0"], null]);
  });

  it("begins later with what is due from there on", () => {
    const runner = runnerOf("show", 4);
    expect([round(runner.seconds), runner.begin]).toEqual([1.8, 4]);
    playTo(runner, 9);
    expect(log).toEqual(["p2 4", "p3 6"]);
  });
});

describe("the count", () => {
  it("taps each beat once, strong where a bar begins, the count-in first", () => {
    const runner = runnerOf("feet");
    playTo(runner, 3);
    expect(taps.map(([at, strong]) => [round(at - runner.start), strong])).toEqual([
      [-2, true],
      [-1, false],
      [0, true],
      [1, false],
      [2, true],
      [3, false],
    ]);
    expect(runner.device.until).toBeGreaterThan(clock.currentTime);
  });

  it("is heard while counting in, and after that only when it is wanted", () => {
    const runner = runnerOf("feet");
    playTo(runner, 3, false);
    expect(taps.map(([at]) => round(at - runner.start))).toEqual([-2, -1]);
  });
});

describe("a run of one's own feet", () => {
  it("dates presses by when they happened, and believes no page that stood still long", () => {
    const runner = runnerOf("feet");
    playTo(runner, 2);
    runner.press(...press("p1", 50));
    playTo(runner, 4);
    runner.press(...press("p2", 900));
    runner.press(...press("p2", -900));
    expect(log).toEqual(["p1 1.95", "p2 3.8", "p2 4"]);
  });

  it("takes a press back that was the beginning of another, which counts from there", () => {
    const runner = runnerOf("feet");
    playTo(runner, 2);
    runner.press(...press("p1"));
    playTo(runner, 2.3);
    runner.press(...press("undo", 300, true));
    expect(runner.finished()!.made.map(({ act, seconds }) => [act, round(seconds)])).toEqual([["undo", 2]]);
    expect(log).toEqual(["p1 2", "instead undo 2"]);
  });

  it("does not count a pedal that does nothing by itself, and takes nothing else back for it", () => {
    const runner = runnerOf("feet");
    playTo(runner, 2);
    runner.press(...press("p1"));
    runner.press(...press("none"));
    runner.press(...press("hold", 0, true));
    expect(runner.finished()!.made.map(({ act }) => act)).toEqual(["p1", "hold"]);
  });

  it("is whole from the beginning to the last press that was due", () => {
    const runner = runnerOf("feet");
    playTo(runner, 5);
    expect(runner.finished()).toMatchObject({ skipped: 0, isWhole: false, due: PRESSES.slice(0, 3) });
    playTo(runner, 9);
    expect(runner.finished()).toMatchObject({ skipped: 0, isWhole: true, due: PRESSES });
    const later = runnerOf("feet", 4);
    playTo(later, 9);
    expect(later.finished()).toMatchObject({ skipped: 2, isWhole: false, due: PRESSES.slice(2) });
  });
});

it("alone, nothing is due and nothing is judged", () => {
  const runner = runnerOf("free");
  playTo(runner, 3);
  runner.press(...press("p1"));
  expect([log, runner.finished()]).toEqual([["p1 3"], null]);
});
