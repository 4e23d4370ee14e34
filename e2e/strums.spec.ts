import { expect, type Page, test } from "@playwright/test";
import { addThreePlayers, expectAccessible, makeSong, openPart, partsPage, saved } from "./helpers";
import { makeEvening, screenOf } from "./live-evening";

/** How high the counts below the strokes are drawn, px. */
const countHeight = (page: Page) =>
  page
    .locator("[data-strum]:visible svg text")
    .first()
    .evaluate((text) => text.getBoundingClientRect().height);

test("a strum said in words is taken in three acts, and read on the sheet, on stage, on a phone and on paper", async ({
  page,
}) => {
  test.setTimeout(120_000);
  const id = await makeSong(page);
  await addThreePlayers(page);
  await openPart(page, /^Verse 1, Acoustic/);
  const pattern = page.getByRole("region", { name: "Pattern", exact: true });
  // Act one: it is opened. Act two: said. Act three: Enter.
  await pattern.getByText("Say a strum").click();
  const words = pattern.getByLabel("Say the strum");
  await words.fill("down sideways");
  await expect(pattern.getByRole("alert")).toContainText(
    "“sideways” (word 2) is neither a stroke nor a count",
  );
  await words.fill("down down up up down up");
  await expect(pattern.getByRole("button", { name: "Hear it" })).toHaveCount(2);
  await expect(
    pattern.getByText("sixteenths, each stroke as soon as the hand gets there; half a bar"),
  ).toBeVisible();
  await expectAccessible(page);
  await pattern.getByRole("button", { name: "Hear it" }).first().click();
  await expect(pattern.getByRole("button", { name: "Stop" })).toHaveCount(1);
  await pattern.getByRole("button", { name: "Stop" }).click();
  await words.press("Enter");
  const told = "Strum: down, rest, down, up, rest, up, down, up";
  await expect(pattern.getByRole("list", { name: told })).toBeVisible();
  await expect(page.getByText("↓·↓↑·↑↓↑").first()).toBeVisible();
  await saved(page);

  // An accent is typed into it, and is seen everywhere.
  await partsPage(page, "Patterns");
  await page.getByRole("button", { name: "Change down down up up down up" }).click();
  const strokes = page.getByLabel("Strokes, one each subdivision");
  await strokes.fill("D3 . D U . U D U");
  await strokes.press("Enter");
  await saved(page);

  const accented = "Strum: strong down, rest, down, up, rest, up, down, up";
  await page.getByRole("link", { name: "Acoustic’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  await expect(page.getByRole("list", { name: accented })).toBeVisible();
  expect(await countHeight(page)).toBeGreaterThanOrEqual(24);
  await expectAccessible(page);
  await page.setViewportSize({ width: 390, height: 844 });
  const strip = page.getByRole("list", { name: accented });
  await expect(strip).toBeVisible();
  const box = (await strip.boundingBox())!;
  expect(box.x + box.width).toBeLessThanOrEqual(390);
  expect(await countHeight(page)).toBeGreaterThanOrEqual(18);
  await page.setViewportSize({ width: 1280, height: 800 });

  await page.goto(`/print/${id}`);
  const sheet = page.getByRole("article", { name: /, Acoustic$/ });
  await expect(sheet.getByRole("list", { name: accented }).first()).toBeVisible();
});

test("a picking pattern is read by its fingers, and a strum in another language is the same strum", async ({
  page,
}) => {
  test.setTimeout(120_000);
  const id = await makeSong(page);
  await addThreePlayers(page);
  await openPart(page, /^Verse 1, Electric/);
  const pattern = page.getByRole("region", { name: "Pattern", exact: true });
  await pattern.getByLabel("Pattern", { exact: true }).selectOption("roll up and down (library)");
  await expect(pattern.getByRole("list", { name: /^Strum: thumb, index/ })).toBeVisible();
  await saved(page);
  await page.getByRole("link", { name: "Electric’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  await expect(page.getByRole("list", { name: /^Strum: thumb, index/ })).toBeVisible();
  await page.goto(`/print/${id}`);
  await expect(
    page
      .getByRole("article", { name: /, Electric$/ })
      .getByRole("list", { name: /^Strum: thumb, index/ })
      .first(),
  ).toBeVisible();

  await page.goto(`/song/${id}/parts/patterns`);
  await page.getByText("Say a new one").click();
  await page.getByLabel("Say the strum").fill("giù giù su su giù su");
  await page
    .getByRole("button", { name: /^Keep it/ })
    .first()
    .click();
  await expect(page.getByRole("region", { name: "Change giù giù su su giù su" })).toBeVisible();
  await expect(page.getByLabel("Strokes, one each subdivision")).toHaveValue("D . D U . U D U");
});

test("two strums by chord length: one for whole bars, one for half bars, on stage and on paper", async ({
  page,
}) => {
  test.setTimeout(120_000);
  const id = await makeSong(
    page,
    "Half Tide\nKey: G\nTempo: 90\nTime: 4/4\n\n[Verse]\nG . . .      C . D .\nlight on the water\nEm . . .      C . D .\nlight on the wall\n",
  );
  await addThreePlayers(page);
  await openPart(page, /^Verse.*, Acoustic/);
  const pattern = page.getByRole("region", { name: "Pattern", exact: true });
  await pattern.getByText("Say a strum").click();
  const words = pattern.getByLabel("Say the strum");
  for (const said of ["down up down up", "down down up up down up"]) {
    await words.fill(said);
    await words.press("Enter");
    await expect(pattern.getByLabel("Pattern", { exact: true })).toHaveValue(/./);
    await expect(pattern.getByLabel("Pattern", { exact: true }).locator("option:checked")).toHaveText(said);
  }
  await pattern.getByLabel("Chords of half a bar").selectOption("down up down up");
  await saved(page);
  await page.getByRole("link", { name: "Acoustic’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  await expect(
    page.getByRole("complementary", { name: "Strum and shapes" }).getByText("chords of half a bar:"),
  ).toBeVisible();
  await expect(page.getByRole("list", { name: /^Strum: down, up, down, up/ })).toBeVisible();
  await expect(
    page.getByRole("list", { name: "Strum: down, rest, down, up, rest, up, down, up" }),
  ).toBeVisible();
  await page.goto(`/print/${id}`);
  await expect(
    page.getByRole("article", { name: /, Acoustic$/ }).getByText("chords of half a bar:"),
  ).toBeVisible();
});

test("on the live stage the stroke that sounds is lit, in every density", async ({ browser, baseURL }) => {
  test.setTimeout(120_000);
  const evening = await makeEvening(baseURL!, "Strummed Night", { text: "D3 . D U . U D U" });
  const { page } = await screenOf(browser, baseURL!, evening, "Maren", true);
  const strip = page.getByRole("list", { name: "Strum: strong down, rest, down, up, rest, up, down, up" });
  await expect(strip).toBeVisible();
  await page.getByRole("button", { name: "Count in", exact: true }).click();
  await expect(page.locator(".where-we-are")).toHaveAttribute("data-phase", "playing");
  // Places that were lit while a bar went by: only struck ones, and more than two of them.
  const lit = new Set<string>();
  for (let look = 0; look < 40; look++) {
    const now = await page
      .locator("[data-strum]:visible [data-now]")
      .first()
      .getAttribute("data-now", { timeout: 2000 })
      .catch(() => null);
    if (now !== null) lit.add(now);
    await page.waitForTimeout(60);
  }
  expect([...lit].every((place) => ["0", "2", "3", "5", "6", "7"].includes(place))).toBe(true);
  expect(lit.size).toBeGreaterThan(2);
  await page.getByRole("button", { name: "This screen" }).click();
  for (const density of ["chords", "cues only"]) {
    await page.getByRole("group", { name: "Show" }).getByText(density, { exact: true }).click();
    await expect(strip).toBeVisible();
  }
});
