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
    const words = (state: LiveState, now = 0) =>
      mainAct(look(state, now), { items: state.items, at: 0 })?.words;
    expect(words(having())).toBe("Count in");
    const playing = having({ type: "start", passage: null, countBars: 1 });
    expect(words(playing, 1400)).toBe("Hold here");
    expect(words(playing, 1e9)).toBe("Go on");
    expect(words(having({ type: "next" }))).toBe("Go on to the next");
    expect(mainAct(null, { items: SAMPLE_ITEMS, at: SAMPLE_ITEMS.length - 1 })).toBeNull();
  });

  it("begins the only song anew once it is over, and nothing of an evening that is", () => {
    const [song] = SAMPLE_ITEMS;
    const place = { ...look(having())!, phase: "ended" as const };
    expect(mainAct(place, { items: [song!], at: 0 })).toEqual({
      act: { type: "open", itemId: song!.id },
      words: "From the top",
    });
    expect(mainAct(place, { items: SAMPLE_ITEMS, at: SAMPLE_ITEMS.length - 1 })).toBeNull();
  });

  it("bars are counted down to the last", () => {
    const place = look(having({ type: "start", passage: null, countBars: 0 }), 1000)!;
    expect(describeBarsLeft(place)).toBe("2 bars");
    expect(describeBarsLeft({ ...place, barsLeft: 1 })).toBe("last bar");
    expect(describeNext(place, "Chorus")).toBe("next: Chorus, in 2 bars");
    expect(describeNext({ barsLeft: 1 }, undefined)).toBe("the end after this bar");
  });
});
