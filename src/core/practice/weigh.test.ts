import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../testing/song/sample-version";
import type { Practice } from "../song/schema";
import { provedBy, weighSong } from "./weigh";

const band = sampleVersion(
  { verse: { lines: ["Light/G:4 on/C:4"] }, chorus: { lines: ["Go/Em:4 on/Bb:4"] } },
  ["verse", "chorus", "verse"],
  [
    { name: "Ann", level: "steady" },
    { name: "Bo", instrument: "keys", tuning: [], level: "fluent" },
  ],
);
const practice = (fields: Partial<Practice>): Practice => ({
  id: "x",
  order: "V",
  day: "2026-12-01",
  kind: "part",
  versionId: null,
  player: "Ann",
  what: "",
  minutes: 10,
  percent: 100,
  rounds: 1,
  clean: 1,
  note: "",
  ...fields,
});

describe("a song that is weighed", () => {
  it("says what it takes the band, and each, with the hardest shape and change of each hand", () => {
    const weighed = weighSong(band);
    const [ann, bo] = weighed.players;
    expect(weighed.players.map(({ name, level }) => [name, level])).toEqual([
      ["Ann", "steady"],
      ["Bo", "fluent"],
    ]);
    expect(ann!.shape!.symbol).toBe("Bb");
    expect(ann!.shape!.points).toBeGreaterThan(2);
    const { from, to, points } = ann!.change!;
    expect(["G C", "C Em", "Em Bb", "Bb G"]).toContain(`${from} ${to}`);
    expect(points).toBeGreaterThan(0);
    expect([bo!.shape, bo!.change]).toEqual([null, null]);
    // Two sections of a fluent hand: 2 × 0.75 × 0.55 = 0.8 minutes, 0.7 to 1.6 times that.
    expect([bo!.low, bo!.high]).toEqual([0.6, 1.3]);
    expect(weighed.low).toBeGreaterThan(ann!.low);
    expect(weighed.high).toBeGreaterThan(weighed.low);
  });

  it("is proved by a log that says it is known, and by no other", () => {
    const weighed = { ...weighSong(band), players: [{ ...weighSong(band).players[0]!, low: 10, high: 20 }] };
    const proved = (...log: Practice[]) => provedBy(weighed, log, "Ann");
    expect(
      proved(practice({}), practice({ kind: "changes", what: "G to C", minutes: 2, clean: 30 })),
    ).toEqual({
      said: 15,
      took: 12,
    });
    expect(proved(practice({ percent: 80 }))).toBeNull();
    expect(proved(practice({ what: "Verse" }))).toBeNull();
    expect(proved(practice({ clean: null }))).toBeNull();
    const together = practice({ kind: "band", player: "", day: "2026-12-03", percent: null, clean: null });
    expect(proved(practice({ percent: 80 }), together)).toEqual({ said: 15, took: 10 });
    expect(proved(practice({ percent: 80 }), { ...together, day: "2026-11-01" })).toBeNull();
    expect(proved(together)).toBeNull();
    expect(provedBy(weighed, [practice({ player: "Cy" })], "Cy")).toBeNull();
  });
});
