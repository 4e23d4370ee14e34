import { describe, expect, it } from "vitest";
import { SAMPLE_ITEMS } from "../../../testing/stage/sample-live";
import type { LiveAct } from "./act";
import { pedalAct, type When } from "./foot-act";
import { placeAt } from "./place";
import { applyLive, EMPTY_STATE, itemOf, type LiveState, passagesNow } from "./state";

const having = (...acts: readonly LiveAct[]): LiveState =>
  [{ type: "score", items: SAMPLE_ITEMS } as LiveAct, ...acts].reduce<LiveState>(
    (state, act) => applyLive(state, { id: state.lastId + 1, at: 1000 * state.lastId, act }),
    EMPTY_STATE,
  );
const look = (state: LiveState, now = 0) => placeAt(passagesNow(state), state.transport, now);
const pedal = (state: LiveState, by: 1 | -1, now = 0, when: When = "end") =>
  pedalAct(state, itemOf(state), look(state, now), by, when);

describe("what a pedal does", () => {
  it("turns by hand from section to section, and over the ends of a song to its neighbours", () => {
    expect(pedal(having(), 1)).toEqual({ type: "jump", passage: "chorus 0", when: "now" });
    expect(pedal(having(), -1)).toBeNull();
    const last = having({ type: "jump", passage: "verse 1", when: "now" });
    expect(pedal(last, 1)).toEqual({ type: "next" });
    expect(pedal(last, -1)).toEqual({ type: "jump", passage: "chorus 0", when: "now" });
    const talk = having({ type: "next" });
    expect(pedal(talk, 1)).toEqual({ type: "next" });
    expect(pedal(talk, -1)).toEqual({ type: "open", itemId: "one" });
    expect(pedal(having({ type: "open", itemId: "two" }), 1)).toEqual(null);
  });

  it("goes out of a hold, and from a song that is over to the next place", () => {
    const playing = having({ type: "start", passage: null, countBars: 0 });
    const held = applyLive(playing, { id: 3, at: 3000, act: { type: "hold" } });
    expect(pedal(held, 1, 9000)).toEqual({ type: "goOn" });
    const over = having({ type: "start", passage: "verse 1", countBars: 0 });
    expect(look(over, 1e9)?.phase).toBe("ended");
    expect(pedal(over, 1, 1e9)).toEqual({ type: "next" });
  });

  it("obeys when a section comes while the clock runs, and once more takes that back", () => {
    const playing = having({ type: "start", passage: null, countBars: 0 });
    for (const when of ["end", "bar", "now"] as const)
      expect(pedal(playing, 1, 3000, when)).toEqual({ type: "jump", passage: "chorus 0", when });
    const called = applyLive(playing, {
      id: 3,
      at: 3000,
      act: { type: "jump", passage: "chorus 0", when: "end" },
    });
    expect(pedal(called, 1, 3100)).toEqual({ type: "asWritten" });
    // Once it has come, it is over: the next press is another one.
    expect(pedal(called, -1, 10_500)).toEqual({ type: "jump", passage: "verse 0", when: "end" });
    expect(pedal(playing, -1, 3000)).toBeNull();
  });

  it("leaves a circle, and is nothing while it is counted in or in the last section", () => {
    const circling = having({ type: "start", passage: null, countBars: 0 }, { type: "circle" });
    expect(pedal(circling, 1, 3000)).toEqual({ type: "jump", passage: "chorus 0", when: "end" });
    expect(look(circling, 60_000)).toMatchObject({ index: 0, circles: true, asked: false });
    const counted = having({ type: "start", passage: null, countBars: 2 });
    expect(pedal(counted, 1, 1500)).toBeNull();
    expect(pedal(having({ type: "start", passage: "verse 1", countBars: 0 }), 1, 1500)).toBeNull();
  });
});
