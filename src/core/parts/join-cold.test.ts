import { describe, expect, it } from "vitest";
import { edited } from "../../../testing/song/heard";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { parseKey } from "../pitch";
import { addException, type ExceptionFields } from "../song/edit";
import { outlineOf, timelineOf } from "../song/read";
import { comesBack, countChords, fittingNotes, sungChords, tellCounted } from "./join-cold";
import { planRequest } from "./plan-request";
import { planShapes } from "./shape-plan";

const planOf = (lines: string[]) => {
  const body = sampleVersion({ verse: { lines } }, ["verse"], [{ capo: 0 }]);
  return planShapes(planRequest(body, body.players.p0!));
};
const counted = (text: string, symbol: string) => {
  const found = countChords(text.split(" "), symbol);
  return found && tellCounted(found);
};

describe("when a chord comes back", () => {
  it("is counted in groups of chords", () => {
    expect(counted("G D Em C G D Em C", "G")).toBe("every fourth chord, from the first");
    expect(counted("G D G C G D G C", "G")).toBe("every other chord, from the first");
    expect(counted("D G C G", "G")).toBe("every other chord, from the second");
    expect(counted("G D C G D C", "C")).toBe("every third chord, from the third");
    expect(counted("G D G C G D G C", "C")).toBe("every fourth chord, from the fourth");
    expect(counted("G C D G G C D G", "G")).toBe("every first and fourth of four chords");
  });

  it("is not where it comes irregularly, or the groups don't come out even", () => {
    expect(counted("G D Em C G C Em D", "D")).toBeNull();
    expect(counted("G D Em C G", "G")).toBeNull();
    expect(counted("G D", "G")).toBeNull();
  });

  const inSection = (lines: string[], kind?: "push", fields: ExceptionFields = {}) => {
    const body = sampleVersion({ verse: { lines } }, ["verse", "verse"], [{ capo: 0 }]);
    const home = { sectionId: "verse", times: "every" as const };
    const said = kind
      ? edited(
          body,
          addException(outlineOf(body), home, kind, fields, () => "x"),
        )
      : body;
    return timelineOf(said).passages.map((passage) => sungChords(passage, (symbol) => symbol));
  };

  it("stands beside the bars of its section, also where the section before ended with it", () => {
    // G ends the verse and begins it again: it is one change of the hand, and two places to come in.
    const [, second] = inSection(["a/G:4 b/D:4 c/Em:4 d/C:4", "e/G:4 f/D:4 g/Em:4 h/G:4"]);
    expect(comesBack(second!, "G")).toEqual({ bars: [1, 5, 8], counted: null });
    expect(comesBack(second!, "D")).toEqual({ bars: [2, 6], counted: { of: 4, at: [2] } });
    expect(comesBack(second!, "F")).toBeNull();
  });

  it("counts a chord that comes early in the bar it is written in", () => {
    const [first] = inSection(["a/G:4 b/D:4"], "push", { chordId: "verse-l0-c1", ticks: 480 });
    expect(first).toEqual([
      { symbol: "G", bar: 1 },
      { symbol: "D", bar: 2 },
    ]);
  });
});

describe("notes that fit a whole song", () => {
  it("are those of the pentatonic that are tones of most chords and rub against none, by hand", () => {
    // G, D, Em, C in G: D is in G and D, and no semitone from E, G, B or C, E, G; G is in three, and rubs F# of D.
    const notes = fittingNotes(planOf(["a/G:4 b/D:4 c/Em:4 d/C:4"]), unwrap(parseKey("G")));
    expect(notes).toHaveLength(3);
    expect(notes[0]).toEqual({ pitchClass: 2, share: 0.5, rubs: 0 });
    const G = notes.find(({ pitchClass }) => pitchClass === 7);
    if (G) expect(G).toEqual({ pitchClass: 7, share: 0.75, rubs: 0.25 });
  });

  it("are none where no chord is", () => {
    expect(fittingNotes({ runs: [], cost: 0, greedyCost: 0, exact: true }, unwrap(parseKey("G")))).toEqual(
      [],
    );
  });
});
