import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, openFromShelf, room } from "./helpers";

async function openShape(page: Page) {
  await page.goto("/");
  await openFromShelf(page, "Lamp on the Water");
  await room(page, "Keys");
  await page.getByRole("link", { name: "Shapes to learn" }).click();
  await page.getByRole("button", { name: /^G\b/u }).first().click();
  const pane = page.getByRole("region", { name: / opened$/u });
  return { pane, hear: pane.getByRole("button", { name: /^(?:Hear it|Stop)/ }).first() };
}

/** How long it took from each press to its first sound, ms. */
const heard = (page: Page) =>
  page.evaluate(() => performance.getEntriesByName("hear").map(({ duration }) => duration));

test("a shape is heard, stopped, and heard by its key; the second time at once", async ({ page }) => {
  const { hear } = await openShape(page);
  await hear.click();
  await expect(hear).toHaveAttribute("aria-pressed", "true");
  await expect.poll(async () => (await heard(page)).length).toBe(1);
  await hear.click();
  await expect(hear).toHaveAttribute("aria-pressed", "false");
  await page.keyboard.press("p");
  await expect(hear).toHaveAttribute("aria-pressed", "true");
  await expect.poll(async () => (await heard(page)).length).toBe(2);
  const [first, second] = await heard(page);
  console.log(
    `from the press to the first sound: ${Math.round(first!)} ms with the bank to load, then ${Math.round(second!)} ms`,
  );
  // It is over by itself.
  await expect(hear).toHaveAttribute("aria-pressed", "false");
  await expectAccessible(page);
});

test("shapes on offer are heard before one is chosen", async ({ page }) => {
  const { pane } = await openShape(page);
  const offered = pane.getByRole("listitem").getByRole("button", { name: /^(?:Hear it|Stop) ?: G, / });
  await expect.poll(() => offered.count()).toBeGreaterThan(3);
  const [first, second] = [offered.nth(0), offered.nth(1)];
  await first.click();
  await expect(first).toHaveAttribute("aria-pressed", "true");
  await second.click();
  // One thing sounds at a time, and hearing chooses nothing.
  await expect(second).toHaveAttribute("aria-pressed", "true");
  await expect(first).toHaveAttribute("aria-pressed", "false");
  await expect.poll(async () => (await heard(page)).length).toBeGreaterThan(0);
  await expect(pane.getByRole("button", { name: "Let the plan choose again" })).toHaveCount(0);
});

test("where the bank does not come simple tones stand in, and a sentence says so", async ({ page }) => {
  await page.route("**/sounds.sf3", (route) => route.fulfill({ status: 404, body: "" }));
  const { pane, hear } = await openShape(page);
  await hear.click();
  await expect(pane.getByRole("status").filter({ hasText: "simple tones stand in" })).toBeVisible();
  await expect.poll(async () => (await heard(page)).length).toBe(1);
});

test("without any sound a sentence says so, and the rest goes on", async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, "AudioContext", { value: undefined });
  });
  const { pane, hear } = await openShape(page);
  await hear.click();
  await expect(pane.getByRole("status").filter({ hasText: "Nothing can be heard here" })).toBeVisible();
  await expect(hear).toHaveAttribute("aria-pressed", "false");
  await expect(pane.getByRole("heading", { level: 2 })).toBeVisible();
});
