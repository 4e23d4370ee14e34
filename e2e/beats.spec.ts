import { expect, type Locator, type Page, test } from "@playwright/test";
import { expectAccessible, saved } from "./helpers";

/** A sheet whose guessed beats are all wrong: what is meant stands in the tests. */
const LINES = `[Verse]
[G]Lamps along the [Em]harbour [C]wall
[C]Nets are hung to [G]dry, that's [D]all
[G]Salt is in the [D]morning [C]air
[C]Half the boats are [G]still out [D]there

[Chorus]
[F]Bring them [G]in
[Am]Bring them [F]in
[F]Light them [C]in
`;

async function paste(page: Page, text: string): Promise<void> {
  await page.goto("/new");
  await page.getByLabel("The sheet").fill(text);
  await page.getByRole("button", { name: "What was understood" }).click();
}

const beatsOf = (place: Page | Locator, label: string) => place.getByLabel(`Beats of ${label}`);

test("eighteen wrong beats are right in four acts", async ({ page }) => {
  await paste(page, LINES);
  let acts = 0;
  const type = async (label: string, row: string, key: string) => {
    const field = beatsOf(page, label);
    acts++;
    await field.fill(row);
    acts++;
    await field.press(key);
  };
  await type("line 1 of Verse", "3 1 | 4", "Control+Enter");
  await type("line 1 of Chorus", "6 2", "Control+Enter");
  await page.getByRole("button", { name: "Make this song" }).click();
  await page.waitForURL(/\/song\//u);
  for (const line of [1, 2, 3, 4])
    await expect(beatsOf(page, `line ${line} of Verse`)).toHaveValue("3 1 | 4");
  for (const line of [1, 2, 3]) await expect(beatsOf(page, `line ${line} of Chorus`)).toHaveValue("6 2");
  await expect(page.getByRole("region", { name: "Verse" })).toContainText("8 bars");
  process.stdout.write(`eighteen wrong beats: ${acts} acts; on paper, one a figure: 18\n`);
  expect(acts).toBeLessThanOrEqual(5);
});

test("a row is typed in the Song room: on to the next line, over several, and refused with a sentence", async ({
  page,
}) => {
  await paste(page, LINES);
  await page.getByRole("button", { name: "Make this song" }).click();
  await page.waitForURL(/\/song\//u);
  const first = beatsOf(page, "line 1 of Verse");
  await first.fill("3 1 4 | 2 2 4");
  await first.press("Enter");
  await expect(beatsOf(page, "line 2 of Verse")).toHaveValue("2 2 | 4");
  await expect(first).toHaveValue("3 1 | 4");
  await expect(beatsOf(page, "line 2 of Verse")).toBeFocused();
  await page.keyboard.press("ArrowDown");
  const third = beatsOf(page, "line 3 of Verse");
  await expect(third).toBeFocused();
  const before = await third.inputValue();
  await third.fill("4 4");
  await third.press("Enter");
  await expect(page.getByText("2 numbers for 3 chords")).toBeVisible();
  await third.press("Escape");
  await expect(third).toHaveValue(before);
  await third.fill("2");
  await third.press("Enter");
  await expect(third).toHaveValue("2 2 | 2");
  await expect(page.getByText(/Line 3 has 1\.5 bars|Does not close/u).first()).toBeVisible();
  await expectAccessible(page);
  await saved(page);
  await page.reload();
  await expect(beatsOf(page, "line 2 of Verse")).toHaveValue("2 2 | 4");
});

/** Taps the pad at beats counted from the first downbeat, by the page's own clock. */
const tapAt = (page: Page, beats: readonly number[], beat: number) =>
  page.evaluate(
    async ([places, ms]) => {
      const pad = document.activeElement as HTMLElement;
      while (!pad.textContent?.startsWith("Tap: 1")) await new Promise(requestAnimationFrame);
      const start = performance.now();
      for (const place of places) {
        await new Promise((done) => setTimeout(done, start + place * ms - performance.now()));
        pad.dispatchEvent(new KeyboardEvent("keydown", { key: " ", bubbles: true, cancelable: true }));
      }
    },
    [beats, beat] as const,
  );

test("the beats of a section are tapped to a click", async ({ page }) => {
  await paste(page, LINES);
  const chorus = page.locator("div").filter({ has: page.getByLabel("Name of section 2") });
  await chorus.getByRole("button", { name: "Tap the beats" }).last().click();
  const panel = page.getByRole("region", { name: "Tap the beats of Chorus" });
  await panel.getByLabel("The click").fill("120");
  await panel.getByLabel("The click").press("Enter");
  await panel.getByRole("button", { name: "Start the click" }).click();
  // F 3, G 1, Am 2.5, F 1.5, F 2, C 2.
  await tapAt(page, [0, 3, 4, 6.5, 8, 10, 12], 500);
  await expect(panel.getByText("All chords are tapped.")).toBeVisible();
  await expectAccessible(page);
  await panel.getByRole("button", { name: "Take these beats" }).click();
  await expect(beatsOf(page, "line 1 of Chorus")).toHaveValue("3 1");
  await expect(beatsOf(page, "line 2 of Chorus")).toHaveValue("2.5 1.5");
  await expect(beatsOf(page, "line 3 of Chorus")).toHaveValue("2 2");
});
