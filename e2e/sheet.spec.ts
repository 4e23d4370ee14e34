import { expect, type Page, test } from "@playwright/test";
import {
  addThreePlayers,
  expectAccessible,
  makeSong,
  openFromShelf,
  partsPage,
  room,
  saved,
} from "./helpers";

const cell = (page: Page, name: string) => page.getByRole("button", { name: new RegExp(`^${name}`) });
const pane = (page: Page) => page.getByRole("complementary");
test("the parts of a song by keyboard only: roles, light, a block copied, filled, emptied, a cell opened", async ({
  page,
}) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Parts");
  // Tab goes to the sheet's one stop; from there everything is keys.
  await page.locator('[data-cell="0-0"]').focus();
  const keys = page.keyboard;
  await keys.press("c");
  await keys.press("4");
  await expect(cell(page, "Verse 1, Acoustic: full, carries").first()).toBeVisible();
  await keys.press("ArrowRight");
  await keys.press("l");
  await keys.press("1");
  await expect(cell(page, "Verse 1, Electric: ember, plays a line").first()).toBeFocused();

  // Both are taken over to the chorus: select two, copy, go down, paste.
  await keys.press("ArrowLeft");
  await keys.press("Shift+ArrowRight");
  await keys.press("Control+c");
  await expect(page.getByRole("status").filter({ hasText: "Copied 2 parts." })).toHaveCount(1);
  await keys.press("ArrowDown");
  await keys.press("ArrowLeft");
  await keys.press("Control+v");
  await expect(cell(page, "Chorus \\d, Acoustic: full, carries").first()).toBeVisible();
  await expect(cell(page, "Chorus \\d, Electric: ember, plays a line").first()).toBeVisible();

  // Fill down over the whole column, then empty one: it inherits again.
  await keys.press("Home");
  await keys.press("ArrowUp");
  await keys.press("3");
  for (let step = 0; step < 3; step++) await keys.press("Shift+ArrowDown");
  await keys.press("Control+d");
  await expect(cell(page, "Chorus \\d, Acoustic: bright, carries")).toHaveCount(2);
  await keys.press("ArrowDown");
  await keys.press("Delete");
  await expect(cell(page, "Chorus \\d, Acoustic: bright").last()).toBeVisible();

  // Enter opens the cell, at its light; everything there is reached by Tab.
  await keys.press("ArrowUp");
  await keys.press("Enter");
  await expect(pane(page).getByRole("button", { name: "3 bright" })).toBeFocused();
  // A list forgets the letters typed so far after a second: on a busy machine they are typed again.
  await expect(async () => {
    await pane(page).getByLabel("Technique").focus();
    await keys.type("strum on");
    await expect(pane(page).getByLabel("Technique")).toHaveValue("beat-strum", { timeout: 1500 });
  }).toPass({ timeout: 60_000 });
  await pane(page).getByLabel("Bars played, of 4").focus();
  await keys.press("Control+a");
  await keys.type("1-2, 9");
  await keys.press("Enter");
  await expect(pane(page).getByText("There is no bar 9 here: the section has 4.")).toBeVisible();
  await keys.press("Control+a");
  await keys.type("3-4");
  await keys.press("Enter");
  await pane(page).getByLabel("Sound").focus();
  await keys.type("Warm");
  await keys.press("Enter");
  await expect(
    cell(page, "Verse 1.*, Acoustic: bright, carries, strum on the beats, sound: Warm").first(),
  ).toBeVisible();
  await saved(page);
  await expectAccessible(page);
  await page.reload();
  await expect(
    cell(page, "Verse 1.*, Acoustic: bright, carries, strum on the beats, sound: Warm").first(),
  ).toBeVisible();
});

test("findings: told with a reason, mended, let stand, raised again; the sum of the band and charts", async ({
  page,
}) => {
  await page.goto("/");
  await openFromShelf(page, "Lamp on the Water");
  await room(page, "Parts");
  await partsPage(page, "Judgement");
  const findings = page.getByRole("region", { name: "Findings" });
  const twice = findings.getByRole("listitem").filter({ hasText: "Maren and Tobin play one part twice" });
  await expect(twice).toContainText("Two players in one place sound like one player");
  await twice.getByRole("button", { name: "Tobin doubles Maren on purpose" }).click();
  await expect(twice).toHaveCount(0);
  const late = findings.getByRole("listitem").filter({ hasText: /The bass comes in only in bar 5 of / });
  await late.getByRole("button", { name: "Let it stand" }).click();
  await expect(late.getByRole("button", { name: "Let it stand" })).toBeDisabled();
  await late.getByLabel("Why it may stand").fill("She walks on with the second line.");
  await late.getByRole("button", { name: "Let it stand" }).click();
  await expect(late).toHaveCount(0);
  await findings.getByRole("button", { name: "1 let stand" }).click();
  await expect(findings).toContainText("She walks on with the second line.");
  await findings.getByRole("button", { name: "raise it again" }).click();
  await expect(late).toHaveCount(1);

  const sum = page.getByRole("region", { name: "The sum of the band" });
  await expect(sum).toContainText(/chords sound as the chart has them/, { timeout: 60_000 });
  const charts = page.getByRole("region", { name: "Charts" });
  await expect(charts.locator("canvas")).toHaveCount(3);
  await expect(charts.getByRole("table")).toHaveCount(3);
  await expect(charts.getByRole("row", { name: /^Chorus/ }).first()).toBeVisible();
  await expectAccessible(page);
});

test("patterns: put in from the library, typed, spoken, counted, two compared", async ({ page }) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Parts");
  await partsPage(page, "Patterns");
  await page.getByRole("button", { name: "Put “offbeats only” into the song" }).click();
  await page.getByRole("button", { name: "Write a new pattern" }).click();
  const editor = page.getByRole("region", { name: "Change Pattern 2" });
  const strokes = editor.getByLabel("Strokes, one each subdivision");
  await strokes.fill("D . D Q");
  await strokes.press("Enter");
  await expect(editor.getByText(/Stroke 4 is "Q"/)).toBeVisible();
  await strokes.fill("D . D");
  await strokes.press("Enter");
  await expect(editor.getByText("3 strokes don't fill whole beats: a beat has 2. Add 1")).toBeVisible();
  await editor.getByRole("button", { name: "Speak" }).click();
  await editor.getByLabel("Say it as you hear it").fill("DUM~ dum ta~ ta dum ta");
  await editor.getByRole("button", { name: "Take these strokes" }).click();
  await editor.getByRole("button", { name: "Type" }).click();
  await expect(strokes).toHaveValue("D3 . D U . U D U");
  await editor.getByRole("button", { name: "Count" }).click();
  await editor.getByLabel("Counts that are struck").fill("1, 2&, 4");
  await editor.getByRole("button", { name: "Take these strokes" }).click();
  await editor.getByRole("button", { name: "Tap" }).click();
  await expect(editor.getByText(/J is down, K up/)).toBeVisible();
  await editor.getByLabel(/^On–off row/).fill("1 0 1 1");
  await editor.getByLabel(/^On–off row/).press("Enter");
  await expect(editor.getByRole("img", { name: "What is let through" })).toBeVisible();
  await expect(editor.getByRole("region", { name: "Under the chords" })).toContainText("4 beats");
  const together = page.getByRole("region", { name: "Two patterns together" });
  await expect(together).toContainText("They meet on");
  await expectAccessible(page);
});

test("a pattern tapped in on the keyboard, in time", async ({ page }) => {
  await makeSong(page);
  await room(page, "Parts").catch(() => {});
  await page.goto(`${page.url().replace(/\/parts.*/, "")}/parts/patterns`);
  await page.getByRole("button", { name: "Write a new pattern" }).click();
  const editor = page.getByRole("region", { name: "Change Pattern 1" });
  await editor.getByRole("button", { name: "Tap" }).click();
  await editor.getByRole("button", { name: "Count in, then tap" }).click();
  const pad = editor.getByRole("button", { name: /Count-in…|Tap now/ });
  await pad.focus();
  await expect(editor.getByRole("button", { name: "Tap now" })).toBeVisible();
  await page.keyboard.press("j");
  await page.waitForTimeout(700);
  await page.keyboard.press("k");
  await expect(editor.getByText(/^2 taps taken; the farthest lay \d+ ms off its place\.$/)).toBeVisible();
});

test("a line in tab: typed by keys, wrong sums marked, moved about the neck, out and in as text", async ({
  page,
}) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Parts");
  await partsPage(page, "Lines");
  await page.getByRole("button", { name: "Write a new line" }).click();
  const line = page.getByRole("region", { name: "Line 1", exact: true });
  await line.locator('[data-at="4-0"]').focus();
  const keys = page.keyboard;
  await keys.press("8");
  await keys.press("ArrowRight");
  await keys.press("1");
  await keys.press("0");
  await keys.press("h");
  await keys.press("ArrowRight");
  await keys.press("7");
  await expect(line.locator('[data-at="4-1"]')).toHaveText("h10");
  await expect(line).toContainText("3 notes in 4 beats, from F♯4 to A4");
  await expect(line).toContainText("Everything adds up.");
  await keys.press("p");
  await keys.press("+");
  await expect(line.locator('[data-at="4-2"]')).toHaveText("p7");
  // A note the one before has no room for.
  await keys.press("ArrowRight");
  await keys.press("5");
  await expect(line).toContainText("begins while the one before still sounds on its string");
  await keys.press("Delete");
  await expect(line).toContainText("Everything adds up.");

  const elsewhere = line.getByRole("region", { name: "The same pitch elsewhere" });
  await elsewhere.getByRole("button", { name: "Play it there" }).first().click();
  await expect(elsewhere.getByRole("button", { name: "as it is" })).toHaveCount(1);
  await expect(line).toContainText("from F♯4 to A4");
  await line.getByRole("button", { name: /^Plan it for Acoustic/ }).click();
  await expect(line).toContainText("It costs the hand");
  await line.getByRole("button", { name: "Keep it as a line of Acoustic’s" }).click();
  await expect(line.getByRole("status").last()).toContainText("is Acoustic’s line in Verse 1 now");
  await page.getByRole("banner").getByRole("button", { name: "Undo" }).click();
  await line.getByRole("button", { name: "Put the plan away" }).click();

  const drawn = page.getByRole("region", { name: "Drawn up from the chords" });
  await page.getByLabel("For", { exact: true }).selectOption({ label: "Bass" });
  await drawn.getByLabel("Bass line").selectOption("walk");
  await drawn.getByRole("button", { name: "Draw up the bass line" }).click();
  await expect(page.getByRole("region", { name: /a walk to the next chord, Verse 1/ })).toBeVisible();

  const text = page.getByRole("region", { name: "As text" });
  await text.getByLabel("Paste tab to make a line of it").fill("E|--3-|\nA|----|");
  await expect(text.getByRole("alert")).toContainText("2 rows stand together where the neck has");
  await text
    .getByLabel("Paste tab to make a line of it")
    .fill("e|-----|\nB|-----|\nG|--2h4|\nD|-----|\nA|-----|\nE|-----|");
  await expect(text).toContainText("When they come is guessed");
  await text.getByRole("button", { name: "Make a line of it" }).click();
  await expect(page.getByRole("region", { name: "Line 3", exact: true })).toContainText("2 notes");
  await saved(page);
  await expectAccessible(page);
});
