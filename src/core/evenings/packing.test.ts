import { describe, expect, it } from "vitest";
import { edit, sampleTones } from "../../../testing/sounds/sample-sounds";
import { BOX_PROFILES, PLAIN_LAYER } from "../loops";
import { add, set } from "../song/edit";
import { changeOver, describeChange } from "./change-over";
import { packingLists, tellPacking } from "./packing";
import { songEdges } from "./player-states";

/** Ada sings three sounds on a box of two slots; Bo plays keys. */
const plain = sampleTones(
  { 0: { sound: "A" }, 1: { sound: "B", capo: 3 }, 2: { sound: "C" } },
  { A: {}, B: {}, C: {} },
  { slots: 2 },
  ["a", "b", "c"],
);
/** The same with a looper of one layer, four bars at one beat a second. */
const looped = edit(
  edit(plain, add("loopBoxes", { ...BOX_PROFILES[1]!, id: "l", order: "V", playerId: "p0" })),
  add("loopLayers", { ...PLAIN_LAYER, id: "x", originId: null, order: "V", name: "Thump", bars: 4 }),
);

describe("what everybody packs", () => {
  it("is every instrument, capo and box once, and the sounds that the box does not hold", () => {
    const low = edit(plain, set("players", "p0", { tuning: ["D2", "A2", "D3", "G3", "B3", "E4"] }));
    const lists = packingLists([plain, looped, low].map(songEdges));
    expect(lists.map(({ name }) => name)).toEqual(["Ada", "Bo"]);
    expect(tellPacking(lists[0]!)).toEqual([
      "guitar, in 2 tunings",
      "capo",
      "Four slots a bank",
      "One track",
      "save again: A, B, C",
    ]);
    expect(tellPacking(lists[1]!)).toEqual(["keys"]);
    expect(packingLists([])).toEqual([]);
  });

  it("leaves out a box nobody has described", () => {
    const [ada] = packingLists([songEdges({ ...looped, soundBoxes: {}, loopBoxes: {} })]);
    expect(tellPacking(ada!)).toEqual(["guitar", "capo"]);
  });
});

describe("loops between songs", () => {
  const [without, having] = [songEdges(plain), songEdges(looped)];

  it("are cleared and built in seconds that a talk can cover, by whoever has the looper", () => {
    const told = (from: typeof having, to: typeof having) => {
      const { changes, seconds } = changeOver(from.ends, to.starts);
      return [changes.filter(({ code }) => code === "loops").map(describeChange), seconds];
    };
    // A bar of count-in and four of the layer, four beats each at a beat a second; the box goes back to its first bank.
    expect(told(without, having)[0]).toEqual(["Ada: builds the loops, 20 s"]);
    expect(told(having, having)[0]).toEqual(["Ada: clears the looper and builds the loops, 25 s"]);
    expect(told(having, without)[0]).toEqual([]);
    // Who sat out before must still wait for the song to end.
    expect(changeOver([], having.starts).changes.map(describeChange)).toEqual([
      "Ada: builds the loops, 20 s",
    ]);
  });

  it("tells who comes on and who leaves", () => {
    const alone = { ...without, starts: without.starts.filter(({ name }) => name === "Ada") };
    expect(changeOver(without.ends, alone.starts)).toMatchObject({ comes: [], goes: ["Bo"] });
    expect(changeOver(alone.starts, without.starts)).toMatchObject({ comes: ["Bo"], goes: [] });
  });
});
