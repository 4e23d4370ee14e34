import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { unwrap } from "@/base";
import { type Database, openFolder } from "../db/open-database";
import { createSong } from "../songs/create";
import { copyVersion } from "../songs/song-versions";
import { besideOnShelf } from "./shelf-beside";

let database: Database;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ database, close } = await openFolder(null));
});
afterAll(() => close());

const make = async (title: string, chords: string, head = "Time: 4/4\nTempo: 80") => {
  const text = `${head}\n[Verse]\n${chords}\n${chords.replaceAll(/\S+/gu, "la")}\n`;
  const song = unwrap(
    await createSong(database, { content: { text }, title, adjustments: {}, double: true }),
  );
  if (!song.made) throw new Error("Expected a song to be made.");
  return song;
};

describe("a song beside the others on the shelf", () => {
  it("counts songs in its metre and about as fast, and finds those that share its chords, each once", async () => {
    const own = await make("Own", "G D/F# Em C");
    expect(await besideOnShelf(database, own.versionId)).toMatchObject({
      songs: 0,
      inMeter: 0,
      asFast: 0,
      alike: [],
    });
    const same = await make("Same", "C G D Em", "Time: 4/4\nTempo: 84");
    await copyVersion(database, same.versionId, "Easy");
    await make("Fewer", "G C G C", "Time: 4/4\nTempo: 120");
    await make("Far", "Ab Fm Bbm Eb", "Time: 6/8\nTempo: 80");
    const beside = (await besideOnShelf(database, own.versionId))!;
    expect(beside).toMatchObject({ meter: "4/4", bpm: 80, songs: 3, inMeter: 2, asFast: 1, chords: 4 });
    // A chord is shared whatever bass it has; the nearest comes first, a song with two versions once.
    expect(beside.alike.map(({ title, shared, chords }) => [title, shared, chords])).toEqual([
      ["Same", 4, 4],
      ["Fewer", 2, 2],
    ]);
  });

  it("knows nothing of what is not there", async () =>
    expect(await besideOnShelf(database, "none")).toBeNull());
});
