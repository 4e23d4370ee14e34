import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import AxeBuilder from "@axe-core/playwright";
import { type Browser, expect, type Page, test } from "@playwright/test";
import { startServer } from "../scripts/lib/server.mjs";
import { makeLine } from "./cut-line";
import { expectAccessible, FAST } from "./helpers";
import { expectTogether, inStep, makeEvening, screenOf, where } from "./live-evening";

/** Every text on the stage at 7:1, or 4.5:1 where it is large (WCAG 2, 1.4.6). */
async function expectContrast(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).withRules(["color-contrast-enhanced"]).analyze();
  expect(violations.flatMap(({ nodes }) => nodes.map((node) => node.html))).toEqual([]);
}

/** An evening with its leader's screen and Tobin's. */
async function leaderAndPlayer(browser: Browser, address: string, sheet = FAST) {
  const evening = await makeEvening(address, "Quick Night", null, sheet);
  const { page: leader } = await screenOf(browser, address, evening, "Maren", true);
  const { page: tobin } = await screenOf(browser, address, evening, "Tobin");
  return { evening, leader, tobin };
}

/** A press of a page pedal, later after another one than two count as one. */
async function foot(page: Page, key: string): Promise<void> {
  await page.waitForTimeout(450);
  await page.keyboard.press(key);
}

const phase = (page: Page) => page.locator(".where-we-are").getAttribute("data-phase");
/** Where the network's listener is met from here: the port after the program's own, or the next that was free. */
const networkOf = (addresses: readonly string[], port: number): string =>
  `http://127.0.0.1:${addresses[0] ? new URL(addresses[0]).port : port + 1}`;
const button = (page: Page, name: string) => page.getByRole("button", { name, exact: true });

/** Screens of a test that is over would go on drawing beside the next. */
test.afterEach(async ({ browser }) => {
  for (const context of browser.contexts()) await context.close();
});

test("the leader moves everybody: count-in, hold, once more, leaving out, stop, taking back, next", async ({
  browser,
  baseURL,
}) => {
  // A section lasts long enough that everything done in it is.
  const slow = FAST.replace("Tempo: 200", "Tempo: 60");
  const { evening, leader, tobin } = await leaderAndPlayer(browser, baseURL!, slow);
  const { page: odile } = await screenOf(browser, baseURL!, evening, "Odile");
  const all = [leader, tobin, odile];
  await expectAccessible(leader);
  await expectContrast(leader);
  await button(leader, "Count in").click();
  for (const page of all)
    await expect(page.locator(".where-we-are")).toHaveAttribute("data-phase", /counting|playing/u);
  for (const page of all)
    await expect(page.locator(".where-we-are")).toHaveAttribute("data-phase", "playing");
  await expectTogether(all, "Verse");
  // Held at once, everybody stands at the same bar.
  await button(leader, "Hold here").click();
  for (const page of all)
    await expect(page.locator(".where-we-are")).toHaveAttribute("data-phase", "holding");
  expect(new Set(await Promise.all(all.map(where))).size).toBe(1);
  await button(leader, "Mark this bar").click();
  await expect(leader.getByText(/Bar \d+ of .+ is kept as a danger spot in Cues/u)).toBeVisible();
  await button(leader, "Once more").click();
  for (const page of all)
    await expect(page.getByRole("navigation", { name: "Go through the song" })).toContainText("Verse");
  await button(leader, "Go on").click();
  await expect.poll(() => phase(odile)).toBe("playing");
  await button(leader, "Leave out next").click();
  await expect(button(leader, "Take back leaving out")).toBeVisible();
  await button(leader, "Take back leaving out").click();
  await expect(button(leader, "Take back going on")).toBeVisible();
  await leader.locator(".lead-section", { hasText: "Chorus" }).click();
  await expect(tobin.getByText("next: Chorus, ")).toBeVisible();
  await expectTogether(all, "Chorus");
  await button(leader, "Stop").click();
  for (const page of all)
    await expect(page.locator(".where-we-are")).toHaveAttribute("data-phase", "stopped");
  await leader.keyboard.press("n");
  for (const page of all)
    await expect(page.getByRole("heading", { name: "Welcome", level: 2 })).toBeVisible();
  await expect(tobin.getByText("Second Lamp")).toBeVisible();
  await expectContrast(tobin);
  await button(leader, "Go on to the next").click();
  for (const page of all) await expect(page.getByRole("heading", { level: 1 })).toContainText("Second Lamp");
});

test("page-turn keys: the leader’s turn everybody’s page, a player’s only their own, which comes back", async ({
  browser,
  baseURL,
}) => {
  const { leader, tobin } = await leaderAndPlayer(browser, baseURL!);
  await foot(tobin, "PageDown");
  await expect(tobin.getByRole("heading", { level: 2 }).first()).toHaveText("Chorus");
  await expect(leader.getByRole("heading", { level: 2 }).first()).toHaveText("Verse");
  await expect(tobin.getByRole("button", { name: /looking ahead/u })).toBeVisible();
  await foot(tobin, "PageUp");
  await expectTogether([tobin], "Verse");
  await foot(tobin, "ArrowRight");
  await foot(leader, "PageDown");
  await expectTogether([leader, tobin], "Chorus");
  await expect(tobin.getByRole("button", { name: /looking/u })).toHaveCount(0);
  await foot(leader, "ArrowLeft");
  await expectTogether([leader, tobin], "Verse");
});

test("a screen looks as its device wants it, and keeps that; AAA on dark and light", async ({
  browser,
  baseURL,
}) => {
  const evening = await makeEvening(baseURL!);
  const { page } = await screenOf(browser, baseURL!, evening, "Tobin");
  const height = () =>
    page
      .locator(".stage-line .sung-chord")
      .first()
      .evaluate((one) => one.getBoundingClientRect().height);
  const before = await height();
  await button(page, "This screen").click();
  await expectAccessible(page);
  await expectContrast(page);
  await page.getByRole("button", { name: "Larger" }).click();
  await button(page, "light").click();
  await button(page, "for the left hand").click();
  await button(page, "Done").click();
  expect(await height()).toBeGreaterThan(before * 1.2);
  await expectContrast(page);
  await page.getByRole("button", { name: "Own note" }).click();
  await page.getByLabel("Own note").fill("slow hand here");
  await page.getByLabel("Own note").press("Enter");
  await expect(page.getByRole("button", { name: "slow hand here" })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("main")).toHaveAttribute("data-theme", "lamplight");
  await expect(page.getByRole("button", { name: "slow hand here" })).toBeVisible();
  const [on, back] = await Promise.all(
    ["On", "Back"].map((name) => button(page, name).evaluate((one) => one.getBoundingClientRect().left)),
  );
  expect(on!).toBeLessThan(back!);
  await button(page, "This screen").click();
  await page
    .getByRole("group", { name: "Show" })
    .getByRole("button", { name: "chords", exact: true })
    .click();
  await button(page, "Done").click();
  await expect(page.locator(".sung-words").first()).toBeHidden();
  await button(page, "This screen").click();
  await button(page, "cues only").click();
  await button(page, "Done").click();
  await expect(page.locator(".sung-chord")).toHaveCount(0);
  await expect(page.getByText("bars left")).toBeVisible();
});

test("the network drops: on one’s own, the clock runs on; back in step by itself", async ({
  browser,
  baseURL,
}) => {
  const evening = await makeEvening(baseURL!);
  const { page: leader } = await screenOf(browser, baseURL!, evening, "Maren", true);
  const line = await makeLine(Number(new URL(baseURL!).port));
  const { page: tobin } = await screenOf(browser, line.address, evening, "Tobin");
  await button(leader, "Count in").click();
  await expect.poll(() => phase(tobin)).toBe("playing");
  await line.cut();
  await expect(tobin.getByText("On your own:")).toBeVisible({ timeout: 10_000 });
  // The copy runs on to the next section without the leader, and keys move it.
  await expect(tobin.getByRole("heading", { level: 2 }).first()).toHaveText("Chorus");
  await tobin.keyboard.press("PageUp");
  await expectTogether([tobin], "Verse");
  await tobin.getByRole("button", { name: "Own note" }).click();
  await tobin.getByLabel("Own note").fill("kept while alone");
  await tobin.getByLabel("Own note").press("Enter");
  await leader.keyboard.press("s");
  await leader.keyboard.press("n");
  await line.mend();
  await inStep(tobin);
  await expect(tobin.getByRole("heading", { name: "Welcome", level: 2 })).toBeVisible();
  // What was written alone goes out once the line is there again.
  const notes = () =>
    tobin.evaluate(
      async (id) => JSON.stringify(await (await fetch(`/api/stage/${id}/notes?person=name%20Tobin`)).json()),
      evening,
    );
  await expect.poll(notes).toContain("kept while alone");
  await line.cut();
});

test("the page opens again with no network, with the whole evening in it", async ({ browser, baseURL }) => {
  const evening = await makeEvening(baseURL!);
  const { page, context } = await screenOf(browser, baseURL!, evening, "Odile", false, () => {
    // As a phone on a plain line has it.
    Object.defineProperty(navigator, "wakeLock", { value: undefined });
  });
  // The screen is kept lit by a film, from the first touch on.
  await page.locator("main").click();
  await expect
    .poll(() => page.evaluate(() => document.querySelector("video")?.currentTime ?? 0))
    .toBeGreaterThan(0);
  await button(page, "This screen").click();
  await expect(page.getByText("by a silent film")).toBeVisible();
  await button(page, "Done").click();
  // The worker has taken the page and all its files.
  await expect
    .poll(
      () =>
        page.evaluate(async () => {
          const store = await caches.open("lantern-stage-1");
          return (await store.keys()).length;
        }),
      { timeout: 15_000 },
    )
    .toBeGreaterThan(5);
  await page.waitForTimeout(800);
  await context.setOffline(true);
  await page.reload();
  await expect(page.getByText("On your own:")).toBeVisible({ timeout: 15_000 });
  await expectTogether([page], "Verse");
  await expect(page.locator(".sung-chord").first()).toHaveText("G");
  // On through the whole evening, the second song's part as well.
  for (const section of ["Chorus", "Welcome"]) {
    await foot(page, "PageDown");
    await expectTogether([page], section);
  }
  await foot(page, "PageDown");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Second Lamp");
  await expectTogether([page], "Verse");
  await expect(page.locator(".sung-chord").first()).toHaveText("G");
  await context.close();
});

test("joining: a code from the leader’s screen, no secret in the address, out when it is withdrawn", async ({
  browser,
}) => {
  // A server of its own and six windows, one after the other.
  test.slow();
  const data = mkdtempSync(path.join(tmpdir(), "lantern-join-"));
  const server = await startServer({ data });
  try {
    const evening = await makeEvening(server.address);
    const context = await browser.newContext();
    const leader = await context.newPage();
    await leader.goto(`${server.address}/evening/${evening}`);
    await leader.getByLabel(/passphrase/u).fill("lamp");
    await leader.getByRole("button", { name: "Open it to the network" }).click();
    await expect(leader.getByText("Open at")).toHaveCount(0);
    await leader.getByLabel(/passphrase/u).fill("lamp and rope");
    await leader.getByRole("button", { name: "Open it to the network" }).click();
    await expect(leader.getByText("Open at")).toBeVisible();
    await expectAccessible(leader);
    const code = (await leader.locator(".font-mono.text-3xl").first().textContent())!;
    const status = await (await leader.request.get(`${server.address}/api/network`)).json();
    const network = networkOf((status as { addresses?: string[] }).addresses ?? [], server.port);
    const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
    await phone.goto(network);
    await expect(phone).toHaveURL(`${network}/join`);
    await expectAccessible(phone);
    await expect(phone.getByRole("region", { name: "What this device can do" })).toContainText(
      "Follow the leader",
    );
    const first = phone
      .getByRole("region", { name: "What this device can do" })
      .getByRole("listitem")
      .first();
    await expect(first).toHaveText(/^yes/u);
    await phone.getByLabel("The code on the leader’s screen").fill("AAA AAA");
    await button(phone, "Join").click();
    await expect(phone.getByText("That is not the code.")).toBeVisible();
    await phone.goto("about:blank");
    await phone.goto(`${network}/join#${code.replace(" ", "")}`);
    await expect(phone).toHaveURL(`${network}/live/${evening}`);
    await phone.getByRole("button", { name: "Odile" }).click();
    await inStep(phone);
    await expect(button(phone, "This screen")).toBeVisible();
    expect(await phone.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    // A player never sees what leads, and no room of the house.
    await expect(phone.getByRole("link", { name: "Leave" })).toHaveCount(0);
    await expect(leader.getByText("Odile, plays")).toBeVisible({ timeout: 8000 });
    // Another window of this machine changes nothing without the passphrase, and loses nothing of what it tried.
    const other = await (await browser.newContext()).newPage();
    await other.goto(`${server.address}/evening/${evening}`);
    await other.getByLabel("Place").fill("The loft");
    await other.getByLabel("Place").press("Enter");
    await expect(other.locator("[data-saving]")).toHaveAttribute("data-saving", "locked");
    await other.getByRole("link", { name: "Give the passphrase" }).click();
    await other.getByText("I lead this evening").click();
    await other.getByLabel("The leader’s passphrase").fill("lamp and rope");
    await button(other, "Lead").click();
    await expect(other).toHaveURL(`${server.address}/evening/${evening}`);
    await expect(other.getByLabel("Place")).toHaveValue("The loft");
    await expect(other.locator("[data-saving]")).toHaveAttribute("data-saving", "saved");
    // Any number of people may join without knowing the songs, by the same code.
    for (let guest = 0; guest < 2; guest++) {
      const cold = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
      await cold.goto(`${network}/join#${code.replace(" ", "")}`);
      await cold.getByRole("button", { name: "I don’t know the songs guitar" }).click();
      await expect(cold.getByText(/^only \S+, /u).first()).toBeVisible();
      await expect(cold.getByRole("button", { name: "Note" })).toHaveCount(0);
    }
    await expect(leader.getByText("Joining cold, plays")).toHaveCount(2);
    await leader.getByRole("button", { name: "Withdraw" }).first().click();
    await expect(phone.getByRole("heading", { name: "This screen is out" })).toBeVisible({ timeout: 10_000 });
    await leader.getByRole("button", { name: "Close it: all codes end" }).click();
    await expect(leader.getByRole("button", { name: "Open it to the network" })).toBeVisible();
  } finally {
    await server.stop();
    rmSync(data, { recursive: true, force: true });
  }
});

test("what is typed on a phone before the script is there is not lost", async ({ page }) => {
  let arrive = () => {};
  const arrived = new Promise<void>((resolve) => {
    arrive = resolve;
  });
  await page.route(/_next\/static\/.*\.js/u, async (route) => {
    await arrived;
    await route.continue();
  });
  await page.goto("/join", { waitUntil: "commit" });
  const code = page.getByLabel("The code on the leader’s screen");
  await code.fill("AAA AAA");
  arrive();
  await expect(page.getByText("Follow the leader, beat by beat")).toBeVisible();
  await expect(code).toHaveValue("AAA AAA");
  await button(page, "Join").click();
  // The server read what was typed: it says what it says of a code, and the code still stands there.
  await expect(page.getByRole("alert").filter({ hasText: /\S/u })).toContainText(/code|open/u);
  await expect(code).toHaveValue("AAA AAA");
});

test("the server is killed mid-song and started again: everybody is where they would have been", async ({
  browser,
}) => {
  const data = mkdtempSync(path.join(tmpdir(), "lantern-killed-"));
  const first = await startServer({ data });
  const { port } = first;
  let second: typeof first | null = null;
  try {
    const evening = await makeEvening(first.address);
    const post = async (place: string, body: object) =>
      fetch(first.address + place, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify(body),
      });
    const passphrase = "lamp and rope";
    const opened = await post("/api/network", { act: "open", eveningId: evening, passphrase });
    const { player, addresses } = (await opened.json()) as { player: { code: string }; addresses: string[] };
    const network = networkOf(addresses, port);
    const screens: Page[] = [];
    for (const name of ["Maren", "Tobin", "Odile"]) {
      const leads = name === "Maren";
      const joined = await post("/api/join", leads ? { passphrase } : { code: player.code });
      const [cookie, token] = joined.headers.get("set-cookie")!.split(";")[0]!.split("=");
      const context = await browser.newContext();
      await context.addCookies([{ name: cookie!, value: token!, url: network }]);
      const page = await context.newPage();
      await page.addInitScript(
        (lead) => localStorage.setItem("lantern-stage", JSON.stringify({ leads: lead })),
        leads,
      );
      await page.goto(`${network}/live/${evening}`);
      await page.getByRole("button", { name }).click();
      await inStep(page);
      screens.push(page);
    }
    const [leader] = screens;
    await button(leader!, "Count in").click();
    await expect.poll(() => phase(screens[2]!)).toBe("playing");
    await first.stop("SIGKILL");
    for (const page of screens) await expect(page.getByText("On your own:")).toBeVisible({ timeout: 10_000 });
    second = await startServer({ data, port });
    const began = Date.now();
    for (const page of screens) await inStep(page);
    expect(Date.now() - began).toBeLessThan(3000);
    // No press was lost: the song went on where it was, and the leader still leads.
    const places = await Promise.all(screens.map(where));
    expect(new Set(places).size).toBe(1);
    await leader!.keyboard.press("n");
    for (const page of screens)
      await expect(page.getByRole("heading", { name: "Welcome", level: 2 })).toBeVisible();
  } finally {
    await (second ?? first).stop();
    rmSync(data, { recursive: true, force: true });
  }
});
