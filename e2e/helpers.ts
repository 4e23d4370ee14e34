import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

/** A sheet of our own with headings of two kinds, bars and a bare line; its chorus does not close. */
export const SHEET = `Night Ferry
Key: G
Tempo: 84
Time: 4/4

[Verse 1]
G . . .              D/F# . . .
Rope on the railing, salt in the air
Em7 . . .      C . . .
Somebody waits at the foot of the stair

Chorus:
| C      | G/B    |
Carry me over
Am7 . . .   D . .
Carry me home

[Verse 1]

Chorus:
`;

/** Two sections of four bars, fast: 4.8 seconds each. */
export const FAST = `Quick Lamp
Key: G
Tempo: 200
Time: 4/4

[Verse]
G . . .      C . . .
Light on the gable
G . . .      D . . .
light on the wall

[Chorus]
C . . .      G . . .
Turn it up slowly
D . . .      G . . .
turn it for all
`;

/** Makes a song by pasting, and waits in its Song room. */
export async function makeSong(page: Page, text = SHEET): Promise<string> {
  await page.goto("/new");
  await page.getByLabel("The sheet").fill(text);
  await page.getByRole("button", { name: "Make this song" }).click();
  await page.waitForURL(/\/song\/[\w-]+$/);
  return page.url().split("/").at(-1)!;
}

/** Finds a song on the shelf of the first page and opens its first version. */
export async function openFromShelf(page: Page, title: string): Promise<void> {
  const shelf = page.getByRole("region", { name: "Shelf" });
  // The list is drawn anew when the answer comes: a click before that could fall between two lists.
  const answered = page.waitForResponse((response) => /\/api\/shelf\?.*q=/u.test(response.url()));
  await shelf.getByLabel("Search titles, words, chords").fill(title);
  await answered;
  const found = shelf.getByRole("listitem").filter({ hasText: title });
  await found.filter({ hasText: "Full band" }).getByRole("link").click();
  await page.waitForURL(/\/song\//);
}

export const room = async (
  page: Page,
  name: "Song" | "Players" | "Keys" | "Parts" | "Loops" | "Sounds" | "Cues" | "Rehearse",
) => {
  await page.getByRole("navigation", { name: "Rooms of this song" }).getByRole("link", { name }).click();
  if (name !== "Song") await expect(page.getByRole("heading", { level: 1, name })).toBeVisible();
};

/** A page of the Parts room. */
export const partsPage = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Pages of the Parts room" }).getByRole("link", { name }).click();

/** Opens the first part whose cell is so called, on the sheet. */
export async function openPart(page: Page, name: RegExp): Promise<void> {
  await room(page, "Parts");
  const cell = page.getByRole("button", { name }).first();
  await cell.click();
  // The pane of the part that was open before stands until the sheet is drawn.
  const player = /, ([^,:]+):/u.exec((await cell.getAttribute("aria-label")) ?? "")?.[1];
  if (player)
    await expect(page.locator("#opened-part")).toHaveAttribute(
      "aria-label",
      new RegExp(`^${player}’s part`, "u"),
    );
}

/** Waits until every change is on disk. */
export const saved = (page: Page) =>
  expect(page.locator("[data-saving]")).toHaveAttribute("data-saving", "saved");

/** No rule of WCAG 2 A or AA broken, as far as axe sees. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa"])
    .analyze();
  expect(
    violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .map((node) => node.html)
          .slice(0, 3)
          .join(" | ")}`,
    ),
  ).toEqual([]);
}

export async function addThreePlayers(page: Page): Promise<void> {
  await room(page, "Players");
  await page.getByRole("button", { name: "Add an acoustic guitar" }).click();
  await page.getByRole("button", { name: "Add an electric guitar" }).click();
  await page.getByRole("button", { name: "Add a bass" }).click();
  await expect(page.getByRole("listitem").filter({ has: page.getByLabel("Usual role") })).toHaveCount(3);
  await saved(page);
}

/**
 * Presses keys at seconds of the song, by the clock the screen shows: each is timed from the last reading before it (which says when
 * it was true), and says when it was due, as a real key does that a busy page hears late.
 */
export async function pressAt(
  page: Page,
  presses: readonly (readonly [seconds: number, key: string])[],
): Promise<void> {
  await page.evaluate((list) => {
    const soon = 0.25;
    const waiting = new Map<number, ReturnType<typeof setTimeout>>();
    const pressed = new Set<number>();
    const press = (index: number, key: string, due: number) => {
      for (const type of ["keydown", "keyup"]) {
        const event = new KeyboardEvent(type, { key, bubbles: true });
        Object.defineProperty(event, "timeStamp", { value: due });
        window.dispatchEvent(event);
      }
      pressed.add(index);
    };
    new MutationObserver((_, observer) => {
      const shown = document.querySelector("[data-seconds]");
      if (!shown) return;
      const seconds = Number(shown.getAttribute("data-seconds"));
      const stamp = Number(shown.getAttribute("data-stamp"));
      const now = performance.now();
      for (const [index, [at, key]] of list.entries()) {
        if (pressed.has(index) || at - seconds - (now - stamp) / 1000 >= soon) continue;
        // On a busy machine the song falls behind the clock: a newer reading times the press anew.
        clearTimeout(waiting.get(index));
        const due = stamp + (at - seconds) * 1000;
        waiting.set(index, setTimeout(press, Math.max(0, due - now), index, key, due));
      }
      if (pressed.size === list.length) observer.disconnect();
    }).observe(document.body, { attributes: true, subtree: true, attributeFilter: ["data-seconds"] });
  }, presses);
}

/** Chooses how names are told, in the switch that stands in every head. */
export async function tellNames(page: Page, choice: Readonly<Record<string, string>>): Promise<void> {
  const box = page.locator("details", { has: page.locator("summary", { hasText: /^Names:/u }) });
  await box.locator("summary").click();
  for (const [label, option] of Object.entries(choice)) await box.getByLabel(label).selectOption(option);
  await page.keyboard.press("Escape");
}

/** Presses of a pedal nearer to each other than this, ms, count once. */
const PEDAL_GATE_MS = 450;

/** Turns a stage's pages by pedal, so often. */
export async function pedal(page: Page, key = "ArrowRight", times = 1): Promise<void> {
  for (let press = 0; press < times; press++) {
    await page.keyboard.press(key);
    await page.waitForTimeout(PEDAL_GATE_MS);
  }
}

/** Chooses how the stage looks on this device. */
export async function onThisScreen(page: Page, label: string, option: string): Promise<void> {
  await page.getByRole("button", { name: "This screen" }).click();
  const screen = page.getByRole("dialog", { name: "This screen" });
  await screen
    .getByRole("group", { name: label, exact: true })
    .getByRole("button", { name: option, exact: true })
    .click();
  await screen.getByRole("button", { name: "Done" }).click();
}
