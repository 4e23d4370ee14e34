import { expect, it } from "vitest";
import { clockOf } from "@/core/song/moments";
import { spansOfForm, timelineOf } from "@/core/song/read";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { describeMove } from "./describe-sound-move";

const BAR = 4 * 960;
const spans = spansOfForm(
  timelineOf(
    sampleVersion({ Verse: { lines: ["Light/G:16"] }, Chorus: { lines: ["Glow/C:8"] } }, [
      "Verse",
      "Chorusx2",
    ]),
  ),
);

it.each([
  [0, 2 * BAR, 4 * BAR, "bars 3–4: volume pedal 6 of 10, by foot"],
  [0, BAR, 2 * BAR, "bar 2: volume pedal 6 of 10, by foot"],
  [0, BAR, BAR, "at bar 2, beat 1: volume pedal 6 of 10, by foot"],
  [0, BAR, 2 * BAR + 960, "bar 2, beat 1 to bar 3, beat 2: volume pedal 6 of 10, by foot"],
  // The last bar of the song ends at its end; a move over two times of a section tells both.
  [1, 3 * BAR, 4 * BAR, "time 2, bar 2: volume pedal 6 of 10, by foot"],
  [1, BAR, 3 * BAR, "time 1, bar 2, beat 1 to time 2, bar 2, beat 1: volume pedal 6 of 10, by foot"],
])("a move in use %i from tick %i to %i is %s", (use, from, to, told) =>
  expect(
    describeMove({ from, to, setting: "pedal", value: 6, by: "foot" }, { span: spans[use]! }, clockOf(spans)),
  ).toBe(told),
);
