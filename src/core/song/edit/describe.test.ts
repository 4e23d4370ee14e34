import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { describeCommand, sizeOf } from "../../../document";
import { DOCUMENTS } from "../schema/documents";
import { removeSection } from "./commands";
import { add, batch, remove, set } from "./makers";

const body = sampleVersion({ verse: { lines: ["Light/G:4 on/C:4"] } }, ["verse"]);
const [wordId] = Object.keys(body.words);

describe("describeCommand", () => {
  it.each([
    [set("version", "v", { bpm: 90 }), "Tempo: 90 (Test)"],
    [set("chords", "verse-l0-c0", { ticks: 1920, guessed: false }), "Chord beats: 2 beats (G)"],
    [
      set("chords", "verse-l0-c0", { symbol: "E", sure: true, sourceId: "xyz" }),
      "Chord name: E, chord is sure: yes",
    ],
    [set("chords", "verse-l0-c0", { wordId: wordId!, offset: 2 }), "Chord word: “Light” (G)"],
    [set("chords", "verse-l0-c0", { sourceId: "xyz" }), "Chord source: one that is gone (G)"],
    [
      set("uses", "u0", { shift: 2, label: null }),
      "Place in the form key shift in semitones: 2, place in the form name: none",
    ],
    [set("sections", "verse", { order: "W" }), "Section place in the list moved (verse)"],
    [remove("chords", { id: "verse-l0-c0" }), "Removed chord “G”"],
    [add("dismissals", { id: "d", finding: "f", reason: "meant so" }), "Let a finding stand"],
    [remove("dismissals", { id: "d" }), "Raised a finding again"],
    [
      batch("Settle a chord", [set("version", "v", { bpm: 80 }), set("version", "v", { bpm: 81 })]),
      "Settle a chord",
    ],
  ])("%j", (command, words) => expect(describeCommand(DOCUMENTS.version, command, body)).toBe(words));

  it("tells a batch by its label, and how much is in it", () => {
    expect(describeCommand(DOCUMENTS.version, removeSection(body, "verse"), body)).toBe("Remove a section");
    expect(sizeOf(removeSection(body, "verse"))).toBeGreaterThan(3);
  });
});
