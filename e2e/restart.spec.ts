import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { expect, test } from "@playwright/test";
import { startServer as start } from "../scripts/lib/server.mjs";
import { openFromShelf, saved } from "./helpers";

const started: Awaited<ReturnType<typeof start>>[] = [];
const startServer: typeof start = async (options) => {
  const server = await start(options);
  started.push(server);
  return server;
};
/** A test that fails half way leaves no server behind. */
test.afterEach(async () => {
  for (const server of started.splice(0)) if (server.child.exitCode === null) await server.stop("SIGKILL");
});

test("a killed program comes back with everything that was saved, and a backup restores it elsewhere", async ({
  page,
}) => {
  test.setTimeout(120_000);
  const data = mkdtempSync(path.join(tmpdir(), "lantern-kill-"));
  const empty = mkdtempSync(path.join(tmpdir(), "lantern-empty-"));
  const first = await startServer({ data });
  await page.goto(first.address);
  await openFromShelf(page, "Lamp on the Water");
  await page.waitForURL(/\/song\//);
  const place = new URL(page.url()).pathname;
  await page.getByLabel("Tempo").fill("88");
  await page.getByLabel("Tempo").press("Enter");
  await saved(page);
  await first.stop("SIGKILL");

  const second = await startServer({ data });
  await page.goto(second.address + place);
  await expect(page.getByLabel("Tempo")).toHaveValue("88");
  await page.goto(second.address);
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Save everything as one file" }).click();
  const file = await (await download).path();
  await second.stop();

  const third = await startServer({ data: empty, env: { LANTERN_DEMO: "off" } });
  await page.goto(third.address);
  await expect(page.getByRole("heading", { name: "No songs yet" })).toBeVisible();
  await page
    .getByLabel("Bring a backup back")
    .setInputFiles({ name: "backup.zip", mimeType: "application/zip", buffer: Buffer.from("no zip") });
  await expect(page.getByText("This is not a backup of Shared Lantern")).toBeVisible();
  await page.getByLabel("Bring a backup back").setInputFiles(file);
  await expect(page.getByText("12 documents are back.")).toBeVisible();
  await page.goto(third.address + place);
  await expect(page.getByLabel("Tempo")).toHaveValue("88");
  await third.stop();
  for (const folder of [data, empty]) rmSync(folder, { recursive: true, force: true });
});
