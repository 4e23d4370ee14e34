import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, makeSong, saved } from "./helpers";

const SONG = `Harbour Bell
Key: G
[Verse 1]
| G | C |
Light on the water low
| D | G |
home by the evening bell
[Chorus]
| D | G | Em | C |
Ring, ring, over the harbour
| G | D |
ring for me
[Verse 2]
| G | C |
Rope on the morning tide
| D | G |
hands that we used to know
[Chorus]
[Bridge]
| Em | C | Em | D |
All of the lanterns burning
[Chorus]
`;

const section = (page: Page, name: string) => page.getByRole("region", { name, exact: true });
const chord = (page: Page, name: string, at: number) => section(page, name).locator("[data-chord]").nth(at);
const form = (page: Page) => page.getByRole("region", { name: "Form" }).getByRole("listitem");
const chordsOf = (page: Page, name: string) => section(page, name).locator(".sung-chord");

/** Counts what a hand does: a press on the screen, a key, a text typed and entered. */
class Acts {
  count = 0;
  constructor(readonly page: Page) {}
  async mark(name: string, at: number, key: string) {
    this.count++;
    await chord(this.page, name, at).click();
    await this.page.keyboard.press(key);
  }
  async press(target: ReturnType<Page["locator"]>) {
    this.count++;
    await target.click();
  }
  async type(target: ReturnType<Page["locator"]>, text: string) {
    this.count++;
    await target.fill(text);
    await target.press("Enter");
  }
}

/** Adds a guitar, so that there is a stage. */
async function withGuitar(page: Page, versionId: string): Promise<void> {
  await page.goto(`/song/${versionId}/players`);
  await page.getByRole("button", { name: "Add an acoustic guitar" }).click();
  await saved(page);
}

/** Opens a part of the sheet, and waits until it is the one that is open. */
async function openPart(page: Page, at: number, place: string): Promise<void> {
  await page.locator("[data-cell]").nth(at).click();
  await expect(page.getByRole("heading", { name: new RegExp(`Acoustic.*${place}`, "u") })).toBeVisible();
}

test("two pushes in each of three choruses are two acts", async ({ page }) => {
  await makeSong(page, SONG);
  const acts = new Acts(page);
  await acts.mark("Chorus", 1, "e");
  await acts.mark("Chorus", 5, "e");
  expect(acts.count).toBe(2);
  await expect(section(page, "Chorus")).toContainText("G in line 1 comes half a beat early, every time");
  // Drawn where it sounds: early in each of the three choruses.
  for (const name of ["Chorus 1", "Chorus 2", "Chorus 3"]) {
    await page
      .getByRole("region", { name: "The song in time" })
      .getByRole("button", { name: new RegExp(`^${name}`) })
      .click();
    const here = section(page, `${name} here`);
    await expect(here.locator(".sung-said", { hasText: "early" })).toHaveCount(2);
    await here.getByRole("button", { name: "Close" }).first().click();
  }
  // The same key takes it back; for the last time only it is one choice more.
  await page.keyboard.press("Control+z");
  await expect(section(page, "Chorus").locator(".sung-said", { hasText: "early" })).toHaveCount(1);
  await section(page, "Chorus")
    .getByRole("button", { name: /^Change: G / })
    .click();
  await section(page, "Chorus").getByLabel("When").last().selectOption({ label: "the last time" });
  await expect(section(page, "Chorus")).toContainText("early, the last time");
  await expectAccessible(page);
  await saved(page);
});

test("another ending before the bridge takes at most four acts, and lasts as long when it is corrected", async ({
  page,
}) => {
  await makeSong(page, SONG);
  const length = page.getByText(/bars of 4 beats/);
  await expect(length).toHaveText(/30 bars/);
  const acts = new Acts(page);
  const chorus = section(page, "Chorus");
  await acts.press(chorus.getByRole("button", { name: "Say what is otherwise" }));
  await acts.type(chorus.getByLabel("Otherwise in Chorus, in words"), "another ending when Bridge follows");
  await acts.press(chorus.getByRole("button", { name: /^Change: another ending/i }));
  await acts.type(chorus.getByLabel("Chord 2", { exact: true }), "B7");
  expect(acts.count).toBeLessThanOrEqual(4);
  await expect(form(page).nth(3)).toContainText("B7 in bar 6");
  await expect(form(page).nth(1)).not.toContainText("B7");
  await chorus.getByLabel("Replaces the last").fill("4");
  await chorus.getByLabel("Replaces the last").press("Enter");
  await expect(chorus).toContainText("its last 4 beats replaced");
  await expect(length).toHaveText(/30 bars/);
  await chorus.getByLabel("Replaces the last").fill("12");
  await chorus.getByLabel("Replaces the last").press("Enter");
  await expect(length).toHaveText(/30 bars/);
  // Wherever the bridge follows: now it is the first chorus.
  await page.getByLabel("Move Bridge").focus();
  for (let up = 0; up < 2; up++) await page.keyboard.press("Alt+ArrowUp");
  await expect(form(page).nth(4)).toContainText("other chords than Chorus 1: D in bar 6");
  await saved(page);
});

test("verse 2 with other words and two other chords: shared when it is made, two acts for the chords", async ({
  page,
}) => {
  await page.goto("/new");
  await page.getByLabel("The sheet").fill(SONG);
  await page.keyboard.press("F2");
  await expect(page.getByLabel("Verse 2 has the chords of Verse 1")).toBeChecked();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Make this song" }).click();
  await page.waitForURL(/\/song\/[\w-]+$/);
  await expect(section(page, "Verse 2")).toHaveCount(0);
  const acts = new Acts(page);
  await acts.press(form(page).nth(2).getByRole("button", { name: "What is otherwise at Verse 2" }));
  const here = section(page, "Verse 2 here");
  await expect(here).toContainText("Rope on the");
  for (const [at, symbol] of [
    [1, "Am7"],
    [3, "Em7"],
  ] as const) {
    await here.locator("[data-chord]").nth(at).click();
    await acts.type(here.getByLabel("Another chord"), symbol);
  }
  expect(acts.count).toBeLessThanOrEqual(4);
  await expect(here.locator(".sung-chord")).toHaveText(["G", "Am7", "D", "Em7"]);
  await expect(form(page).nth(2)).toContainText("other chords than Verse 1: Am7 in bar 2, Em7 in bar 4");
  // A change of the shared chords reaches both.
  const verse = section(page, "Verse 1");
  await verse.getByRole("button", { name: "Change line 1 of Verse 1" }).click();
  await verse.getByLabel("Chord 1", { exact: true }).fill("Em");
  await verse.getByLabel("Chord 1", { exact: true }).press("Enter");
  await expect(here.locator(".sung-chord")).toHaveText(["Em", "Am7", "D", "Em7"]);
  await expect(chordsOf(page, "Verse 1")).toHaveText(["Em", "C", "D", "G"]);
  await expectAccessible(page);
  // Refused in the preview it stays a section of its own.
  await page.goto("/new");
  await page.getByLabel("The sheet").fill(SONG.replace("Harbour Bell", "Harbour Bell again"));
  await page.keyboard.press("F2");
  await page.getByLabel("Verse 2 has the chords of Verse 1").uncheck();
  await page.getByRole("button", { name: "Make this song" }).click();
  await page.waitForURL(/\/song\/[\w-]+$/);
  await expect(chordsOf(page, "Verse 2")).toHaveText(["G", "C", "D", "G"]);
});

test("a choke and a hold are two acts, and what a chorus says is drawn on stage and paper", async ({
  page,
}) => {
  const versionId = await makeSong(page, SONG);
  const acts = new Acts(page);
  await acts.mark("Chorus", 5, "k");
  await acts.mark("Chorus", 3, "o");
  expect(acts.count).toBe(2);
  await expect(section(page, "Chorus").locator(".sung-said")).toHaveText(["hold", "choke"]);
  const field = section(page, "Chorus");
  await field.getByRole("button", { name: "Say what is otherwise" }).click();
  const say = field.getByLabel("Otherwise in Chorus, in words");
  await say.fill("play it blue");
  await say.press("Enter");
  await expect(field.getByRole("alert")).toContainText("says nothing the sheet knows");
  await say.fill("hold the last chord until the sign, the last time");
  await say.press("Enter");
  await expect(field).toContainText(/hold of 4 beats on the last chord, until the sign, the last time/i);
  await saved(page);
  await withGuitar(page, versionId);
  await page.goto(`/print/${versionId}`);
  await expect(page.getByRole("article").first()).toContainText("choke");
  await expect(page.locator(".sung-said", { hasText: "hold until the sign" })).not.toHaveCount(0);
});

test("a guitar that enters halfway through verse 2 takes two acts; it looks silent before", async ({
  page,
}) => {
  const versionId = await makeSong(page, SONG);
  await withGuitar(page, versionId);
  await page.goto(`/song/${versionId}/parts`);
  const cells = page.locator("[data-cell]");
  const acts = new Acts(page);
  acts.count++;
  await openPart(page, 2, "Verse 2");
  await acts.type(page.getByLabel("Comes in and leaves"), "enters at the second half");
  expect(acts.count).toBeLessThanOrEqual(2);
  await expect(cells.nth(0)).toContainText("not in here");
  await expect(cells.nth(1)).toContainText("not in here");
  await expect(cells.nth(3)).not.toContainText("not in here");
  await page.getByLabel("Comes in and leaves").fill("enters in the crow’s nest");
  await page.getByLabel("Comes in and leaves").press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "crow" })).toBeVisible();
  await page.getByLabel("Comes in and leaves").press("Escape");
  await expectAccessible(page);
  await saved(page);
  await page.goto(`/song/${versionId}`);
  await page.locator('a[href^="/stage/"]').first().click();
  await expect(page.getByText("you come in after 12 bars, at Verse 2")).toBeVisible();
  await page.goto(`/print/${versionId}`);
  await expect(page.getByRole("article").first().locator(".sung-away").first()).toHaveText("(G)");
});

test("ways of a line lie beside each other; another is played with one press", async ({ page }) => {
  const versionId = await makeSong(page, SONG);
  await withGuitar(page, versionId);
  await page.goto(`/song/${versionId}/parts/lines`);
  await page.getByRole("button", { name: "Write a new line" }).click();
  await page.getByLabel("Which way it is").selectOption({ label: "as recorded" });
  await page.getByLabel("Where this line is from").selectOption({ index: 1 });
  await page.getByLabel("not sure").check();
  await page.getByRole("button", { name: "Make an easier way of it" }).click();
  await saved(page);
  await page.goto(`/song/${versionId}/evidence`);
  const ways = page.getByRole("region", { name: "Ways to play it" });
  const each = ways.locator("tbody").getByRole("row");
  await expect(each).toHaveCount(2);
  await expect(ways).toContainText("100 %");
  await expect(each.nth(0)).toContainText("is played");
  await ways.getByRole("button", { name: "Play Line 1, easy" }).click();
  await expect(each.nth(1)).toContainText("is played");
  await expectAccessible(page);
  await saved(page);
});

test("a part that may be left out, and a silence that reaches others, are said where they bite", async ({
  page,
}) => {
  const versionId = await makeSong(page, SONG);
  await withGuitar(page, versionId);
  await page.goto(`/song/${versionId}/parts`);
  const cells = page.locator("[data-cell]");
  await openPart(page, 1, "Chorus 1");
  await page.getByLabel("may be played or left out").click();
  await expect(cells.nth(3)).toContainText("may be left out");
  await page.getByRole("button", { name: "0 out" }).click();
  await expect(page.getByText("This silences Chorus 2, Chorus 3 too.")).toBeVisible();
  await cells.nth(3).click();
  await expect(page.getByText("Silent because Chorus 1 is.")).toBeVisible();
  await page.getByRole("button", { name: "Play here" }).click();
  await expect(cells.nth(3)).not.toContainText("stays out");
  await cells.nth(1).click();
  await page.getByRole("button", { name: "Only here" }).click();
  await expect(cells.nth(5)).not.toContainText("stays out");
  await saved(page);
});
