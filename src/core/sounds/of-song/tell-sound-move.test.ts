import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { sampleTones } from "../../../../testing/sounds/sample-sounds";
import { clockOf } from "../../song/moments";
import { spansOfForm, timelineOf } from "../../song/read";
import { tellSound, tellSoundMove, tellSoundMoves } from "./tell-sound-move";

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
    tellSoundMove(
      { from, to, setting: "pedal", value: 6, by: "foot" },
      { span: spans[use]! },
      clockOf(spans),
    ),
  ).toBe(told),
);

describe("a sound on its player's sheet", () => {
  it("says what it holds, and nothing where nobody has described it", () => {
    const body = sampleTones({ 0: { sound: "Low" } }, { Low: { drive: 1, delay: "1/4" } });
    expect(tellSound(body, "p0", "Low")).toBe("drive stages 1, delay 1/4");
    expect(tellSound(body, "p0", "Other")).toBe("");
  });

  it("tells the moves of a player in a use, in the order they come", () => {
    const move = { setting: "pedal", by: "foot" } as const;
    const row = {
      id: "m",
      playerId: "p0",
      useId: spans[0]!.use.id,
      endsEarly: 0,
      moves: [
        { ...move, from: 2 * BAR, to: 2 * BAR, value: 10 },
        { ...move, from: 0, to: BAR, value: 4 },
      ],
    };
    const told = (playerId: string) =>
      tellSoundMoves({ soundMoves: { m: row } }, playerId, spans[0]!, clockOf(spans));
    expect(told("p0")).toEqual([
      "bar 1: volume pedal 4 of 10, by foot",
      "at bar 3, beat 1: volume pedal 10 of 10, by foot",
    ]);
    expect(told("p1")).toEqual([]);
  });
});
