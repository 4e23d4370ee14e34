import { expect, test } from "@playwright/test";
import { expectAccessible, makeSong, room } from "./helpers";

test("a tuning is set in words, and a string that moves unlike the others is asked about", async ({
  page,
}) => {
  await makeSong(page);
  await room(page, "Players");
  await page.getByRole("button", { name: "Add a bass" }).click();
  const tuning = page.getByLabel("Tuning (4 strings)");
  await tuning.fill("half step down");
  await tuning.press("Enter");
  await expect(tuning).toHaveValue("E♭1 A♭1 D♭2 G♭2");
  // From the highest string, one of them left as it was.
  await tuning.fill("Gb Db A Eb");
  await tuning.press("Enter");
  await expect(page.getByText("A moves unlike the other strings.")).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Like the others" }).click();
  await expect(tuning).toHaveValue("E♭1 A♭1 D♭2 G♭2");
  await tuning.fill("a bit lower");
  await tuning.press("Enter");
  await expect(page.getByText("Words such as “half step down” or “Drop D” do too.")).toBeVisible();
});
