import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, makeSong, partsPage, room, saved } from "./helpers";

/** A song of five different sections, each verse and chorus more than once. */
const SONG = `Quay at Dawn
Key: G
Tempo: 88
Time: 4/4

[Intro]
G . . .  C . . .  G . . .  C . . .

[Verse 1]
G . . .      C . . .
Rope on the railing, salt in the air
Em . . .     D . . .
Somebody waits at the foot of the stair

[Chorus]
C . . .      G . . .
Carry me over the harbour tonight
D . . .      Em . . .
Carry me home by the harbour light

[Verse 2]
G . . .      C . . .
Nets on the shingle, a coat on the chair
Em . . .     D . . .
Nobody knows who has left them there

[Chorus]

[Bridge]
Am . . .     C . . .
Out past the moorings, out of the bay
G . . .      D . . .
Wait for the mist to be blown away

[Chorus]

[Outro]
G . . .  C . . .  G . . .  C . . .
`;

/** A song of our own with the whole band: the demo's songs stay as other tests know them. */
async function makeBandSong(page: Page): Promise<string> {
  const id = await makeSong(page, SONG);
  await room(page, "Players");
  await page.getByRole("button", { name: "Add the whole band" }).click();
  await saved(page);
  return id;
}

/** A song of our own on the page where it is split. */
async function openSplit(page: Page): Promise<void> {
  await makeBandSong(page);
  await room(page, "Parts");
  await partsPage(page, "Split for me");
}

const over = (page: Page) => page.getByRole("region", { name: "The proposal over the sheet" });
const found = (page: Page) => page.getByRole("button", { name: "Split again" });

test("from a pasted song and a whole band to parts on stage in eight acts, no cell empty of an idea", async ({
  page,
}) => {
  let acts = 0;
  const press = async (act: () => Promise<unknown>) => {
    await act();
    acts++;
  };
  await press(() => makeSong(page, SONG));
  await press(() => room(page, "Players"));
  await press(() => page.getByRole("button", { name: "Add the whole band" }).click());
  const players = page.getByRole("listitem").filter({ has: page.getByLabel("Usual role") });
  expect(await players.count()).toBeGreaterThanOrEqual(4);
  await press(() => room(page, "Parts"));
  await press(() => partsPage(page, "Split for me"));
  await press(() => page.getByRole("button", { name: "Split for me" }).click());
  await expect(found(page)).toBeVisible({ timeout: 30_000 });
  const cells = over(page).locator("td button");
  const count = await cells.count();
  expect(count).toBeGreaterThanOrEqual(4 * 8);
  for (const name of await cells.evaluateAll((all) => all.map((one) => one.getAttribute("aria-label") ?? "")))
    expect(name).toMatch(/: (?:dark|low|warm|bright|blazing|[a-z]+), .+/u);
  await press(() => page.getByRole("button", { name: "Take all of it" }).click());
  await expect(over(page).getByText("Took the whole proposal.")).toBeVisible();
  await saved(page);
  await press(() => page.getByRole("link", { name: "Maren’s stage" }).click());
  await expect(page.getByRole("heading", { name: /Verse 1|Intro/ }).first()).toBeVisible();
  expect(acts).toBeLessThanOrEqual(8);
  // What was taken is on the sheet: every part says how it is played, or waits.
  await page.goBack();
  await partsPage(page, "The sheet");
  const parts = page.getByRole("button", {
    name: /^(?:Intro|Verse|Chorus|Bridge|Outro).*, (?:Maren|Tobin|Odile|Hesper|Quill): /,
  });
  await expect(parts.first()).toBeVisible();
  for (const name of await parts.evaluateAll((all) => all.map((one) => one.getAttribute("aria-label") ?? "")))
    expect(name, name).toMatch(/stays out|carries|supports|plays/u);
});

test("a proposal is seen as a song, changed cell by cell, laid beside another, and taken in part", async ({
  page,
}) => {
  await openSplit(page);
  await page.getByRole("button", { name: "Split for me" }).click();
  await expect(found(page)).toBeVisible({ timeout: 30_000 });
  const list = page.getByRole("list", { name: "Proposals" });
  expect(await list.getByRole("listitem").count()).toBeGreaterThanOrEqual(3);
  await expect(list.getByRole("listitem").first()).toContainText("begin");
  await expect(page.getByRole("img", { name: /Verse 1: \d play, light \d/ })).toBeVisible();
  await expectAccessible(page);
  // It is heard before anything is taken: a section as everybody would play it, a part, another idea for it.
  const sounds = (hear: ReturnType<typeof over>) => expect(hear).toHaveAttribute("aria-pressed", "true");
  const section = over(page).getByRole("button", { name: /^(?:Hear it|Stop) ?: Verse 1 as proposed/ });
  await section.click();
  await sounds(section);
  await expect.poll(() => page.evaluate(() => performance.getEntriesByName("hear").length)).toBe(1);
  // Another idea for one cell, with what it changes.
  const cell = over(page).getByRole("button", { name: /^Maren in Verse 1: / });
  const before = await cell.getAttribute("aria-label");
  await cell.click();
  const detail = page.getByRole("region", { name: "Maren in Verse 1" });
  await expect(detail.getByRole("listitem")).toHaveCount(3);
  await expect(detail.getByRole("listitem").first()).toContainText("against it");
  const idea = detail
    .getByRole("listitem")
    .first()
    .getByRole("button", { name: /^(?:Hear it|Stop)/ });
  await idea.click();
  await sounds(idea);
  await expect(section).toHaveAttribute("aria-pressed", "false");
  await expect.poll(() => page.evaluate(() => performance.getEntriesByName("hear").length)).toBe(2);
  await detail
    .getByRole("button", { name: /^Put in / })
    .first()
    .click();
  await expect(cell).not.toHaveAttribute("aria-label", before!);
  await expectAccessible(page);
  await detail.getByRole("button", { name: "Take this cell" }).click();
  await expect(over(page).getByText("Took Maren in Verse 1.")).toBeVisible();
  // Fixed for the next split, it is kept there.
  const words = (await cell.getAttribute("aria-label"))!.replace(/^.*?, /u, "");
  await detail.getByRole("button", { name: "Fix it for the next split" }).click();
  await detail.getByRole("button", { name: "Close" }).click();
  await found(page).click();
  await expect(found(page)).toBeVisible({ timeout: 30_000 });
  await expect(over(page).getByRole("button", { name: /^Maren in Verse 1: / })).toHaveAttribute(
    "aria-label",
    new RegExp(words.replace(/[.*+?^${}()|[\]\\]/gu, "\\$&").split(", ")[0]!),
  );
  await page.getByRole("button", { name: /^Let go: Maren plays/ }).click();
  // Two laid side by side: only what differs, both told.
  await page.getByLabel("Lay beside").selectOption({ index: 1 });
  await expect(over(page).getByText(/only sections that differ, in \d+ cells/)).toBeVisible();
  await page.getByLabel("Lay beside").selectOption("");
  await over(page).getByRole("button", { name: "Take all of Odile’s parts" }).click();
  await expect(over(page).getByText("Took Odile’s parts.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
});

test("limits in plain acts are held: somebody waits, plays only there, is away", async ({ page }) => {
  await openSplit(page);
  await page.getByText("What is fixed already").click();
  await page.getByLabel("Who", { exact: true }).selectOption({ label: "Tobin" });
  await page.getByLabel("What is fixed", { exact: true }).selectOption({ label: "only in" });
  await expect(page.getByRole("button", { name: "Fix it" })).toBeDisabled();
  await page.getByLabel("Where", { exact: true }).selectOption({ label: "Bridge" });
  await page.getByRole("button", { name: "Fix it" }).click();
  await expect(page.getByRole("list", { name: "Fixed" })).toContainText("Tobin only in Bridge");
  await page.getByLabel("Hesper").uncheck();
  await page.getByRole("button", { name: "Split for me" }).click();
  await expect(found(page)).toBeVisible({ timeout: 30_000 });
  const names = await over(page)
    .locator("td button")
    .evaluateAll((all) => all.map((one) => one.getAttribute("aria-label") ?? ""));
  const of = (name: string) => names.filter((one) => one.startsWith(`${name} in`));
  expect(of("Hesper").every((one) => one.includes("waits"))).toBe(true);
  expect(of("Tobin").filter((one) => !one.includes("waits"))).toHaveLength(1);
  expect(of("Tobin").find((one) => !one.includes("waits"))).toContain("Tobin in Bridge");
});

test("two guitars are parted in five ways, with what they share and what it asks of the hands; one is taken for the song", async ({
  page,
}) => {
  await makeBandSong(page);
  await room(page, "Keys");
  await page.getByRole("link", { name: "Ways to be two instruments" }).click();
  await page.getByRole("button", { name: "Part them" }).click();
  const ways = page.getByRole("region", { name: "Ways to part them" });
  await expect(ways.getByRole("listitem").first()).toBeVisible({ timeout: 30_000 });
  expect(await ways.getByRole("listitem").count()).toBe(5);
  await expect(ways.getByText(/^Now they share/)).toContainText("effort a beat: Maren");
  await expectAccessible(page);
  const low = ways.getByRole("listitem", { name: "low and high" });
  await expect(low).toContainText(/Then .* semitones and .* of their strokes; effort a beat/);
  await low.getByRole("button", { name: /^Take it/ }).click();
  await expect(ways.getByText("Parted Maren and Tobin: low and high.")).toBeVisible();
  await saved(page);
  // Asked again, what is taken is what they share now.
  await page.getByRole("button", { name: "Part them" }).click();
  const shared = async (from: string) => Number(/([\d.]+) semitones/u.exec(from)?.[1]);
  const then = await shared((await low.textContent())!);
  await expect.poll(async () => shared((await ways.getByText(/^Now they share/).textContent())!)).toBe(then);
  await page.getByRole("button", { name: "Undo" }).click();
});

test("what is taken and put aside is learned for this band, told in words and forgotten; weights are kept as an own way", async ({
  page,
}) => {
  await openSplit(page);
  await page.getByText("What this band likes").click();
  // Whatever was taken in this band before is forgotten first.
  const forget = page.getByRole("button", { name: "Forget all of it" });
  if (await forget.isVisible()) await forget.click();
  await page.getByRole("button", { name: "Split for me" }).click();
  await expect(found(page)).toBeVisible({ timeout: 30_000 });
  const learned = page.getByRole("list", { name: "Learned" });
  await page.getByRole("button", { name: "Take all of it" }).click();
  // Once, or twice of the same split, is not yet a liking.
  await page.getByRole("button", { name: "Take all of it" }).click();
  await expect(page.getByText("Nothing yet.")).toBeVisible();
  await found(page).click();
  await expect(found(page)).toBeVisible({ timeout: 30_000 });
  await page.getByRole("button", { name: "Take all of it" }).click();
  await expect(learned.getByRole("listitem").first()).toContainText(/^likes .+ in an? /u);
  const first = (await learned.getByRole("listitem").first().textContent())!.replace(/ forget$/u, "");
  const last = (await learned.getByRole("listitem").last().textContent())!.replace(/ forget$/u, "");
  await page.getByRole("button", { name: `Forget: ${first}`, exact: true }).click();
  await expect(learned.getByText(first, { exact: true })).toHaveCount(0);
  // Another song of the same band knows it; forgotten, nothing is left.
  const other = await makeBandSong(page);
  await page.goto(`/song/${other}/parts/split`);
  await page.getByText("What this band likes").click();
  await expect(learned).toContainText(last);
  await page.getByRole("button", { name: "Forget all of it" }).click();
  await expect(page.getByText("Nothing yet.")).toBeVisible();
  // An own way: weights under a name, taken up again.
  await page.getByText("What counts against a proposal").click();
  await page.getByLabel("two guitars alike, a bar").fill("3");
  await page.getByLabel("two guitars alike, a bar").press("Tab");
  await page.getByLabel("Keep these weights with the band as").fill("Two apart");
  await page.getByRole("button", { name: "Keep them" }).click();
  await expect(page.getByRole("list", { name: "Own ways" })).toContainText("Two apart");
  await page.getByRole("button", { name: "As they were at first" }).click();
  await expect(page.getByLabel("two guitars alike, a bar")).toHaveValue("0.5");
  await page.getByRole("button", { name: "Two apart", exact: true }).click();
  await expect(page.getByLabel("two guitars alike, a bar")).toHaveValue("3");
  await page.getByRole("button", { name: "Forget the way Two apart" }).click();
  await expect(page.getByRole("list", { name: "Own ways" })).toHaveCount(0);
});

test("one guitar and a looper: what goes round is a layer of the looper once the split is taken", async ({
  page,
}) => {
  const song = await makeSong(page, SONG);
  await room(page, "Players");
  await page.getByRole("button", { name: "Add an acoustic guitar" }).click();
  await page.getByLabel("has a looper").check();
  await saved(page);
  await page.goto(`/song/${song}/parts/split`);
  await page.getByRole("button", { name: "Split for me" }).click();
  await expect(found(page)).toBeVisible({ timeout: 30_000 });
  await page.getByRole("listitem", { name: "one guitar and loops" }).getByRole("button").click();
  await expect(
    over(page)
      .getByText(/^goes round; over it /)
      .first(),
  ).toBeVisible();
  await page.getByRole("button", { name: "Take all of it" }).click();
  await saved(page);
  await room(page, "Loops");
  await expect(page.getByRole("row", { name: /Acoustic: / }).first()).toBeVisible();
  // One undo takes parts and layers back.
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("Nothing goes round yet.")).toBeVisible();
});
