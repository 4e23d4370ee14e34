import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type ShelfAsked, WHOLE_SHELF } from "@/api";
import { unwrap } from "@/base";
import { add, type SongCommand, set, songEdits, type VersionCommand } from "@/core/song/edit";
import { OWN_NAMES } from "@/core/song/names";
import { versionRow } from "@/core/song/read";
import { type Database, openFolder } from "../db/open-database";
import { createSong } from "../songs/create";
import { copyVersion, duplicateSong, historyOf, versionsOf } from "../songs/song-versions";
import type { DocumentOf } from "./row";
import { findDoubles, searchShelf, shelfFacets } from "./shelf";

import { editsSince, findDocument, replayLog, takeEdit } from "./stored-documents";

const listShelf = async (database: Parameters<typeof searchShelf>[0]) =>
  (await searchShelf(database, WHOLE_SHELF)).rows.map(({ updatedAt: _updatedAt, ...row }) => row);

let database: Database;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ database, close } = await openFolder(null));
});
afterAll(() => close());

const SHEET = "[Verse]\nG C D G\nfour chords of a song\n";
const make = async (title: string, text = SHEET) => {
  const song = unwrap(
    await createSong(database, { content: { text }, title, adjustments: {}, double: true }),
  );
  if (!song.made) throw new Error("Expected a song to be made.");
  return song;
};
const fresh = async () => (await make("Night <b>Ferry</b>")).versionId;
const versionOf = async (id: string): Promise<DocumentOf<"version">> => {
  const found = await findDocument(database, id);
  if (found?.kind !== "version") throw new Error(`Expected a version ${id}.`);
  return found;
};
const versionId = async (id: string) => versionRow((await versionOf(id)).body).id;
let count = 0;
const send = (id: string, base: number, command: VersionCommand | SongCommand, editId = `edit${count++}`) =>
  takeEdit(database, id, { editId, base, command });

describe("takeEdit", () => {
  it("stores an edit once, however often it is sent", async () => {
    const id = await fresh();
    const command = set("version", await versionId(id), { bpm: 90 });
    expect(await send(id, 0, command, "same")).toMatchObject({
      status: "done",
      revision: 1,
      repeated: false,
    });
    expect(await send(id, 0, command, "same")).toMatchObject({ status: "done", revision: 1, repeated: true });
    expect(await editsSince(database, id, 0)).toHaveLength(1);
  });

  it("carries a stale edit over one on another place, and refuses one on the same with both values", async () => {
    const id = await fresh();
    const row = await versionId(id);
    await send(id, 0, set("version", row, { bpm: 90 }));
    expect(await send(id, 0, set("version", row, { key: "A" }))).toMatchObject({
      status: "done",
      revision: 2,
    });
    const refused = await send(id, 0, set("version", row, { bpm: 100 }));
    expect(refused).toEqual({
      status: "conflict",
      revision: 2,
      conflicts: [{ table: "version", id: row, field: "bpm", theirs: 90, yours: 100 }],
    });
    expect(versionRow((await versionOf(id)).body)).toMatchObject({
      bpm: 90,
      key: "A",
    });
  });

  it("refuses what cannot be, and changes nothing", async () => {
    const id = await fresh();
    expect(await send(id, 0, set("version", await versionId(id), { bpm: 0 }))).toMatchObject({
      status: "refused",
      problem: { code: "bad-field" },
    });
    expect(await send(id, 7, set("version", "x", {}))).toEqual({ status: "ahead", revision: 0 });
    expect(await send("nobody", 0, set("version", "x", {}))).toEqual({ status: "unknown" });
    expect((await findDocument(database, id))!.revision).toBe(0);
  });

  it("keeps body, log and shelf alike under many writers at once", async () => {
    const id = await fresh();
    const row = await versionId(id);
    const outcomes = await Promise.all(
      Array.from({ length: 40 }, (_, index) =>
        send(
          id,
          0,
          index % 2
            ? add("sources", { id: `s${index}`, order: "V", name: `S${index}`, kind: "sheet", text: "" })
            : set("version", row, { bpm: 60 + index }),
        ),
      ),
    );
    const done = outcomes.filter((outcome) => outcome.status === "done");
    expect(done).toHaveLength(21);
    const stored = await versionOf(id);
    expect(stored.revision).toBe(21);
    expect(await replayLog(database, id)).toEqual(stored.body);
    const [shelved] = (await listShelf(database)).filter((one) => one.versionId === id);
    expect(shelved!.bpm).toBe(versionRow(stored.body).bpm);
  });

  it("writes a new title through to the shelf", async () => {
    const id = await fresh();
    const songId = (await findDocument(database, id))!.parentId!;
    await send(songId, 0, songEdits.set("song", songId, { title: "Other" }));
    expect((await listShelf(database)).find((one) => one.versionId === id)!.title).toBe("Other");
  });
});

describe("the shelf", () => {
  const search = async (fields: Partial<ShelfAsked>) =>
    (await searchShelf(database, { ...WHOLE_SHELF, ...fields })).rows.map((row) => row.title);

  it("finds by words, chords, tags and filters, and sorts", async () => {
    const text =
      "{key: Ab}\n{tag: Slow}\n{tempo: 61}\n{time: 3/4}\n{soc}\n[Bbm7]Ebbing [Db/F]übers tide\n{eoc}";
    await make("Zinnia on the Quay", text);
    await make("Quayside", text.replace("61", "140").replace("Slow", "Fast"));
    expect(await search({ q: "zinn" })).toEqual(["Zinnia on the Quay"]);
    expect(await search({ q: "uber ebb" })).toEqual(["Quayside", "Zinnia on the Quay"]);
    expect(await search({ q: "uses A#m7" })).toEqual(["Quayside", "Zinnia on the Quay"]);
    expect(await search({ q: "uses Db" })).toHaveLength(2);
    expect(await search({ q: "uses C#m" })).toEqual([]);
    expect(await search({ q: "#slow" })).toEqual(["Zinnia on the Quay"]);
    expect(await search({ q: "quay", sort: "tempo", down: true })).toEqual([
      "Quayside",
      "Zinnia on the Quay",
    ]);
    expect(await search({ key: "Ab", tag: "Fast" })).toEqual(["Quayside"]);
    expect(await search({ q: "'); drop table shelf; --" })).toEqual([]);
    expect(await search({ q: "quay", limit: 1, offset: 1 })).toEqual(["Zinnia on the Quay"]);
    const facets = await shelfFacets(database, false);
    expect(facets.tags).toContainEqual({ value: "Slow", count: 1 });
    expect(facets.meters).toContainEqual({ value: "3/4", count: 2 });
  });

  it("finds doubles by title, whatever its case and signs", async () => {
    await make("Café, Twice");
    expect((await findDoubles(database, "cafe twice!")).map((one) => one.title)).toEqual(["Café, Twice"]);
    const again = unwrap(
      await createSong(database, {
        content: { text: SHEET },
        title: "CAFÉ twice",
        adjustments: {},
        double: false,
      }),
    );
    expect(again).toMatchObject({ made: false });
  });

  it("leaves out what is archived, until asked", async () => {
    const { songId } = await make("Put Away");
    await send(songId, 0, songEdits.set("song", songId, { archived: true }));
    expect(await search({ q: "put away" })).toEqual([]);
    expect(await search({ q: "put away", archived: true })).toEqual(["Put Away"]);
  });
});

describe("versions", () => {
  it("starts one from another, each row knowing its origin", async () => {
    const { versionId, songId } = await make("Versions");
    const copy = (await copyVersion(database, versionId, "Easy"))!;
    expect((await versionsOf(database, songId)).map((one) => one.name)).toEqual(["Full band", "Easy"]);
    const [from, to] = [await versionOf(versionId), await versionOf(copy)];
    const chords = Object.values(to.body.chords);
    expect(chords.map((chord) => chord.originId).sort()).toEqual(Object.keys(from.body.chords).sort());
    expect(await copyVersion(database, "none", "Easy")).toBeNull();
  });

  it("duplicates a song with all its versions", async () => {
    const { versionId, songId } = await make("Twice Over");
    await copyVersion(database, versionId, "Easy");
    const copy = (await duplicateSong(database, songId))!;
    expect(copy.title).toBe("Twice Over (copy)");
    expect(await versionsOf(database, copy.songId)).toHaveLength(2);
  });

  it("tells its history with times, and what it was at any step", async () => {
    const { versionId, songId } = await make("History");
    await send(songId, 0, songEdits.set("song", songId, { title: "First" }));
    await send(songId, 1, songEdits.set("song", songId, { title: "Second" }));
    const steps = (await historyOf(database, songId, OWN_NAMES))!;
    expect(steps.map((step) => [step.revision, step.words])).toEqual([
      [2, "Song title: Second, before First"],
      [1, "Song title: First, before History"],
    ]);
    expect(new Date(steps[0]!.at).getTime()).toBeGreaterThan(0);
    const titles = await Promise.all([0, 1, 2].map((revision) => replayLog(database, songId, revision)));
    expect(titles.map((body) => Object.values(body!.song!)[0]!.title)).toEqual([
      "History",
      "First",
      "Second",
    ]);
    expect(await replayLog(database, songId, 9)).toBeNull();
    expect(await replayLog(database, versionId, 0)).toEqual((await findDocument(database, versionId))!.body);
  });
});
