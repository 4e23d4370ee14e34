import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { parseKey } from "../pitch";
import { countChords, fittingNotes, joinCold, tellCounted } from "./join-cold";
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
    expect(counted("G D Em C G D Em C", "G")).toBe("every first of four chords");
    expect(counted("G D G C G D G C", "G")).toBe("every other chord, from the first");
    expect(counted("D G C G", "G")).toBe("every other chord, from the second");
    expect(counted("G D C G D C", "C")).toBe("every third of three chords");
    expect(counted("G D G C G D G C", "C")).toBe("every fourth of four chords");
    expect(counted("G C D G G C D G", "G")).toBe("every first and fourth of four chords");
  });

  it("is not where it comes irregularly, or the groups don't come out even", () => {
    expect(counted("G D Em C G C Em D", "D")).toBeNull();
    expect(counted("G D Em C G", "G")).toBeNull();
    expect(counted("G D", "G")).toBeNull();
  });

  it("stands beside the bars of its section", () => {
    const chords = joinCold(planOf(["a/G:4 b/D:4 c/Em:4 d/C:4", "e/G:4 f/D:4 g/Em:4 h/C:4"]));
    const G = chords.find(({ symbol }) => symbol === "G")!;
    expect(G.returns).toEqual([{ label: "verse", bars: [1, 5], counted: { of: 4, at: [1] } }]);
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
