import { expect, type Page, test } from "@playwright/test";
import { strToU8, zipSync } from "fflate";
import { expectAccessible, makeSong, saved } from "./helpers";

const form = (page: Page) => page.getByRole("region", { name: "Form" });
const chordsOf = (page: Page, section: string) =>
  page.getByRole("region", { name: section, exact: true }).locator(".sung-chord");

test("the preview: guesses put right, doubtful places shown in the text", async ({ page }) => {
  await page.goto("/new");
  await page
    .getByLabel("The sheet")
    .fill("[Strofa]\nSol       Re      Cq7\nLuce sul mare\n[Lato]\nLam  Do\nsale e corda");
  await page.keyboard.press("F2");
  const understood = page.getByRole("region", { name: "What was understood" });
  await expect(understood.locator(".sung-chord").first()).toHaveText("G");
  await expect(page.getByLabel("Chords are written")).toHaveValue("syllables");
  await page.getByLabel("Key (a guess)").selectOption("D");
  await page.getByLabel(/Beats of a chord/).selectOption({ label: "2 beats each" });
  await page.getByLabel("Name of section 2").fill("Ponte");
  await page.getByLabel("Name of section 2").press("Enter");
  await page.getByLabel("Kind of section 2").selectOption("bridge");
  await expectAccessible(page);
  await understood.getByRole("button", { name: "Show it in the text" }).first().click();
  const area = page.getByLabel("The sheet");
  await expect(area).toBeFocused();
  const selected = await area.evaluate((field) => {
    const { value, selectionStart, selectionEnd } = field as HTMLTextAreaElement;
    return value.slice(selectionStart, selectionEnd);
  });
  expect(selected).toContain("Cq7");
  await page.getByRole("button", { name: "Make this song" }).click();
  await page.waitForURL(/\/song\/[\w-]+$/);
  await expect(page.getByRole("region", { name: "Ponte", exact: true })).toBeVisible();
  await expect(page.getByLabel("Sounds in")).toHaveValue("D");
  await expect(page.getByLabel("Beats of line 1 of Strofa")).toHaveValue("2 2 | 2");
});

test("a file that is no text is read and previewed", async ({ page }) => {
  const score = `<score-partwise version="4.0"><work><work-title>Bell Rope</work-title></work><part-list/><part id="P1"><measure number="1"><attributes><divisions>1</divisions><key><fifths>1</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time></attributes><harmony><root><root-step>G</root-step></root><kind>major</kind></harmony><note><pitch><step>G</step><octave>4</octave></pitch><duration>4</duration><voice>1</voice><lyric><text>Ring</text></lyric></note></measure></part></score-partwise>`;
  await page.goto("/new");
  await page
    .getByLabel("Or open a file")
    .setInputFiles({ name: "bell.musicxml", mimeType: "text/xml", buffer: Buffer.from(score) });
  await expect(page.getByRole("region", { name: "What was understood" })).toContainText("1 bar of 4 beats");
  await page.getByRole("button", { name: "Make this song" }).click();
  await page.waitForURL(/\/song\/[\w-]+$/);
  await expect(page.getByLabel("Title")).toHaveValue("Bell Rope");
});

test("exceptions at one place of the form, unfolded and folded", async ({ page }) => {
  await makeSong(
    page,
    "Key: G\n[Verse]\n| G | C |\nLight on\n[Chorus]\n| D | G |\nRing\n[Verse]\n[Chorus]\n",
  );
  const rows = form(page).getByRole("listitem");
  await rows.nth(2).getByRole("button", { name: "What is otherwise at Verse 2" }).click();
  const panel = page.getByRole("region", { name: "Verse 2 here" });
  await panel.getByLabel("Otherwise here, in words").fill("hold the last chord");
  await panel.getByLabel("Otherwise here, in words").press("Enter");
  await expect(rows.nth(2)).toContainText("hold of 4 beats on the last chord");
  await panel.getByLabel("until somebody gives the sign").check();
  await expect(rows.nth(2)).toContainText("until the sign");
  await panel.getByLabel("Otherwise here, in words").fill("line 1 is different");
  await panel.getByLabel("Otherwise here, in words").press("Enter");
  await panel.getByLabel("Chord 2", { exact: true }).fill("Em");
  await panel.getByLabel("Chord 2", { exact: true }).press("Enter");
  await expect(rows.nth(2)).toContainText("line 1 is different");
  await panel.getByLabel("Key").fill("2");
  await panel.getByLabel("Key").press("Enter");
  await expect(rows.nth(2)).toContainText("2 semitones up");
  await panel.getByLabel("Its name here").fill("Verse 2");
  await panel.getByLabel("Its name here").press("Enter");
  await expect(rows.nth(2)).toContainText("Verse 2");
  await expectAccessible(page);
  // Four bars of verse and chorus twice, and one bar of hold.
  await expect(page.getByText("8 bars of 4 beats, 0:27")).toBeVisible();
  await page.getByRole("button", { name: "Make a section of its own" }).click();
  await expect(chordsOf(page, "Verse 2")).toHaveText(["G", "Em"]);
  await expect(page.getByText("8 bars of 4 beats, 0:27")).toBeVisible();
  const verse2 = page.getByRole("region", { name: "Verse 2", exact: true });
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(verse2).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(rows.nth(2)).toContainText("hold of 4 beats on the last chord, until the sign");
  // The panel open, another room and back.
  await rows.nth(2).getByRole("button", { name: "What is otherwise at Verse 2" }).click();
  await expect(page.getByRole("region", { name: "Verse 2 here" })).toBeVisible();
  await page.getByRole("link", { name: "Versions and history" }).click();
  await page.getByRole("button", { name: "What can’t such a file hold?" }).click();
  await expect(page.getByText("a hold: Verse 2")).toBeVisible();
});

test("verse 2 is told as verse 1 with its difference, and folded into it", async ({ page }) => {
  await makeSong(
    page,
    "Key: G\n[Verse 1]\n| G | C |\nLight on\n| D | G |\nrope\n[Verse 2]\n| G | C |\nSalt on\n| D / Am7 D | G |\nrail\n",
  );
  const second = page.getByRole("region", { name: "Verse 2", exact: true });
  await expect(second).toContainText("The chords go as in Verse 1, but line 2: two more chords");
  await second.getByRole("button", { name: "Fold it into Verse 1" }).click();
  await expect(second).toHaveCount(0);
  const rows = form(page).getByRole("listitem");
  await expect(rows.nth(1)).toContainText("Verse 2");
  await expect(rows.nth(1)).toContainText("line 2 is different");
});

test("versions: started from another, compared, a difference taken over, gone back to", async ({ page }) => {
  await makeSong(page, "Title: Two of a Kind\nKey: G\n[Verse]\n| G | C |\nLight on\n");
  await page.getByRole("link", { name: "Versions and history" }).click();
  await page.getByLabel(/A new version, started from/).fill("Easy");
  await page.getByRole("button", { name: "Start it" }).click();
  await page.waitForURL(/\/song\/[\w-]+$/);
  await expect(page.getByText("Two of a Kind · Easy")).toBeVisible();
  const verse = page.getByRole("region", { name: "Verse", exact: true });
  await verse.getByRole("button", { name: "Change line 1 of Verse" }).click();
  await verse.getByLabel("Chord 2", { exact: true }).fill("Cadd9");
  await verse.getByLabel("Chord 2", { exact: true }).press("Enter");
  await page.getByLabel("Tempo").fill("66");
  await page.getByLabel("Tempo").press("Enter");
  await saved(page);
  await page.getByRole("link", { name: "Versions and history" }).click();
  await page.getByRole("button", { name: "Compare with this one" }).click();
  const differences = page.getByRole("list", { name: "Differences" }).getByRole("listitem");
  await expect(differences).toHaveText([
    /Tempo\s*66 a minute here, 80 a minute there/,
    /Verse, line 1\s*C for Cadd9/,
  ]);
  await expectAccessible(page);
  await differences.nth(1).getByRole("button", { name: "Take it over" }).click();
  await expect(differences).toHaveCount(1);
  await saved(page);
  const history = page.getByRole("region", { name: "History" });
  await expect(history.getByRole("listitem")).toHaveCount(4);
  await history.getByRole("button", { name: "Go back to the beginning" }).click();
  await expect(page.getByText("The two are the same.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(differences).toHaveCount(1);
});

test("two windows: different places merge, the same place shows both values", async ({ page, context }) => {
  await makeSong(page);
  const other = await context.newPage();
  await other.goto(page.url());
  const label = (one: Page) => one.getByRole("region", { name: "Form" }).getByRole("listitem").nth(0);
  await label(page)
    .getByRole("button", { name: /What is otherwise/ })
    .click();
  await page.getByLabel("Its name here").fill("Opening");
  await page.getByLabel("Its name here").press("Enter");
  await other.getByLabel("Tempo").fill("99");
  await other.getByLabel("Tempo").press("Enter");
  await expect(label(other)).toContainText("Opening");
  await expect(page.getByLabel("Tempo", { exact: true })).toHaveValue("99");

  await context.setOffline(true);
  await page.getByLabel("Tempo", { exact: true }).fill("71");
  await page.getByLabel("Tempo", { exact: true }).press("Enter");
  await other.getByLabel("Tempo", { exact: true }).fill("72");
  await other.getByLabel("Tempo", { exact: true }).press("Enter");
  await context.setOffline(false);
  // Whichever of the two was later at the server is asked.
  const asked = async (one: Page) =>
    one.getByRole("alert").filter({ hasText: "Changed in two windows at once" }).count();
  await expect.poll(async () => (await asked(page)) + (await asked(other))).toBe(1);
  const [late] = (await asked(page)) === 1 ? [page] : [other];
  const alert = late.getByRole("alert").filter({ hasText: "Changed in two windows at once" });
  await expect(alert).toContainText("71");
  await expect(alert).toContainText("72");
});

test("evidence: another sheet laid against the version, doubts marked and settled", async ({ page }) => {
  await makeSong(
    page,
    "Title: Doubt\nKey: G\n[Verse]\n| G | C6 | D | G |\nLight on the water\n[Chorus]\n| F | G |\nRing\n",
  );
  await page.getByRole("link", { name: /Evidence/ }).click();
  const source = page.getByRole("form", { name: "Another source" });
  await source.getByLabel("Where it is from").fill("Quay take");
  await source.getByLabel("Its chords, pasted or typed").fill("no chords here");
  await source.getByRole("button", { name: "Lay it against this version" }).click();
  await expect(source.getByRole("alert")).toContainText("No line of chords was found.");
  await source
    .getByLabel("Its chords, pasted or typed")
    .fill("Key: G\n[Part one]\n| G | Am7 | D | G |\n[Part two]\n| Fm | G |");
  await source.getByRole("button", { name: "Lay it against this version" }).click();
  const chart = page.getByRole("region", { name: "Evidence chart" });
  await expect(chart).toContainText("67 % of the beats agree.");
  await expect(chart).toContainText(
    "2 differences; listening to 2 bars settles them: bar 2 of the song (Verse), bar 5 of the song (Chorus).",
  );
  await expect(chart).toContainText("the same tones, two names: the bass decides");
  await expectAccessible(page);
  await chart.getByRole("button", { name: "Mark these chords as not sure" }).click();
  await chart.getByRole("button", { name: "F / F / Fm" }).click();
  await chart.getByRole("button", { name: "Fm is right (Quay take)" }).click();
  await saved(page);
  await page.getByRole("link", { name: "The sheet", exact: true }).click();
  await expect(chordsOf(page, "Verse")).toHaveText(["G", "C6? not sure", "D", "G"]);
  await expect(chordsOf(page, "Chorus")).toHaveText(["Fm", "G"]);
});

test("many files at once: what came in, what needs a look, doubles, what is no song", async ({ page }) => {
  await page.goto("/bring");
  const pro = (title: string, chords: string) =>
    strToU8(`{title: ${title}}\n{key: G}\n{soc}\n${chords}\n{eoc}`);
  const zip = zipSync({
    "in/one.cho": pro("Zip One", "[G]Light"),
    "in/two.txt": strToU8("Zip Two\n\n[Verse]\nG   Cq7   D\nlight"),
    "in/again.cho": pro("Zip One", "[C]Other"),
    "in/broken.mid": strToU8("MThd nothing"),
    "in/photo.png": strToU8("no song"),
  });
  await page.getByLabel("Files or zips").setInputFiles([
    { name: "songs.zip", mimeType: "application/zip", buffer: Buffer.from(zip) },
    { name: "notes.pdf", mimeType: "application/pdf", buffer: Buffer.from("x") },
  ]);
  await expect(page.getByText("5 of 5 read: 2 came in, 1 there already, 2 not taken.")).toBeVisible();
  const row = (name: string) => page.getByRole("row").filter({ hasText: name });
  await expect(row("two.txt")).toContainText("“Cq7” can't be read as a chord");
  await expect(row("Beats are guessed").first()).toContainText("Zip");
  // What was not taken comes first, then what wants a look.
  await expect(page.getByRole("row").nth(1)).toContainText("Not taken");
  await expect(row("broken.mid")).toContainText("no MIDI file");
  await expect(row("notes.pdf")).toContainText("Its ending is none of a song file");
  await expectAccessible(page);
  await page
    .getByRole("row")
    .filter({ hasText: "There already" })
    .getByRole("button", { name: "Take it all the same" })
    .click();
  await expect(page.getByText("3 came in, 0 there already")).toBeVisible();
});

test("the shelf: search by words and chords, put away and brought back", async ({ page }) => {
  await makeSong(page, "Title: Quince Harbour\nKey: Ab\n[Verse]\n| Bbm7 | Db |\nebbing tide\n");
  await page.goto("/");
  const shelf = page.getByRole("region", { name: "Shelf" });
  const search = shelf.getByLabel("Search titles, words, chords");
  const song = shelf.getByRole("link", { name: "Quince Harbour" });
  await search.fill("ebb uses B♭m7");
  await expect(shelf.locator("[data-total]")).toHaveText("1 song");
  await expect(song).toBeVisible();
  await search.fill("uses C#dim7 quince");
  await expect(shelf.getByText("No song has all of that.")).toBeVisible();
  await search.fill("quince");
  await expect(song).toBeVisible();
  await expectAccessible(page);
  await shelf.getByRole("button", { name: "More for Quince Harbour" }).click();
  await page.getByRole("button", { name: "Rehearsed today" }).click();
  await expect(shelf.getByText(/rehearsed 20\d\d-/)).toBeVisible();
  await shelf.getByRole("button", { name: "More for Quince Harbour" }).click();
  await page.getByRole("button", { name: "Put it away" }).click();
  await expect(shelf.getByText("No song has all of that.")).toBeVisible();
  await page.reload();
  await shelf.getByRole("button", { name: /Put away: \d/ }).click();
  await shelf.getByRole("button", { name: "More for Quince Harbour" }).click();
  await page.getByRole("button", { name: "Bring it back to the shelf" }).click();
  await expect(shelf.getByText("is back on the shelf")).toBeVisible();
});

test("a full disk: what was typed stays on screen, is said, and is written later", async ({ page }) => {
  await makeSong(page);
  await page.route("**/edits", (route) =>
    route.request().method() === "POST"
      ? route.fulfill({ status: 507, json: { error: { path: "storage", message: "could not be written" } } })
      : route.continue(),
  );
  await page.getByLabel("Tempo").fill("77");
  await page.getByLabel("Tempo").press("Enter");
  await expect(page.getByText("The server can’t write: its disk may be full")).toBeVisible();
  await expect(page.getByLabel("Tempo")).toHaveValue("77");
  await page.unroute("**/edits");
  await saved(page);
  await page.reload();
  await expect(page.getByLabel("Tempo")).toHaveValue("77");
});
