import { describe, expect, it } from "vitest";
import { edited } from "../../../../testing/song/heard";
import { sampleSpot } from "../../../../testing/song/sample-spot";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { findChoice } from "../read/choices";
import { outlineOf } from "../read/outline";
import { timelineOf } from "../read/timeline";
import type { VersionBody } from "../schema/documents";
import { chooseShape } from "./commands";
import { copyUse } from "./copy-use";
import { fold } from "./fold";
import { unfold } from "./unfold";

let count = 0;
const makeId = () => `n${count++}`;

const song = () =>
  sampleVersion(
    {
      verse: { lines: ["Low/Em:4 on/G:4"] },
      chorus: { lines: ["Light/G:4 up/C:4"] },
      other: { lines: ["Sail/G:4 on/C:4"] },
    },
    ["verse", "chorus", "chorus", "other"],
    [{}],
  );

/** The frets chosen at each chord of the form, in order. */
const chosen = (body: VersionBody): string[] =>
  timelineOf(body).passages.flatMap(({ use, lines }) =>
    lines.flatMap(({ outline }) =>
      outline.chords.map(({ chord }) => {
        const place = { useId: use.id, sectionId: use.sectionId, chordId: chord.id, symbol: chord.symbol };
        const { choice } = findChoice(body, sampleSpot(body.players.p0!, place));
        return choice ? choice.frets.map((fret) => fret ?? "x").join("") : "-";
      }),
    ),
  );

/** G is held small in the section. */
const smallIn = (body: VersionBody, sectionId: string) =>
  edited(
    body,
    chooseShape(
      body,
      sampleSpot(body.players.p0!, { sectionId }),
      "section",
      { frets: [null, null, null, 0, 3, 3], fingers: [null, null, null, null, 1, 2] },
      makeId,
    ),
  );

describe("a shape chosen for a section", () => {
  it("holds wherever its chord comes in it, and nowhere else", () => {
    expect(chosen(smallIn(song(), "chorus"))).toEqual(["-", "-", "xxx033", "-", "xxx033", "-", "-", "-"]);
  });

  it("goes along where a use becomes a section of its own, and where it is copied", () => {
    const body = smallIn(song(), "chorus");
    expect(chosen(edited(body, unfold(body, outlineOf(body), "u2", makeId)))).toEqual(chosen(body));
    const copied = edited(body, copyUse(body, outlineOf(body), "u2", makeId));
    expect(chosen(copied).filter((one) => one === "xxx033")).toHaveLength(3);
  });

  it("is said of each of its chords where the section becomes another's", () => {
    const body = smallIn(song(), "other");
    expect(chosen(body)).toEqual(["-", "-", "-", "-", "-", "-", "xxx033", "-"]);
    const folded = edited(body, unwrap(fold(body, outlineOf(body), "other", "chorus", makeId)));
    expect(folded.sections.other).toBeUndefined();
    expect(chosen(folded)).toEqual(chosen(body));
  });
});
