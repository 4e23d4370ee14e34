import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, saved } from "./helpers";

/** Makes an evening from the shelf, and gives it a name. */
async function newEvening(page: Page, name: string): Promise<void> {
  await page.goto("/");
  await page.getByRole("button", { name: "New evening" }).click();
  await page.waitForURL(/\/evening\//u);
  await expect(page.getByText("Nothing is in it yet")).toBeVisible();
  await page.getByLabel("Name").fill(name);
  await page.getByLabel("Name").press("Enter");
}

test("an evening: songs and a talk, moved by keys, pinned, put in the best order, and printed", async ({
  page,
}) => {
  await newEvening(page, "Trial Night");
  await expect(page.getByRole("heading", { level: 1, name: "Trial Night" })).toBeVisible();

  const add = page.getByRole("region", { name: "Add" });
  const list = page.getByRole("region", { name: "Running order" });
  const songRow = (title: string) =>
    list.getByRole("listitem").filter({ has: page.getByRole("link", { name: title }) });
  const names = list.getByRole("listitem").getByRole("link");
  for (const title of ["Lamp on the Water", "Rope and Tallow", "Slow Tide Home", "Nine Bells Down"]) {
    await add.getByLabel("A song from the shelf").fill(title);
    await add
      .getByRole("button", { name: new RegExp(`${title} · Full band`, "u") })
      .first()
      .click();
    await expect(names.filter({ hasText: title })).toHaveCount(1);
  }
  await add.getByRole("button", { name: "Talk" }).click();
  await expect(list.getByText("Talk", { exact: true })).toBeVisible();
  await expectAccessible(page);

  // The talk goes up before the last song: its three minutes cover that change-over.
  await page.getByRole("button", { name: /^Move Talk/u }).focus();
  await page.keyboard.press("Alt+ArrowUp");
  await expect(list.getByRole("listitem").nth(3)).toContainText("Talk");
  await page.getByLabel("It should last a certain time").click();
  await expect(page.getByText(/too long|to spare/u)).toBeVisible();

  // What the order costs, the best one under a pin, and the way back.
  const best = page.getByRole("region", { name: "Best order" });
  await expect(best).toContainText("change-over");
  await songRow("Nine Bells Down").getByLabel("Where").selectOption("opens");
  await best.getByRole("button", { name: "Take this order" }).click();
  await expect(names.first()).toHaveText("Nine Bells Down");
  await expect(best).toContainText("no order that keeps the pins has less");
  await songRow("Rope and Tallow").getByLabel("Where").selectOption("opens");
  await page.getByRole("button", { name: "Undo" }).click();
  await saved(page);
  await page.reload();
  await expect(names.first()).toHaveText("Nine Bells Down");

  await page.getByRole("link", { name: /Print the running order/u }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Trial Night" })).toBeVisible();
  await page.getByLabel("For", { exact: true }).selectOption("Maren");
  await expect(page.getByRole("heading", { level: 1, name: "Trial Night: Maren" })).toBeVisible();
  await expectAccessible(page);
});

test("the demo's evening says what changes between songs, and fits a phone", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/");
  await page
    .getByRole("region", { name: "Lantern Night at the Net Loft" })
    .getByRole("link", { name: "The running order, with what changes between songs" })
    .click();
  await expect(page.getByRole("heading", { level: 1, name: "Lantern Night at the Net Loft" })).toBeVisible();
  await expect(page.getByText(/Tobin: a string tuned otherwise|Tobin: capo/u).first()).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
  expect(wide).toBeLessThanOrEqual(0);
  await expectAccessible(page);
});

test("evenings have a day, are doubled, put away and taken out; a song goes into one from its row and its page", async ({
  page,
}) => {
  await newEvening(page, "Harvest Night");
  // A day that is over: the evening ahead stays the first on the shelf for everybody else.
  await page.getByLabel("Day").fill("2026-01-05");
  await saved(page);
  const evening = page.url();

  // From the row of a song, and from its page: two acts each.
  await page.goto("/");
  const shelf = page.getByRole("region", { name: "Shelf" });
  await shelf.getByLabel("Search titles, words, chords").fill("Rope and Tallow");
  const row = shelf.getByRole("listitem").filter({ hasText: "Rope and Tallow" }).first();
  await expect(shelf.locator("[data-total='1']")).toBeVisible();
  await row.getByRole("button", { name: /More/u }).click();
  await page.getByRole("button", { name: "Put it into an evening" }).click();
  const into = page.getByRole("dialog", { name: "Put Rope and Tallow into an evening" });
  await into.getByRole("button", { name: /Harvest Night/u }).click();
  await expect(into.getByText("“Rope and Tallow” stands at the end of Harvest Night.")).toBeVisible();
  await into.getByRole("button", { name: "Done" }).click();
  await row.getByRole("link", { name: "Rope and Tallow" }).click();
  await page.waitForURL(/\/song\//u);
  await saved(page);
  await page.getByRole("button", { name: "Into an evening", exact: true }).click();
  await page
    .getByRole("dialog")
    .getByRole("button", { name: /Harvest Night/u })
    .click();
  await expect(page.getByText("stands at the end of Harvest Night.")).toBeVisible();
  await page.goto(evening);
  const list = page.getByRole("region", { name: "Running order" });
  await expect(list.getByRole("link", { name: "Rope and Tallow" })).toHaveCount(2);
  await page.getByText("What everybody packs").click();
  await expect(page.locator("[aria-label='Packing lists']")).toContainText("Maren");
  await expectAccessible(page);

  // Doubled, put away, brought back, taken out, and that taken back.
  await page.goto("/");
  const others = page.locator("details", { hasText: /other evenings?$/u }).first();
  const away = page.locator("details", { hasText: "Evenings put away" });
  await page.locator("summary", { hasText: "other evening" }).click();
  await page.getByRole("button", { name: "Another one like it: Harvest Night", exact: true }).click();
  await expect(page.getByRole("link", { name: "Harvest Night again" })).toBeVisible();
  await page.getByRole("button", { name: "Put away: Harvest Night", exact: true }).click();
  await page.locator("summary", { hasText: "Evenings put away: 1" }).click();
  await page.getByRole("button", { name: "Bring back: Harvest Night", exact: true }).click();
  await expect(away).toHaveCount(0);
  for (const name of ["Harvest Night", "Harvest Night again"]) {
    await page.getByRole("button", { name: `Remove: ${name}`, exact: true }).click();
    await expect(page.getByText(`“${name}” is removed.`)).toBeVisible();
  }
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByRole("link", { name: "Harvest Night again" })).toBeVisible();
  await page.getByRole("button", { name: "Remove: Harvest Night again", exact: true }).click();
  await expect(others.getByRole("link", { name: "Harvest Night" })).toHaveCount(0);
});
