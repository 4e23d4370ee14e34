import { describe, expect, it } from "vitest";
import { guestOf } from "@/core/parts";
import { addException, set } from "@/core/song/edit";
import { OWN_NAMES } from "@/core/song/names";
import { outlineOf } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { edited, Q } from "../../../testing/song/heard";
import { sampleVersion } from "../../../testing/song/sample-version";
import { type ColdAsked, coldPart } from "./cold-part";

const ANN: Partial<Player> = { name: "Ann", capo: 2, role: "carry", light: 3 };
const BO: Partial<Player> = {
  name: "Bo",
  instrument: "bass",
  tuning: ["E1", "A1", "D2", "G2"],
  role: "bass",
  light: 2,
};
const body = sampleVersion(
  {
    verse: { lines: ["Light/G:4 on/D:4 the/G:4 water/C:4"] },
    chorus: { lines: ["Home/Em:4 again/C:4"] },
  },
  ["verse", "chorus", "verse"],
  [ANN, BO],
);
const cold = (instrument: "guitar" | "bass" = "guitar", asked: ColdAsked = {}, of = body) =>
  coldPart(of, guestOf(of, instrument), OWN_NAMES, asked);
const names = (part: ReturnType<typeof cold>) =>
  part.part.sheets.map(({ lines }) => lines.flatMap(({ pieces }) => pieces.map(({ name }) => name)));

describe("joining cold", () => {
  it("is a part behind the neighbour's capo in which one chord is named, over its words, and counted", () => {
    const part = cold("guitar", { chords: ["G"] });
    expect(part.part.capo).toBe(2);
    // G that sounds is F to the hand behind two.
    expect(names(part)[0]).toEqual(["F", null, "F", null]);
    expect(part.part.sheets[0]!.how[0]).toBe(
      "only F, every other chord, from the first (bars 1, 3 of verse 1)",
    );
    expect(part.part.sheets[0]!.shapes.map(({ name }) => name)).toEqual(["F"]);
    const [strum] = part.part.sheets[0]!.strum!.patterns;
    expect(strum!.pattern.strokes.filter(({ kind }) => kind === "down")).toHaveLength(4);
  });

  it("says where none of it comes, and what to leave to whom", () => {
    const [verse, chorus] = cold("guitar", { chords: ["G"] }).part.sheets;
    expect(verse!.how.at(-1)).toBe("leave the bass to Bo; Ann carries");
    expect(names(cold("guitar", { chords: ["G"] }))[1]).toEqual([null, null]);
    expect(chorus!.note).toContain("none of your chords here");
    expect(chorus!.shapes).toEqual([]);
  });

  it("tells nothing of how others' chords come", () => {
    const home = { sectionId: "verse", times: "every" as const };
    const early = (chordId: string) =>
      edited(
        body,
        addException(outlineOf(body), home, "push", { chordId, ticks: Q / 2 }, () => "early"),
      );
    const drawn = (chordId: string) =>
      cold("guitar", { chords: ["G"] }, early(chordId)).part.sheets[0]!.drawn;
    expect(drawn("verse-l0-c2").join()).toMatch(/^F .*early/u);
    expect(drawn("verse-l0-c1")).toEqual([]);
  });

  it("takes a chord that comes in every section before one that leaves some out", () => {
    const song = sampleVersion(
      { verse: { lines: ["a/Em:4 b/G:4"] }, chorus: { lines: ["c/Em:4 d/D:4 e/D:4"] } },
      ["verse", "chorus"],
      [{}],
    );
    // As many beats of Em as of D, both easy: Em comes in both.
    expect(cold("guitar", {}, song).chosen).toEqual(["Em"]);
  });

  it("offers every chord, takes the most useful one, or two", () => {
    const part = cold();
    expect(part.offered).toHaveLength(4);
    expect(part.chosen).toEqual([part.offered[0]!.symbol]);
    expect(cold("guitar", { count: 2 }).chosen).toHaveLength(2);
    expect(cold("guitar", { chords: ["nothing"] }).chosen).toHaveLength(1);
  });

  it("follows the key, the capo and the form", () => {
    const raised = edited(body, set("uses", "u2", { shift: 2 }));
    // A whole tone up G sounds A; the G of the guest is not there any more.
    expect(names(cold("guitar", { chords: ["G"] }, raised))[2]).toEqual([null, null, null, null]);
    expect(names(cold("guitar", { chords: ["A"] }, raised))[2]).toEqual(["G", null, "G", null]);
    const open = edited(body, set("players", "p0", { capo: 0 }));
    expect(names(cold("guitar", { chords: ["G"] }, open))[0]).toEqual(["G", null, "G", null]);
  });

  it("has a bass play roots, and notes in boxes up the neck", () => {
    const bass = cold("bass", { chords: ["G"] });
    expect(bass.part.sheets[0]!.how).toContain("its root on the one; between, let it ring or damp it");
    expect(names(bass)[0]).toEqual(["G", null, "G", null]);
    expect(bass.part.capo).toBe(0);
    expect(bass.boxes.length).toBeGreaterThan(2);
    const { boxes, suits, fits, strings } = cold();
    expect(strings).toHaveLength(6);
    expect(boxes.map(({ from }) => from)).toEqual([...boxes.map(({ from }) => from)].sort((a, b) => a - b));
    expect(boxes[suits]).toBeDefined();
    expect(fits.length).toBeGreaterThan(1);
  });

  it("is an empty part where nothing is played", () => {
    const empty = sampleVersion({ verse: { lines: ["a/N.C.:4"] } }, ["verse"]);
    expect(cold("guitar", {}, empty)).toMatchObject({ chosen: [], offered: [], fits: [] });
  });
});
