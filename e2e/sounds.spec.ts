import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, FAST, makeSong, openFromShelf, pressAt, room, saved } from "./helpers";

/** Three sections of four bars, fast: 4.8 seconds each. */
const THREE = `${FAST}
[Bridge]
Em . . .     C . . .
Hold it a moment
G . . .      D . . .
hold it and go
`;

const tab = async (page: Page, name: string) => {
  await page
    .getByRole("navigation", { name: "Pages of the Sounds room" })
    .getByRole("link", { name })
    .click();
  await expect(page.getByRole("link", { name, exact: true })).toHaveAttribute("aria-current", "page");
};

/** A song of our own with an electric guitar that has a sound for each section. */
async function threeSounds(page: Page): Promise<void> {
  await makeSong(page, THREE);
  await room(page, "Players");
  await page.getByRole("button", { name: "Add an electric guitar" }).click();
  await saved(page);
  await room(page, "Sounds");
  await expect(page.getByText("No part names a sound yet")).toBeVisible();
  for (const [section, name] of [
    ["Verse", "Low tide"],
    ["Chorus", "High water"],
    ["Bridge", "Fog"],
  ] as const) {
    await page.getByLabel(`Sound in ${section}`).selectOption({ label: "describe a new one…" });
    const field = page.getByRole("complementary", { name: "Sounds" }).getByLabel("Name");
    await expect(field).toHaveValue(`Sound for ${section}`);
    await field.fill(name);
    await field.press("Enter");
    await expect(page.getByLabel(`Sound in ${section}`)).toHaveValue(name);
  }
}

test("make three sounds, plan their banks, pin one, save them, and run the trainer", async ({ page }) => {
  await threeSounds(page);
  const pane = page.getByRole("complementary", { name: "Sounds" });
  // Fog is open: a delay in it is told in the ledger as what changes.
  await pane.getByLabel("delay", { exact: true }).selectOption("1/8.");
  await pane.getByLabel("drive stages", { exact: true }).fill("2");
  await pane.getByLabel("drive stages", { exact: true }).press("Enter");
  const ledger = page.getByRole("region", { name: "Through the song" });
  await expect(ledger.getByText("delay dotted 1/8", { exact: true })).toBeVisible();
  await expect(ledger.getByText("drive stages up to 2", { exact: true })).toBeVisible();
  await expectAccessible(page);

  await tab(page, "The box");
  await page.getByLabel("Slots in a bank").fill("0");
  await page.getByLabel("Slots in a bank").press("Enter");
  await expect(page.getByText("should be a whole number from 1 to 16, not “0”")).toBeVisible();
  await page.getByLabel("Slots in a bank").fill("2");
  await page.getByLabel("Slots in a bank").press("Enter");
  await expectAccessible(page);

  await tab(page, "Banks and presses");
  await expect(
    page.getByText(/1 change heard, 1 bank change, 3 presses, 3 slots in 2 banks/u).first(),
  ).toBeVisible();
  await expect(page.getByText(/Into Bridge the change is heard/u)).toBeVisible();
  // A sound is pinned by keys: taken, moved to the slot at its right, let go.
  await page.getByRole("button", { name: "Drag Low tide from bank 1, slot 1 to another slot" }).focus();
  await page.keyboard.press("Space");
  await page.keyboard.press("ArrowRight");
  for (let times = 0; times < 8; times++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Space");
  await expect(
    page.getByRole("button", { name: "Take the pin of Low tide in bank 1, slot 2 out" }),
  ).toBeVisible();
  await expect(page.getByText("Your pins cost nothing")).toBeVisible();
  await expect(page.getByRole("row", { name: /bar 1 of Chorus, beat 1.*slot 1/u })).toBeVisible();
  // The change that is heard is hidden by a chord that ends a beat early.
  await page.getByRole("button", { name: "End the last chord of Chorus early, by 1 beat" }).click();
  await expect(page.getByText(/^No change heard, 1 bank change/u)).toBeVisible();
  await page.getByRole("button", { name: "All of them are saved" }).click();
  await expect(page.getByText("Every slot is saved as the song has it.")).toBeVisible();
  await expect(page.getByRole("row", { name: /banks of 8/u })).toContainText("1");
  await expectAccessible(page);
  await saved(page);

  await tab(page, "Play it");
  await page.getByRole("button", { name: "My own feet" }).click();
  // Slot 1 at second 4.8; bank 2 armed at 7 and let go in the rest that begins at 9.3.
  await pressAt(page, [
    [4.85, "1"],
    [7, "5"],
    [9.32, "3"],
  ]);
  await expect(page.getByRole("heading", { name: "The answer" })).toBeVisible({ timeout: 40_000 });
  await expect(page.getByText(/^3 of 3 right/u)).toBeVisible();
  await expect(page.getByText(/: 3 of 3 right, a clean run/u)).toBeVisible();
  await expectAccessible(page);
});

test("bad input gets a sentence and a way out, and changes nothing", async ({ page }) => {
  await threeSounds(page);
  // A sound that sections use is removed: what they take instead is asked for.
  const pane = page.getByRole("complementary", { name: "Sounds" });
  await pane.getByRole("button", { name: "Remove this sound" }).click();
  await expect(page.getByText("“Fog” is named in 1 part of the sheet.")).toBeVisible();
  await page.getByLabel("They take").selectOption({ label: "keep the name, undescribed" });
  await page.getByRole("button", { name: "Remove it" }).click();
  await expect(page.getByText("“Fog” is named in Bridge and not described.")).toBeVisible();
  await page.getByRole("button", { name: "Describe “Fog”" }).click();
  await expect(page.getByText("“Fog” is named in Bridge and not described.")).toHaveCount(0);

  // More sounds than the box can hold.
  await tab(page, "The box");
  await page.getByLabel("Slots in a bank").fill("2");
  await page.getByLabel("Slots in a bank").press("Enter");
  await page.getByLabel("As many banks as one likes").click();
  await page.getByLabel("Banks", { exact: true }).fill("1");
  await page.getByLabel("Banks", { exact: true }).press("Enter");
  await expect(page.getByText(/3 tones don't fit 1 bank of 2 slots: allow 2 banks/u)).toBeVisible();
  await page.getByLabel("As many banks as one likes").click();
  await expect(page.getByText(/3 tones don't fit/u)).toHaveCount(0);

  // A tempo at which a delay is longer than the box can give.
  await page.getByLabel("Its longest delay is known").click();
  await page.getByLabel("Longest delay", { exact: true }).fill("400");
  await page.getByLabel("Longest delay", { exact: true }).press("Enter");
  await tab(page, "The ledger");
  await pane.getByRole("button", { name: "Low tide", exact: true }).click();
  await pane.getByLabel("delay", { exact: true }).selectOption("1/4");
  await tab(page, "Times and harmony");
  await expect(page.getByRole("row", { name: /Low tide delay 1\/4/u })).toContainText("fits");
  await page.getByLabel("of", { exact: true }).fill("500");
  await page.getByLabel("of", { exact: true }).press("Enter");
  await page.getByRole("button", { name: "Play the song at that" }).click();
  await expect(page.getByRole("row", { name: /Low tide delay 1\/4/u })).toContainText(
    "too long: at most 400 ms",
  );
  await tab(page, "Banks and presses");
  await page.getByRole("button", { name: /^Set it to a/u }).click();
  await expect(page.getByText(/The delay of “Low tide”/u)).toHaveCount(0);
  await expectAccessible(page);
});

test("the demo: the ledger's moves, an evening's banks, the harmony, the print and the MIDI file", async ({
  page,
  request,
}) => {
  await page.goto("/");
  await openFromShelf(page, "Lamp on the Water");
  await room(page, "Sounds");
  await expect(page.getByText("bars 7–8: volume pedal 6 of 10, by foot")).toBeVisible();
  await page.getByRole("button", { name: "Moves inside Verse 2" }).click();
  await page.getByLabel("From bar").fill("7");
  await page.getByLabel("From bar").press("Enter");
  await page.getByLabel("Until the end of bar").fill("8");
  await page.getByLabel("Until the end of bar").press("Enter");
  await page.getByRole("button", { name: "Add the move" }).click();
  await expect(page.getByText("bars 7–8: guitar tone 10 of 10, by hand").first()).toBeVisible();
  await tab(page, "Times and harmony");
  await expect(page.getByText(/4 of 30 added notes grate/u)).toBeVisible();
  await expectAccessible(page);
  await tab(page, "An evening");
  await expect(
    page.getByRole("heading", { name: "Lantern Night at the Net Loft: Tobin’s box" }),
  ).toBeVisible();
  await expect(
    page.getByRole("row", { name: /Nine Bells Down Harbour growl|Nine Bells Down/u }),
  ).toBeVisible();
  await expectAccessible(page);
  await tab(page, "Banks and presses");
  const href = await page.getByRole("link", { name: "Save as a MIDI file" }).getAttribute("href");
  const file = await request.get(href!);
  expect(file.status()).toBe(200);
  expect((await file.body()).subarray(0, 4).toString("latin1")).toBe("MThd");
  expect((await request.get(href!.replace(/changes=.*/u, "changes=nobody"))).status()).toBe(404);
  await page.getByRole("link", { name: "Large print for the floor" }).click();
  await expect(
    page.getByRole("heading", { level: 1, name: /Lamp on the Water: Tobin’s sounds/u }),
  ).toBeVisible();
  await expectAccessible(page);
});

test("on a phone nothing runs out at the side", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/");
  await openFromShelf(page, "Lamp on the Water");
  await room(page, "Sounds");
  for (const name of [
    "The ledger",
    "Banks and presses",
    "The box",
    "Times and harmony",
    "An evening",
    "Play it",
  ]) {
    await tab(page, name);
    await page.waitForTimeout(400);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(wide, name).toBeLessThanOrEqual(0);
  }
});
