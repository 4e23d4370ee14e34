import { mkdtempSync, rmSync, truncateSync } from "node:fs";
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

test("everything is put back from a kept backup, and a database that does not open goes on from one", async ({
  page,
}) => {
  const data = mkdtempSync(path.join(tmpdir(), "lantern-kept-"));
  const env = { LANTERN_BACKUP_MINUTES: "0.05" };
  const first = await startServer({ data, env });
  const backup = page.getByRole("region", { name: "Backup" });
  await expect(async () => {
    await page.goto(first.address);
    await expect(backup.getByLabel("As it was on")).toBeVisible({ timeout: 500 });
  }).toPass();
  await openFromShelf(page, "Lamp on the Water");
  await page.waitForURL(/\/song\//);
  const place = new URL(page.url()).pathname;
  const tempo = await page.getByLabel("Tempo").inputValue();
  await page.getByLabel("Tempo").fill("88");
  await page.getByLabel("Tempo").press("Enter");
  await saved(page);
  await page.goto(first.address);
  await backup
    .getByLabel("As it was on")
    .selectOption({ index: -1 + (await backup.getByRole("option").count()) });
  await backup.getByRole("button", { name: "Put everything back" }).click();
  await backup.getByRole("button", { name: "Leave it" }).click();
  await expect(backup.getByRole("button", { name: "Put it back" })).toHaveCount(0);
  await backup.getByRole("button", { name: "Put everything back" }).click();
  const loaded = page.waitForEvent("load");
  await backup.getByRole("button", { name: "Put it back" }).click();
  await loaded;
  await page.goto(first.address + place);
  await expect(page.getByLabel("Tempo")).toHaveValue(tempo);
  await first.stop();

  truncateSync(path.join(data, "postgres", "global", "pg_control"), 100);
  const second = await startServer({ data, env });
  await page.goto(second.address + place);
  await expect(page.getByRole("heading", { name: "The database does not open" })).toBeVisible();
  await page.getByRole("button", { name: "Go on from this one" }).click();
  // A new database is made, and what is in the backup is written.
  await expect(page.getByRole("heading", { name: "Shared Lantern" })).toBeVisible({ timeout: 60_000 });
  await page.goto(second.address + place);
  await expect(page.getByLabel("Tempo")).toBeVisible();
  await second.stop();
  rmSync(data, { recursive: true, force: true });
});
