import { expect, type Locator, type Page, test } from "@playwright/test";
import { expectAccessible, saved, tellNames } from "./helpers";

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
        if (place !== places.at(-1)) {
          pad.dispatchEvent(new KeyboardEvent("keydown", { key: " ", bubbles: true, cancelable: true }));
          continue;
        }
        // The last one by finger: a press and the click that follows it.
        pad.dispatchEvent(new PointerEvent("pointerdown", { bubbles: true, cancelable: true }));
        await new Promise((done) => setTimeout(done, 150));
        pad.click();
      }
    },
    [beats, beat] as const,
  );

test("the beats of a section are tapped to a click", async ({ page }) => {
  await paste(page, LINES);
  const chorus = page.locator("div").filter({ has: page.getByLabel("Name of section 2") });
  await chorus.getByRole("button", { name: "Tap the beats" }).last().click();
  const panel = page.getByRole("region", { name: "Tap the beats of Chorus" });
  await panel.getByLabel("The click").fill("75");
  await panel.getByLabel("The click").press("Enter");
  await panel.getByRole("button", { name: "Start the click" }).click();
  // F 3, G 1, Am 2.5, F 1.5, F 2, C 2.
  await tapAt(page, [0, 3, 4, 6.5, 8, 10, 12], 800);
  await expect(panel.getByText("All chords are tapped.")).toBeVisible();
  await expectAccessible(page);
  await panel.getByRole("button", { name: "Take these beats" }).click();
  await expect(beatsOf(page, "line 1 of Chorus")).toHaveValue("3 1");
  await expect(beatsOf(page, "line 2 of Chorus")).toHaveValue("2.5 1.5");
  await expect(beatsOf(page, "line 3 of Chorus")).toHaveValue("2 2");
});

/** Counts acts: a paste, a click, a row or a word typed, a key. */
function counted() {
  let acts = 0;
  return {
    act: async (work: Promise<unknown>) => {
      acts++;
      await work;
    },
    /** @param onPaper what is written by hand for the same, one act a sign; spaces cost nothing */
    say: (job: string, onPaper: string) => {
      const signs = onPaper.replaceAll(/\s/gu, "").length;
      process.stdout.write(`${job}: ${acts} acts; on paper, one a sign: ${signs}\n`);
      expect(acts).toBeLessThan(signs / 4);
      return acts;
    },
  };
}

const rows = (page: Page) =>
  page
    .locator("[data-beat-row]")
    .evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value));

/** Pastes a sheet and makes the song of it: three acts. */
async function make(page: Page, text: string, act: (work: Promise<unknown>) => Promise<void>): Promise<void> {
  await page.goto("/new");
  await act(page.getByLabel("The sheet").fill(text));
  await act(page.getByRole("button", { name: "What was understood" }).click());
  await expect(page.getByRole("region", { name: "What was understood" })).toBeVisible();
  await act(page.getByRole("button", { name: "Make this song" }).click());
  await page.waitForURL(/\/song\//u);
}

test("a paste with dots is right in three acts", async ({ page }) => {
  const text = `Nets at Noon
Key: D

[Verse]
D . . . . .  A .      G . . .  D . . .
Mend them by the door, and hang them in the sun
D . .  A .  G . .
Nothing for the ferryman to carry
`;
  const { act, say } = counted();
  await make(page, text, act);
  expect(await rows(page)).toEqual(["6 2 | 4 | 4", "3 2 3"]);
  await expect(page.getByText("Beats are guessed")).toHaveCount(0);
  expect(say("a paste with dots", text)).toBeLessThanOrEqual(3);
});

test("dictated beats are right in three acts", async ({ page }) => {
  const text = `Ferryman's Waltz
3/4

Verse: D for 6, A for 3, D for 3
Chorus x2: G (6) D (6)
`;
  const { act, say } = counted();
  await make(page, text, act);
  expect(await rows(page)).toEqual(["6 | 3 | 3", "6 | 6"]);
  await expect(page.getByText("Beats are guessed")).toHaveCount(0);
  await expect(
    page.getByRole("region", { name: "How it is played" }).getByLabel("Beats in a bar"),
  ).toHaveValue("3");
  say("dictated beats", text);
});

test("capo shapes: the sheet opens in them, and the first acoustic guitar has the capo", async ({ page }) => {
  const text = `Low Water
Key: Bb
Capo: 3

[Verse]
G . . .     D . . .
Rope and rail and stone
Em . . .    C . . .
Leave the lamp alone
`;
  const { act, say } = counted();
  await make(page, text, act);
  const verse = page.getByRole("region", { name: "Verse" });
  await expect(verse.locator(".sung-chord")).toHaveText(["G", "D", "Em", "C"]);
  await expect(page.getByText("sounds in B♭")).toBeVisible();
  say("capo shapes", text);
  await expectAccessible(page);
  await tellNames(page, { "Chords are told": "as they sound" });
  await expect(verse.locator(".sung-chord")).toHaveText(["B♭", "F", "Gm", "E♭"]);
  await page
    .getByRole("navigation", { name: "Rooms of this song" })
    .getByRole("link", { name: "Players" })
    .click();
  await page.getByRole("button", { name: "Add an electric guitar" }).click();
  await page.getByRole("button", { name: "Add an acoustic guitar" }).click();
  await expect(page.getByLabel("Capo").first()).toHaveValue("0");
  await expect(page.getByLabel("Capo").nth(1)).toHaveValue("3");
});

test("bar lines over words: each bar at its syllables, no word of one syllable cut", async ({ page }) => {
  const text = `Give Way

[Verse]
| G | D | Em | C |
Give way to the count of the bell and the tide
[G]Never | mind the | [C]weather | now
`;
  const { act, say } = counted();
  await make(page, text, act);
  expect(await rows(page)).toEqual(["4 | 4 | 4 | 4", "8 | 8"]);
  const words = page.getByRole("region", { name: "Verse" }).locator(".sung-words");
  await expect(words).toHaveText([
    "Give way to",
    "the count of",
    "the bell",
    "and the tide",
    "Never mind the",
    "weather now",
  ]);
  say("bar lines over words", text);
});

test("headings that are doubtful are asked about, and settled in one act each", async ({ page }) => {
  await paste(
    page,
    "Morning\nA D E A\n\n[Verse]\nA | D |\nLight on water\n\n[Solo]\n\n[Blues]\ntwelve-bar in A\n",
  );
  const understood = page.getByRole("region", { name: "What was understood" });
  await expect(understood).toContainText("“Solo” has no lines under it");
  await expectAccessible(page);
  await understood.getByLabel("What “Solo” plays").selectOption("plays like Verse");
  await expect(understood).toContainText("Played: Morning · Verse · Solo · Blues");
  await understood.getByRole("button", { name: "It is sung" }).click();
  await expect(understood).not.toContainText("To look at");
  await expect(understood).toContainText("Goes as a twelve-bar in A.");
});

test("a large file is read beside the window: it says so, and the song comes", async ({ page }) => {
  const note = (at: number) =>
    `<note><pitch><step>G</step><octave>4</octave></pitch><duration>1</duration><voice>1</voice><lyric><text>lamp${at}</text></lyric></note>`;
  const measures = Array.from(
    { length: 1500 },
    (_, at) =>
      `<measure number="${at + 1}">${at === 0 ? "<attributes><divisions>1</divisions><key><fifths>1</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time></attributes>" : ""}<harmony><root><root-step>G</root-step></root><kind>major</kind></harmony>${[0, 1, 2, 3].map((place) => note(4 * at + place)).join("")}<!--${"-- ".repeat(300)}--></measure>`,
  );
  const score = `<score-partwise version="4.0"><work><work-title>Long Quay</work-title></work><part-list/><part id="P1">${measures.join("").replaceAll("-- ", "x ")}</part></score-partwise>`;
  await page.goto("/new");
  await page
    .getByLabel("Or open a file")
    .setInputFiles({ name: "quay.musicxml", mimeType: "text/xml", buffer: Buffer.from(score) });
  const understood = page.getByRole("region", { name: "What was understood" });
  await expect(understood).toContainText("1500 bars of 4 beats");
  await expect(understood).toContainText("6000 notes, G4 to G4");
  await page.getByRole("button", { name: "Make this song" }).click();
  await page.waitForURL(/\/song\/[\w-]+$/);
  await expect(page.getByLabel("Title")).toHaveValue("Long Quay");
});

test("on stage a chord without a word stands on the beat line of the others", async ({ page }) => {
  await make(page, "[Verse]\nG  C D  G\nway home\n", async (work) => void (await work));
  await page
    .getByRole("navigation", { name: "Rooms of this song" })
    .getByRole("link", { name: "Players" })
    .click();
  await page.getByRole("button", { name: "Add an acoustic guitar" }).click();
  await saved(page);
  await page.getByRole("link", { name: /stage/u }).first().click();
  const wicks = page.locator(".stage-line .sung-wick");
  await expect(wicks).toHaveCount(4);
  const tops = await wicks.evaluateAll((all) =>
    all.map((wick) => Math.round(wick.getBoundingClientRect().top)),
  );
  expect(new Set(tops).size).toBe(1);
});
