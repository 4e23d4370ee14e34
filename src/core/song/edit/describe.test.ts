import { readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { type Command, type Definition, describeCommand, sizeOf } from "../../../document";
import { writeChord } from "../../chord";
import { DOCUMENTS, SCHEMA } from "../schema/documents";
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
      "Chord name: E; chord is sure: yes",
    ],
    [set("chords", "verse-l0-c0", { wordId: wordId!, offset: 2 }), "Chord word: “Light” (G)"],
    [set("chords", "verse-l0-c0", { sourceId: "xyz" }), "Chord source: one that is gone (G)"],
    [
      set("uses", "u0", { shift: 2, label: null }),
      "Place in the form key shift: 2 semitones up; place in the form name: none",
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

  it("tells what was there before, where the edit that takes it back is known", () => {
    const telling = (command: Command, before: Command) =>
      describeCommand(DOCUMENTS.version, command, body, { before });
    expect(telling(set("version", "v", { bpm: 90 }), set("version", "v", { bpm: 60 }))).toBe(
      "Tempo: 90, before 60 (Test)",
    );
    const gone = { ...body.chords["verse-l0-c0"]!, id: "gone", symbol: "Bb" };
    expect(telling(remove("chords", { id: "gone" }), add("chords", gone))).toBe("Removed chord “B♭”");
  });

  it("tells chords as who reads calls them", () =>
    expect(
      describeCommand(DOCUMENTS.version, set("chords", "verse-l0-c0", { symbol: "B" }), body, {
        before: set("chords", "verse-l0-c0", { symbol: "G" }),
        tellers: { chords: { symbol: (symbol) => writeChord(String(symbol), "german") } },
      }),
    ).toBe("Chord name: H, before G"));
});

describe("every field of every kind of document", () => {
  const folder = path.join(import.meta.dirname, "../schema/fixtures");
  const kinds = Object.entries(DOCUMENTS);

  it.each(kinds)(
    "of a %s is told in words: no name of a field, no object, no text of the program",
    (kind, definition) => {
      const stored = JSON.parse(readFileSync(path.join(folder, `${kind}-${SCHEMA}.json`), "utf8"));
      const wrong: string[] = [];
      for (const [table, rows] of Object.entries<Readonly<Record<string, { readonly id: string }>>>(
        stored.body,
      ))
        for (const row of Object.values(rows))
          for (const [field, value] of Object.entries(row)) {
            if (field === "id") continue;
            const told = describeCommand(
              definition as Definition,
              { type: "set", table, id: row.id, fields: { [field]: value } },
              stored.body,
            );
            if (/\[object|[{}]|[a-z][A-Z]|undefined|null|Id\b/u.test(told.replaceAll(/dB(?:FS)?/gu, "")))
              wrong.push(`${table}.${field}: ${told}`);
          }
      expect(wrong).toEqual([]);
      for (const [table, { compared }] of Object.entries((definition as Definition).tables))
        for (const [field, words] of Object.entries(compared))
          expect(`${table}.${field} ${words.replace("MIDI", "midi")}`).not.toMatch(/ .*[a-z][A-Z]/u);
    },
  );
});
