import { describe, expect, it } from "vitest";
import { sampleTones, tonesOfSample } from "../../../../testing/sounds/sample-sounds";
import { unwrap } from "../../../base";
import { planTones } from "../../sounds";
import { passagesOf } from "../passages-of";
import { placeAt } from "../place";
import { tellFeetStrip } from "./describe-feet";
import { feetOfSong } from "./feet-of-song";
import { feetPlace } from "./feet-place";
import { type FeetState, type FeetTruth, feetBefore, followFeet, tellFeet } from "./feet-state";

const BAR = 3840;
/** Sections a, b, c, a of four bars, a beat a second; two slots a bank, so that C lies in the second bank. */
const body = sampleTones(
  { 0: { sound: "A" }, 1: { sound: "B" }, 2: { sound: "C" }, 3: { sound: "A" } },
  { A: {}, B: {}, C: {} },
  { slots: 2 },
);
const song = tonesOfSample(body);
const feet = feetOfSong(body, "p0", {
  tones: { song, plan: unwrap(planTones(song.asked!)) },
  loops: null,
})!;
const passages = passagesOf(body);

/** Where feet are, at a tick of a section; another section may come after it than the form says. */
function at(index: number, tick: number, after: number | null = null) {
  const now = index * 16_000 + (tick / 960) * 1000;
  const transport = {
    itemId: "one",
    mode: "running",
    passage: passages[index]!.id,
    tick,
    at: now,
    countMs: 0,
    stretch: 1,
    leave: null,
    after: after === null ? null : passages[after]!.id,
    circles: false,
  } as const;
  return feetPlace(passages, placeAt(passages, transport, now)!, 1, now);
}
const told = (state: FeetState) =>
  tellFeetStrip(state.strip, feet).map(
    ({ kind, said }) =>
      `${kind}: ${said.map(({ words, when }) => [words, when].filter((one) => one !== "").join(" ")).join(", ")}`,
  );
/** Follows through places from the beginning. */
const followed = (...places: ReturnType<typeof at>[]): FeetState =>
  places.reduce((state, place) => followFeet(feet, state, place), feetBefore(feet));

describe("what a foot presses next", () => {
  it("is the change into what comes, by the word that is sung then", () => {
    expect(told(followed(at(0, 0)))).toEqual(["change: slot 2 on “one”"]);
    expect(told(followed(at(0, 0), at(1, 0)))).toEqual(["change: arm bank 2 before c, go on “one”"]);
    // The second bank has room for the sound of a too.
    expect(told(followed(at(0, 0), at(1, 0), at(2, 0)))).toEqual(["change: slot 2 on “one”"]);
  });

  it("is what a repeat and a jump make of it: arming goes away with what it was for", () => {
    const inB = followed(at(0, 0), at(1, 0));
    expect(told(followFeet(feet, inB, at(1, BAR, 1)))).toEqual(["change: arm bank 2 before c, go on “one”"]);
    expect(told(followFeet(feet, inB, at(1, BAR, 3)))).toEqual(["change: slot 1 on “one”"]);
    // Armed on the last beat, and then the leader goes elsewhere: a slot lets go of it.
    const armed = followFeet(feet, followFeet(feet, inB, at(1, BAR)), at(1, 4 * BAR - 900));
    expect(armed.box).toMatchObject({ bank: 0, armed: 1 });
    expect(told(followFeet(feet, armed, at(1, 4 * BAR - 800, 3)))).toEqual(["change: slot 1 on “one”"]);
  });

  it("mends at once where the leader goes elsewhere unannounced", () => {
    const thrown = followFeet(feet, followed(at(0, 0), at(0, BAR)), at(2, 0));
    expect(thrown.box).toMatchObject({ bank: 0, slot: 0 });
    expect(told(thrown)[0]).toMatch(/^mend: arm bank 2, go/u);
    // By the next bar line it has been pressed, however often it is looked at before.
    let later = thrown;
    for (let tick = 480; tick <= BAR; tick += 480) later = followFeet(feet, later, at(2, tick));
    expect(later.box).toMatchObject({ bank: 1, armed: null });
    expect(told(later)).toEqual(["change: slot 2 on “one”"]);
  });

  it("begins from what the player says is true", () => {
    const here = at(1, BAR);
    const inB = followFeet(feet, followed(at(0, 0), at(1, 0)), here);
    const say = (state: FeetState, truth: FeetTruth) => tellFeet(feet, state, truth, here);
    const wrong = say(inB, { of: "bank", bank: 1 });
    expect(wrong.box).toEqual({ bank: 1, slot: 0, armed: null });
    expect(told(wrong)[0]).toMatch(/^mend: arm bank 1, go/u);
    const mended = say(wrong, { of: "mended" });
    expect(mended.box).toMatchObject({ bank: 0, slot: 1 });
    expect(told(mended)).toEqual(["change: arm bank 2 before c, go on “one”"]);
    expect(told(say(inB, { of: "slot", slot: 0 }))[0]).toBe("mend: slot 2");
  });

  it("is nothing on a box nobody has described", () => {
    expect(
      feetOfSong({ soundBoxes: {}, loopBoxes: {}, loopLayers: {}, version: {}, players: {} }, "p0", {
        tones: { song, plan: null },
        loops: null,
      }),
    ).toBeNull();
  });
});
