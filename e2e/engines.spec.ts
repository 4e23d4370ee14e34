import { expect, type Page, test } from "@playwright/test";
import { addThreePlayers, makeSong, room } from "./helpers";

type Kept = Window & { workers: Worker[] };

/** Keeps every worker the page starts where a test can end it, as a machine short of memory does. */
const keepWorkers = (page: Page) =>
  page.addInitScript(() => {
    const kept = window as unknown as Kept;
    kept.workers = [];
    window.Worker = class extends Worker {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options);
        kept.workers.push(this);
      }
    };
  });
const killWorkers = (page: Page) =>
  page.evaluate(() => {
    const { workers } = window as unknown as Kept;
    for (const worker of workers) worker.terminate();
    return workers.length;
  });

/** A new song of three players in a long search, the workers kept. */
async function searchLong(page: Page) {
  await keepWorkers(page);
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Keys");
  await page
    .getByRole("navigation", { name: "Pages of the Keys room" })
    .getByRole("link", { name: "Planted fingers" })
    .click();
  for (const capo of ["1", "3", "4", "5", "6", "7"]) await page.getByLabel(capo, { exact: true }).check();
  await page.getByRole("button", { name: "Find fingers to plant" }).click();
  await expect
    .poll(() => page.getByRole("progressbar", { name: "Searching" }).getAttribute("value").then(Number))
    .toBeGreaterThan(0);
}

test("a worker that is killed in mid-search is replaced, and the search goes on", async ({ page }) => {
  await searchLong(page);
  const before = await killWorkers(page);
  // What had been found stands meanwhile; the search has ended when it can be started anew.
  await expect(page.getByRole("button", { name: "Find fingers to plant" })).toBeVisible({ timeout: 90_000 });
  await expect(page.getByRole("heading", { name: /arrangements, from the most held/ })).toBeVisible();
  expect(await page.evaluate(() => (window as unknown as Kept).workers.length)).toBeGreaterThan(before);
});

test("a search that dies twice says so, and is tried again at a press", async ({ page }) => {
  await searchLong(page);
  const before = await killWorkers(page);
  await expect
    .poll(() => page.evaluate(() => (window as unknown as Kept).workers.length))
    .toBeGreaterThan(before);
  await expect
    .poll(() => page.getByRole("progressbar", { name: "Searching" }).getAttribute("value").then(Number))
    .toBeGreaterThan(0);
  await killWorkers(page);
  const alert = page.getByRole("alert").filter({ hasText: "It could not be worked out" });
  await expect(alert).toContainText("Nothing was changed.");
  await alert.getByRole("button", { name: "Try again" }).click();
  await expect(page.getByRole("heading", { name: /arrangements, from the most held/ })).toBeVisible({
    timeout: 90_000,
  });
});

test("engines that fail to load once are loaded again by themselves", async ({ page }) => {
  await makeSong(page);
  await addThreePlayers(page);
  let refused = 0;
  await page.addInitScript(() => {
    // Only a script that a worker was started with fails, and only the first time.
    const NativeWorker = Worker;
    let isFirst = true;
    window.Worker = class extends NativeWorker {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(isFirst ? "/there-is-no-such-script.js" : url, options);
        isFirst = false;
      }
    };
  });
  await page.route("**/there-is-no-such-script.js", (route) => {
    refused++;
    return route.abort();
  });
  await page.reload();
  await room(page, "Keys");
  const table = page.getByRole("region", { name: "Capo table of Acoustic" });
  await expect(table.getByRole("button", { name: "Put capo on 7" })).toBeVisible();
  expect(refused).toBe(1);
});

test("a question that is overtaken never shows its answer", async ({ page }) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Keys");
  const table = page.getByRole("region", { name: "Capo table of Acoustic" });
  await expect(table.getByRole("row")).toHaveCount(11);
  const sounds = page.getByLabel("The song sounds in");
  const keys = await sounds
    .locator("option")
    .evaluateAll((options) => options.map((one) => (one as HTMLOptionElement).value));
  const rows = () => table.locator("tbody tr[aria-current=true] td").first().textContent();
  const before = await rows();
  // Six keys one after the other, each before the one before is worked out; then the first again.
  const first = await sounds.inputValue();
  for (const key of keys.filter((one) => one !== first).slice(0, 6)) await sounds.selectOption(key);
  await sounds.selectOption(first);
  await expect(table.getByRole("status")).toHaveCount(0);
  expect(await rows()).toBe(before);
  const last = keys.find((one) => one !== first)!;
  await sounds.selectOption(last);
  await expect(table.getByRole("status")).toHaveCount(0);
  await expect.poll(rows).not.toBe(before);
});
