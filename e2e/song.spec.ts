import { expect, test } from "@playwright/test";
import { expectAccessible, makeSong, room, SHEET, saved } from "./helpers";

test("the demo evening stands on the first page", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Lantern Night at the Net Loft" })).toBeVisible();
  await expect(
    page.getByRole("region", { name: "Lantern Night at the Net Loft" }).getByRole("listitem"),
  ).toHaveCount(4);
  await expectAccessible(page);
});

test("a pasted sheet is understood before it is made", async ({ page }) => {
  await page.goto("/new");
  await page.getByLabel("The sheet").fill(SHEET);
  await page.getByRole("button", { name: "What was understood" }).click();
  const understood = page.getByRole("region", { name: "What was understood" });
  await expect(understood).toContainText("G major, 4/4, 84 a minute");
  await expect(understood.getByLabel("Name of section 1")).toHaveValue("Verse 1");
  await expect(page.getByText("(found: Night Ferry)")).toBeVisible();
  await expectAccessible(page);
});

/** A bare sheet, as it stands in most folders: no beats, no bars. */
const BARE = `[Verse]
[C]You left your [G]coat on the [Am]back of the [F]chair
[C]I keep the [G]window as [F]though you were there

[Chorus]
[F]Come back, [G]come back
[Am]Say what you [F]mean
`;

test("a sheet without beats asks how it goes: one act sets eleven beats right", async ({ page }) => {
  let acts = 0;
  const act = async (work: Promise<unknown>) => {
    acts++;
    await work;
  };
  await page.goto("/new");
  await act(page.getByLabel("The sheet").fill(BARE));
  await act(page.getByRole("button", { name: "What was understood" }).click());
  const readings = page.getByRole("group", { name: "How does it go?" });
  await expect(readings.getByRole("radio")).toHaveCount(4);
  await expect(readings.getByRole("radio").first()).toBeChecked();
  await expect(readings).toContainText("Verse: 8 bars");
  await expectAccessible(page);
  await act(readings.getByRole("radio", { name: /^2 bars a line/u }).click());
  await expect(page.getByRole("region", { name: "What was understood" })).toContainText("8 bars of 4 beats");
  await act(page.getByRole("button", { name: "Make this song" }).click());
  await page.waitForURL(/\/song\//u);
  const verse = page.getByRole("region", { name: "Verse" });
  await expect(verse).toContainText("4 bars");
  await expect(verse.locator(".sung-chord")).toHaveText(["C", "G", "Am", "F", "C", "G", "F"]);
  process.stdout.write(
    `a bare sheet of 11 chords with its beats: ${acts} acts; written by hand, one a sign: ${BARE.length}\n`,
  );
  expect(acts).toBeLessThanOrEqual(4);
});

test("sections, beats, a section that does not close and its fix", async ({ page }) => {
  await makeSong(page);
  await expect(page.getByLabel("Title")).toHaveValue("Night Ferry");
  const verse = page.getByRole("region", { name: "Verse 1" });
  await expect(verse).toContainText("4 bars");
  await expect(verse.locator(".sung-chord")).toHaveText(["G", "D/F♯", "Em7", "C"]);
  await expect(verse.locator(".sung-piece").first().locator(".sung-beat")).toHaveCount(4);
  const chorus = page.getByRole("region", { name: "Chorus" });
  await expect(chorus.getByText("Does not close.")).toBeVisible();
  await expectAccessible(page);
  await chorus.getByRole("button", { name: "Line 2: Am7 4, D 4: 8 beats" }).click();
  await expect(chorus.getByText("Does not close.")).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(chorus.getByText("Does not close.")).toBeVisible();
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(chorus.getByText("Does not close.")).toHaveCount(0);
});

test("key, tempo, metre and the order of the form", async ({ page }) => {
  await makeSong(page);
  await page.getByLabel("Sounds in").selectOption("A");
  await expect(page.getByRole("region", { name: "Verse 1" }).locator(".sung-chord")).toHaveText([
    "A",
    "E/G♯",
    "F♯m7",
    "D",
  ]);
  await page.getByLabel("Tempo").fill("92");
  await page.getByLabel("Tempo").press("Enter");
  const form = page.getByRole("region", { name: "Form" });
  const rows = form.getByRole("listitem");
  await expect(rows).toHaveCount(4);
  await rows.nth(0).getByRole("button", { name: "Move Verse 1" }).focus();
  await page.keyboard.press("Alt+ArrowDown");
  await expect(rows.nth(0)).toContainText("Chorus");
  await rows
    .nth(1)
    .getByLabel(/Times Verse 1/)
    .selectOption("2");
  await form.getByLabel("Play also").selectOption({ label: "Chorus" });
  await expect(rows).toHaveCount(5);
  await rows
    .nth(4)
    .getByRole("button", { name: /^Take Chorus.* out of the form/ })
    .click();
  await expect(rows).toHaveCount(4);
  await saved(page);
  await page.reload();
  await expect(page.getByLabel("Tempo")).toHaveValue("92");
  await expect(rows.nth(0)).toContainText("Chorus");
});

test("dragging moves a place of the form", async ({ page }) => {
  await makeSong(page);
  const rows = page.getByRole("region", { name: "Form" }).getByRole("listitem");
  const handle = (index: number) => rows.nth(index).getByRole("button", { name: /^Move/ });
  const from = (await handle(0).boundingBox())!;
  const to = (await handle(1).boundingBox())!;
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(to.x + 8, to.y + 20, { steps: 12 });
  await page.mouse.up();
  await expect(rows.nth(0)).toContainText("Chorus");
});

test("lines: words, chords by keys, an unreadable chord said and kept out", async ({ page }) => {
  await makeSong(page);
  const verse = page.getByRole("region", { name: "Verse 1" });
  await verse.getByRole("button", { name: "Change line 1 of Verse 1" }).click();
  await verse.getByLabel("Words").fill("Rope on the <b>rail</b>, salt in the air");
  await verse.getByLabel("Words").press("Enter");
  await expect(verse.locator(".sung-line").first()).toContainText("<b>rail</b>,");
  const beats = verse.getByRole("application", { name: "Beats of line 1 of Verse 1" });
  await beats.focus();
  await page.keyboard.press("]");
  await expect(verse.locator(".sung-piece").first().locator(".sung-beat")).toHaveCount(5);
  await expect(verse.getByText("Does not close.")).toBeVisible();
  await page.keyboard.press("[");
  await expect(verse.getByText("Does not close.")).toHaveCount(0);
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.type("Em");
  await page.keyboard.press("Enter");
  await expect(verse.locator(".sung-chord")).toHaveText(["G", "Em", "D/F♯", "Em7", "C"]);
  await expect(verse.getByText("line 1 of Verse 1, beat 3 of 8: Em, 2 beats")).toBeVisible();
  await page.keyboard.press("Delete");
  await expect(verse.locator(".sung-chord")).toHaveText(["G", "D/F♯", "Em7", "C"]);
  await verse.getByLabel("Chord 2", { exact: true }).fill("H7");
  await verse.getByLabel("Chord 2", { exact: true }).press("Enter");
  await expect(verse.getByRole("alert")).toContainText("“H7” can’t be read as a chord.");
  await expect(verse.locator(".sung-chord").nth(1)).toHaveText("D/F♯");
  const chords = ["G", "Bm7", "D/F♯", "Em7", "C"];
  // Once in 26 runs, beside a second test, the press put nothing; why is not known yet.
  await expect(async () => {
    await verse.getByLabel("A new chord").fill("Bm7");
    await verse.getByRole("button", { name: "Put the chord here" }).click();
    await expect(verse.locator(".sung-chord")).toHaveText(chords, { timeout: 2000 });
  }).toPass({ timeout: 60_000 });
  await expect(verse.locator(".sung-chord")).toHaveText(chords);
  await expectAccessible(page);
});

test.describe("bad input gets a sentence and loses nothing", () => {
  test("an empty paste", async ({ page }) => {
    await page.goto("/new");
    await page.getByRole("button", { name: "Make this song" }).click();
    await expect(page.getByRole("alert").filter({ hasText: "There is nothing here yet." })).toBeVisible();
  });

  test("a paste of 5 MB leaves the field as it was", async ({ page }) => {
    await page.goto("/new");
    await page.getByLabel("The sheet").fill("[Verse]\nG C D G");
    await page.getByLabel("The sheet").evaluate((area) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData("text", "G C D G\n".repeat(650_000));
      area.dispatchEvent(new ClipboardEvent("paste", { clipboardData, bubbles: true, cancelable: true }));
    });
    await expect(page.getByRole("alert").filter({ hasText: "5,200,000 characters" })).toBeVisible();
    await expect(page.getByLabel("The sheet")).toHaveValue("[Verse]\nG C D G");
  });

  test("words only, and a key without chords", async ({ page }) => {
    await page.goto("/new");
    await page.getByLabel("The sheet").fill("Key: D\nonly words stand here\nand here");
    await page.keyboard.press("F2");
    await expect(page.getByRole("region", { name: "What was understood" })).toContainText(
      "No line of chords was found.",
    );
    await page.getByRole("button", { name: "Make this song" }).click();
    await page.waitForURL(/\/song\//);
    await expect(page.getByText("only words stand here")).toBeVisible();
    await room(page, "Keys");
    await expect(page.getByText("No chord is played yet.")).toBeVisible();
  });

  test("a chord that can't be read, tempo 0, metre 0, script in a title", async ({ page }) => {
    await makeSong(page, "Title: <script>window.hacked = 1</script>\n[Verse]\nG   Cq7   D\nlight on water\n");
    await expect(page.getByText("“Cq7” can’t be read as a chord; it is kept as written.")).toBeVisible();
    await expect(page.getByLabel("Title")).toHaveValue("<script>window.hacked = 1</script>");
    expect(await page.evaluate(() => "hacked" in window)).toBe(false);
    await page.getByLabel("Tempo").fill("0");
    await page.getByLabel("Tempo").press("Enter");
    await expect(page.getByText("Tempo should be a number from 1 to 400, not “0”.")).toBeVisible();
    await page.getByLabel("Beats in a bar").fill("0");
    await page.getByLabel("Beats in a bar").press("Enter");
    await expect(
      page.getByText("Beats in a bar should be a whole number from 1 to 32, not “0”."),
    ).toBeVisible();
    await page.reload();
    await expect(page.getByLabel("Tempo")).toHaveValue("80");
  });

  test("an unknown song", async ({ page }) => {
    await page.goto("/song/nobody");
    await expect(page.getByRole("heading", { name: "Nothing is kept at this address" })).toBeVisible();
    await expectAccessible(page);
  });
});
