import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { madeUpCase, numbersFrom } from "../../../../testing/loops/sample-case";
import { unwrap } from "../../../base";
import { planLoops } from "../plan";
import { bitsOf } from "../press";
import { recordedTracks, soundingBefore } from "../way";
import {
  actOfPedal,
  advance,
  type BoxAct,
  type BoxSettings,
  type BoxState,
  emptyBox,
  loopPoint,
  passOf,
  pressBox,
  recordedOf,
  shareOf,
  soundingOf,
} from "./box";

const settings = (more: Partial<BoxSettings> = {}): BoxSettings => ({
  tracks: 2,
  allStart: true,
  allStop: true,
  quantised: false,
  sharedLength: false,
  undoLast: true,
  ...more,
});
const play = (acts: readonly (readonly [BoxAct, number])[], own = settings()): BoxState =>
  acts.reduce((state, [act, at]) => pressBox(state, act, own, at), emptyBox(own.tracks));
const record = (track: number, layer: string): BoxAct => ({ do: "track", track, layer });

describe("the simulated looper", () => {
  it("records on the first press, goes round from the second, and stops and starts after that", () => {
    const one = play([
      [record(0, "pulse"), 0],
      [record(0, "pulse"), 8],
    ]);
    expect(one.tracks[0]).toEqual({ recorded: [{ layer: "pulse", seconds: 8 }], runs: true, since: 8 });
    const stopped = pressBox(one, record(0, "x"), settings(), 12);
    expect(soundingOf(stopped)).toBe(0);
    expect(pressBox(stopped, record(0, "x"), settings(), 20).tracks[0]).toMatchObject({
      runs: true,
      since: 20,
    });
    expect(shareOf(one.tracks[0]!, 10)).toBe(0.25);
    expect(shareOf(stopped.tracks[0]!, 14)).toBeNull();
  });

  it("goes straight on to the next layer without a waiting pass", () => {
    const state = play([
      [record(0, "pulse"), 0],
      [record(1, "clap"), 8],
      [record(1, "clap"), 12],
    ]);
    expect(state.tracks.map(({ recorded }) => recorded)).toEqual([
      [{ layer: "pulse", seconds: 8 }],
      [{ layer: "clap", seconds: 4 }],
    ]);
    expect(soundingOf(state)).toBe(3);
  });

  it("lays layers over one another and takes the last one back", () => {
    const state = play([
      [record(0, "pulse"), 0],
      [record(0, "pulse"), 8],
      [{ do: "overdub", track: 0, layer: "clap" }, 10],
      [{ do: "overdub", track: 0, layer: "clap" }, 16],
    ]);
    expect(state.tracks[0]!.recorded).toEqual([
      { layer: "pulse", seconds: 8 },
      { layer: "clap", seconds: 8 },
    ]);
    expect(state.tracks[0]!.since).toBe(8);
    const back = pressBox(state, { do: "undo" }, settings(), 17);
    expect(back.tracks[0]!.recorded).toHaveLength(1);
    expect(recordedOf(pressBox(back, { do: "undo" }, settings(), 18))).toBe(0);
    expect(pressBox(state, { do: "undo" }, settings({ undoLast: false }), 17)).toEqual(state);
  });

  it("gives every track one length where the box has one", () => {
    const own = settings({ sharedLength: true });
    const state = play(
      [
        [record(0, "pulse"), 0],
        [record(1, "clap"), 8],
        [record(1, "clap"), 11],
      ],
      own,
    );
    expect(state.tracks.map(passOf)).toEqual([8, 8]);
  });

  it("waits for the loop point where the box does", () => {
    const own = settings({ quantised: true });
    const state = play(
      [
        [record(0, "pulse"), 0],
        [record(0, "pulse"), 8],
        [{ do: "stop-all" }, 13],
      ],
      own,
    );
    expect(soundingOf(state)).toBe(1);
    expect(loopPoint(state, 13)).toBe(16);
    expect(soundingOf(advance(state, own, 15.9))).toBe(1);
    expect(soundingOf(advance(state, own, 16))).toBe(0);
  });

  it("keeps nothing of a slip of the foot, and passes over pedals it does not have", () => {
    const slip = play([
      [record(0, "pulse"), 0],
      [record(0, "pulse"), 0.1],
    ]);
    expect(recordedOf(slip)).toBe(0);
    expect(pressBox(slip, record(7, "x"), settings(), 1)).toBe(slip);
    expect(actOfPedal("none", () => ["x"])).toBeNull();
    expect(actOfPedal("track-1", () => [])).toEqual({ do: "track", track: 1 });
    expect(actOfPedal("overdub-1", () => ["x", "y"])).toEqual({
      do: "overdub",
      track: 1,
      layer: "x",
      also: ["y"],
    });
    expect(actOfPedal("undo", () => [])).toEqual({ do: "undo" });
    expect(actOfPedal("stop-1", () => ["x"])).toEqual({ do: "stop", track: 1 });
    expect(actOfPedal("start-0", () => ["x"])).toEqual({ do: "start", track: 0, layer: "x", also: [] });
    expect(actOfPedal("toggle-all", () => [])).toEqual({ do: "toggle-all" });
  });

  it("keeps what was recorded, each as long as it was open; layers taken in together go together", () => {
    const both: BoxAct = { do: "track", track: 0, layer: "pulse", also: ["clap"] };
    const state = play([
      [both, 0],
      [both, 8],
      [{ do: "overdub", track: 0, layer: "hum" }, 8],
      [{ do: "overdub", track: 0, layer: "hum" }, 16.5],
    ]);
    expect(state.takes).toEqual([
      { layers: ["pulse", "clap"], track: 0, since: 0, until: 8, over: false },
      { layers: ["hum"], track: 0, since: 8, until: 16.5, over: true },
    ]);
    expect(state.tracks[0]!.recorded.map(({ layer, seconds }) => [layer, seconds])).toEqual([
      ["pulse", 8],
      ["clap", 8],
      ["hum", 8],
    ]);
    const one = pressBox(state, { do: "undo" }, settings(), 20);
    expect(one.takes).toHaveLength(1);
    expect(pressBox(one, { do: "undo" }, settings(), 21).tracks[0]!.recorded).toEqual([]);
  });

  it("lets a track only in, and only out, where pedals do one of them", () => {
    const go: BoxAct = { do: "start", track: 0, layer: "pulse" };
    const halt: BoxAct = { do: "stop", track: 0 };
    const closed = play([
      [go, 0],
      [go, 8],
    ]);
    expect(closed.tracks[0]).toMatchObject({ runs: true, since: 8 });
    expect(pressBox(closed, go, settings(), 12)).toBe(closed);
    const out = pressBox(closed, halt, settings(), 12);
    expect(soundingOf(out)).toBe(0);
    expect(pressBox(out, halt, settings(), 13)).toBe(out);
    expect(pressBox(out, go, settings(), 14).tracks[0]).toMatchObject({ runs: true, since: 14 });
    // While it records, the pedal that takes out closes the pass and keeps it silent.
    const halted = play([
      [go, 0],
      [halt, 8],
    ]);
    expect([recordedOf(halted), soundingOf(halted)]).toEqual([1, 0]);
  });

  it("takes all out with one pedal, and lets all in by it only from silence", () => {
    const toggle: BoxAct = { do: "toggle-all" };
    const two = play([
      [record(0, "pulse"), 0],
      [record(0, "pulse"), 8],
      [record(1, "clap"), 8],
      [record(1, "clap"), 12],
      [record(0, "x"), 13],
    ]);
    expect(soundingOf(two)).toBe(2);
    const out = pressBox(two, toggle, settings(), 14);
    expect(soundingOf(out)).toBe(0);
    expect(soundingOf(pressBox(out, toggle, settings(), 15))).toBe(3);
  });

  it("only mutes where the box does: a track comes in where it is, and all begin anew from silence", () => {
    const own = settings({ muted: true });
    const two = play(
      [
        [record(0, "pulse"), 0],
        [record(0, "pulse"), 8],
        [record(1, "clap"), 8],
        [record(1, "clap"), 16],
        [record(1, "x"), 17],
        [record(1, "x"), 21],
      ],
      own,
    );
    // The second track has gone on unheard since it was closed at 16.
    expect(two.tracks[1]).toMatchObject({ runs: true, since: 16 });
    expect(shareOf(two.tracks[1]!, 22)).toBe(0.75);
    const silent = pressBox(two, { do: "stop-all" }, own, 22);
    const anew = pressBox(silent, record(1, "x"), own, 30);
    expect(anew.tracks.map(({ runs, since }) => [runs, since])).toEqual([
      [false, 30],
      [true, 30],
    ]);
  });

  it("stays consistent whatever is pressed", () => {
    const act = fc.oneof(
      fc.record({
        do: fc.constant("track" as const),
        track: fc.nat(3),
        layer: fc.constantFrom("a", "b", "c"),
      }),
      fc.record({ do: fc.constant("overdub" as const), track: fc.nat(3), layer: fc.constantFrom("d", "e") }),
      fc.constantFrom<BoxAct>({ do: "start-all" }, { do: "stop-all" }, { do: "undo" }),
    );
    fc.assert(
      fc.property(
        fc.array(fc.tuple(act, fc.integer({ min: 0, max: 3000 })), { maxLength: 40 }),
        fc.nat(15),
        (presses, bits) => {
          const own = settings({
            tracks: 3,
            quantised: (bits & 1) > 0,
            sharedLength: (bits & 2) > 0,
            allStart: (bits & 4) > 0,
            undoLast: (bits & 8) > 0,
          });
          let state = emptyBox(3);
          let now = 0;
          for (const [one, later] of presses) {
            now += later / 1000;
            const before = JSON.stringify(state);
            const next = pressBox(state, one, own, now);
            expect(JSON.stringify(state)).toBe(before);
            state = next;
            // Only what holds something sounds; every layer has a length; the order knows each layer once.
            expect(soundingOf(state) & ~recordedOf(state)).toBe(0);
            for (const track of state.tracks) {
              expect(track.since).toBeLessThanOrEqual(now);
              for (const { seconds } of track.recorded) expect(seconds).toBeGreaterThan(0);
              if (track.runs) expect(passOf(track)).toBeGreaterThan(0);
            }
            expect(state.order).toHaveLength(
              state.tracks.reduce((sum, { recorded }) => sum + recorded.length, 0),
            );
            expect(state.recording === null || state.recording.since <= now).toBe(true);
            expect(state.waiting.every(({ at }) => at > now || own.quantised)).toBe(true);
          }
        },
      ),
    );
  });

  it("comes to the states a plan says when the plan's presses are played, and none of them does nothing", () => {
    for (let seed = 1; seed <= 60; seed++) {
      const asked = madeUpCase(numbersFrom(seed), { layers: 4, tracks: 3, sections: 8, either: 30 });
      const planned = planLoops(asked, { trade: false });
      if (!planned.ok) continue;
      const plan = unwrap(planned);
      const own = settings({ ...asked.looper, quantised: false });
      const recorded = recordedTracks(plan.tracks);
      let state: BoxState = {
        ...emptyBox(asked.looper.tracks),
        tracks: plan.tracks.map((layers, track) => ({
          recorded: layers.map((layer) => ({ layer, seconds: 4 })),
          runs: (soundingBefore(asked, recorded) & (1 << track)) !== 0,
          since: 0,
        })),
      };
      expect(recordedOf(state)).toBe(recorded);
      for (const [at, section] of [...asked.sections, null].entries()) {
        for (const press of plan.presses.filter(({ before }) => before === (section?.id ?? null))) {
          const act: BoxAct =
            press.press === "track"
              ? { do: "track", track: press.track }
              : { do: press.press as "start-all" | "stop-all" };
          const next = pressBox(state, act, own, at * 10);
          expect(soundingOf(next)).not.toBe(soundingOf(state));
          state = next;
        }
        expect(bitsOf(soundingOf(state))).toEqual(plan.states[at] ?? []);
      }
    }
  });
});
