import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { outlineOf } from "../read/outline";
import { DOCUMENTS } from "../schema";
import { setBeats } from "./beats";

const Q = 960;
const body = sampleVersion({ v: { lines: ["Light/G:4 on/C:4", "the/D:4 bay/G:4"] } }, ["v"]);
const { lines } = outlineOf(body).sections[0]!;

describe("beats of whole lines", () => {
  it("are set in one step, and undone in one", () => {
    const command = setBeats(lines.map((line) => ({ line, ticks: [6 * Q, 2 * Q] })))!;
    const { body: after, inverse } = unwrap(applyEdit(DOCUMENTS.version, body, command));
    const beats = outlineOf(after).sections[0]!.lines.map((line) =>
      line.chords.map(({ chord }) => chord.ticks / Q),
    );
    expect(beats).toEqual([
      [6, 2],
      [6, 2],
    ]);
    expect(unwrap(applyEdit(DOCUMENTS.version, after, inverse)).body).toEqual(body);
  });

  it("change nothing where they are the same, or as many as the line has not", () => {
    expect(setBeats([{ line: lines[0]!, ticks: [4 * Q, 4 * Q] }])).toBeNull();
    expect(setBeats([{ line: lines[0]!, ticks: [8 * Q] }])).toBeNull();
  });
});
