import { type Browser, expect, type Page, test } from "@playwright/test";
import { makeLine } from "./cut-line";
import { makeFeetEvening } from "./feet-evening";
import { expectTogether, inStep, makeEvening, screenOf, where } from "./live-evening";

const button = (page: Page, name: string | RegExp) => page.getByRole("button", { name, exact: true });
const presses = (page: Page) => page.getByRole("list", { name: "Presses" });
const section = (page: Page, name: string) => page.locator(".lead-section", { hasText: name });

/** A leader who plays in none of the first song, whoever has a box, and whoever has a looper. */
async function threeScreens(browser: Browser, address: string) {
  const evening = await makeFeetEvening(address);
  const { page: leader } = await screenOf(browser, address, evening, "Maren", true);
  const { page: tobin } = await screenOf(browser, address, evening, "Tobin");
  const { page: odile } = await screenOf(browser, address, evening, "Odile");
  return { leader, tobin, odile };
}

test.describe.configure({ timeout: 90_000 });

/** Screens of a test that is over would go on drawing beside the next. */
test.afterEach(async ({ browser }) => {
  for (const context of browser.contexts()) await context.close();
});

test("the strip of a box goes with a repeat and a jump, and begins from what the player says", async ({
  browser,
  baseURL,
}) => {
  const { leader, tobin } = await threeScreens(browser, baseURL!);
  await expect(presses(tobin)).toContainText("slot 2 on “Turn”");
  await button(leader, "Count in").click();
  await expect.poll(() => where(tobin)).toContain(" 0 2");
  // Once more: what comes is the same section, and the press is for after that.
  await button(leader, "Once more").click();
  await expect(tobin.getByText("next: Verse, ")).toBeVisible();
  await expect(presses(tobin)).toContainText("slot 2 on “Turn”");
  // To the Bridge instead: the other bank, armed for it.
  await section(leader, "Bridge").click();
  await expect(tobin.getByText("next: Bridge, ")).toBeVisible();
  await expect(presses(tobin)).toContainText("arm bank 2 before Bridge, go on “Un");
  await expect(section(leader, "Bridge")).toContainText("comes next");
  await expectTogether([tobin], "Bridge");
  await expect(button(tobin, "I am in bank 2")).toHaveAttribute("aria-pressed", "true");
  await expect(presses(tobin)).not.toContainText("now");
  // The press was missed: one touch says so, and the strip mends it.
  await button(leader, "Hold here").click();
  await button(tobin, "I am in bank 1").click();
  await expect(presses(tobin)).toContainText("now arm bank 2, go");
  await button(tobin, "pressed").click();
  await expect(presses(tobin)).not.toContainText("now");
  await expect(button(tobin, "I am in bank 2")).toHaveAttribute("aria-pressed", "true");
});

test("a press that comes at once finds the feet where they were, and is mended by the next bar", async ({
  browser,
  baseURL,
}) => {
  const { leader, tobin } = await threeScreens(browser, baseURL!);
  await button(leader, "Count in").click();
  await expect.poll(() => where(tobin)).toContain(" 0 2");
  await leader.getByLabel("A section touched comes").selectOption("at once");
  await section(leader, "Chorus").click();
  await expectTogether([tobin], "Chorus");
  await expect(presses(tobin)).toContainText("now slot 2");
  await expect(button(tobin, "I am on slot 2")).toHaveAttribute("aria-pressed", "true");
});

test("a looper’s strip after a missed press: the track comes in where its pass begins", async ({
  browser,
  baseURL,
}) => {
  const { leader, odile } = await threeScreens(browser, baseURL!);
  await expect(presses(odile)).toContainText("track 1 in");
  await button(leader, "Count in").click();
  await expect(button(odile, "track 1, Thump, sounds")).toBeVisible({ timeout: 10_000 });
  await button(odile, "track 1, Thump, sounds").click();
  await expect(presses(odile)).toContainText("now track 1 in");
  await expect(button(odile, "track 1, Thump, sounds")).toBeVisible({ timeout: 10_000 });
  await expectTogether([odile], "Chorus");
  await expect(button(odile, "track 2, Ring, sounds")).toBeVisible({ timeout: 10_000 });
});

test("a leader without a part in the song reads along and leads it; between songs it is told what to get ready", async ({
  browser,
  baseURL,
}) => {
  const { leader, tobin, odile } = await threeScreens(browser, baseURL!);
  await expect(leader.getByText("you read along in this song")).toBeVisible();
  await expect(leader.locator(".sung-chord").first()).toHaveText("G");
  await expect(leader.locator(".sung-words").first()).toContainText("Lan");
  await button(leader, "Count in").click();
  await expectTogether([leader, tobin, odile], "Verse");
  await button(leader, "Stop").click();
  await expect(tobin.locator(".where-we-are")).toHaveAttribute("data-phase", "stopped");
  await leader.waitForTimeout(450);
  await leader.keyboard.press("n");
  await expect(leader.getByRole("heading", { level: 1 })).toContainText("Other Lamp");
  await expect(tobin.getByRole("heading", { level: 1 })).toContainText("Other Lamp");
  // Who does not play in this one reads along.
  await expect(tobin.getByText("you read along in this song")).toBeVisible();
  await expect(tobin.locator(".sung-chord").first()).toBeVisible();
  // The song is over: nothing more comes. (Two touches of the large button nearer than 400 ms are one.)
  await leader.waitForTimeout(450);
  await button(leader, "Count in").click();
  await leader.getByLabel("A section touched comes").selectOption("at once");
  await section(leader, "Bridge").click();
  await expect(tobin.getByRole("heading", { name: "The song is over" })).toBeVisible({ timeout: 30_000 });
  await expect(tobin.getByText("That is the end of the evening.")).toBeVisible();
});

test("one touch of a page pedal is one section: bounce, held key, double press, long press", async ({
  browser,
  baseURL,
}) => {
  const evening = await makeEvening(baseURL!, "Pedal Night");
  const { page: leader } = await screenOf(browser, baseURL!, evening, "Maren", true);
  const { page: tobin } = await screenOf(browser, baseURL!, evening, "Tobin");
  const { page: odile } = await screenOf(browser, baseURL!, evening, "Odile");
  const all = [leader, tobin, odile];
  await expectTogether(all, "Verse");
  /** A switch that bounces, and a key that repeats while it is held. */
  const bounce = async (heldMs: number) =>
    leader.evaluate(async (held) => {
      const send = (type: string, repeat = false) =>
        window.dispatchEvent(new KeyboardEvent(type, { key: "PageDown", code: "PageDown", repeat }));
      const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));
      for (let edge = 0; edge < 3; edge++) {
        send("keydown");
        await wait(5);
        send("keyup");
        await wait(5);
      }
      send("keydown");
      for (let time = 0; time < held; time += 33) {
        send("keydown", true);
        await wait(33);
      }
      send("keyup");
    }, heldMs);
  // Without a clock the page turns at once, once.
  await bounce(120);
  await expectTogether(all, "Chorus");
  await leader.waitForTimeout(600);
  await expectTogether(all, "Chorus");
  // Held long it takes the last move back.
  await bounce(900);
  await expectTogether(all, "Verse");
  await button(leader, "Count in").click();
  await expect(tobin.locator(".where-we-are")).toHaveAttribute("data-phase", "playing");
  // While the clock runs it is said on every screen before it happens, and a second press takes it back.
  await bounce(60);
  for (const page of all) await expect(page.locator("[data-asked='true']")).toContainText("next: Chorus, ");
  await leader.waitForTimeout(450);
  await bounce(60);
  for (const page of all) await expect(page.locator("[data-asked='true']")).toHaveCount(0);
});

test("a leader on a phone leads a whole song: the form lies over the sheet, seldom buttons are folded", async ({
  browser,
  baseURL,
}) => {
  const evening = await makeEvening(baseURL!, "Pocket Night");
  const { page: leader } = await screenOf(browser, baseURL!, evening, "Maren", true);
  const { page: tobin } = await screenOf(browser, baseURL!, evening, "Tobin");
  await leader.setViewportSize({ width: 390, height: 844 });
  const form = leader.getByRole("navigation", { name: "Form" });
  await expect(form).toBeHidden();
  await expect(button(leader, "Tap")).toBeHidden();
  await button(leader, "Count in").click();
  await expect(tobin.locator(".where-we-are")).toHaveAttribute("data-phase", "playing");
  await button(leader, "More").click();
  await button(leader, "Round and round").click();
  await expect(tobin.getByText("round and round")).toBeVisible();
  // Held, so that what is asked for is still to come when it is looked at.
  await button(leader, "Hold here").click();
  const goOn = await button(leader, "Go on").boundingBox();
  await button(leader, "Form").click();
  await expect(form).toBeVisible();
  await section(leader, "Chorus").click();
  await expect(form).toBeHidden();
  await expect(tobin.locator("[data-asked='true']")).toContainText("next: Chorus, ");
  // What may be pressed next has not moved away under the finger.
  await expect(button(leader, "As written")).toBeEnabled();
  expect(await button(leader, "Go on").boundingBox()).toEqual(goOn);
  await button(leader, "Go on").click();
  await expectTogether([leader, tobin], "Chorus");
  await expect(tobin.getByRole("heading", { name: "The song is over" })).toBeVisible({ timeout: 20_000 });
  await expect(tobin.getByText("Second Lamp")).toBeVisible();
  await leader.waitForTimeout(450);
  await button(leader, "Next song").click();
  for (const page of [leader, tobin])
    await expect(page.getByRole("heading", { name: "Welcome", level: 2 })).toBeVisible();
  await expect(tobin.getByText("Nothing to change. There are 2 minutes until then.")).toBeVisible();
  await expect(tobin.getByText("From the first bar: Maren, Tobin, Odile.")).toBeVisible();
  // Everything a finger meets is as large as one, and nothing goes beyond the edge.
  const small = await leader.evaluate(
    () =>
      [...document.querySelectorAll("button, select, a")]
        .map((one) => one.getBoundingClientRect())
        .filter(({ width, height }) => width > 0 && (height < 43.5 || width < 40)).length,
  );
  expect(small).toBe(0);
  expect(await leader.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(
    0,
  );
});

test("the network is gone and back: the strip goes on alone and stays what the player said", async ({
  browser,
  baseURL,
}) => {
  const evening = await makeFeetEvening(baseURL!);
  const line = await makeLine(Number(new URL(baseURL!).port));
  const { page: leader } = await screenOf(browser, baseURL!, evening, "Maren", true);
  const { page: tobin } = await screenOf(browser, line.address, evening, "Tobin");
  await button(leader, "Count in").click();
  await expect.poll(() => where(tobin)).toContain(" 0 2");
  await line.cut();
  await expect(tobin.getByRole("main")).toHaveAttribute("data-line", "alone");
  await button(tobin, "I am in bank 2").click();
  await expect(presses(tobin)).toContainText("bank 1");
  await line.mend();
  await inStep(tobin);
  await button(leader, "Hold here").click();
  await expect.poll(async () => where(tobin)).toBe(await where(leader));
  await expect(presses(tobin)).toBeVisible();
  await line.cut();
});
