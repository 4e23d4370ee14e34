import { describe, expect, it } from "vitest";
import { edited } from "../../../testing/song/heard";
import { sampleRiff } from "../../../testing/song/sample-riff";
import { sampleVersion } from "../../../testing/song/sample-version";
import { PLAIN_NOTE, type TabNote } from "../fretboard";
import { addRiff, set } from "../song/edit";
import { indexCells, outlineOf } from "../song/read";
import type { VersionBody } from "../song/schema";
import { anotherWay, lineWays, lineWork, playWay } from "./ways";

let count = 0;
const makeId = () => `w${count++}`;
const Q = 960;
const note = (beat: number, string: number, fret: number): TabNote => ({
  ...PLAIN_NOTE,
  tick: beat * Q,
  ticks: Q,
  string,
  fret,
});

/** A guitar that plays a line of four notes in a verse. */
function withLine(): VersionBody {
  const body = sampleVersion({ verse: { lines: ["Light/G:4"] } }, ["verse", "verse"], [{}]);
  const riff = sampleRiff({ id: "line", name: "Bell figure" });
  const notes = [note(0, 2, 5), note(1, 2, 7), note(2, 3, 5), note(3, 3, 12)];
  const index = indexCells(body, outlineOf(body));
  return edited(body, addRiff(body, index, riff, notes, [{ useId: "u0", playerId: "p0" }], makeId));
}

describe("the work of a line", () => {
  it("by hand: notes, changes of string, moves of the hand", () => {
    expect(lineWork([note(0, 2, 5), note(1, 2, 7), note(2, 2, 8), note(3, 2, 5)], 4)).toBe(1);
    // One crossing and one move more.
    expect(lineWork([note(0, 2, 5), note(1, 2, 7), note(2, 3, 5), note(3, 3, 12)], 4)).toBe(
      (4 + 0.25 + 1) / 4,
    );
    expect(lineWork([note(0, 2, 0), note(1, 2, 0)], 2)).toBe(1);
    expect(lineWork([], 4)).toBe(0);
  });
});

describe("ways of a line", () => {
  it("lie beside each other with their ease and what they keep; one press plays another everywhere", () => {
    let body = withLine();
    expect(lineWays(body)).toEqual([]);
    body = edited(body, set("riffs", "line", { variant: "recorded" }));
    body = edited(body, anotherWay(body, body.riffs.line!, "easy", makeId));
    const [same] = lineWays(body);
    expect(same!.ways.map(({ variant, faithfulness }) => [variant, faithfulness])).toEqual([
      ["recorded", 1],
      ["easy", 1],
    ]);
    const easy = same!.ways[1]!.row;
    expect(easy.name).toBe("Bell figure, easy");
    const high = Object.values(body.riffNotes).find(({ riffId, fret }) => riffId === easy.id && fret === 12)!;
    body = edited(body, { type: "remove", table: "riffNotes", id: high.id });
    const [ways] = lineWays(body);
    // Three of four notes are left: twice three of seven.
    expect(ways!.ways[1]!.faithfulness).toBeCloseTo(6 / 7);
    expect(ways!.ways[1]!.work).toBeLessThan(ways!.ways[0]!.work);
    const played = edited(body, playWay(ways!, easy.id));
    expect(Object.values(played.cells).map(({ riffId }) => riffId)).toEqual([easy.id]);
  });

  it("that name each other in a ring are told once", () => {
    let body = withLine();
    body = edited(body, anotherWay(body, body.riffs.line!, "live", makeId));
    const other = Object.keys(body.riffs).find((id) => id !== "line")!;
    body = edited(body, set("riffs", "line", { variantOf: other }));
    expect(lineWays(body).flatMap(({ ways }) => ways).length).toBeLessThanOrEqual(2);
  });
});
