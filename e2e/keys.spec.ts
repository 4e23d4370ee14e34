import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { chromium, expect, type Page, test } from "@playwright/test";
import { CHROMIUM, CHROMIUM_ARGS } from "../scripts/lib/browser.mjs";
import { addThreePlayers, expectAccessible, makeSong, room, saved } from "./helpers";

const tab = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Pages of the Keys room" }).getByRole("link", { name }).click();
const type = async (page: Page, label: string, text: string) => {
  await page.getByLabel(label, { exact: true }).fill(text);
  await page.getByLabel(label, { exact: true }).press("Enter");
};

test("keys for two guitars: by click, by digit, laid side by side", async ({ page }) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Keys");
  const two = page.getByRole("region", { name: "Two guitars" });
  await expect(two).toContainText("sound at the same height; 100 % of what sounds is doubled");
  const table = (player: string) => page.getByRole("region", { name: `Capo table of ${player}` });
  await table("Acoustic").getByRole("button", { name: "Put capo on 7" }).click();
  await expect(table("Acoustic").getByRole("heading")).toHaveText("Acoustic: capo 7 now");
  await table("Electric").getByRole("button", { name: "Put capo on 5" }).focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("3");
  await expect(table("Electric").getByRole("heading")).toHaveText("Electric: capo 3 now");
  await expect(two).not.toContainText("100 % of what sounds");
  await expect(two).toContainText(/semitones (above|below) Acoustic on the mean/);
  await expect(two.getByRole("row")).toHaveCount(8);
  await expectAccessible(page);
});

test("the voice: a range typed, a key that fits, a section an octave lower", async ({ page }) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Keys");
  await expect(page.getByText("Nobody sings yet.")).toBeVisible();
  await room(page, "Players");
  await page.getByLabel("sings", { exact: true }).first().check();
  await room(page, "Keys");
  await type(page, "Acoustic’s lowest note", "H3");
  await expect(page.getByText("“H3” is not a pitch such as A3 or B♭4.")).toBeVisible();
  await type(page, "Acoustic’s lowest note", "E5");
  await type(page, "Acoustic’s highest note", "A3");
  await expect(page.getByText("The lowest note (E5) lies above the highest (A3)")).toBeVisible();
  await type(page, "Acoustic’s lowest note", "g2");
  await type(page, "Acoustic’s highest note", "E4");
  await type(page, "Verse 1: lowest note", "G3");
  await type(page, "Verse 1: highest note", "D4");
  await type(page, "Chorus: lowest note", "B3");
  await type(page, "Chorus: highest note", "G4");
  await expect(page.getByText("3 semitones too high")).toBeVisible();
  const keys = page.getByRole("list", { name: "Keys for this voice" });
  await expect(keys.getByRole("listitem").filter({ hasText: "written in" })).toContainText(
    "Chorus an octave lower",
  );
  await expectAccessible(page);
  await page.getByRole("button", { name: "sing Chorus an octave lower" }).first().click();
  await expect(page.getByText("within reach, sung an octave lower")).toBeVisible();
  await page.getByRole("button", { name: "sing Chorus as written again" }).click();
  await keys.getByRole("button", { name: "Play it in E", exact: true }).click();
  await expect(page.getByText("Written in G.")).toBeVisible();
  await expect(keys.getByRole("listitem").filter({ hasText: "Played in it" })).toContainText("E");
  // The melody is kept as written and moves along.
  await expect(page.getByLabel("Verse 1: lowest note", { exact: true })).toHaveValue("E3");
  await saved(page);
  await page.reload();
  await expect(page.getByLabel("Acoustic’s lowest note", { exact: true })).toHaveValue("G2");
});

test("shapes: the list to learn, the hardest changes, a lock with its neighbours planned anew", async ({
  page,
}) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Keys");
  await tab(page, "Shapes to learn");
  await expect(page.getByRole("heading", { name: "Acoustic has 7 shapes to learn" })).toBeVisible();
  await expect(page.getByRole("region", { name: "The hardest changes" }).getByRole("listitem")).toHaveCount(
    3,
  );
  await expectAccessible(page);
  await page.getByLabel("In the dots").selectOption("notes");
  await expect(page.getByRole("img", { name: /^Em7: .*\(E, / }).first()).toBeVisible();

  await page.getByRole("button", { name: /^C\b/ }).first().click();
  const panel = page.getByRole("region", { name: "C opened" });
  await expect(panel).toContainText("Ring finger: A string, 3rd fret; the same finger damps low E.");
  await expect(panel).toContainText("Changes around it");
  const change = panel.getByRole("listitem").filter({ hasText: "Em7 → C" });
  const before = await change.innerText();
  await panel.getByRole("button", { name: /^Hold x 3 5 5 5 3 for C/ }).click();
  await expect(page.getByRole("button", { name: /^C\b.*chosen/ }).first()).toBeVisible();
  await expect(change).not.toHaveText(before);
  await expectAccessible(page);
  await panel.getByRole("button", { name: "Let the plan choose again" }).click();
  await expect(change).toHaveText(before);

  // A beginner is offered another chord by its own name.
  await room(page, "Players");
  const first = page
    .getByRole("listitem")
    .filter({ has: page.getByLabel("Usual role") })
    .first();
  await first.getByLabel("Hand", { exact: true }).selectOption("beginner");
  await first.getByLabel("left-handed").check();
  await first.getByLabel("Acoustic reads").selectOption("degrees of the key");
  await room(page, "Keys");
  await tab(page, "Shapes to learn");
  await page.getByRole("button", { name: /^4\b/ }).first().click();
  await expect(page.getByRole("region", { name: "4 opened" })).toContainText("4add9, for 4: adds the second");
});

test("a shape of one's own: typed in two acts, named, held against the chart, kept though no hand holds it", async ({
  page,
}) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Keys");
  await tab(page, "Shapes to learn");
  await page.getByRole("button", { name: /^C\b/ }).first().click();
  const panel = page.getByRole("region", { name: "C opened" });
  await panel.getByText("A shape of your own").click();
  const frets = panel.getByLabel(/A fret for each string, from low E on/);

  // What is no shape is said, and nothing is changed.
  await frets.fill("x3203");
  await expect(panel.getByText("6 strings want 6 frets, from low E on; 5 were read.")).toBeVisible();
  await frets.fill("x320q3");
  await expect(panel.getByText("“q” is no fret")).toBeVisible();

  // Act one: the frets. Act two: Enter.
  await frets.fill("x32033");
  await expect(panel.getByText("Cadd9, or", { exact: false })).toBeVisible();
  await expect(panel.getByText("D is not in C.")).toBeVisible();
  await expectAccessible(page);
  await frets.press("Enter");
  await saved(page);
  await expect(page.getByRole("button", { name: /^C\b.*chosen/ }).first()).toBeVisible();
  await expect(page.getByRole("img", { name: "C: not played, 3, 2, open, 3, 3" }).first()).toBeVisible();
  await expect(page.getByText("really Cadd9").first()).toBeVisible();

  // Pressed on the neck instead; what no hand holds is kept with a remark.
  const pressed = page.getByRole("region", { name: "C opened" });
  const opened = pressed.getByText("A shape of your own");
  if (!(await pressed.getByRole("group", { name: /Or press it/ }).isVisible())) await opened.click();
  await pressed.getByRole("button", { name: "low E, fret 1" }).click();
  await pressed.getByRole("button", { name: "D, fret 3" }).click();
  await pressed.getByRole("button", { name: "B, fret 5" }).click();
  await expect(pressed.getByText("No hand we know of holds it")).toBeVisible();
  await expect(pressed.getByLabel(/A fret for each string/)).toHaveValue("1 x 3 x 5 x");
  await pressed.getByRole("button", { name: "Hold this for C" }).click();
  await saved(page);
  await expect(
    page.getByRole("img", { name: "C: 1, not played, 3, not played, 5, not played" }).first(),
  ).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("img", { name: "C: not played, 3, 2, open, 3, 3" }).first()).toBeVisible();

  // The list by what comes before, about a fret, on strings of one's own.
  const list = page.getByRole("region", { name: "C opened" });
  await list.getByLabel("About fret").selectOption("9");
  for (const name of ["low E", "A", "D"]) await list.getByLabel(name, { exact: true }).uncheck();
  await expect(list.getByRole("button", { name: /^Hold x x x 9 8 8 for C/ })).toBeVisible();
  await list.getByLabel("Order").selectOption("easiest from the shape before");
  await expect(list.getByRole("button", { name: /^Hold x x x 9 8 8 for C/ })).toBeVisible();
});

test("planted fingers: searched with progress, stopped, found and taken", async ({ page }) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Keys");
  await tab(page, "Planted fingers");
  const find = page.getByRole("button", { name: "Find fingers to plant" });
  await find.click();
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(find).toBeVisible();
  await find.click();
  const found = page.getByRole("heading", { name: /arrangements, from the most held/ });
  // There is something to look at while the search goes on.
  await expect(found).toBeVisible({ timeout: 60_000 });
  await expect(find).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/stays? for .*\d+ of \d+ changes|never moves?:/).first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Take these shapes" }).first().click();
  await saved(page);
  await tab(page, "Shapes to learn");
  await expect(page.getByText(/chosen/).first()).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText(/chosen/)).toHaveCount(0);
  await tab(page, "Planted fingers");
  for (const capo of ["none", "2"]) await page.getByLabel(capo, { exact: true }).uncheck();
  await expect(page.getByText("Tick at least one capo.")).toBeVisible();
});

test("the neck: a scale and a chord from the capo", async ({ page }) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Keys");
  await tab(page, "The neck");
  await page.getByLabel("Show").selectOption("scale minor pentatonic");
  await expect(page.getByRole("img", { name: "G minor pentatonic on the neck" })).toBeVisible();
  await page.getByLabel("Show").selectOption("chord D/F#");
  await page.getByText("As strings and frets").click();
  await expect(page.getByRole("region", { name: "The neck" }).locator("dd").first()).toHaveText("2 5 10 14");
  await expect(page.getByRole("link", { name: "Somebody joins who does not know the song" })).toBeVisible();
  await expectAccessible(page);
});

test("tuning: what to turn and how far, with a caution", async ({ page }) => {
  await makeSong(page);
  await addThreePlayers(page);
  await room(page, "Keys");
  await tab(page, "Tuning");
  await page.getByLabel("Go to").selectOption("D2 A2 D3 G3 A3 D4");
  await expect(page.getByRole("row").filter({ hasText: "low E" })).toContainText("down 2 semitones");
  await expect(page.getByText("Take care.")).toHaveCount(0);
  await type(page, "or type its strings, or words", "E2 A2 D3 A#3 B3 E4");
  await expect(page.getByText("Take care.")).toBeVisible();
  await type(page, "or type its strings, or words", "E2 A2 D3");
  await expect(page.getByText("Acoustic has 6 strings; this names 3.")).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel("Go to").selectOption("D2 A2 D3 G3 B3 E4");
  await page.getByRole("button", { name: "Acoustic is tuned so now" }).click();
  await expect(page.getByRole("row").filter({ hasText: "low D" })).toContainText("leave it");
  await page.getByRole("button", { name: "Listen with the microphone" }).click();
  await expect(page.getByText("The browser does not give the microphone.")).toBeVisible();
});

/** A sine as a WAV file: what the simulated microphone hears. */
function sineWav(hz: number, seconds: number): Buffer {
  const rate = 48_000;
  const samples = Buffer.alloc(rate * seconds * 2);
  for (let at = 0; at < rate * seconds; at++)
    samples.writeInt16LE(Math.round(12_000 * Math.sin((2 * Math.PI * hz * at) / rate)), at * 2);
  const head = Buffer.alloc(44);
  head.write("RIFF", 0);
  head.writeUInt32LE(36 + samples.length, 4);
  head.write("WAVEfmt ", 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(rate, 24);
  head.writeUInt32LE(rate * 2, 28);
  head.writeUInt16LE(2, 32);
  head.writeUInt16LE(16, 34);
  head.write("data", 36);
  head.writeUInt32LE(samples.length, 40);
  return Buffer.concat([head, samples]);
}

test("a sung note and a plucked string are heard by a simulated microphone", async ({ baseURL }) => {
  const folder = mkdtempSync(path.join(tmpdir(), "lantern-sound-"));
  const file = path.join(folder, "a2.wav");
  // A2, 20 cents sharp.
  writeFileSync(file, sineWav(110 * 2 ** (20 / 1200), 10));
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [
      ...CHROMIUM_ARGS,
      "--use-fake-ui-for-media-stream",
      "--use-fake-device-for-media-stream",
      `--use-file-for-fake-audio-capture=${file}`,
    ],
  });
  try {
    const page = await browser.newPage({ ...(baseURL ? { baseURL } : {}), permissions: ["microphone"] });
    await makeSong(page);
    await addThreePlayers(page);
    await page.getByLabel("sings", { exact: true }).first().check();
    await room(page, "Keys");
    await page.getByRole("button", { name: "Sing the lowest note" }).click();
    await expect(page.getByLabel("Acoustic’s lowest note", { exact: true })).toHaveValue("A2");
    await tab(page, "Tuning");
    await page.getByRole("button", { name: "Listen with the microphone" }).click();
    const tuner = page.getByRole("region", { name: "Tuner" });
    await expect(tuner).toContainText(/A A2: too high: turn it down \((19|20|21) cents\)/);
    await tuner.getByRole("button", { name: "Stop listening" }).click();
    await expect(tuner).toContainText("Nothing is recorded or sent anywhere.");
  } finally {
    await browser.close();
    rmSync(folder, { recursive: true, force: true });
  }
});
