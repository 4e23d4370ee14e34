import { expect, test } from "@playwright/test";
import { addThreePlayers, expectAccessible, makeSong, room, tellNames } from "./helpers";
import { makeEvening, screenOf } from "./live-evening";

test("somebody joins cold: one act from Players to a sheet with one chord, when it comes back and notes that fit", async ({
  page,
}) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Players");
  await page.getByRole("link", { name: "Somebody joins who does not know the song" }).click();
  await page.waitForURL(/\/print\/[\w-]+\/cold$/);
  const sheet = page.getByRole("article", { name: "Night Ferry, Joining cold" });
  await expect(sheet).toContainText(/only \S+, .*of Verse 1\)?/);
  await expect(sheet).toContainText("leave the bass to Bass; Acoustic carries");
  await expect(
    sheet.getByRole("list", { name: "Strum: down, rest, down, rest, down, rest, down, rest" }).first(),
  ).toBeVisible();
  await expect(sheet.getByRole("region", { name: "Notes that fit" })).toContainText("a tone of the chord in");
  // Only the one chord stands over the words.
  const chords = page.getByLabel("Chords", { exact: true });
  await chords.selectOption(await chords.locator("option", { hasText: /^only D\/F♯/ }).getAttribute("value"));
  await expect(sheet).toContainText("only D/F♯");
  const names = await sheet.locator(".sung-chord").allTextContents();
  expect(new Set(names.filter((name) => name !== ""))).toEqual(new Set(["D/F♯"]));
  // Two chords; a box farther up the neck; a bass.
  await chords.selectOption({ index: 1 });
  await expect(chords.locator("option:checked")).toContainText(" and ");
  await expect(sheet).toContainText(/only \S+, .*only \S+, /s);
  const box = page.getByLabel("Single notes");
  const last = (await box.locator("option").count()) - 1;
  expect(last).toBeGreaterThanOrEqual(4);
  const frets = (await box.locator("option").nth(last).textContent())!;
  await box.selectOption({ index: last });
  await expect(sheet.getByRole("img", { name: new RegExp(`major pentatonic, ${frets}$`) })).toBeVisible();
  // Names are told otherwise, and what was chosen stays.
  await tellNames(page, { Written: "Do Ré Mi Fa Sol La Si" });
  await expect(sheet).toContainText(/only (Do|Ré|Mi|Fa|Sol|La|Si)/);
  await expect(page.getByLabel("Chords", { exact: true }).locator("option:checked")).toContainText(" and ");
  await page.getByLabel("Plays").selectOption("bass");
  await expect(sheet).toContainText("its root on the one; between, let it ring or damp it");
  await expectAccessible(page);
});

test("on a phone of the evening somebody who joins cold follows everybody with their one chord", async ({
  browser,
  baseURL,
}) => {
  const evening = await makeEvening(baseURL!, "Cold Night");
  const { page, context } = await screenOf(
    browser,
    baseURL!,
    evening,
    "I don’t know the songs guitar",
    false,
    undefined,
    "Joining cold",
  );
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(page.getByText(/^only \S+, /).first()).toBeVisible();
  const names = await page.locator(".sung-chord").allTextContents();
  expect(new Set(names.filter((name) => name !== "")).size).toBe(1);
  await expect(page.getByRole("list", { name: /^Strum: down, rest, down/ }).first()).toBeVisible();
  // The shape of the one chord stands beside the strum.
  await expect(
    page
      .getByRole("img", { name: new RegExp(`^${[...new Set(names.filter((name) => name !== ""))][0]}`) })
      .first(),
  ).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  await expectAccessible(page);
  await context.close();
});
