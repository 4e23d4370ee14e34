import { describe, expect, it } from "vitest";
import { bandSheet, findingsOf } from "@/core/parts";
import { outlineOf, sectionSums } from "@/core/song/read";
import { EMPTY_CELL, type VersionBody } from "@/core/song/schema";
import { sampleVersion } from "../../../testing/song/sample-version";
import { lanterns } from "./rail";

const lit = (body: VersionBody, loops = 0, sounds: "dark" | "half" | "lit" = "dark") => {
  const outline = outlineOf(body);
  const findings = findingsOf(bandSheet(body), new Map(), 1000).length;
  return lanterns(body, outline, sectionSums(body, outline), { sheet: findings, loops, sounds });
};
const chords = { verse: { lines: ["/G:4"] } };

describe("lanterns", () => {
  it("are dark in an empty song", () => {
    expect(lit(sampleVersion({}, []))).toEqual({
      Song: "dark",
      Players: "dark",
      Keys: "dark",
      Parts: "dark",
      Loops: "dark",
      Sounds: "dark",
      Cues: "dark",
      Rehearse: "dark",
    });
  });

  it("light up as the rooms are done", () => {
    expect(lit(sampleVersion(chords, ["verse"], [{ role: "carry" }]))).toMatchObject({
      Song: "lit",
      Players: "lit",
      Keys: "lit",
      Parts: "dark",
    });
  });

  it("are half lit where something is open: bars, a form, a symbol, a guessed key, nobody carrying", () => {
    expect(lit(sampleVersion({ verse: { lines: ["/G:3"] } }, ["verse"])).Song).toBe("half");
    expect(lit(sampleVersion(chords, [])).Song).toBe("half");
    expect(lit(sampleVersion({ verse: { lines: ["/H7:4"] } }, ["verse"])).Song).toBe("half");
    const body = sampleVersion(chords, ["verse"], [{}]);
    expect(lit({ ...body, version: { v: { ...body.version.v!, keySure: false } } }).Keys).toBe("half");
    const cell = {
      id: "c",
      useId: "u0",
      playerId: "p0",
      ...EMPTY_CELL,
      light: 3,
    };
    expect(lit({ ...body, cells: { c: cell } }).Parts).toBe("half");
    expect(lit({ ...body, cells: { c: { ...cell, role: "carry" } } }).Parts).toBe("lit");
  });

  it("of the loops is dark without layers, and half lit while something is open", () => {
    const body = sampleVersion(chords, ["verse"]);
    const layered = { ...body, loopLayers: { l: { id: "l" } as never } };
    expect(lit(layered).Loops).toBe("lit");
    expect(lit(layered, 2).Loops).toBe("half");
  });
});
