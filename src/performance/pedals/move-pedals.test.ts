import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  DOUBLE_MS,
  HOLD_MS,
  movePedals,
  nextHold,
  PEDALS_AT_REST,
  type PedalAct,
  type PedalEvent,
  type PedalsState,
} from "./move-pedals";

const PEDALS = [
  { press: "track-0", double: "undo", hold: "stop-all" },
  { press: "track-1", double: "none", hold: "none" },
];
const down = (pedal: number, stamp: number): PedalEvent => ({ kind: "down", pedal, stamp });
const up = (pedal: number, stamp: number): PedalEvent => ({ kind: "up", pedal, stamp });
const time = (stamp: number): PedalEvent => ({ kind: "time", stamp });
const midi = (stamp: number, ...bytes: number[]): PedalEvent => ({ kind: "midi", bytes, stamp });

function play(events: readonly PedalEvent[], from: PedalsState = PEDALS_AT_REST) {
  let state = from;
  const acts: PedalAct[] = [];
  for (const event of events) {
    const moved = movePedals(state, event, PEDALS);
    state = moved.state;
    acts.push(...moved.acts);
  }
  return { state, acts };
}
const said = (events: readonly PedalEvent[]) =>
  play(events).acts.map(({ act, instead, stamp }) => `${instead ? "instead " : ""}${act} ${stamp}`);

describe("pedals", () => {
  it("act at once when pressed", () => {
    expect(said([down(0, 100), up(0, 150), down(1, 900), up(1, 950)])).toEqual([
      "track-0 100",
      "track-1 900",
    ]);
  });

  it("count a double press from its first one", () => {
    expect(said([down(0, 100), up(0, 150), down(0, 100 + DOUBLE_MS - 1)])).toEqual([
      "track-0 100",
      "instead undo 100",
    ]);
    expect(said([down(0, 100), up(0, 150), down(0, 100 + DOUBLE_MS)])).toEqual([
      "track-0 100",
      `track-0 ${100 + DOUBLE_MS}`,
    ]);
  });

  it("know no double press of two pedals, nor of one that has none, and a third press begins anew", () => {
    expect(said([down(0, 0), down(1, 50), down(0, 100)])).toEqual(["track-0 0", "track-1 50", "track-0 100"]);
    expect(said([down(1, 0), up(1, 20), down(1, 100)])).toEqual(["track-1 0", "track-1 100"]);
    expect(said([down(0, 0), up(0, 10), down(0, 100), up(0, 110), down(0, 200)])).toEqual([
      "track-0 0",
      "instead undo 0",
      "track-0 200",
    ]);
  });

  it("are held at their time, however late time is told", () => {
    expect(nextHold(play([down(0, 100)]).state)).toBe(100 + HOLD_MS);
    expect(said([down(0, 100), time(100 + HOLD_MS - 1)])).toEqual(["track-0 100"]);
    expect(said([down(0, 100), time(5000)])).toEqual(["track-0 100", `instead stop-all ${100 + HOLD_MS}`]);
    expect(said([down(0, 100), up(0, 5000)])).toEqual(["track-0 100", `instead stop-all ${100 + HOLD_MS}`]);
    expect(said([down(0, 100), up(0, 400), time(5000)])).toEqual(["track-0 100"]);
    expect(nextHold(play([down(1, 100)]).state)).toBe(null);
  });

  it("are not held after a double press, and a held one begins no double", () => {
    expect(said([down(0, 0), up(0, 10), down(0, 100), time(5000)])).toEqual(["track-0 0", "instead undo 0"]);
    expect(said([down(0, 0), time(HOLD_MS), up(0, HOLD_MS + 1), down(0, HOLD_MS + 100)])).toEqual([
      "track-0 0",
      `instead stop-all ${HOLD_MS}`,
      `track-0 ${HOLD_MS + 100}`,
    ]);
  });

  it("leave a pedal alone that isn't there", () => {
    expect(said([down(7, 0), up(7, 10), time(5000)])).toEqual([]);
  });
});

describe("pedals by MIDI", () => {
  it("are learned in the order they are first pressed; a release teaches nothing", () => {
    const events = [
      midi(0, 0xb0, 9, 0),
      midi(10, 0x90, 60, 100),
      midi(20, 0xb0, 9, 127),
      midi(900, 0x90, 60, 1),
    ];
    expect(said(events)).toEqual(["track-0 10", "track-1 20", "track-0 900"]);
    expect(play(events).state.learned).toEqual(["144 0 60", "176 0 9"]);
  });

  it("end a hold by a note off, by a note on without force, and by a controller at 0", () => {
    for (const off of [midi(50, 0x80, 60, 0), midi(50, 0x90, 60, 0)])
      expect(said([midi(0, 0x90, 60, 100), off, time(5000)])).toEqual(["track-0 0"]);
    expect(said([midi(0, 0xb2, 9, 127), midi(50, 0xb2, 9, 0), time(5000)])).toEqual(["track-0 0"]);
  });

  it("are never held by a program change, which has no release", () => {
    expect(said([midi(0, 0xc0, 5), time(5000), midi(6000, 0xc0, 5), midi(6100, 0xc0, 5)])).toEqual([
      "track-0 0",
      "track-0 6000",
      "instead undo 6000",
    ]);
  });

  it("take no more controls than there are pedals, and no other messages", () => {
    const events = [
      midi(0, 0xf8),
      midi(1, 0xe0, 0, 64),
      midi(2, 0x90, 1, 9),
      midi(3, 0x90, 2, 9),
      midi(4, 0x90, 3, 9),
    ];
    expect(said(events)).toEqual(["track-0 2", "track-1 3"]);
  });
});

it("holds the pedal that was pressed last: a press of another ends it", () => {
  expect(said([down(0, 0), down(1, 100), time(5000)])).toEqual(["track-0 0", "track-1 100"]);
});

it("law: takes back only the press made just before, and each once", () => {
  const event = fc.oneof(
    fc.record({ kind: fc.constantFrom("down" as const, "up" as const), pedal: fc.nat(1), step: fc.nat(800) }),
    fc.record({ kind: fc.constant("time" as const), step: fc.nat(800) }),
  );
  fc.assert(
    fc.property(fc.array(event, { maxLength: 40 }), (steps) => {
      let stamp = 0;
      const events = steps.map(({ step, ...rest }) => {
        stamp += step;
        return { ...rest, stamp } as PedalEvent;
      });
      let before: PedalAct | null = null;
      for (const one of play(events).acts) {
        if (one.instead) {
          // Only the first pedal has a double or a hold, and it is its own press that goes.
          expect(before).toMatchObject({ act: "track-0", instead: false });
          expect(one.stamp - before!.stamp).toBe(one.act === "undo" ? 0 : HOLD_MS);
        }
        before = one;
      }
      expect(nextHold(play(events).state) ?? stamp + 1).toBeGreaterThan(stamp);
    }),
  );
});
