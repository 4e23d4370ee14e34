import { describe, expect, it } from "vitest";
import { describeForm, nearestForm, readForm } from "../song/read";
import { readChordText } from "./chord-text";

/** What a form is called and how it goes is common practice, no source. */
describe("forms players know by name", () => {
  it.each([
    ["twelve-bar in A", "A A A A | D D A A | E D A E"],
    ["12 bar blues in E7", "E7 E7 E7 E7 | A7 A7 E7 E7 | B7 A7 E7 B7"],
    ["Twelve bars in Bb.", "Bb Bb Bb Bb | Eb Eb Bb Bb | F Eb Bb F"],
    ["quick change in G", "G C G G | C C G G | D C G D"],
    ["12-bar in Am", "Am Am Am Am | Dm Dm Am Am | F E Am Am"],
    ["minor twelve-bar blues (E)", "Em Em Em Em | Am Am Em Em | C B Em Em"],
    ["eight-bar blues in D", "D A G G | D A D A"],
  ])("%s", (text, chords) => {
    expect(
      readForm(text)
        ?.lines.map((row) => row.join(" "))
        .join(" | "),
    ).toBe(chords);
  });

  it.each(["twelve bars of rain in April", "twelve-bar", "12 bar blues in H", "in A", ""])(
    "%j is none",
    (text) => expect(readForm(text)).toBeNull(),
  );

  it("fill a section, with its beats", () => {
    const sheet = readChordText("Verse: twelve-bar in A\n\n[Out]\nA | D\nhome");
    expect(sheet.sections[0]!.lines.map(({ chords }) => chords.length)).toEqual([4, 4, 4]);
    expect(
      sheet.sections[0]!.lines.flatMap(({ chords }) => chords).every(
        (one) => one.ticks === 3840 && !one.guessed,
      ),
    ).toBe(true);
    expect(sheet.problems).toEqual([]);
  });

  it("a section that nearly is one says where it departs", () => {
    const bars = "A7 A7 A7 A7 D7 D7 A A E7 E7 A E7".split(" ");
    const found = nearestForm(bars, "A")!;
    expect(found).toEqual({
      name: "twelve-bar",
      key: "A",
      departures: [{ bar: 10, chord: "E7", usual: "D" }],
    });
    expect(describeForm(found)).toBe("Goes as a twelve-bar in A, but for bar 10: E7 where D is usual.");
    expect(describeForm(nearestForm("D A G G D A D A".split(" "), "D")!)).toBe(
      "Goes as an eight-bar blues in D.",
    );
    expect(nearestForm("G C D G G C D G G C D G".split(" "), "G")).toBeNull();
    expect(nearestForm(["A"], "A")).toBeNull();
    // Three of eight bars otherwise: another song.
    expect(nearestForm("A E F#m D A E F#m D".split(" "), "A")).toBeNull();
  });
});
