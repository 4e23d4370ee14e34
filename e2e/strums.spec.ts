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

  const accented = "Strum: accented down, rest, down, up, rest, up, down, up";
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
  const evening = await makeEvening(baseURL!, "Strummed Night", { text: "D3 . D U . U D U" });
  const { page } = await screenOf(browser, baseURL!, evening, "Maren", true);
  const strip = page.getByRole("list", { name: "Strum: accented down, rest, down, up, rest, up, down, up" });
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

test("a fill before a change, a pattern joined of two, one written out by bars, and a free one, up to the stage", async ({
  page,
}) => {
  const id = await makeSong(page);
  await addThreePlayers(page);
  await openPart(page, /^Verse 1, Acoustic/);
  const pattern = page.getByRole("region", { name: "Pattern", exact: true });
  const choice = pattern.getByLabel("Pattern", { exact: true });
  await choice.selectOption("half a bar: down, down up (library)");
  await pattern.getByLabel("Before a change").selectOption("fill: four quick strokes (library)");
  await expect(pattern.getByRole("list", { name: "Strum: down, up, down, accented up" })).toBeVisible();
  // One act joins another behind it; the part plays what comes of it.
  await choice.selectOption("skip the three (library)");
  await pattern.getByLabel("After skip the three").selectOption("half a bar: down, down up");
  await expect(choice.locator("option:checked")).toHaveText("skip the three + half a bar: down, down up");
  await expect(
    pattern.getByRole("list", { name: /^Strum: down, rest, down, up, rest, up, down, up, down, rest/ }),
  ).toBeVisible();
  await pattern.getByLabel(/^After skip the three \+/).selectOption("fill: four quick strokes");
  await expect(choice.locator("option:checked")).toHaveText(/ \+ fill: four quick strokes$/);
  await choice.selectOption("skip the three");
  // Written out through the section, and one bar of it changed: the cell says where.
  await pattern.getByRole("button", { name: /^Write out \d bars$/ }).click();
  await expect(choice.locator("option:checked")).toHaveText("skip the three, Verse 1");
  await saved(page);
  await partsPage(page, "Patterns");
  await page.getByRole("button", { name: "Change skip the three, Verse 1", exact: true }).click();
  const strokes = page.getByLabel("Strokes, one each subdivision");
  const text = await strokes.inputValue();
  await strokes.fill(`${text.slice(0, -15)}D3 . . . D3 . . Uo`);
  await strokes.press("Enter");
  await saved(page);
  await partsPage(page, "The sheet");
  await expect(page.getByRole("button", { name: /^Verse 1, Acoustic/ }).first()).toContainText(/1–3/);
  await page.getByRole("link", { name: "Acoustic’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  const strums = page.getByRole("complementary", { name: "Strum and shapes" });
  await expect(strums.getByText("before a change:")).toBeVisible();
  await page.goto(`/print/${id}`);
  const sheet = page.getByRole("article", { name: /, Acoustic$/ });
  await expect(sheet.getByRole("list", { name: /up over open strings$/ }).first()).toBeVisible();
  await expect(sheet.getByText("before a change:").first()).toBeVisible();

  await page.goto(`/song/${id}/parts`);
  await page
    .getByRole("button", { name: /^Chorus 1, Acoustic/ })
    .first()
    .click();
  // The pane has turned to the part that was opened before anything in it is chosen.
  await expect(page.getByRole("heading", { name: /^Acoustic\s*Chorus 1$/ })).toBeVisible();
  await choice.selectOption("free, in eighths (library)");
  await expect(
    pattern.getByRole("list", { name: "Strum: free: any stroke on the swing of the hand" }),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: /^Chorus 1, Acoustic/ }).first()).toContainText("free");
  await expectAccessible(page);
});

test("the strums of two parts are compared in one act, and one is practised big and slowly", async ({
  page,
}) => {
  await makeSong(page);
  await addThreePlayers(page);
  await openPart(page, /^Verse 1, Electric/);
  const pattern = page.getByRole("region", { name: "Pattern", exact: true });
  const choice = pattern.getByLabel("Pattern", { exact: true });
  await choice.selectOption("offbeats only (library)");
  await saved(page);
  await page
    .getByRole("button", { name: /^Verse 1, Acoustic/ })
    .first()
    .click();
  // The pane has turned to the part that was opened before anything in it is chosen.
  await expect(page.getByRole("button", { name: /^Verse 1, Acoustic/ }).first()).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  await expect(choice.locator("option:checked")).not.toHaveText("offbeats only (library)");
  await choice.selectOption("quarters, all down (library)");
  await pattern.getByLabel("Compare with the strum of").selectOption("Electric, Verse 1");
  await expect(pattern).toContainText("They never meet: they interlock");
  await expect(pattern).toContainText("0 strokes together, 4 only Acoustic, Verse 1 (above)");
  // Two cells selected say the same without a choice.
  await page
    .getByRole("button", { name: /^Verse 1, Electric/ })
    .first()
    .click({ modifiers: ["Shift"] });
  await expect(page.getByRole("region", { name: "Their strums together" })).toContainText("they interlock");
  await page
    .getByRole("button", { name: /^Verse 1, Acoustic/ })
    .first()
    .click();
  await saved(page);
  await pattern.getByRole("link", { name: "Big, to practise" }).click();
  await page.waitForURL(/\/strum\?use=/);
  const strum = page.getByRole("region", { name: "The strum of Verse 1" });
  await expect(strum.getByRole("list", { name: /^Strum: down, rest, down/ })).toBeVisible();
  const height = await strum
    .locator("svg text")
    .first()
    .evaluate((text) => text.getBoundingClientRect().height);
  expect(height).toBeGreaterThanOrEqual(40);
  await strum.getByLabel("Tempo").selectOption("50 %: 42 a minute");
  await strum.getByRole("button", { name: "Hear it" }).click();
  // Every place that is lit is written down in the page itself: it does not wait for who looks.
  const lit = await page.evaluate(
    () =>
      new Promise<string[]>((resolve) => {
        const seen = new Set<string>();
        const look = () => {
          const now = document.querySelector<HTMLElement>("[data-now]")?.dataset.now;
          if (now !== undefined) seen.add(now);
          if (seen.size >= 2) resolve([...seen]);
        };
        new MutationObserver(look).observe(document.body, {
          subtree: true,
          attributes: true,
          childList: true,
        });
        setTimeout(() => resolve([...seen]), 20_000);
      }),
  );
  expect(lit).toHaveLength(2);
  expect(lit.every((place) => ["0", "2", "4", "6"].includes(place))).toBe(true);
  await strum.getByRole("button", { name: "Stop" }).click();
  await expectAccessible(page);
});

test("a line says how it is struck and where it is accented, on the grid, on stage and on paper", async ({
  page,
}) => {
  const id = await makeSong(page);
  await addThreePlayers(page);
  await openPart(page, /^Verse 1, Bass/);
  await page.getByRole("link", { name: "Write a line for this part" }).click();
  await page.getByRole("button", { name: "Write a new line" }).click();
  const line = page.getByRole("region", { name: "Line 1", exact: true });
  const give = line.getByRole("button", { name: /^Give it to Bass/ });
  if (await give.isVisible()) await give.click();
  await line.locator('[data-at="0-0"]').focus();
  const keys = page.keyboard;
  for (const key of ["3", "a", "ArrowRight", "3", "ArrowRight", "5", "v"]) await keys.press(key);
  await line.getByLabel("Struck").first().selectOption("by turns");
  await expect(line.getByRole("row", { name: /^strokes/ }).first()).toContainText("↓!");
  await expect(line.getByRole("row", { name: /^strokes/ }).first()).toContainText("↑");
  await saved(page);
  const told = /: E 3 accented down, E 3 up, E 5 down(,|$)/;
  await page.getByRole("link", { name: "Bass’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  await expect(page.getByRole("img", { name: told }).first()).toBeVisible();
  await page.goto(`/print/${id}`);
  await expect(
    page
      .getByRole("article", { name: /, Bass$/ })
      .getByRole("img", { name: told })
      .first(),
  ).toBeVisible();
});
