import { expect, test } from "@playwright/test";
import { addThreePlayers, expectAccessible, makeSong, openPart, partsPage, room, saved } from "./helpers";

test("a line from the chords in two acts: tenths that are told by their tones, heard by nobody else, kept in tab", async ({
  page,
}) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Parts");
  await partsPage(page, "Lines");
  await page.getByLabel("For", { exact: true }).selectOption("Electric");
  const made = page.getByRole("region", { name: "Drawn up from the chords" });
  await made.getByLabel("Line on the changes").selectOption("tenths");
  await made.getByRole("button", { name: "Draw up the line" }).click();
  await expect(made.getByText(/^Wrote “tenths, Verse 1”: (root|third)/)).toBeVisible();
  await expect(page.getByRole("region", { name: "tenths, Verse 1", exact: true })).toBeVisible();
  await expectAccessible(page);
  await saved(page);

  // One note at a time, on every beat; then strings that have no place for octaves say so, and nothing is added.
  await made.getByLabel("Line on the changes").selectOption("single notes");
  await made.getByLabel("Struck").selectOption("every beat");
  await made.getByRole("button", { name: "Draw up the line" }).click();
  await expect(made.getByText(/^Wrote “single notes, Verse 1”: /)).toBeVisible();
  await saved(page);
  await openPart(page, /^Verse 1.*, Electric/);
  const pane = page.getByRole("complementary");
  await pane.getByLabel("Strings").selectOption("B and high E only");
  await saved(page);
  await partsPage(page, "Lines");
  await page.getByLabel("For", { exact: true }).selectOption("Electric");
  await made.getByLabel("Line on the changes").selectOption("octaves");
  await made.getByRole("button", { name: "Draw up the line" }).click();
  await expect(
    made.getByText("These strings have no place for octaves on every chord.", { exact: false }),
  ).toBeVisible();
});
