import { expect, test } from "@playwright/test";
import {
  addThreePlayers,
  expectAccessible,
  makeSong,
  onThisScreen,
  openPart,
  partsPage,
  pedal,
  room,
  saved,
} from "./helpers";

const RAISED = `Rope Ladder
Key: G
Tempo: 90
Time: 4/4

[Chorus]
G . . .      C . . .
Carry it over

[Last chorus]
G . . .      C . . .
Carry it over

[Chorus]
`;

test("a line with open strings under a raised chorus: on the sheet, chosen, on stage and on paper", async ({
  page,
}) => {
  const id = await makeSong(page, RAISED);
  await addThreePlayers(page);
  await openPart(page, /^Chorus.*, Electric/);
  await page.getByRole("link", { name: "Write a line for this part" }).click();
  await page.getByRole("button", { name: "Write a new line" }).click();
  const line = page.getByRole("region", { name: "Line 1", exact: true });
  await line.locator('[data-at="5-0"]').focus();
  for (const key of ["0", "ArrowRight", "3"]) await page.keyboard.press(key);
  await expect(line.locator('[data-at="5-1"]')).toHaveText("3");
  await saved(page);

  // The last time is a whole tone up, and plays the line again.
  await room(page, "Song");
  await page
    .getByRole("button", { name: /Last chorus/ })
    .first()
    .click();
  const raise = page.getByLabel("Key", { exact: true });
  await raise.fill("2");
  await raise.press("Enter");
  await saved(page);
  await openPart(page, /^Last chorus.*, Electric/);
  const field = page.getByRole("region", { name: "Line", exact: true });
  await field.getByLabel("Line", { exact: true }).selectOption("Line 1");
  await expect(field).toContainText(
    "Here it sounds 2 semitones up. It can’t stay on its strings: choose how it is played.",
  );
  await expect(page.getByRole("region", { name: "Findings" })).toContainText(
    "Electric’s line “Line 1” can’t stay on its strings here, 2 semitones up",
  );
  await expectAccessible(page);
  // Shown till then with the right pitches: E and G are F♯ and A.
  await field.getByRole("button", { name: "Play it so" }).click();
  await expect(field.getByRole("button", { name: "Play it so" })).toHaveCount(0);
  await saved(page);
  // The notes of the bar, whatever the row they stand in.
  const tab = (await field
    .getByRole("img", { name: /^Line 1, bar 1: / })
    .first()
    .getAttribute("aria-label"))!
    .replace("Line 1, bar 1: ", "")
    .replace(/; fingers.*$/, "");
  expect(tab).not.toContain("high E 0");
  const played = new RegExp(`^Line 1, bars? 1.*: ${tab}`);
  await page.getByRole("link", { name: "Electric’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  await pedal(page);
  await expect(page.getByRole("heading", { level: 2, name: "Last chorus" })).toBeVisible();
  await expect(page.getByText(/Line 1, 2 semitones up, fingered anew/)).toBeVisible();
  await expect(page.getByRole("img", { name: played }).first()).toBeVisible();
  await page.goto(`/print/${id}`);
  const sheet = page.getByRole("article", { name: /, Electric$/ });
  await expect(sheet.getByRole("img", { name: played }).first()).toBeVisible();
  await expect(
    sheet.getByRole("img", { name: /^Line 1, bars? 1.*: high E 0, high E 3/ }).first(),
  ).toBeVisible();

  // The Lines page shows both: the grid as it was written, and what is played there.
  await page.goto(`/song/${id}/parts/lines`);
  await page.getByLabel("In", { exact: true }).selectOption("Last chorus");
  await expect(
    page.getByText("The grid is the line as it was written; so it is played in Last chorus:"),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: "Move the capo here" })).toBeVisible();
  await page.getByRole("button", { name: "Move the capo here" }).click();
  await saved(page);
  await room(page, "Parts");
  await partsPage(page, "The sheet");
  await expect(page.getByRole("button", { name: /^Last chorus, Electric/ }).first()).toContainText(
    "capo 2 here",
  );
});

test("a fill on the last two bars stands at its bars, and another ending only the third time, on stage time by time", async ({
  page,
}) => {
  const id = await makeSong(
    page,
    "Slow Rope\nKey: G\nTempo: 90\nTime: 4/4\n\n[Verse]\nG . . .      C . . .\nHold it over\nG . . .      D . . .\nhold it home\n",
  );
  await addThreePlayers(page);
  await room(page, "Song");
  await page
    .getByRole("button", { name: /What is otherwise at Verse/ })
    .first()
    .click();
  const times = page.getByLabel("Times", { exact: true });
  await times.fill("3");
  await times.press("Enter");
  await saved(page);
  await openPart(page, /^Verse.*, Electric/);
  await page.getByRole("link", { name: "Write a line for this part" }).click();
  // Pasted from elsewhere: a slide, two bars, words and chords around it.
  await page
    .getByLabel("Paste tab to make a line of it")
    .fill(
      [
        "   G            D",
        "e|--------|--------|",
        "B|--------|--------|",
        "G|5---7/9-|5-------|",
        "D|--------|--------|",
        "A|--------|--------|",
        "E|--------|--------|",
        "   hold it home",
      ].join("\n"),
    );
  await page.getByRole("button", { name: /^Make/ }).click();
  const line = page.getByRole("region", { name: "Line 1", exact: true });
  await expect(line.locator('[data-at="3-0"]')).toHaveText("5");
  await line.getByRole("button", { name: /^Give it to Electric in Verse/ }).click();
  // The same cell again a bar on, its shape two frets up, and taken back.
  const again = line.getByRole("region", { name: "Bars again" });
  await again.getByLabel("Frets up").fill("2");
  await again.getByLabel("Frets up").press("Enter");
  await again.getByRole("button", { name: "Put them there" }).click();
  await expect(line.locator('[data-at="3-16"]')).toHaveText("7");
  await page.getByRole("banner").getByRole("button", { name: "Undo" }).click();
  await expect(line.locator('[data-at="3-16"]')).toHaveCount(0);
  // An octave up it is another line, and taken back it is this one.
  await line.getByRole("button", { name: /^An octave up/ }).click();
  await expect(line.locator('[data-at="3-0"]')).not.toHaveText("5");
  await page.getByRole("banner").getByRole("button", { name: "Undo" }).click();
  await expect(line.locator('[data-at="3-0"]')).toHaveText("5");
  // The note of the second bar is for the third time only.
  await line.locator('[data-at="3-8"]').focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowLeft");
  await line.getByLabel("Which time").selectOption("only time 3");
  await saved(page);
  await openPart(page, /^Verse.*, Electric/);
  const bars = page.getByLabel(/^Bars played/);
  await bars.fill("last 2");
  await bars.press("Enter");
  await saved(page);
  // Lines judges it over the chords of those bars.
  await partsPage(page, "Lines");
  await expect(
    page.getByRole("table", { name: "Bar 2 of Line 1" }).getByText("D", { exact: true }).first(),
  ).toBeVisible();
  await page.getByRole("link", { name: "Electric’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  const first = "Line 1, bars 1–4: G 5, G 7, G /9; fingers 1, 3, 3";
  for (const _ of ["1 of 3", "2 of 3"]) {
    await expect(page.getByRole("img", { name: first, exact: true })).toBeVisible();
    await pedal(page);
  }
  await expect(page.getByText("3 of 3").first()).toBeVisible();
  await expect(
    page.getByRole("img", { name: "Line 1, bars 1–4: G 5, G 7, G /9, G 5; fingers 1, 3, 3, 1", exact: true }),
  ).toBeVisible();
  await expectAccessible(page);
  // Two bars a row on a phone: the first two are empty, the fill stands in the next.
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(page.getByRole("img", { name: "Line 1, bars 1–2: nothing" })).toBeVisible();
  await expect(
    page.getByRole("img", { name: "Line 1, bars 3–4: G 5, G 7, G /9, G 5; fingers 1, 3, 3, 1" }),
  ).toBeVisible();
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`/print/${id}`);
  const sheet = page.getByRole("article", { name: /, Electric$/ });
  await expect(sheet.getByRole("img", { name: first, exact: true })).toHaveCount(1);
});

test("eight bars of roots take at most a fifth of a printed page", async ({ page }) => {
  const bars = Array.from({ length: 8 }, (_, at) => ["G", "C", "D", "Em"][at % 4]);
  const id = await makeSong(
    page,
    `Root Song\nKey: G\nTempo: 90\nTime: 4/4\n\n[Verse]\n${[0, 4]
      .map(
        (from) =>
          `${bars
            .slice(from, from + 4)
            .map((chord) => `${chord} . . .`)
            .join("      ")}\nround the lamp and back again to the water`,
      )
      .join("\n")}\n`,
  );
  await addThreePlayers(page);
  await room(page, "Parts");
  await partsPage(page, "Lines");
  await page.getByLabel("For", { exact: true }).selectOption({ label: "Bass" });
  await page.getByRole("button", { name: "Draw up the bass line" }).click();
  await saved(page);
  await page.goto(`/print/${id}`);
  await page.getByLabel("Sheets of").selectOption({ label: "Bass" });
  // A4 has 1123 px; at this width the sheet is as wide as paper.
  await page.setViewportSize({ width: 794, height: 1123 });
  const heights = await page
    .getByRole("article", { name: /, Bass$/ })
    .locator("section")
    .first()
    .evaluate((section) => section.getBoundingClientRect().height);
  console.log(`eight bars of roots: ${Math.round(heights)} px of a page of 1123`);
  expect(heights).toBeLessThanOrEqual(1123 / 5);
});

test("three sheets of a part with chords and a line, by one choice: on stage and on paper", async ({
  page,
}) => {
  const id = await makeSong(page);
  await addThreePlayers(page);
  await openPart(page, /^Verse 1, Acoustic/);
  const pattern = page.getByRole("region", { name: "Pattern", exact: true });
  await pattern.getByLabel("Pattern", { exact: true }).selectOption("quarters, all down (library)");
  await page.getByRole("link", { name: "Write a line for this part" }).click();
  await page.getByRole("button", { name: "Write a new line" }).click();
  const line = page.getByRole("region", { name: "Line 1", exact: true });
  await line.locator('[data-at="4-0"]').focus();
  for (const key of ["3", "ArrowRight", "5"]) await page.keyboard.press(key);
  await saved(page);
  await page.getByRole("link", { name: "Acoustic’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  const tab = page.getByRole("img", { name: /^Line 1, bars 1–3: B 3, B 5/ });
  const shapes = page.getByRole("list", { name: "Shapes" });
  const words = page.locator(".sung-words").filter({ hasText: "Rope" });
  // Both: tab with its chords and words, shapes and strum beside.
  await expect(tab).toBeVisible();
  await expect(shapes).toBeVisible();
  await expectAccessible(page);
  await onThisScreen(page, "Sheet", "chords only");
  await expect(tab).toHaveCount(0);
  await expect(words).toBeVisible();
  await expect(shapes).toBeVisible();
  await onThisScreen(page, "Sheet", "line only");
  await expect(page.getByRole("img", { name: /^Line 1, bars 1–4: B 3, B 5/ })).toBeVisible();
  await expect(shapes).toHaveCount(0);
  await onThisScreen(page, "Sheet", "as meant for me");
  await page.goto(`/print/${id}`);
  const sheet = page.getByRole("article", { name: /, Acoustic$/ });
  const printed = sheet.getByRole("img", { name: /^Line 1, bars 1–4: B 3, B 5/ });
  await expect(printed.first()).toBeVisible();
  await page.getByLabel("Sheet", { exact: true }).selectOption("chords only");
  await expect(printed).toHaveCount(0);
  await expect(sheet.getByText("Rope on the").first()).toBeVisible();

  // The leader gives this player the chords alone; on their own screen they may take the line again.
  await page.goto(`/song/${id}/players`);
  await page.getByLabel("of chords and line").first().selectOption("chords only");
  await saved(page);
  await page.goto(`/print/${id}`);
  await expect(page.getByLabel("Sheet", { exact: true })).toHaveValue("");
  await expect(printed).toHaveCount(0);
  await page.goto(`/song/${id}`);
  await openPart(page, /^Verse 1, Acoustic/);
  await page.getByRole("link", { name: "Acoustic’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  await expect(words).toBeVisible();
  await expect(tab).toHaveCount(0);
  await onThisScreen(page, "Sheet", "chords and line");
  await expect(tab).toBeVisible();
});

test("a lick on each root goes along when a chord is changed: four acts, then none; given to a bass in one", async ({
  page,
}) => {
  const id = await makeSong(
    page,
    "Step Song\nKey: G\nTempo: 90\nTime: 4/4\n\n[Verse]\nG . . .      C . . .\nround the lamp\n\n[Chorus]\nD . . .   G . . .\nover the water\n",
  );
  await addThreePlayers(page);
  await room(page, "Parts");
  await partsPage(page, "Lines");
  await page.getByLabel("For", { exact: true }).selectOption({ label: "Electric" });
  await page.getByRole("button", { name: "Write a new line" }).click();
  const line = page.getByRole("region", { name: "Line 1", exact: true });
  await line.locator('[data-at="0-0"]').focus();
  for (const key of ["3", "ArrowRight", "5"]) await page.keyboard.press(key);
  await saved(page);
  // 1: set on each root.
  await page.getByRole("button", { name: "Set it on each chord’s root" }).click();
  const lick = page.getByRole("region", { name: "Line 1 on each chord", exact: true });
  await expect(lick).toContainText("The grid is a lick over G; it is set on the root of each chord.");
  await expect(lick.getByRole("img", { name: /^Line 1 on each chord, bar 2: / }).first()).toBeVisible();
  await saved(page);
  await expectAccessible(page);

  // On stage: the lick over C, counted where wanted, and the first bar of what comes next folded below.
  await openPart(page, /^Verse, Electric/);
  await page.getByRole("link", { name: "Electric’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  const overC = page.getByRole("img", {
    name: "Line 1 on each chord, bars 1–2: low E 3, low E 5, A 3, A 5; fingers 1, 3, 1, 3",
  });
  await expect(overC).toBeVisible();
  await onThisScreen(page, "Over tab", "chords and counts");
  await expect(
    page.getByRole("img", { name: /^Line 1 on each chord, bars 1–2: 1: low E 3, &: low E 5, 1: A 3/ }),
  ).toBeVisible();
  await onThisScreen(page, "Over tab", "chords");

  // C becomes Am: the line goes along, and nobody touches it.
  await page.goto(`/song/${id}`);
  await page
    .getByRole("button", { name: /^Change .*line 1/ })
    .first()
    .click();
  const symbol = page.getByLabel("Chord 2", { exact: true });
  await symbol.fill("Am");
  await symbol.press("Enter");
  await saved(page);
  await openPart(page, /^Verse, Electric/);
  await page.getByRole("link", { name: "Electric’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  await expect(
    page.getByRole("img", { name: /^Line 1 on each chord, bars 1–2: low E 3, low E 5, A 0, A 2/ }),
  ).toBeVisible();

  // Another hand: ranked by ease, a copy in one press.
  await page.goto(`/song/${id}/parts/lines`);
  await page.getByLabel("Line", { exact: true }).selectOption("Line 1");
  const others = page.getByRole("region", { name: "For somebody else" });
  await others.getByRole("button", { name: "Give it to Bass, an octave down" }).click();
  await expect(others.getByRole("status")).toContainText("Bass has “Line 1, Bass”, an octave down in Verse");
  await saved(page);
  await page.getByRole("banner").getByRole("button", { name: "Undo" }).click();
  await saved(page);
});
