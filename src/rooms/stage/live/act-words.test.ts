import { describe, expect, it } from "vitest";
import {
  applyLive,
  EMPTY_STATE,
  itemOf,
  type LiveAct,
  type LiveState,
  passagesNow,
  placeAt,
} from "@/core/stage";
import { SAMPLE_ITEMS } from "../../../../testing/stage/sample-live";
import { describeBarsLeft, mainAct, pedalAct } from "./act-words";

const having = (...acts: readonly LiveAct[]): LiveState =>
  [{ type: "score", items: SAMPLE_ITEMS } as LiveAct, ...acts].reduce<LiveState>(
    (state, act) => applyLive(state, { id: state.lastId + 1, at: 1000 * state.lastId, act }),
    EMPTY_STATE,
  );
const look = (state: LiveState, now = 0) => placeAt(passagesNow(state), state.transport, now);
const pedal = (state: LiveState, by: 1 | -1, now = 0) => pedalAct(state, itemOf(state), look(state, now), by);

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
});

describe("the one large button", () => {
  it("is what one needs next", () => {
    const words = (state: LiveState, now = 0) => mainAct(look(state, now), false)?.words;
    expect(words(having())).toBe("Count in");
    const playing = having({ type: "start", passage: null, countBars: 1 });
    expect(words(playing, 1400)).toBe("Hold here");
    expect(words(playing, 1e9)).toBe("Go on");
    expect(words(having({ type: "next" }))).toBe("Go on to the next");
    expect(mainAct(null, true)).toBeNull();
  });

  it("bars are counted down to the last", () => {
    const place = look(having({ type: "start", passage: null, countBars: 0 }), 1000)!;
    expect(describeBarsLeft(place)).toBe("2 bars");
    expect(describeBarsLeft({ ...place, barsLeft: 1 })).toBe("last bar");
  });
});
