import { expect, type Page, test } from "@playwright/test";
import { addThreePlayers, expectAccessible, makeSong, openFromShelf, room, saved } from "./helpers";

const palette = (page: Page) => page.getByRole("dialog", { name: "Find anything" });
/** Opens the palette by its key: the first press may come before the page's script is there. */
async function openPalette(page: Page) {
  await expect(async () => {
    if (!(await palette(page).isVisible())) await page.keyboard.press("Control+k");
    await expect(palette(page)).toBeVisible({ timeout: 1500 });
  }).toPass();
  await expect(palette(page).getByRole("combobox")).toBeFocused();
}

test("the palette by keyboard: a song, its rooms, a section, a player, an act with its key", async ({
  page,
}) => {
  await page.goto("/");
  await openPalette(page);
  await page.keyboard.type("rope and tallow");
  await expect(page.getByRole("option", { name: /^Rope and Tallow, Full band/ })).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/song\//);

  await openPalette(page);
  await page.keyboard.type("who plays what");
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/parts$/);
  await expect(page.getByRole("heading", { level: 1, name: "Parts" })).toBeVisible();

  await openPalette(page);
  await expect(page.getByRole("option", { name: /^Undo/ })).toContainText("Ctrl Z");
  await page.keyboard.type("planted");
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/keys\/planted$/);

  await openPalette(page);
  await page.keyboard.type("chorus words");
  await page.keyboard.press("Enter");
  await page.waitForURL(/#section-/);

  await openPalette(page);
  await page.keyboard.type("lantern night");
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/evening\//);
  await openPalette(page);
  await page.keyboard.type("there is nothing called so");
  await expect(page.getByText("Nothing is called so.")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(palette(page)).toBeHidden();
});

test("keys and help: on the first page, an evening and a song; fits the screen; single keys can be turned off", async ({
  page,
}) => {
  await page.goto("/");
  const help = page.getByRole("dialog", { name: "Keys and help" });
  await page.getByRole("button", { name: "Keys and help" }).click();
  await expect(help).toBeVisible();
  await expectAccessible(page);
  const box = (await help.locator(".modal-box").boundingBox())!;
  expect(box.y).toBeGreaterThanOrEqual(0);
  expect(box.y + box.height).toBeLessThanOrEqual(page.viewportSize()!.height);
  await page.keyboard.press("Escape");
  await openFromShelf(page, "Lamp on the Water");
  await room(page, "Parts");
  const cell = page.locator('[data-cell="0-0"]');
  await cell.click();
  await page.keyboard.press("?");
  await expect(help).toBeVisible();
  await help.getByLabel("Keys of one letter, digit or sign act").uncheck();
  await page.keyboard.press("Escape");
  await cell.focus();
  await page.keyboard.press("0");
  await page.keyboard.press("?");
  await expect(help).toBeHidden();
  await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();
  // Keys that are held with others, and named ones, go on.
  await page.keyboard.press("ArrowDown");
  await expect(page.locator('[data-cell="1-0"]')).toBeFocused();
  await page.getByRole("button", { name: "Keys and help" }).click();
  await help.getByLabel("Keys of one letter, digit or sign act").check();
});

test("what is taken out can be taken back where it is said, and the focus goes to the neighbour", async ({
  page,
}) => {
  await makeSong(page);
  await addThreePlayers(page);
  const players = page.getByRole("listitem").filter({ has: page.getByLabel("Usual role") });
  const removal = players.nth(1).getByRole("button", { name: /^(Remove|Take)/ });
  await removal.focus();
  await page.keyboard.press("Enter");
  const toast = page.getByRole("listitem").filter({ hasText: /Removed player “Electric”/ });
  // It stays while it is pointed at.
  await toast.hover();
  await expect(players).toHaveCount(2);
  expect(await page.evaluate(() => document.activeElement?.tagName)).not.toBe("BODY");
  await expectAccessible(page);
  await toast.getByRole("button", { name: "Undo" }).click();
  await expect(players).toHaveCount(3);
  await expect(page.getByText(/^Taken back: /)).toBeAttached();
  await saved(page);
});

test("Escape leaves the opened part and comes back to its cell", async ({ page }) => {
  await page.goto("/");
  await openFromShelf(page, "Lamp on the Water");
  await room(page, "Parts");
  const cell = page.locator('[data-cell="1-1"]');
  await cell.click();
  await page.keyboard.press("Enter");
  await expect
    .poll(() => page.evaluate(() => document.activeElement?.closest("#opened-part") !== null))
    .toBe(true);
  await page.keyboard.press("Escape");
  await expect(cell).toBeFocused();
});

test("Escape leaves the shapes that are opened, and gives the focus back to what opened them", async ({
  page,
}) => {
  await page.goto("/");
  await openFromShelf(page, "Lamp on the Water");
  await room(page, "Keys");
  await page.getByRole("link", { name: "Shapes to learn" }).click();
  const card = page.getByRole("listitem").getByRole("button", { expanded: false }).first();
  await card.focus();
  await page.keyboard.press("Enter");
  const panel = page.getByRole("region", { name: /opened$/ });
  const choose = panel.getByLabel("Choose it");
  await choose.focus();
  await page.keyboard.press("Escape");
  await expect(panel).toBeHidden();
  await expect(card).toBeFocused();
});
