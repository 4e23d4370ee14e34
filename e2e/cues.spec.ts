import { expect, test } from "@playwright/test";
import { expectAccessible, openFromShelf, pedal, room, saved } from "./helpers";

test("cues of the demo follow from its rooms; one of one's own is added on a word, changed and printed", async ({
  page,
}) => {
  await page.goto("/");
  await openFromShelf(page, "Lamp on the Water");
  await room(page, "Cues");
  await expect(page.getByText("Maren counts in: a bar of 4/4 at 76")).toBeVisible();
  await expect(page.getByText("hold until the sign")).toBeVisible();
  await expect(page.getByText("everything up 2 semitones")).toBeVisible();
  await expect(page.getByText("box: both switches: bank 2")).toBeVisible();
  await page.getByLabel("For", { exact: true }).selectOption("Quill");
  await expect(page.getByText("box: both switches: bank 2")).toHaveCount(0);
  await page.getByLabel("For", { exact: true }).selectOption("Tobin");
  await expect(page.getByRole("heading", { name: "Tobin: hands, feet, mouth" })).toBeVisible();
  await expect(page.getByText(/Everything can be done in time|too late/u).first()).toBeVisible();
  await page.getByLabel("For", { exact: true }).selectOption("everybody");

  const form = page.getByRole("form", { name: "A cue of your own" });
  await form.getByLabel("A cue of your own").fill("Look at Maren");
  await form.getByLabel("In").selectOption({ label: "6. Bridge" });
  await form.getByLabel("At").selectOption({ label: "on “harbour”" });
  await form.getByLabel("Whom it is for").selectOption("Tobin");
  await form.getByRole("button", { name: "Add the cue" }).click();
  await expect(page.getByText("Look at Maren", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Change “Look at Maren”" }).click();
  await page.getByLabel("Given").selectOption("nod");
  await page.getByLabel("A danger spot").click();
  await expectAccessible(page);
  await page.getByLabel("Only danger spots").click();
  await expect(page.getByText("Maren counts in: a bar of 4/4 at 76")).toHaveCount(0);
  await expect(page.getByText("Look at Maren", { exact: true })).toBeVisible();
  await saved(page);
  await page.getByRole("link", { name: "Print the cue sheet" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Lamp on the Water: cues" })).toBeVisible();
  await expect(page.getByText("Look at Maren")).toBeVisible();
  await page.getByLabel("For", { exact: true }).selectOption("Odile");
  await expect(page.getByText("Look at Maren")).toHaveCount(0);
  await expectAccessible(page);
});

test("a player's stage shows their own presses with the word, and no one else's", async ({ page }) => {
  await page.goto("/");
  await openFromShelf(page, "Lamp on the Water");
  await page.getByRole("link", { name: "Tobin’s stage" }).click();
  await page.waitForURL(/\/stage\//u);
  const feet = page.getByRole("region", { name: "My feet" });
  const told = feet.getByText(/box:\s+slot 2/u);
  for (let times = 0; times < 6 && (await told.count()) === 0; times++) await pedal(page);
  await expect(feet).toContainText(/box:\s+slot 2 on “/u);
  await expectAccessible(page);
  await page.getByRole("link", { name: "Leave" }).click();
  await page.getByRole("link", { name: "Odile’s stage" }).click();
  await page.waitForURL(/\/stage\//u);
  await pedal(page, "ArrowRight", 3);
  await expect(page.getByText(/box:\s+slot 2/u)).toHaveCount(0);
});
