import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { WHOLE_SHELF } from "@/api";
import { unwrap } from "@/base";
import { type Practised, practiceToAdd, weighSong } from "@/core/practice";
import { add, set, songEdits } from "@/core/song/edit";
import type { VersionBody } from "@/core/song/schema";
import { sampleVersion } from "../../../testing/song/sample-version";
import { type Database, openFolder } from "../db/open-database";
import { createSong } from "../songs/create";
import { editHere } from "./edit-here";
import { searchShelf } from "./shelf";
import { besideOnShelf } from "./shelf-beside";
import { findDocument } from "./stored-documents";
import { weighedOnShelf, weighSome } from "./weigh-shelf";

let database: Database;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ database, close } = await openFolder(null));
});
afterAll(() => close());

const ASKED = { ...WHOLE_SHELF, sort: "learning" } as const;
const ANN = { ...Object.values(sampleVersion({}, [], [{ name: "Ann" }]).players)[0]!, id: "ann" };
let weighings = 0;
const weigh = async (body: VersionBody) => {
  weighings++;
  return weighSong(body);
};
let made = 0;
const always = () => true;
/** Yes so many times. */
const times = (count: number) => {
  let left = count;
  return () => left-- > 0;
};

const make = async (title: string, chords: string) => {
  const text = `Time: 4/4\nTempo: 80\n[Verse]\n${chords}\n${chords.replaceAll(/\S+/gu, "la")}\n`;
  const song = unwrap(
    await createSong(database, { content: { text }, title, adjustments: {}, double: true }),
  );
  if (!song.made) throw new Error("Expected a song to be made.");
  await editHere(database, { id: song.versionId, revision: 0 }, add("players", ANN));
  const version = await findDocument(database, song.versionId);
  if (version?.kind !== "version") throw new Error("Expected its version.");
  return { ...song, version };
};
const keep = async (songId: string, said: Omit<Practised, "versionId">) => {
  const song = await findDocument(database, songId);
  if (song?.kind !== "song") throw new Error("Expected a song.");
  const row = practiceToAdd(song.body.practices, `practice${made++}`, { versionId: null, ...said });
  expect(await editHere(database, song, songEdits.add("practices", row))).not.toBeNull();
};
const shown = async (asked = {}) =>
  (await searchShelf(database, { ...ASKED, ...asked })).rows.map(({ title, weighed }) => [
    title,
    weighed !== null,
  ]);

describe("the shelf by what songs ask of their band", () => {
  it("is weighed a few at a time, sorts by it, and what is not weighed stands at the end", async () => {
    const hard = await make("A hard one", "F Bbm7 Ebmaj7 F#dim Abm Db9");
    const easy = await make("An easy one", "Em Am Em Am");
    await make("Zuletzt", "G C G C");
    expect(await weighSome(database, weigh, times(0))).toBe(3);
    expect(await weighSome(database, weigh, times(2))).toBe(1);
    expect(await shown()).toEqual([
      ["An easy one", true],
      ["A hard one", true],
      ["Zuletzt", false],
    ]);
    expect(await weighSome(database, weigh, always)).toBe(0);
    expect(weighings).toBe(3);
    // Asked for by itself it is not worked out again.
    expect((await weighedOnShelf(database, hard.versionId, weigh))!.weighed.high).toBeGreaterThan(
      (await weighedOnShelf(database, easy.versionId, weigh))!.weighed.high,
    );
    expect(weighings).toBe(3);
    expect(await weighedOnShelf(database, "none", weigh)).toBeNull();
  });

  it("forgets what it weighed when the parts are changed, not when words or the leader’s verdict are", async () => {
    const song = await make("Changing", "G D");
    await weighedOnShelf(database, song.versionId, weigh);
    const isWeighed = async () => (await shown({ q: "changing" })).every(([, weighed]) => weighed === true);
    const edit = async (command: Parameters<typeof editHere>[2]) =>
      editHere(database, (await findDocument(database, song.versionId))!, command);
    const [word] = Object.values(song.version.body.words);
    await edit(set("words", word!.id, { text: "lo" }));
    expect(await isWeighed()).toBe(true);
    const owner = (await findDocument(database, song.songId))!;
    await editHere(
      database,
      owner,
      songEdits.add("verdicts", { id: "verdict", verdict: "later", occasion: "", reasons: "" }),
    );
    expect(await isWeighed()).toBe(true);
    expect(await shown({ verdict: "later" })).toEqual([["Changing", true]]);
    expect((await shown({ verdict: "open" })).flat()).not.toContain("Changing");
    const [chord] = Object.values(song.version.body.chords);
    await edit(set("chords", chord!.id, { symbol: "Bm" }));
    expect(await isWeighed()).toBe(false);
  });

  it("does not keep what was weighed of a song that was changed meanwhile", async () => {
    const song = await make("Meanwhile", "G D");
    const [chord] = Object.values(song.version.body.chords);
    const weighed = await weighedOnShelf(database, song.versionId, async (body) => {
      const version = await findDocument(database, song.versionId);
      await editHere(database, version!, set("chords", chord!.id, { symbol: "Bm" }));
      return weigh(body);
    });
    expect(weighed).not.toBeNull();
    expect(await shown({ q: "meanwhile" })).toEqual([["Meanwhile", false]]);
  });

  it("tells what other songs took a player by their logs, each song once", async () => {
    const learnt = await make("Learnt", "G D");
    await weighedOnShelf(database, learnt.versionId, weigh);
    const one = { kind: "part" as const, player: ANN.name, what: "", minutes: 9, percent: 100 };
    await keep(learnt.songId, { ...one, day: "2026-12-01", rounds: 2, clean: 1 });
    const other = await make("Other", "G D");
    const beside = (await besideOnShelf(database, other.versionId))!;
    expect(beside.proved[ANN.name]).toMatchObject([{ took: 9 }]);
    const self = (await besideOnShelf(database, learnt.versionId))!;
    expect(self.proved).toEqual({});
  });
});
