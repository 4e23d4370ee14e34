import { describe, expect, it } from "vitest";
import { readChordPro } from "./chordpro";
import { drawnShapes } from "./drawn-shapes";
import { readMusicXml } from "./musicxml/read-musicxml";
import { versionOfSheet } from "./to-version";

let count = 0;
const version = (sheet: ReturnType<typeof readChordPro>) =>
  versionOfSheet(sheet, { name: "T", kind: "file" }, () => `d${count++}`);

describe("drawnShapes", () => {
  it("come back from a version made of ChordPro", () => {
    const sheet = readChordPro(
      "{define: Bm base-fret 2 frets x 1 3 3 2 1}\n{columns: 2}\n{sov}\n[Bm]a\n{eov}",
    );
    expect(drawnShapes(version(sheet))).toEqual([{ symbol: "Bm", frets: [null, 2, 4, 4, 3, 2] }]);
  });

  it("and from one made of a score with frames", () => {
    const note = (string: number, fret: number) =>
      `<frame-note><string>${string}</string><fret>${fret}</fret></frame-note>`;
    const frame = `<frame><frame-strings>6</frame-strings><frame-frets>4</frame-frets>${note(6, 3)}${note(1, 3)}${note(2, 0)}</frame>`;
    const harmony = `<harmony><root><root-step>G</root-step></root><kind>major</kind>${frame}</harmony>`;
    const score = `<score-partwise><part><measure><attributes><divisions>1</divisions></attributes>${harmony}<note><rest/><duration>4</duration></note></measure></part></score-partwise>`;
    const sheet = readMusicXml(new TextEncoder().encode(score));
    expect(drawnShapes(version(sheet))).toEqual([{ symbol: "G", frets: [3, null, null, null, 0, 3] }]);
  });
});
