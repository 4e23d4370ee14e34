import fs from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, expect, test } from "vitest";
import { copyBlank } from "./blank";
import { openDurable } from "./durable";

const folders: string[] = [];
const fresh = () => {
  const folder = fs.mkdtempSync(path.join(tmpdir(), "lantern-durable-"));
  folders.push(folder);
  return folder;
};
afterAll(() => {
  for (const folder of folders) fs.rmSync(folder, { recursive: true, force: true });
});

test("without a blank database nothing is copied", () => {
  const place = path.join(fresh(), "postgres");
  expect(copyBlank(place, fresh())).toBe(false);
  expect(fs.existsSync(place)).toBe(false);
});

test("a copy cut off half-way is made anew; what is written into it is there when it is opened again", async () => {
  const folder = fresh();
  // As it is left by a program killed while it copied: some files, and the mark.
  fs.mkdirSync(path.join(folder, "postgres"));
  fs.writeFileSync(path.join(folder, "postgres", "PG_VERSION"), "");
  fs.writeFileSync(path.join(folder, "postgres.unfinished"), "");

  const first = openDurable(folder);
  await first.ready;
  expect(fs.existsSync(path.join(folder, "postgres.unfinished"))).toBe(false);
  await first.client.exec("create table lamp (oil int); insert into lamp values (7)");
  await first.client.close();

  const again = openDurable(folder);
  await again.ready;
  expect((await again.client.query("select oil from lamp")).rows).toEqual([{ oil: 7 }]);
  await again.client.close();
});

test("two databases of one blank do not know of each other", async () => {
  const [one, other] = [openDurable(fresh()), openDurable(fresh())];
  await Promise.all([one.ready, other.ready]);
  await one.client.exec("create table lamp (oil int)");
  await expect(other.client.query("select oil from lamp")).rejects.toThrow(/lamp/);
  await Promise.all([one.client.close(), other.client.close()]);
});
