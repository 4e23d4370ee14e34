import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { replayed, SAMPLE_ITEMS, sampleLog, samplePassage } from "../../../testing/stage/sample-live";
import type { LeaderAct, LiveAct, LiveEvent } from "./act";
import { liveActSchema } from "./act";
import { followFrom, hear, type LiveMessage } from "./follower";
import { placeAt } from "./place";
import { applyLive, EMPTY_STATE, itemOf, LEAD_MS, type LiveState, passagesNow, refuseLive } from "./state";

const START: LiveAct = { type: "start", passage: null, countBars: 1 };
const BEGUN = 1000 + LEAD_MS + 4000;
const placeOf = (state: LiveState, now: number) => placeAt(passagesNow(state), state.transport, now);
const having = (...acts: (readonly [at: number, act: LiveAct])[]) =>
  replayed(sampleLog([1000, START], ...acts));

describe("applyLive", () => {
  it("stands at the first song, counts a bar in, and plays", () => {
    const state = having();
    expect(itemOf(state)?.title).toBe("One");
    expect(placeOf(state, 1000 + LEAD_MS + 10)).toMatchObject({ phase: "counting", count: 1 });
    expect(placeOf(state, BEGUN)).toMatchObject({ phase: "playing", bar: 1, beat: 1 });
  });

  it("counts a pickup among the beats that are counted", () => {
    const items = [
      { ...SAMPLE_ITEMS[0]!, passages: [samplePassage("p 0", 1, { ticks: 4800, bars: [960] })] },
    ];
    const log = (countBars: number): LiveEvent[] => [
      { id: 1, at: 0, act: { type: "score", items } },
      { id: 2, at: 0, act: { type: "start", passage: null, countBars } },
    ];
    expect(replayed(log(1)).transport).toMatchObject({ countMs: 3000, at: LEAD_MS + 3000 });
    expect(replayed(log(0)).transport).toMatchObject({ countMs: 0, at: 0 });
  });

  it("holds, and goes on with the press as the next beat", () => {
    const held = having([BEGUN + 1500, { type: "hold" }]);
    expect(placeOf(held, BEGUN + 60_000)).toMatchObject({ phase: "holding", bar: 1, beat: 2 });
    const on = applyLive(held, { id: 4, at: BEGUN + 7000, act: { type: "goOn" } });
    expect(placeOf(on, BEGUN + 7000)).toMatchObject({ phase: "playing", bar: 1, beat: 3 });
  });

  it("goes past a sign when it is given", () => {
    const on = having([BEGUN + 20_000, { type: "goOn" }]);
    expect(placeOf(on, BEGUN + 20_000)).toMatchObject({ phase: "playing", index: 2, bar: 5, beat: 1 });
  });

  it("repeats a section at its end, once", () => {
    const state = having([BEGUN + 5000, { type: "repeat" }]);
    expect(placeOf(state, BEGUN + 7000)).toMatchObject({ index: 0, next: 0 });
    expect(placeOf(state, BEGUN + 8000)).toMatchObject({ index: 0, bar: 1, next: 1 });
    expect(placeOf(state, BEGUN + 16_000)).toMatchObject({ index: 1, bar: 3 });
  });

  it("jumps at the end, at the next bar, or now", () => {
    const jump = (when: "end" | "bar" | "now") =>
      having([BEGUN + 1500, { type: "jump", passage: "verse 1", when }]);
    expect(placeOf(jump("end"), BEGUN + 8001)).toMatchObject({ index: 2 });
    expect(placeOf(jump("bar"), BEGUN + 3999)).toMatchObject({ index: 0, barsLeft: 1, next: 2 });
    expect(placeOf(jump("bar"), BEGUN + 4001)).toMatchObject({ index: 2, bar: 5, beat: 1 });
    expect(placeOf(jump("now"), BEGUN + 1500)).toMatchObject({ index: 2, bar: 5, beat: 1 });
  });

  it("goes round a section until it is told no more, or called somewhere else", () => {
    const round = having([BEGUN + 1000, { type: "circle" }]);
    expect(placeOf(round, BEGUN + 39_000)).toMatchObject({ index: 0, next: 0, circles: true });
    const on = applyLive(round, { id: 4, at: BEGUN + 33_000, act: { type: "circle" } });
    expect(placeOf(on, BEGUN + 40_500)).toMatchObject({ index: 1, circles: false });
    const called = applyLive(round, {
      id: 4,
      at: BEGUN + 33_000,
      act: { type: "jump", passage: "verse 1", when: "end" },
    });
    expect(placeOf(called, BEGUN + 33_500)).toMatchObject({ index: 0, asked: true, next: 2 });
    expect(placeOf(called, BEGUN + 40_500)).toMatchObject({ index: 2, circles: false, next: null });
  });

  it("takes back what was asked for and has not happened yet", () => {
    const asked = having([BEGUN + 1000, { type: "jump", passage: "verse 1", when: "bar" }]);
    const back = applyLive(asked, { id: 4, at: BEGUN + 2000, act: { type: "asWritten" } });
    expect(placeOf(back, BEGUN + 8500)).toMatchObject({ index: 1, asked: false });
    expect(refuseLive(back, { type: "asWritten" }, BEGUN + 2100)).toMatch(/written/u);
    expect(refuseLive(asked, { type: "asWritten" }, BEGUN + 4500)).toMatch(/written/u);
  });

  it("skips sections, up to the end", () => {
    const once = having([BEGUN, { type: "skip" }]);
    expect(placeOf(once, BEGUN + 8001)).toMatchObject({ index: 2 });
    const twice = applyLive(once, { id: 4, at: BEGUN + 1, act: { type: "skip" } });
    expect(placeOf(twice, BEGUN + 8001)).toMatchObject({ phase: "ended", index: 0 });
  });

  it("follows a tempo from where it is, in the count-in too", () => {
    const faster = having([BEGUN + 2000, { type: "tempo", bpm: 120, snap: false }]);
    expect(placeOf(faster, BEGUN + 3000)).toMatchObject({ bar: 2, beat: 1 });
    const tapped = having([BEGUN + 2300, { type: "tempo", bpm: 60, snap: true }]);
    expect(placeOf(tapped, BEGUN + 2300)?.tick).toBe(2 * 960);
    const counted = having([1000 + LEAD_MS, { type: "tempo", bpm: 120, snap: false }]);
    expect(counted.transport).toMatchObject({ at: 1000 + LEAD_MS + 2000, countMs: 2000, stretch: 0.5 });
  });

  it("stops, and begins again from that section", () => {
    const stopped = having([BEGUN + 9000, { type: "stop" }]);
    expect(placeOf(stopped, BEGUN + 60_000)).toMatchObject({ phase: "stopped", index: 1, bar: 3, beat: 2 });
    const again = applyLive(stopped, { id: 4, at: 90_000, act: START as LeaderAct });
    expect(placeOf(again, 90_000 + LEAD_MS + 4000)).toMatchObject({ index: 1, bar: 3, beat: 1 });
  });

  it("goes through the running order", () => {
    const talk = having([BEGUN, { type: "next" }]);
    expect(itemOf(talk)?.title).toBe("Welcome");
    expect(placeOf(talk, BEGUN)).toBeNull();
    expect(refuseLive(talk, { type: "start", passage: null, countBars: 1 }, BEGUN)).toMatch(/no song/u);
    const two = applyLive(talk, { id: 4, at: BEGUN, act: { type: "next" } });
    expect(itemOf(two)?.title).toBe("Two");
    expect(refuseLive(two, { type: "next" }, BEGUN)).toMatch(/last/u);
    expect(itemOf(applyLive(two, { id: 5, at: BEGUN, act: { type: "open", itemId: "one" } }))?.title).toBe(
      "One",
    );
  });

  it("takes a press back as if it had not been made, over several", () => {
    const jumped = having([BEGUN + 1000, { type: "jump", passage: "verse 1", when: "now" }]);
    const undone = applyLive(jumped, { id: 4, at: BEGUN + 1800, act: { type: "undo" } });
    expect(placeOf(undone, BEGUN + 5000)).toEqual(placeOf(having(), BEGUN + 5000));
    expect(applyLive(undone, { id: 5, at: BEGUN + 1900, act: { type: "undo" } }).transport.mode).toBe(
      "waiting",
    );
  });

  it("goes on in the section of the same name when the song is changed under it", () => {
    const [one, ...others] = SAMPLE_ITEMS;
    const longer = { ...one!, passages: [samplePassage("new 0", 4), ...one!.passages] };
    const state = having([BEGUN + 9000, { type: "score", items: [longer, ...others] }]);
    expect(placeOf(state, BEGUN + 9000)).toMatchObject({ phase: "playing", index: 2, beat: 2 });
    const gone = having([
      BEGUN + 9000,
      { type: "score", items: [{ ...one!, passages: [samplePassage("x 0", 9)] }] },
    ]);
    expect(placeOf(gone, BEGUN + 9000)).toMatchObject({ phase: "playing", index: 0 });
    expect(itemOf(having([BEGUN, { type: "score", items: others }]))?.title).toBe("Welcome");
  });

  it("refuses with a sentence what can't be done, and the log changes nothing by it", () => {
    const state = having();
    const refused: readonly (readonly [LeaderAct, number, RegExp])[] = [
      [{ type: "goOn" }, BEGUN + 10, /Nothing is held/u],
      [{ type: "hold" }, 1100, /Nothing is playing/u],
      [{ type: "jump", passage: "gone 0", when: "end" }, BEGUN, /not in the song/u],
      [{ type: "open", itemId: "gone" }, BEGUN, /running order/u],
    ];
    for (const [act, now, words] of refused) {
      expect(refuseLive(state, act, now)).toMatch(words);
      expect(applyLive(state, { id: 3, at: now, act }).transport).toEqual(state.transport);
    }
    expect(refuseLive(EMPTY_STATE, { type: "undo" }, 0)).toMatch(/no press/u);
    expect(() => applyLive(state, { id: 9, at: 0, act: { type: "stop" } })).toThrow("Expected event 3");
  });
});

const passage = fc.constantFrom("verse 0", "chorus 0", "verse 1", "a 0", "gone 0");
const actGen: fc.Arbitrary<LiveAct> = fc.oneof(
  fc.record({ type: fc.constant("open" as const), itemId: fc.constantFrom("one", "talk", "two", "gone") }),
  fc.record({
    type: fc.constant("start" as const),
    passage: fc.option(passage),
    countBars: fc.integer({ min: 0, max: 2 }),
  }),
  fc.record({
    type: fc.constant("tempo" as const),
    bpm: fc.integer({ min: 20, max: 320 }),
    snap: fc.boolean(),
  }),
  fc.record({
    type: fc.constant("jump" as const),
    passage,
    when: fc.constantFrom("now" as const, "bar" as const, "end" as const),
  }),
  fc.constantFrom(
    ...(["next", "hold", "goOn", "repeat", "skip", "stop", "undo"] as const).map((type) => ({ type })),
  ),
  fc.constantFrom<LiveAct>(
    { type: "score", items: SAMPLE_ITEMS },
    { type: "score", items: SAMPLE_ITEMS.slice(1) },
    { type: "score", items: [{ ...SAMPLE_ITEMS[0]!, passages: [samplePassage("chorus 0", 1)] }] },
  ),
);
/** A log of anything at any pace, with the songs first. */
const logGen = fc.array(fc.tuple(fc.nat(20_000), actGen), { maxLength: 30 }).map((steps) => {
  let at = 0;
  const timed = steps.map(([pause, act]) => {
    at += pause;
    return [at, act] as const;
  });
  return sampleLog(...timed);
});

describe("laws of the live state", () => {
  it("ends alike for every follower, in whatever order, batches or doubles messages come", () => {
    fc.assert(
      fc.property(logGen, fc.infiniteStream(fc.nat(1000)), fc.nat(30), (log, chance, joined) => {
        const whole = replayed(log);
        const pull = () => chance.next().value as number;
        const messages: LiveMessage[] = log
          .flatMap((event): LiveMessage[] =>
            Array.from({ length: 1 + (pull() % 2) }, () => ({ type: "event", event })),
          )
          .map((message) => [pull(), message] as const)
          .sort((a, b) => a[0] - b[0])
          .map(([, message]) => message);
        // One begins from nothing, one joins with a whole state and hears the rest.
        const late = replayed(log.slice(0, Math.min(joined, log.length)));
        for (const from of [EMPTY_STATE, late]) {
          const heard = messages.reduce(hear, followFrom(from));
          expect(heard.state).toEqual(whole);
          expect(heard).toMatchObject({ early: [], behind: false });
        }
        const told = hear(followFrom(EMPTY_STATE), { type: "whole", state: whole });
        expect(told.state).toBe(whole);
      }),
    );
  });

  it("reaches the same state from any id, and survives being written down", () => {
    fc.assert(
      fc.property(logGen, fc.nat(30), (log, cut) => {
        const half = replayed(log.slice(0, cut));
        const kept = JSON.parse(JSON.stringify(half)) as LiveState;
        expect(replayed(log.slice(cut), kept)).toEqual(replayed(log));
      }),
    );
  });

  it("an undo leaves what there was before the press", () => {
    fc.assert(
      fc.property(logGen, actGen, (log, act) => {
        const before = replayed(log);
        const at = log.at(-1)!.at;
        if (act.type === "undo" || act.type === "score" || refuseLive(before, act, at) !== null) return;
        const pressed = applyLive(before, { id: before.lastId + 1, at, act });
        const undone = applyLive(pressed, { id: pressed.lastId + 1, at: at + 500, act: { type: "undo" } });
        expect(undone.transport).toEqual(before.transport);
      }),
    );
  });

  it("always has a place in a song, and time only goes forward between presses", () => {
    fc.assert(
      fc.property(logGen, fc.array(fc.nat(60_000), { maxLength: 8 }), (log, times) => {
        const state = replayed(log);
        const from = log.at(-1)!.at;
        const passages = passagesNow(state);
        const places = times.sort((a, b) => a - b).map((time) => placeOf(state, from + time));
        for (const place of places) {
          expect(place === null).toBe(passages.length === 0);
          if (!place) continue;
          expect(passages[place.index]).toBeDefined();
          expect(place.beat).toBeGreaterThanOrEqual(1);
          expect(Number.isFinite(place.tick)).toBe(true);
        }
        for (const [at, place] of places.entries()) {
          const next = places[at + 1];
          if (place && next && next.index === place.index && state.transport.after === null)
            expect(next.tick).toBeGreaterThanOrEqual(place.tick - 1e-6);
        }
      }),
    );
  });

  it("knows each act by its form, and refuses others", () => {
    for (const bad of [
      { type: "fly" },
      { type: "tempo", bpm: 1e9, snap: false },
      { type: "start", passage: "", countBars: 1 },
      { type: "score", items: [] },
    ])
      expect(liveActSchema.safeParse(bad).success).toBe(false);
  });
});
