import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { unwrap } from "@/base";
import { add, chooseShape, songEdits, type VersionCommand } from "@/core/song/edit";
import { spotOf } from "@/core/song/read";
import { PLAIN_HAND, type Player } from "@/core/song/schema";
import { type Database, openFolder } from "../db/open-database";
import { makeId } from "../ids";
import { createSong } from "../songs/create";
import { chosenOften } from "./chosen-often";
import { findDocument, takeEdit } from "./stored-documents";

let database: Database;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ database, close } = await openFolder(null));
});
afterAll(() => close());

const STANDARD = ["E2", "A2", "D3", "G3", "B3", "E4"];
const player = (capo: number): Player => ({
  id: makeId(),
  bandPlayerId: "ann",
  order: "V",
  name: "Ann",
  instrument: "guitar",
  tuning: STANDARD,
  capo,
  level: "steady",
  sings: false,
  range: null,
  light: 2,
  role: "support",
  ...PLAIN_HAND,
});

/** A song in which Ann chooses x02200 for the sounding chord behind a capo. */
async function songWith(title: string, symbol: string, capo: number): Promise<{ songId: string }> {
  const song = unwrap(
    await createSong(database, {
      content: { text: `[Verse]\n${symbol}  D\nwords here\n` },
      title,
      adjustments: {},
      double: true,
    }),
  );
  if (!song.made) throw new Error("Expected a song to be made.");
  const send = async (command: VersionCommand) => {
    const stored = await findDocument(database, song.versionId);
    if (stored?.kind !== "version") throw new Error("Expected a version.");
    const taken = await takeEdit(database, song.versionId, {
      editId: makeId(),
      base: stored.revision,
      command,
    });
    expect(taken.status).toBe("done");
    return stored.body;
  };
  const ann = player(capo);
  const before = await send(add("players", ann));
  const spot = spotOf(
    ann,
    { capo, style: "full", strings: null },
    { useId: "", sectionId: "", chordId: "", symbol },
  );
  await send(
    chooseShape(
      before,
      spot,
      "symbol",
      { frets: [null, 0, 2, 2, 0, 0], fingers: [null, null, 1, 2, null, null] },
      makeId,
    ),
  );
  return song;
}

describe("shapes chosen again and again", () => {
  it("count by song, by the hand's name behind whatever capo, from the third on", async () => {
    await songWith("Salt Road", "A2", 0);
    await songWith("Harbour Bell", "B2", 2);
    expect(await chosenOften(database)).toEqual([]);
    const { songId } = await songWith("Grey Gull", "A2", 0);
    const [first, ...others] = await chosenOften(database);
    expect(others).toEqual([]);
    expect(first).toMatchObject({
      bandPlayerId: "ann",
      songs: 3,
      shape: { symbol: "A2", style: "full", frets: [null, 0, 2, 2, 0, 0] },
    });
    // What is put away counts no more.
    await takeEdit(database, songId, {
      editId: makeId(),
      base: 0,
      command: songEdits.set("song", songId, { archived: true }),
    });
    expect(await chosenOften(database)).toEqual([]);
  });
});
