import { describe, expect, it } from "vitest";
import { applyLive, EMPTY_STATE, type LiveAct, type LiveState, passagesNow, placeAt } from "@/core/stage";
import { SAMPLE_ITEMS } from "../../../../testing/stage/sample-live";
import { describeBarsLeft, describeNext, mainAct } from "./act-words";

const having = (...acts: readonly LiveAct[]): LiveState =>
  [{ type: "score", items: SAMPLE_ITEMS } as LiveAct, ...acts].reduce<LiveState>(
    (state, act) => applyLive(state, { id: state.lastId + 1, at: 1000 * state.lastId, act }),
    EMPTY_STATE,
  );
const look = (state: LiveState, now = 0) => placeAt(passagesNow(state), state.transport, now);
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
    expect(describeNext(place, "Chorus")).toBe("next: Chorus, in 2 bars");
    expect(describeNext({ barsLeft: 1 }, undefined)).toBe("the end after this bar");
  });
});
