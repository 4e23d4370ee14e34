import { expect, type Page, test } from "@playwright/test";
import { addThreePlayers, expectAccessible, makeSong, openFromShelf, pedal, room, saved } from "./helpers";

/** Pixels a millimetre on a 13-inch screen of 1280×800: the diagonal is 1509 px and 330.2 mm. */
const PX_PER_MM = Math.hypot(1280, 800) / (13 * 25.4);

async function openStage(page: Page, song: string, player: string): Promise<void> {
  await page.goto("/");
  await openFromShelf(page, song);
  await page.getByRole("link", { name: `${player}’s stage` }).click();
  await page.waitForURL(/\/stage\//);
  await expect(page.getByRole("button", { name: "On", exact: true })).toBeEnabled();
}

test("now and next, in the player's own names, forward and back by key", async ({ page }) => {
  await openStage(page, "Lamp on the Water", "Maren");
  await expect(page.getByText("capo 2, shapes of G")).toBeVisible();
  await expect(page.getByRole("heading", { level: 2 })).toHaveText("Intro");
  await expect(page.getByRole("navigation", { name: "Go through the song" })).toContainText("Verse 1");
  for (const key of ["ArrowRight", "Space", "PageDown"]) await pedal(page, key);
  await expect(page.getByRole("heading", { level: 2 })).not.toHaveText("Intro");
  for (const key of ["PageUp", "ArrowLeft", "ArrowLeft", "ArrowLeft", "ArrowLeft"]) await pedal(page, key);
  await expect(page.getByRole("heading", { level: 2 })).toHaveText("Intro");
  await pedal(page);
  await expect(page.locator(".sung-chord").first()).toHaveText("G");
  await expect(page.getByRole("list", { name: "Shapes" }).getByRole("img").first()).toBeVisible();
  await expect(page.locator(".sung-beat").first()).toBeVisible();
  await expectAccessible(page);
});

test("the bass reads what sounds; a capo of one section only is told there", async ({ page }) => {
  await openStage(page, "Lamp on the Water", "Odile");
  await expect(page.getByText("sounds in A", { exact: true })).toBeVisible();
  await pedal(page);
  await expect(page.locator(".sung-chord").first()).toHaveText("(A) you are silent");
  await openStage(page, "Lamp on the Water", "Tobin");
  await expect(page.getByText("no capo, shapes of A")).toBeVisible();
  for (let press = 0; press < 20 && !(await page.getByText("1 of 2", { exact: true }).isVisible()); press++)
    await pedal(page);
  await expect(page.getByText("capo 7, shapes of E")).toBeVisible();
});

test("readable from two metres: chords 10 mm, words 7 mm high at 1280×800", async ({ page }) => {
  await openStage(page, "Lamp on the Water", "Maren");
  await pedal(page);
  await expect(page.getByRole("heading", { level: 2 })).toHaveText("Verse 1");
  const heights = (selector: string) =>
    page
      .locator(selector)
      .evaluateAll((all) =>
        all.filter((one) => one.textContent?.trim()).map((one) => one.getBoundingClientRect().height),
      );
  for (const height of await heights(".stage-line .sung-chord"))
    expect(height / PX_PER_MM).toBeGreaterThanOrEqual(10);
  for (const height of await heights(".stage-line .sung-words"))
    expect(height / PX_PER_MM).toBeGreaterThanOrEqual(7);
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
});

for (const [what, size] of Object.entries({
  "a small screen": { width: 390, height: 700 },
  "a desk": { width: 1280, height: 800 },
}))
  test(`no line is lost on ${what}: going on brings the hidden ones first, the one on top whole`, async ({
    page,
  }) => {
    await page.setViewportSize(size);
    await openStage(page, "Lamp on the Water", "Maren");
    await pedal(page);
    await expect(page.getByRole("heading", { level: 2 })).toHaveText("Verse 1");
    const seen = new Set<string>();
    const total = await page.locator(".stage-line").count();
    for (let press = 0; press < 12; press++) {
      const visible = await page.locator(".stage-line").evaluateAll((lines) => {
        const box = lines[0]!.parentElement!.getBoundingClientRect();
        return lines
          .filter(
            (line) =>
              line.getBoundingClientRect().top >= box.top - 2 &&
              line.getBoundingClientRect().bottom <= box.bottom + 2,
          )
          .map((line) => line.textContent ?? "");
      });
      if ((await page.getByRole("heading", { level: 2 }).textContent()) !== "Verse 1") break;
      for (const text of visible) seen.add(text);
      const isCut = await page.locator(".stage-line").evaluateAll((lines) => {
        const { top } = lines[0]!.parentElement!.getBoundingClientRect();
        return lines.some((line) => {
          const own = line.getBoundingClientRect();
          return own.top < top - 2 && own.bottom > top + 2;
        });
      });
      expect(isCut, `after ${press} presses`).toBe(false);
      await pedal(page);
    }
    expect(seen.size).toBe(total);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  });

test("stage follows what the leader changes in another window", async ({ page, context }) => {
  const id = await makeSong(page);
  await addThreePlayers(page);
  const stage = await context.newPage();
  await stage.goto(`/song/${id}`);
  await stage.getByRole("link", { name: "Bass’s stage" }).click();
  await expect(stage.locator(".sung-chord").first()).toHaveText("G");
  await room(page, "Song");
  await page.getByLabel("Sounds in").selectOption("A");
  await saved(page);
  await expect(stage.locator(".sung-chord").first()).toHaveText("A");
});

test("a song's own stage: clock, tempo, a section round and round, one's own note; another screen stays where it is", async ({
  page,
  context,
}) => {
  await openStage(page, "Lamp on the Water", "Maren");
  const other = await context.newPage();
  await other.goto(page.url());
  const where = page.locator(".where-we-are");
  const heading = page.getByRole("heading", { level: 2 });
  await page.getByRole("button", { name: "Faster" }).click();
  await page
    .getByRole("navigation", { name: "Form" })
    .getByRole("button", { name: /^Outro/u })
    .click();
  await expect(heading).toHaveText("Outro");
  await page.getByRole("button", { name: "Count in" }).click();
  await expect(where).toHaveAttribute("data-phase", "counting");
  await page.waitForTimeout(450);
  await page.getByRole("button", { name: "Round and round" }).click();
  await expect(where).toContainText("round and round");
  await expect(where).toHaveAttribute("data-phase", "playing");
  await expect(page.locator("[data-now]").first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(where).toHaveAttribute("data-phase", "stopped");
  await expect(other.getByRole("heading", { level: 2 })).toHaveText("Intro");
  await expect(other.locator(".where-we-are")).toHaveAttribute("data-phase", "waiting");

  await page.getByRole("button", { name: "Own note" }).click();
  await page.getByLabel("Own note").fill("let it ring");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByRole("button", { name: "let it ring" })).toBeVisible();
  await page.reload();
  await expect(heading).toHaveText("Intro");
  await page
    .getByRole("navigation", { name: "Form" })
    .getByRole("button", { name: /^Outro/u })
    .click();
  const note = page.getByRole("button", { name: "let it ring" });
  await note.click();
  await page.getByLabel("Own note").fill("");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(note).toHaveCount(0);
});

test("print: one clean sheet a player", async ({ page }) => {
  await page.goto("/");
  await openFromShelf(page, "Slow Tide Home");
  await page.getByRole("link", { name: "Print the sheets" }).click();
  await expect(page.getByRole("article")).toHaveCount(4);
  await expectAccessible(page);
  await page.getByLabel("Sheets of").selectOption({ label: "Maren" });
  await expect(page.getByRole("article")).toHaveCount(1);
  await expect(page.getByRole("article")).toContainText("Capo 5, shapes of C; sounds in F");
  const pdf = await page.pdf({ format: "A4" });
  const pages = pdf.toString("latin1").match(/\/Type\s*\/Page\b/gu) ?? [];
  expect(pages.length).toBeLessThanOrEqual(2);
});
