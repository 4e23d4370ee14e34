import { expect, type Page, test } from "@playwright/test";

/** How far a page may shift about while it loads: the sum of all shifts nobody asked for. */
const MOST = 0.1;

type Watched = Window & { shifts: { value: number; what: string }[] };

const watchShifts = (page: Page) =>
  page.addInitScript(() => {
    const watched = window as unknown as Watched;
    watched.shifts = [];
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & {
        value: number;
        hadRecentInput: boolean;
        sources: { node?: Node }[];
      })[])
        if (!entry.hadRecentInput)
          watched.shifts.push({
            value: entry.value,
            what: entry.sources.map(({ node }) => (node?.textContent ?? "").slice(0, 40)).join(" | "),
          });
    }).observe({ type: "layout-shift", buffered: true });
  });

/** Addresses of the demo: a version with sounds, one with a looper, the evening. */
async function demo(page: Page) {
  const versionOf = async (title: string, version: string) => {
    const { rows } = (await (await page.request.get(`/api/shelf?q=${encodeURIComponent(title)}`)).json()) as {
      rows: { title: string; versionName: string; versionId: string }[];
    };
    return `/song/${rows.find((row) => row.title === title && row.versionName === version)!.versionId}`;
  };
  await page.goto("/");
  const evening = await page
    .getByRole("link", { name: "The running order, with what changes between songs" })
    .first()
    .getAttribute("href");
  return {
    band: await versionOf("Lamp on the Water", "Full band"),
    looper: await versionOf("Nine Bells Down", "Solo with looper"),
    evening: evening!,
  };
}

test("nothing moves about while a page loads: waiting keeps its place", async ({ page }) => {
  const { band, looper, evening } = await demo(page);
  await watchShifts(page);
  const pages: readonly (readonly [place: string, settled: () => Promise<void>])[] = [
    [
      `${band}/sounds/banks`,
      () => expect(page.getByRole("heading", { name: "The same song on other boxes" })).toBeVisible(),
    ],
    [`${band}/sounds/play`, () => expect(page.getByRole("button", { name: "Show me" })).toBeVisible()],
    [`${band}/parts`, () => expect(page.getByText(/on the whole sheet/)).toBeVisible()],
    [`${looper}/loops`, () => expect(page.getByText(/seconds to build/)).toBeVisible()],
    [evening, () => expect(page.getByRole("button", { name: "Open it to the network" })).toBeVisible()],
  ];
  for (const [place, settled] of pages) {
    await page.goto(place);
    await settled();
    await page.waitForTimeout(1500);
    const shifts = await page.evaluate(() => (window as unknown as Watched).shifts);
    const sum = shifts.reduce((all, { value }) => all + value, 0);
    expect(sum, `${place} shifts by ${sum.toFixed(3)}: ${JSON.stringify(shifts)}`).toBeLessThanOrEqual(MOST);
  }
});
