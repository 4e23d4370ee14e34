import { describe, expect, it } from "vitest";
import { sampleSpot } from "../../../testing/song/sample-spot";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { applyEdit } from "../../document";
import { chooseShape, set, setCell, type VersionCommand } from "../song/edit";
import { indexCells, outlineOf } from "../song/read";
import type { VersionBody } from "../song/schema";
import { DOCUMENTS } from "../song/schema";
import { playerPart } from "./player-part";

const body = sampleVersion(
  { verse: { lines: ["Light/G:4 on/D|F#:4", "H/H7:4"] } },
  ["verse", "versex2"],
  [{ capo: 5 }, { instrument: "bass", tuning: ["E1", "A1", "D2", "G2"], role: "bass" }],
);
const edit = (from: VersionBody, command: VersionCommand) =>
  unwrap(applyEdit(DOCUMENTS.version, from, command)).body;
const part = (from: VersionBody, player: string) => playerPart(from, from.players[player]!);

describe("playerPart", () => {
  it("gives a guitar the shapes behind its capo, by hand", () => {
    const [verse] = part(body, "p0").passages;
    expect(verse!.namer.keyName()).toBe("D");
    expect([...verse!.chords.values()].map((chord) => chord.name)).toEqual(["D", "A/C♯", "H7"]);
    expect(verse!.chords.get("G")!.shape!.frets).toEqual([null, null, 0, 2, 3, 2]);
  });

  it("gives a bass the sounding names and single notes", () => {
    const [verse] = part(body, "p1").passages;
    expect(verse!.chords.get("D/F#")).toMatchObject({
      name: "D/F♯",
      shape: { frets: [2, null, null, null] },
    });
  });

  it("keeps an unreadable symbol without a shape", () => {
    expect(part(body, "p0").passages[0]!.chords.get("H7")).toEqual({
      name: "H7",
      sounding: "H7",
      readable: false,
      shape: null,
      really: null,
    });
  });

  it("plays repeats out, and a capo of one use only there", () => {
    const changed = edit(
      body,
      setCell(indexCells(body, outlineOf(body)), "u1", "p0", { capo: 0 }, () => "cell"),
    );
    expect(part(changed, "p0").passages.map((one) => [one.passage.round, one.namer.keyName()])).toEqual([
      [0, "D"],
      [0, "G"],
      [1, "G"],
    ]);
  });

  it("gives a raised use its own names and shapes, for hands and for the bass", () => {
    const raised = edit(body, set("uses", "u1", { shift: 2 }));
    const names = (player: string) =>
      part(raised, player).passages.map((one) =>
        [...one.chords.values()].map((chord) => chord.name).slice(0, 2),
      );
    expect(names("p0")).toEqual([
      ["D", "A/C♯"],
      ["E", "B/D♯"],
      ["E", "B/D♯"],
    ]);
    expect(names("p1").at(-1)).toEqual(["A", "E/G♯"]);
  });

  it("puts a chosen shape where it was chosen", () => {
    const spot = sampleSpot(body.players.p0!);
    const shape = { frets: [null, 5, 7, 7, 7, 5], fingers: [null, 1, 3, 3, 3, 1] as (1 | 3 | null)[] };
    const chosen = edit(
      body,
      chooseShape(body, spot, "chord-in-use", shape, () => "choice"),
    );
    const other = edit(
      body,
      chooseShape(
        body,
        { ...spot, chordId: "verse-l0-c0" },
        "symbol",
        { frets: [null, null, 0, 0, 3, 0], fingers: [null, null, null, null, 3, null] },
        () => "c2",
      ),
    );
    // The strings D, G, D, E of a D shape: root, fourth and ninth, no third.
    expect(part(other, "p0").passages[0]!.chords.get("G")!.really).toBe("Dsus4(add9)");
    const [first, second] = part(chosen, "p0").passages;
    expect(first!.shapes.map(({ fromBar }) => fromBar)).toEqual([null, null]);
    expect(first!.chords.get("G")!.shape).toEqual({ ...shape, chosen: true });
    expect(second!.chords.get("G")!.shape!.chosen).toBe(false);
  });

  it("holds one chord in two shapes in one section, and says where the second begins", () => {
    const long = sampleVersion(
      { verse: { lines: ["a/A:4 b/D:4", "c/A:4 d/E:4"] } },
      ["verse"],
      [{ capo: 0 }],
    );
    const small = {
      frets: [null, null, null, 6, 5, 5],
      fingers: [null, null, null, 2, 1, 1] as (1 | 2 | null)[],
    };
    const spot = sampleSpot(long.players.p0!, { symbol: "A" });
    const chosen = edit(
      long,
      chooseShape(long, spot, "chord", small, () => "small"),
    );
    const [verse] = part(chosen, "p0").passages;
    expect(verse!.shapes.map(({ name, fromBar }) => [name, fromBar])).toEqual([
      ["A", 1],
      ["D", null],
      ["A", 3],
      ["E", null],
    ]);
    expect(verse!.shapes[0]!.shape.frets).toEqual(small.frets);
    expect(verse!.shapes[2]!.shape.frets).not.toEqual(small.frets);
  });
});
