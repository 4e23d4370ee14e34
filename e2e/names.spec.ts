import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, makeSong, onThisScreen, openFromShelf, room, saved, tellNames } from "./helpers";

/** Every page of an open song, after its address; pages of a stage and prints are walked apart. */
const PAGES = [
  "",
  "/versions",
  "/evidence",
  "/players",
  "/keys",
  "/keys/shapes",
  "/keys/book",
  "/keys/planted",
  "/keys/neck",
  "/keys/tuning",
  "/parts",
  "/parts/patterns",
  "/parts/lines",
  "/parts/split",
  "/parts/two-guitars",
  "/parts/judgement",
  "/loops",
  "/loops/feet",
  "/loops/play",
  "/loops/box",
  "/sounds",
  "/sounds/banks",
  "/sounds/play",
  "/sounds/times",
  "/sounds/evening",
  "/cues",
];

/** What stands beside on purpose in another kind, and says so: capo tables, "sounds A", keys. */
const BESIDE = '[data-names], option, script, style, [role="status"]';

/**
 * Words of a page that are chord names of letters, as a test of another custom must not find: with a quality, an accidental or a
 * bass behind, and bare letters where chords are set in their own type.
 */
async function letterChords(page: Page): Promise<string[]> {
  return page.evaluate((beside) => {
    const chord = /^[A-G](?:[♯♭]|[♯♭]?(?:m|maj|min|sus|add|dim|aug)?\d*(?:sus\d|add\d+)?(?:\/[A-G][♯♭]?)?)$/u;
    const found: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const own = node.parentElement;
      if (!own || own.closest(beside) || !own.checkVisibility()) continue;
      const isChords = own.closest(".font-mono, .sung-chord, svg") !== null;
      for (const word of (node.textContent ?? "").split(/[\s,;:()“”→]+/u)) {
        const bare = word.replace(/[.?]+$/u, "");
        if (chord.test(bare) && (bare.length > 1 || isChords))
          found.push(`${bare} in “${own.textContent?.slice(0, 60)}”`);
      }
    }
    for (const field of document.querySelectorAll("input"))
      if (!field.closest(beside) && chord.test(field.value) && field.value.length > 1)
        found.push(`${field.value} typed`);
    return [...new Set(found)];
  }, BESIDE);
}

/** Chords as they sound, which a walk in shapes must not find. */
async function soundingChords(page: Page, symbols: readonly string[]): Promise<string[]> {
  return page.evaluate(
    ([beside, wanted]) => {
      const found: string[] = [];
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const own = node.parentElement;
        if (!own || own.closest(beside as string) || !own.checkVisibility()) continue;
        for (const word of (node.textContent ?? "").split(/[\s,;:()“”→]+/u))
          if ((wanted as string[]).includes(word.replace(/[.?]+$/u, "")))
            found.push(`${word} in “${own.textContent?.slice(0, 60)}”`);
      }
      return [...new Set(found)];
    },
    [BESIDE, [...symbols]] as const,
  );
}

/** What is opened on a page before it is looked at, where it is there. */
const OPENS: Readonly<Record<string, (page: Page) => Promise<void>>> = {
  "": (page) =>
    page
      .getByRole("button", { name: /^Change line 1 of / })
      .first()
      .click(),
  "/versions": async (page) => {
    const compare = page.getByRole("button", { name: "Compare with this one" });
    if ((await compare.count()) === 0) return;
    await compare.first().click();
    await expect(page.getByRole("region", { name: /^Compared with / })).toBeVisible();
  },
  "/keys/planted": async (page) => {
    // Behind no capo the shapes are what sounds.
    const capo = page.getByLabel("2", { exact: true });
    if (await capo.isChecked()) await page.getByLabel("none", { exact: true }).uncheck();
    await page.getByRole("button", { name: "Find fingers to plant" }).click();
    await expect(page.getByRole("heading", { name: /arrangements?, from the most held/ })).toBeVisible({
      timeout: 60_000,
    });
  },
  "/parts/patterns": async (page) => {
    const change = page.getByRole("button", { name: "Change", exact: true });
    if ((await change.count()) > 0) await change.first().click();
  },
};

/** Walks every page of the song that is open, and gives what was found on each. */
async function walk(page: Page, look: () => Promise<string[]>): Promise<Record<string, string[]>> {
  const song = new URL(page.url()).pathname.split("/").slice(0, 3).join("/");
  const wrong: Record<string, string[]> = {};
  for (const path of PAGES) {
    await page.goto(song + path);
    await expect(page.locator("summary", { hasText: /^Names:/u })).toBeVisible();
    await expect(page.locator("[data-saving]")).toHaveAttribute("data-saving", "saved");
    // What the workers find comes a moment later.
    await expect(
      page.getByText(/planning|Searching…|being worked out|Being added|Working out|Looking for/u),
    ).toHaveCount(0);
    await OPENS[path]?.(page);
    const found = await look();
    if (found.length > 0) wrong[path || "/"] = found;
  }
  return wrong;
}

/**
 * Walks a player's stage, another's and the print, which the rail of an open song leads to in the window's names, and the prints
 * of cues, feet and sounds in the same.
 */
async function walkOut(page: Page, asked: RegExp, look: () => Promise<string[]>) {
  const rail = page.getByRole("navigation", { name: "Rooms of this song" });
  const wrong: Record<string, string[]> = {};
  const song = new URL(page.url()).pathname.split("/")[2]!;
  for (const link of ["Maren’s stage", "Odile’s stage", "Print the sheets"]) {
    await rail.getByRole("link", { name: link }).click();
    await page.waitForURL(asked);
    await page.waitForLoadState("networkidle");
    const found = await look();
    if (found.length > 0) wrong[link] = found;
    const { search } = new URL(page.url());
    await page.goBack();
    if (link !== "Print the sheets") continue;
    for (const path of [`/print/${song}/cues`, `/print/${song}/feet`]) {
      await page.goto(path + search);
      await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
      const there = await look();
      if (there.length > 0) wrong[path] = there;
    }
  }
  return wrong;
}

test("syllables: no room, stage or print of the demo tells a chord by letters", async ({ page }) => {
  await page.goto("/");
  await openFromShelf(page, "Lamp on the Water");
  // What looks for letters finds them while they stand there.
  expect(await letterChords(page)).toEqual(
    expect.arrayContaining([expect.stringMatching(/^F♯m7? in/u), expect.stringMatching(/^D in/u)]),
  );
  await tellNames(page, { Written: "Do Ré Mi Fa Sol La Si" });
  await expect(page.getByText("sounds in La")).toBeVisible();
  await expectAccessible(page);
  expect(await walk(page, () => letterChords(page))).toEqual({});
  expect(await walkOut(page, /writing=syllables/u, () => letterChords(page))).toEqual({});
});

test("degrees: no room of the demo tells a chord by letters, but for keys, capo tables and pitches", async ({
  page,
}) => {
  await page.goto("/");
  await openFromShelf(page, "Lamp on the Water");
  await tellNames(page, { "Chords are told": "as degrees of the key" });
  await expect(page.locator(".sung-chord").first()).toHaveText("1");
  // A pitch has an octave; strings have the names of their notes.
  const chordsOnly = async () =>
    (await letterChords(page)).filter((one) => !/^[A-G][♯♭]?\d? (?:in “|typed)/u.test(one));
  expect(await walk(page, chordsOnly)).toEqual({});
  expect(await walkOut(page, /shows=degrees/u, chordsOnly)).toEqual({});
});

/** Adds an acoustic guitar behind capo 2. */
async function addGuitarBehindTwo(page: Page): Promise<void> {
  await room(page, "Players");
  await page.getByRole("button", { name: "Add an acoustic guitar" }).click();
  const guitar = page.getByRole("listitem").filter({ has: page.getByLabel("Usual role") });
  await guitar.getByLabel("Capo").fill("2");
  await guitar.getByLabel("Capo").press("Enter");
  await saved(page);
}

/** Gives a song of E another source, a layer, a line and another version, so that the rooms have names to tell. */
async function fillRooms(page: Page): Promise<void> {
  await page.getByRole("link", { name: /Evidence/ }).click();
  const source = page.getByRole("form", { name: "Another source" });
  await source.getByLabel("Where it is from").fill("Quay take");
  await source.getByLabel("Its chords, pasted or typed").fill("Key: E\n[Verse]\n| E | B7 | C#m | A |");
  await source.getByRole("button", { name: "Lay it against this version" }).click();
  await expect(page.getByRole("region", { name: "Evidence chart" })).toBeVisible();
  await page.getByRole("link", { name: "Versions and history" }).click();
  await page.getByLabel(/^A new version, started from/).fill("Loud");
  await page.getByRole("button", { name: "Start it" }).click();
  // The new version opens when it is made: what is done before would be done in the old one.
  await expect(page.getByText("Quay Song · Loud")).toBeVisible();
  await saved(page);
  await room(page, "Song");
  await page.getByRole("button", { name: "Change line 1 of Verse" }).click();
  await page.getByLabel("Chord 2", { exact: true }).fill("A7sus4");
  await page.getByLabel("Chord 2", { exact: true }).press("Enter");
  await room(page, "Loops");
  await page.getByLabel("Take from the sheet").selectOption({ index: 1 });
  await expect(page.getByRole("heading", { name: "What is wanted" })).toBeVisible();
  await room(page, "Parts");
  await page.getByRole("link", { name: "Lines", exact: true }).click();
  await page.getByRole("button", { name: "Write a new line" }).click();
  await saved(page);
}

test("shapes of a guitar: no room tells what sounds instead, and a chord is typed in the same names", async ({
  page,
}) => {
  await makeSong(
    page,
    `Quay Song
Key: E
[Verse]
E . . .     B/D# . . .
Light on the water
C#m7 . . .  A . . .
Leave the door ajar
`,
  );
  await addGuitarBehindTwo(page);
  await room(page, "Song");
  await tellNames(page, { "Chords are told": "as shapes of Acoustic, capo 2" });
  const verse = page.getByRole("region", { name: "Verse" });
  await expect(verse.locator(".sung-chord")).toHaveText(["D", "A/C♯", "Bm7", "G"]);
  // Typed in the names that are shown, kept as it is written.
  await verse.getByRole("button", { name: "Change line 1 of Verse" }).click();
  await verse.getByLabel("Chord 2", { exact: true }).fill("A7");
  await verse.getByLabel("Chord 2", { exact: true }).press("Enter");
  await expect(verse.locator(".sung-chord")).toHaveText(["D", "A7", "Bm7", "G"]);
  await verse.getByLabel("Chord 2", { exact: true }).fill("Xyz");
  await verse.getByLabel("Chord 2", { exact: true }).press("Enter");
  await expect(verse.getByRole("alert")).toContainText("Write it such as D, C♯m7, A/C♯ or N.C.");
  await page.keyboard.press("Escape");
  await saved(page);
  await fillRooms(page);
  await room(page, "Song");
  expect(await walk(page, () => soundingChords(page, ["B7sus4", "B7", "B/D♯", "C♯m7"]))).toEqual({});
  await tellNames(page, { "Chords are told": "as each player reads", Written: "Do Ré Mi Fa Sol La Si" });
  expect(await walk(page, () => letterChords(page))).toEqual({});
  await tellNames(page, { Written: "C D E F G A B" });
  await tellNames(page, { "Chords are told": "as they sound" });
  await room(page, "Song");
  await expect(page.getByRole("region", { name: "Verse" }).locator(".sung-chord")).toHaveText([
    "E",
    "B7sus4",
    "C♯m7",
    "A",
  ]);
});

test("a bass a semitone down keeps its old names, and every head says so", async ({ page }) => {
  await makeSong(
    page,
    `Low Quay
Key: Eb
[Verse]
Eb . . .    Ab . . .
Light on the water
`,
  );
  await room(page, "Players");
  await page.getByRole("button", { name: "Add a bass" }).click();
  await page.getByRole("button", { name: "Add a bass" }).click();
  const players = page.getByRole("listitem").filter({ has: page.getByLabel("Usual role") });
  await expect(players.nth(1).getByLabel("Name", { exact: true })).toHaveValue("Bass 2");
  const tuning = players.first().getByLabel("Tuning (4 strings)");
  await tuning.fill("half step down");
  await tuning.press("Enter");
  await expect(tuning).toHaveValue("E♭1 A♭1 D♭2 G♭2");
  await saved(page);
  await room(page, "Cues");
  await page.getByLabel("For", { exact: true }).selectOption("Bass");
  await expect(page.getByText("A semitone down: play E shapes; sounds in E♭.")).toBeVisible();
  await page.getByRole("link", { name: "Bass’s stage" }).click();
  await page.waitForURL(/\/stage\//u);
  await expect(page.getByText("a semitone down: play E shapes; sounds in E♭")).toBeVisible();
  await expect(page.locator(".sung-chord")).toHaveText(["E", "A"]);
  await expectAccessible(page);
  await onThisScreen(page, "Chords", "as they sound");
  await expect(page.locator(".sung-chord")).toHaveText(["E♭", "A♭"]);
  await page.getByRole("link", { name: "Leave" }).click();
  await page.getByRole("link", { name: "Print the sheets" }).click();
  await expect(page.getByRole("article").first()).toContainText(
    "A semitone down: play E shapes; sounds in E♭",
  );
});

test("the same shapes behind other capos: a key is chosen by its capo, and a capo moves along", async ({
  page,
}) => {
  await makeSong(page);
  await addGuitarBehindTwo(page);
  await room(page, "Keys");
  await page.getByRole("button", { name: "Capo 4: sounds in A" }).click();
  await expect(page.getByLabel("The song sounds in")).toHaveValue("A");
  await expect(page.getByRole("heading", { name: "Acoustic: capo 4 now" })).toBeVisible();
  await page.getByLabel("The song sounds in").selectOption("G");
  await expect(page.getByRole("heading", { name: "Acoustic: capo 2 now" })).toBeVisible();
  await page.getByLabel("guitars with a capo keep their shapes").click();
  await page.getByLabel("The song sounds in").selectOption("A");
  await expect(page.getByRole("heading", { name: "Acoustic: capo 2 now" })).toBeVisible();
  await expectAccessible(page);
});

test("on a phone the switch opens within the screen, on the shelf, in a room and on a stage", async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/");
  const isWithin = async () => {
    await page.locator("summary", { hasText: /^Names:/u }).click();
    const box = (await page.getByLabel("Written", { exact: true }).boundingBox())!;
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.x + box.width).toBeLessThanOrEqual(390);
    await page.keyboard.press("Escape");
  };
  await isWithin();
  await openFromShelf(page, "Lamp on the Water");
  await isWithin();
  await page.getByRole("link", { name: "Maren’s stage" }).click();
  await page.waitForURL(/stage/u);
  await page.getByRole("button", { name: "This screen" }).click();
  const box = (await page.getByRole("group", { name: "Written" }).boundingBox())!;
  expect(box.x).toBeGreaterThanOrEqual(0);
  expect(box.x + box.width).toBeLessThanOrEqual(390);
});
