import fs from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { Settled } from "./settled";

let folder = "";
const inside = (...names: string[]) => path.join(folder, ...names);
const look = (place: string) => fs.statSync(place, { bigint: true });
/** As if all of it was written a minute ago. */
const later = () => Date.now() + 60_000;
/** A file system tells the time of a change in ticks of some ms: the next one is waited for. */
const nextTick = () => new Promise((resolve) => setTimeout(resolve, 30));

beforeEach(() => {
  folder = fs.mkdtempSync(path.join(tmpdir(), "lantern-settled-"));
  fs.mkdirSync(inside("base", "1"), { recursive: true });
  fs.writeFileSync(inside("base", "1", "rows"), "written");
  fs.writeFileSync(inside("log"), "written");
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

describe("what is on the disk whole", () => {
  it("is known all the way down, folders too", () => {
    const settled = new Settled(later);
    settled.settle(folder);
    for (const place of [
      folder,
      inside("base"),
      inside("base", "1"),
      inside("base", "1", "rows"),
      inside("log"),
    ])
      expect(settled.has(look(place))).toBe(true);
    settled.forget();
    expect(settled.has(look(inside("log")))).toBe(false);
  });

  it("is no longer known once it is written to, cut, or something comes into a folder", async () => {
    const settled = new Settled(later);
    settled.settle(folder);
    await nextTick();
    fs.appendFileSync(inside("log"), "more");
    fs.truncateSync(inside("base", "1", "rows"), 2);
    fs.writeFileSync(inside("base", "new"), "");
    expect(settled.has(look(inside("log")))).toBe(false);
    expect(settled.has(look(inside("base", "1", "rows")))).toBe(false);
    expect(settled.has(look(inside("base")))).toBe(false);
    expect(settled.has(look(inside("base", "new")))).toBe(false);
    expect(settled.has(look(inside("base", "1")))).toBe(true);
  });

  it("is not trusted where it was changed a moment ago: the next change may bear the same time", () => {
    const settled = new Settled();
    settled.settle(folder);
    expect(settled.has(look(inside("log")))).toBe(false);
  });
});
