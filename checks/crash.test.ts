import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, expect, it } from "vitest";
import { openFolder } from "@/server/db/open-database";
import { findDocument, replayLog } from "@/server/documents/stored-documents";
import { crashOnce } from "../scripts/lib/crash.mjs";

/** The real program, killed with writes in flight; `npm run bench` does it twenty times. */
const data = mkdtempSync(path.join(tmpdir(), "lantern-crash-"));
afterAll(() => rmSync(data, { recursive: true, force: true }));

it.each([1, 2])("kill -9 loses nothing acknowledged (%i)", async (run) => {
  const result = await crashOnce({ data, atLeast: 50, run });
  expect(result.acknowledged).toBeGreaterThanOrEqual(50);
  expect([result.missing, result.twice, result.stray]).toEqual([0, 0, 0]);
  const { database, close } = await openFolder(data);
  const stored = await findDocument(database, result.versionId);
  expect(stored?.revision).toBe(result.edits.length);
  expect(await replayLog(database, result.versionId)).toEqual(stored?.body);
  await close();
});
