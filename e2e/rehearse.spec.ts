import { expect, type Page, test } from "@playwright/test";
import { addThreePlayers, expectAccessible, FAST, makeSong, room, saved } from "./helpers";
import { makeEvening, screenOf } from "./live-evening";

const place = (page: Page) => page.locator(".run-place");
const play = (page: Page) => page.getByRole("button", { name: /^(?:Play|Stop)/ });

/** A fast song with three players, in its Rehearse room. */
async function openRoom(page: Page): Promise<void> {
  await makeSong(page, FAST);
  await addThreePlayers(page);
  await saved(page);
  await room(page, "Rehearse");
  await expect(page.getByRole("region", { name: "The sheet" }).locator(".sung-chord").first()).toBeVisible();
}

/** Every bar and chord that was shown, in the order they came. */
const watch = (page: Page) =>
  page.evaluate(() => {
    const seen: string[] = [];
    (window as unknown as { seen: string[] }).seen = seen;
    const look = () => {
      const { phase, bar, round } = document.querySelector<HTMLElement>(".run-place")!.dataset;
      const chord = document.querySelector("[data-now] .sung-chord")?.textContent ?? "";
      const said = `${phase} ${round} ${bar} ${chord}`;
      if (seen.at(-1) !== said) seen.push(said);
    };
    new MutationObserver(look).observe(document.body, { subtree: true, attributes: true, childList: true });
  });
const seen = (page: Page) => page.evaluate(() => (window as unknown as { seen: string[] }).seen);

test("a section is heard round and round, and its sheet runs with it: two acts", async ({ page }) => {
  await openRoom(page);
  await page.getByRole("button", { name: "Chorus" }).click();
  await expect(page.getByText("Played: Chorus.")).toBeVisible();
  await page.getByLabel("Round and round").check();
  await watch(page);
  await play(page).click();
  await expect(place(page)).toHaveAttribute("data-round", "1");
  const told = await seen(page);
  expect(told.some((one) => one.startsWith("count"))).toBe(true);
  // Bar after bar, each with its chord, and again from the first.
  const bars = told.filter((one) => one.startsWith("play 0") && /[A-G]/.test(one)).map((one) => one.slice(7));
  expect([...new Set(bars)]).toEqual(["1 C", "2 G", "3 D", "4 G"]);
  await expect(place(page)).toHaveAttribute("data-bar", "1");
  await page.keyboard.press("Escape");
  await play(page).click();
  await expect(place(page)).toContainText("Silence");
  await expectAccessible(page);
});

test("slower and faster by keys while it sounds, without losing the place; over by itself at the end", async ({
  page,
}) => {
  await openRoom(page);
  await page.getByRole("heading", { level: 1 }).click();
  for (let step = 0; step < 4; step++) await page.keyboard.press("-");
  await expect(page.getByText("80 %: 160 a minute")).toBeVisible();
  await page.keyboard.press("Space");
  await expect(place(page)).toHaveAttribute("data-bar", "2");
  for (let step = 0; step < 10; step++) await page.keyboard.press("+");
  await expect(page.getByText("130 %: 260 a minute")).toBeVisible();
  await expect(place(page)).toHaveAttribute("data-bar", /^[23]$/u);
  await expect(place(page)).toContainText("Chorus, bar 4");
  await expect(place(page)).toContainText("Silence");
  await expect(play(page)).toContainText("Play");
});

test("who is heard: alone, all but me, a sound of one's own; kept in this window", async ({ page }) => {
  await openRoom(page);
  const heard = page.getByRole("region", { name: "Who is heard" });
  await page.getByRole("heading", { level: 1 }).click();
  await page.keyboard.press("m");
  await expect(heard.getByRole("checkbox", { name: "Acoustic" })).not.toBeChecked();
  await expect(heard.getByRole("checkbox", { name: "Bass" })).toBeChecked();
  await heard.getByRole("button", { name: "Alone: Bass" }).click();
  await expect(heard.getByRole("checkbox", { name: "Electric" })).not.toBeChecked();
  await page.getByRole("heading", { level: 1 }).click();
  await page.keyboard.press("0");
  await page.keyboard.press("2");
  await expect(heard.getByRole("checkbox", { name: "Electric" })).not.toBeChecked();
  await heard.getByText("steel strings").first().click();
  await heard.getByLabel("Sound of Acoustic").selectOption("nylon strings");
  await page.reload();
  await expect(heard.getByText("nylon strings").first()).toBeVisible();
  await expect(heard.getByRole("checkbox", { name: "Electric" })).not.toBeChecked();
  await expectAccessible(page);
});

test("bars are drawn over to practise them, and moved by keys", async ({ page }) => {
  await openRoom(page);
  const bars = page.locator("[data-line]");
  await bars.nth(1).hover();
  await page.mouse.down();
  await bars.nth(3).hover();
  await page.mouse.up();
  await expect(page.getByText("Played: bars 2–4 of Verse.")).toBeVisible();
  await expect(page.getByLabel("Round and round")).toBeChecked();
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("Shift+ArrowRight");
  await expect(page.getByText("Played: bar 1 of Verse to bar 1 of Chorus.")).toBeVisible();
  await bars.nth(5).click();
  await expect(page.getByText("Played: bars 2–4 of Chorus.")).toBeVisible();
  await page.keyboard.press("w");
  await expect(page.getByText("The whole song is played.")).toBeVisible();
});

test("what is changed in the song is heard without loading the page; without sound a sentence says so", async ({
  page,
}) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, "AudioContext", { value: undefined });
  });
  await openRoom(page);
  await play(page).click();
  await expect(page.getByRole("status").filter({ hasText: "Nothing can be heard here" })).toBeVisible();
  await expect(play(page)).toContainText("Play");
  await expect(page.getByRole("region", { name: "Who is heard" }).getByRole("listitem")).toHaveCount(3);
});

test("what was gone through is kept with one press, told in the log, and makes the song rehearsed", async ({
  page,
}) => {
  await openRoom(page);
  await page.getByRole("button", { name: "Verse" }).click();
  await page.getByLabel("Round and round").check();
  await play(page).click();
  await expect(place(page)).toHaveAttribute("data-round", "3");
  await play(page).click();
  const keep = page.getByRole("region", { name: "Keep it" });
  await expect(keep).toContainText(/Acoustic: Verse, 0\.\d minutes at 100 %, 3 times through/u);
  await keep.getByRole("button", { name: "1", exact: true }).click();
  await keep.getByRole("button", { name: "Keep it in the log" }).click();
  await expect(keep).toBeHidden();
  await saved(page);
  await page.getByRole("link", { name: "Log" }).click();
  const all = page.getByRole("region", { name: "All of it" });
  await expect(all.getByRole("row").nth(1)).toContainText("Verse");
  await page.getByLabel("Note").fill("with the new ending");
  await page.getByRole("button", { name: "The band rehearsed it today" }).click();
  await expect(all.getByRole("row").nth(1)).toContainText("with the new ending");
  await expect(page.getByText("Last rehearsed on")).toBeVisible();
  await expect(page.locator("canvas")).toBeVisible();
  await expectAccessible(page);
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as CSV" }).click();
  const text = await (await download).createReadStream();
  let csv = "";
  for await (const chunk of text) csv += chunk;
  expect(csv.split("\r\n")[0]).toBe("day,kind,player,what,minutes,tempo %,rounds,clean,note");
  expect(csv.split("\r\n")[1]).toMatch(/^\d{4}-\d\d-\d\d,part,Acoustic,Verse,0\.\d,100,3,1,$/u);
  await all.getByRole("button", { name: /^Remove whole band/ }).click();
  await expect(all.getByRole("row")).toHaveCount(2);
  await saved(page);
});

test("a minute of a hard change is counted by keys and kept; broken off it is not", async ({ page }) => {
  await page.clock.install();
  await openRoom(page);
  await page.getByRole("link", { name: "Hard changes" }).click();
  const first = page
    .getByRole("listitem")
    .filter({ has: page.getByText("Not counted yet.") })
    .first();
  await first.getByRole("button", { name: /^A minute of/ }).click();
  await page.keyboard.press("x");
  await page.keyboard.press("Escape");
  await expect(first).toContainText("Not counted yet.");
  await first.getByRole("button", { name: /^A minute of/ }).click();
  const kept = page.getByRole("listitem").filter({ has: page.getByRole("timer") });
  for (let change = 0; change < 5; change++) {
    await page.clock.runFor(2000);
    await page.keyboard.press("Space");
  }
  await expect(kept).toContainText("Clean: 5");
  await page.clock.runFor(60_000);
  await expect(page.getByText("5 clean changes a minute")).toBeVisible();
  await saved(page);
  await expectAccessible(page);
});

test("the ladder of a part: a step is played, tapped along with, told in a sentence, and done", async ({
  page,
}) => {
  await openRoom(page);
  await page.getByRole("link", { name: "Ladder" }).click();
  const steps = page.getByRole("listitem").filter({ has: page.getByRole("button", { name: /^Done:/ }) });
  await expect(steps.first()).toContainText("The other hand alone");
  await expect(steps.last()).toContainText("All of it, with the band 100 %");
  await steps
    .first()
    .getByRole("button", { name: /^Play:/ })
    .click();
  await expect(place(page)).toHaveAttribute("data-phase", "play");
  // A tap for each chord that begins while one listens.
  for (let chord = 0; chord < 4; chord++) {
    const bar = await place(page).getAttribute("data-bar");
    await page.keyboard.press("j");
    await expect(place(page)).not.toHaveAttribute("data-bar", bar!);
  }
  await steps
    .first()
    .getByRole("button", { name: /^Stop:/ })
    .click();
  await expect(steps.first().getByText(/\d of \d within 60 ms/u)).toBeVisible();
  await expect(steps.first().locator("canvas")).toBeVisible();
  await steps
    .first()
    .getByRole("button", { name: /^Done:/ })
    .click();
  await expect(steps.first()).toContainText("done");
  await saved(page);
  await page.reload();
  await expect(steps.first()).toContainText("done");
  await expectAccessible(page);
});

test("on a device that has joined an evening its player practises the songs before it", async ({
  browser,
  baseURL,
}) => {
  const evening = await makeEvening(baseURL!, "Practice Night");
  const { page } = await screenOf(browser, baseURL!, evening, "Tobin");
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole("button", { name: "This screen" }).click();
  await page.getByRole("link", { name: "Rehearse the songs" }).click();
  await page.waitForURL(/\/rehearse$/);
  await page.getByLabel("Song").selectOption({ label: "Second Lamp" });
  await expect(page.getByRole("region", { name: "The sheet" }).locator(".sung-chord").first()).toBeVisible();
  await page.getByLabel("Round and round").check();
  await play(page).click();
  await expect(place(page)).toHaveAttribute("data-phase", "play");
  await page.getByRole("button", { name: /^All but/ }).click();
  await expect(
    page.getByRole("region", { name: "Who is heard" }).getByRole("checkbox", { name: "Odile" }),
  ).toBeChecked();
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  await expectAccessible(page);
  // What was gone through goes into the song's log with one press.
  await page.waitForTimeout(13_000);
  await play(page).click();
  await page
    .getByRole("region", { name: "Keep it" })
    .getByRole("button", { name: "Keep it in the log" })
    .click();
  await expect(page.getByText("It is in the song’s log.")).toBeVisible();
  await page.context().close();
});

test("the next ten minutes of a player: what, how long, how fast and why, and the way there", async ({
  page,
}) => {
  await openRoom(page);
  // A bar that goes wrong is marked while it sounds.
  await page.getByRole("button", { name: "Chorus" }).click();
  await page.getByLabel("Round and round").check();
  await page.getByRole("heading", { level: 1 }).click();
  await page.keyboard.press("Space");
  await expect(place(page)).toHaveAttribute("data-bar", "2");
  await page.keyboard.press("d");
  await expect(page.getByText(/^Bar \d of Chorus is kept as a danger spot in Cues\.$/u)).toBeVisible();
  await page.keyboard.press("Space");
  await saved(page);
  await page.getByRole("link", { name: "Log" }).click();
  await expect(page.getByRole("region", { name: "Bars that were marked" })).toContainText(/bar \d/iu);
  await page.getByRole("link", { name: "Next ten minutes" }).click();
  const list = page.getByRole("list", { name: /^The next 10 minutes of / });
  const steps = list.getByRole("listitem");
  await expect(steps.first()).toBeVisible({ timeout: 20_000 });
  const told = await steps.allInnerTexts();
  const minutes = told.map((one) => Number(/(\d+) minutes?/u.exec(one)![1]));
  expect(minutes.reduce((sum, one) => sum + one, 0)).toBe(10);
  expect(told.join(" ")).toMatch(/not counted yet|not practised yet/u);
  await expectAccessible(page);
  // One press sets its section, tempo and rounds up in Play it.
  const chorus = steps.filter({ hasText: "Chorus" });
  await expect(chorus).toContainText("a bar of it was marked");
  await chorus.getByRole("link", { name: "Play it" }).click();
  await expect(page.getByText("Played: Chorus.")).toBeVisible();
  await expect(page.getByText("60 %: 120 a minute")).toBeVisible();
  await expect(page.getByLabel("Round and round")).toBeChecked();
  await page.getByRole("link", { name: "Next ten minutes" }).click();
  await page.getByRole("button", { name: "20", exact: true }).click();
  await expect(page.getByRole("list", { name: /^The next 20 minutes of / })).toBeVisible();
});

test("whether a song fits: minutes with their reasons for each player, and the leader’s own verdict", async ({
  page,
}) => {
  await openRoom(page);
  await page.getByRole("link", { name: "Does it fit" }).click();
  const asks = page.getByRole("region", { name: "What it asks" });
  await expect(asks.getByRole("heading", { name: /^Acoustic/ })).toContainText(/\d+ to \d+ minutes/u);
  await expect(asks).toContainText("For the band to learn it");
  await asks.getByText("Why").first().click();
  await expect(asks.getByRole("row", { name: /2 sections/ }).first()).toBeVisible();
  await expect(asks.getByRole("list", { name: "Alone" })).toContainText("could carry it alone on the guitar");
  await expect(page.getByRole("region", { name: "Beside your other songs" })).toContainText(/\d\/\d at \d+/u);
  const own = page.getByRole("region", { name: "Your own verdict" });
  await own.getByLabel("For us").selectOption("it fits");
  await own.getByLabel("For what occasion").fill("the harbour fair");
  await own.getByLabel("For what occasion").press("Enter");
  await saved(page);
  await page.reload();
  await expect(own.getByLabel("For us")).toHaveValue("fits");
  await expect(own.getByLabel("For what occasion")).toHaveValue("the harbour fair");
  await expectAccessible(page);
});

test("songs are weighed, the shelf sorts by it and by the leader’s verdict, and two are compared", async ({
  page,
}) => {
  await openRoom(page);
  const title = (await page.locator("header b, header strong").first().textContent())!.trim();
  await page.getByRole("link", { name: "Does it fit" }).click();
  await page.getByRole("region", { name: "Your own verdict" }).getByLabel("For us").selectOption("later");
  await saved(page);
  const compare = page.getByRole("region", { name: "Compare it with another" });
  await compare.getByLabel("Find a song").fill("Lamp on the Water");
  await compare.getByLabel("Find a song").press("Enter");
  await compare.getByLabel("Compare with").selectOption({ label: "Lamp on the Water (Full band)" });
  const both = compare.getByRole("table", { name: "Both songs" });
  await expect(both.getByRole("row", { name: /^The band/ })).toContainText(
    /\d+ to \d+ minutes.*\d+ to \d+ minutes/u,
    {
      timeout: 20_000,
    },
  );
  await expect(both.getByRole("row", { name: /^Hesper/ })).toContainText("does not play");
  await expect(both.getByRole("row", { name: /^For us/ })).toContainText("later");
  await expectAccessible(page);
  await page.goto("/");
  const shelf = page.getByRole("region", { name: "Shelf" });
  // A choice made before the page answers to it is lost: it is made again until the list follows.
  await expect(async () => {
    await shelf.getByLabel("For us").selectOption("any");
    await shelf.getByLabel("For us").selectOption("later");
    await expect(shelf.getByRole("link", { name: "Lamp on the Water" })).toHaveCount(0, { timeout: 3000 });
  }).toPass({ timeout: 60_000 });
  await expect(shelf.getByRole("link", { name: title }).first()).toBeVisible();
  await shelf.getByLabel("For us").selectOption("any");
  await shelf.getByLabel("Sorted by").selectOption("minutes to learn");
  const weigh = shelf.getByRole("button", { name: "Weigh them" });
  await weigh.click();
  await expect(shelf.getByText("not weighed yet")).toHaveCount(0, { timeout: 60_000 });
  const told = await shelf.getByText(/^to learn: /u).allInnerTexts();
  const most = told.flatMap((one) => Number(/ to (\d+) minutes/u.exec(one)?.[1] ?? 0));
  expect(most.length).toBeGreaterThan(3);
  expect(most).toEqual(most.toSorted((a, b) => a - b));
  await expectAccessible(page);
});

test("the loops of a looper’s song sound in the room, each to be heard alone", async ({ page }) => {
  const { rows } = await (await page.request.get("/api/shelf?q=nine")).json();
  const { versionId } = rows.find((row: { versionName: string }) => row.versionName === "Solo with looper");
  await page.goto(`/song/${versionId}/rehearse`);
  const loops = page.getByRole("region", { name: "Who is heard" }).getByText(/^Loop: /u);
  await expect(loops.first()).toBeVisible();
  expect(await loops.count()).toBeGreaterThan(2);
  await page.getByRole("button", { name: "Alone: Loop: Thump" }).click();
  await page.getByRole("heading", { level: 1 }).click();
  await page.keyboard.press("Space");
  await expect(place(page)).toHaveAttribute("data-bar", "2");
  await page.keyboard.press("Space");
  await expectAccessible(page);
});
