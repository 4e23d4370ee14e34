import { expect, test } from "@playwright/test";
import { addThreePlayers, expectAccessible, makeSong, room, saved } from "./helpers";

test("three players, the capo table, the sheet, a swapped shape, another capo once", async ({ page }) => {
  await makeSong(page);
  await addThreePlayers(page);
  const rows = page.getByRole("listitem").filter({ has: page.getByLabel("Usual role") });
  await rows.nth(0).getByLabel("Capo").fill("40");
  await rows.nth(0).getByLabel("Capo").press("Enter");
  await expect(page.getByText("Capo should be a whole number from 0 to 12, not “40”.")).toBeVisible();
  await rows
    .nth(1)
    .getByLabel(/Tuning/)
    .fill("E2 A2 D3 G3 B3 Q4");
  await rows
    .nth(1)
    .getByLabel(/Tuning/)
    .press("Enter");
  await expect(page.getByText("“Q4”, number 6 as typed, is not a pitch such as E2 or Bb3.")).toBeVisible();
  await rows.nth(1).getByLabel("Hand", { exact: true }).selectOption("fluent");
  await expectAccessible(page);

  await room(page, "Keys");
  const table = page.getByRole("region", { name: "Capo table of Acoustic" });
  await expect(table.getByRole("row")).toHaveCount(11);
  const seven = table
    .getByRole("row")
    .filter({ has: page.getByRole("rowheader", { name: "7", exact: true }) });
  await expect(seven).toContainText("C");
  await expect(seven).toContainText("G/B");
  await seven.getByRole("button", { name: "Put capo on 7" }).click();
  await expect(table.getByRole("heading")).toHaveText("Acoustic: capo 7 now");
  await expectAccessible(page);

  await room(page, "Parts");
  const cell = (name: string) => page.getByRole("button", { name: new RegExp(`^${name}`) });
  await cell("Verse 1, Electric").first().click();
  await page.keyboard.press("4");
  await expect(cell("Verse 1, Electric: full").first()).toBeVisible();
  await page.keyboard.press("ArrowDown");
  await expect(cell("Chorus \\d, Electric").first()).toBeFocused();
  // The pane follows after the paint: a hand comes later than a script.
  const pane = page.getByRole("complementary");
  await expect(page.getByRole("complementary", { name: "Electric’s part in Chorus" })).toBeVisible();
  await pane.getByLabel("Role").selectOption("line");
  await pane.getByLabel("Note").fill("Answer the voice");
  await pane.getByLabel("Note").press("Enter");
  await expect(cell("Chorus \\d, Electric: low, plays a line, Answer the voice")).toHaveCount(2);

  await cell("Verse 1, Acoustic").first().click();
  const shapes = pane.getByRole("region", { name: "Shapes" });
  await expect(
    shapes.getByRole("img", { name: /^C: not played, 3, 2, open, 1, open, capo 7$/ }),
  ).toBeVisible();
  await expectAccessible(page);
  await shapes.getByRole("button", { name: /^C sounds G/ }).click();
  await shapes
    .getByRole("button", { name: /^Hold [x\d]/ })
    .nth(2)
    .click();
  await expect(shapes.getByText("chosen").first()).toBeVisible();

  await pane.getByLabel("Capo this time").selectOption("5");
  await expect(pane).toContainText("Holds shapes of D.");
  await expect(shapes.getByText("a choice made for another capo waits")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(pane).toContainText("Holds shapes of C.");
  await expect(shapes.getByText("chosen").first()).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(pane.getByText("chosen").first()).toBeVisible();
  await expectAccessible(page);
});

test("two windows: another place goes through, the same place shows both values", async ({
  page,
  context,
}) => {
  const id = await makeSong(page);
  const other = await context.newPage();
  await other.goto(`/song/${id}`);
  await other.getByLabel("Tempo").fill("99");
  await other.getByLabel("Tempo").press("Enter");
  await expect(page.getByLabel("Tempo")).toHaveValue("99");
  await page.getByLabel("Title").fill("Ferry by night");
  await page.getByLabel("Title").press("Enter");
  await expect(other.getByLabel("Title")).toHaveValue("Ferry by night");

  // The server is cut off from one window while both set the same place.
  await other.route("**/edits", (route) => route.abort());
  await other.route("**/events**", (route) => route.abort());
  await other.getByLabel("Tempo").fill("120");
  await other.getByLabel("Tempo").press("Enter");
  await expect(other.locator("[data-saving]")).toHaveAttribute("data-saving", "away");
  await page.getByLabel("Tempo").fill("60");
  await page.getByLabel("Tempo").press("Enter");
  await saved(page);
  await other.unroute("**/edits");
  await other.unroute("**/events**");
  const conflict = other.getByRole("alert").filter({ hasText: "Changed in two windows at once" });
  await expect(conflict).toContainText("tempo: there it is now “60”; here you set “120”.");
  await expectAccessible(other);
  await conflict.getByRole("button", { name: "Put mine instead" }).click();
  await expect(page.getByLabel("Tempo")).toHaveValue("120");
});

test("what was typed while the server was away is sent after a reload", async ({ page, context }) => {
  const id = await makeSong(page);
  await page.route("**/edits", (route) =>
    route.request().method() === "POST" ? route.abort() : route.continue(),
  );
  await page.getByLabel("Tempo").fill("77");
  await page.getByLabel("Tempo").press("Enter");
  await expect(page.locator("[data-saving]")).toHaveAttribute("data-saving", "away");
  await page.close();
  const later = await context.newPage();
  await later.goto(`/song/${id}`);
  await expect(later.getByLabel("Tempo")).toHaveValue("77");
  await saved(later);
});

test("players come from the band, once each", async ({ page }) => {
  await makeSong(page);
  await room(page, "Players");
  await page.getByRole("button", { name: "Add Maren from the band" }).click();
  await expect(page.getByLabel("Name")).toHaveValue("Maren");
  await expect(page.getByRole("button", { name: "Add Maren from the band" })).toHaveCount(0);
  await page.getByRole("button", { name: "Remove Maren" }).click();
  await expect(page.getByRole("button", { name: "Add Maren from the band" })).toBeVisible();
});

test("undo survives a reload", async ({ page }) => {
  await makeSong(page);
  await page.getByLabel("Tempo").fill("99");
  await page.getByLabel("Tempo").press("Enter");
  await saved(page);
  await page.reload();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Tempo")).toHaveValue("84");
});

test("nothing can be typed into the part before while the chosen one is on its way", async ({ page }) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Parts");
  const pane = page.locator("#opened-part");
  await expect(pane).toBeVisible();
  const isInert = await page.evaluate(async () => {
    const cells = document.querySelectorAll<HTMLElement>("[data-cell]");
    cells[1]!.click();
    // The same moment: it has been answered, and nothing has been drawn since.
    await Promise.resolve();
    return document.querySelector<HTMLElement>("#opened-part")!.inert;
  });
  expect(isInert).toBe(true);
  await expect(pane).not.toHaveAttribute("inert");
  await expect(
    pane.getByLabel("Role", { exact: true }).or(pane.getByRole("group").first()).first(),
  ).toBeVisible();
});
