import { expect, test } from "@playwright/test";
import { addThreePlayers, expectAccessible, makeSong, openPart, partsPage, room, saved } from "./helpers";

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
  test.setTimeout(120_000);
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
    .getAttribute("aria-label"))!.replace("Line 1, bar 1: ", "");
  expect(tab).not.toContain("high E 0");
  const played = new RegExp(`^Line 1, bars? 1.*: ${tab}`);
  await page.getByRole("link", { name: "Electric’s stage" }).click();
  await page.waitForURL(/\/stage\//);
  await page.keyboard.press("ArrowRight");
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
