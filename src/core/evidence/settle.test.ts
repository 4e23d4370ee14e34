import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { applyEdit } from "../../document";
import { set, type VersionCommand } from "../song/edit";
import type { VersionBody } from "../song/schema";
import { DOCUMENTS } from "../song/schema";
import { evidenceOf } from "./evidence-bars";
import { settleChords } from "./settle";

const act = (body: VersionBody, command: VersionCommand): VersionBody =>
  unwrap(applyEdit(DOCUMENTS.version, body, command)).body;

/** Written in G, performed in A, the second time two semitones up, in B. */
function raised(): VersionBody {
  let body = sampleVersion({ verse: { lines: ["a/G:4 b/C:4"] } }, ["verse", "verse"]);
  const [version] = Object.values(body.version);
  body = act(body, set("version", version!.id, { writtenKey: "G", key: "A" }));
  return act(body, set("uses", "u1", { shift: 2 }));
}
const chordOf = (body: VersionBody, symbol: string) =>
  Object.values(body.chords).find((one) => one.symbol === symbol)!;

describe("settleChords, by hand", () => {
  it("the bars carry the shift of their place, and names as they sound there", () => {
    const bars = evidenceOf(raised(), "x").bars;
    expect(bars.map((bar) => [bar.chords[0]!.symbol, bar.shift])).toEqual([
      ["A", 0],
      ["D", 0],
      ["B", 2],
      ["E", 2],
    ]);
  });

  it("writes in the version's own key what sounds at a place", () => {
    const body = raised();
    const { id } = chordOf(body, "C");
    const plain = act(body, settleChords(body, [{ chordId: id, shift: 0 }], "Bm7", null));
    expect(plain.chords[id]).toMatchObject({ symbol: "Am7", sure: true, sourceId: null });
    const high = act(body, settleChords(body, [{ chordId: id, shift: 2 }], "C#m7", null));
    expect(high.chords[id]).toMatchObject({ symbol: "Am7", sure: true });
  });

  it("a chord that sounds so already becomes sure and keeps its source", () => {
    let body = raised();
    const { id, sourceId } = chordOf(body, "C");
    body = act(body, set("chords", id, { sure: false }));
    const settled = act(body, settleChords(body, [{ chordId: id, shift: 2 }], "E", "other"));
    expect(settled.chords[id]).toMatchObject({ symbol: "C", sure: true, sourceId });
  });

  it("what cannot be read is written as it is said; a chord that is gone is passed over", () => {
    const body = raised();
    const { id } = chordOf(body, "C");
    const places = [
      { chordId: id, shift: 0 },
      { chordId: "gone", shift: 0 },
    ];
    expect(act(body, settleChords(body, places, "X?", null)).chords[id]).toMatchObject({ symbol: "X?" });
  });
});
