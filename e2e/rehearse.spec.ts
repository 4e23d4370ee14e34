import { expect, type Page, test } from "@playwright/test";
import { addThreePlayers, expectAccessible, FAST, makeSong, room, saved } from "./helpers";

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
  await expect(page.getByText("Bars 5 to 8 are played")).toBeVisible();
  await page.getByLabel("Round and round").check();
  await watch(page);
  await play(page).click();
  await expect(place(page)).toHaveAttribute("data-round", "1", { timeout: 20_000 });
  const told = await seen(page);
  expect(told.some((one) => one.startsWith("count"))).toBe(true);
  // Bar after bar, each with its chord, and again from the first.
  const bars = told.filter((one) => one.startsWith("play 0") && /[A-G]/.test(one)).map((one) => one.slice(7));
  expect([...new Set(bars)]).toEqual(["5 C", "6 G", "7 D", "8 G"]);
  await expect(place(page)).toHaveAttribute("data-bar", "5");
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
  await expect(place(page)).toHaveAttribute("data-bar", "2", { timeout: 20_000 });
  for (let step = 0; step < 10; step++) await page.keyboard.press("+");
  await expect(page.getByText("130 %: 260 a minute")).toBeVisible();
  await expect(place(page)).toHaveAttribute("data-bar", /^[23]$/u);
  await expect(place(page)).toHaveAttribute("data-bar", "8", { timeout: 20_000 });
  await expect(place(page)).toContainText("Silence", { timeout: 10_000 });
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
  await expect(page.getByText("Bars 2 to 4 are played")).toBeVisible();
  await expect(page.getByLabel("Round and round")).toBeChecked();
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("Shift+ArrowRight");
  await expect(page.getByText("Bars 1 to 5 are played")).toBeVisible();
  await bars.nth(5).click();
  await expect(page.getByText("Bars 6 to 8 are played")).toBeVisible();
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
