import { quantiles } from "./large-song.mjs";

/** So many live moves, and the browser slowed so many times. */
const MOVES = 60;
const SLOWED = 6;

/** How long a player's presses are planned anew after a live move, in a browser with a slow CPU. */
export async function benchFeet({ server, browser }) {
  const [, eveningId] = (await (await fetch(server.address)).text()).match(/\/evening\/([\w-]+)/u);
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await page.goto(`${server.address}/live/${eveningId}`);
  await page.getByRole("button", { name: "Tobin" }).click();
  await page.getByRole("list", { name: "Presses" }).waitFor();
  const client = await page.context().newCDPSession(page);
  await client.send("Emulation.setCPUThrottlingRate", { rate: SLOWED });
  const press = async (act, at) => {
    const response = await fetch(`${server.address}/api/stage/${eveningId}/press`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ act, pressId: `bench-feet-${at}` }),
    });
    if (!response.ok) throw new Error(await response.text());
  };
  await press({ type: "start", passage: null, countBars: 0 }, "start");
  const { state } = await (await fetch(`${server.address}/api/stage/${eveningId}/events?since=0`)).json();
  const { passages } = state.items[0];
  for (let at = 0; at < MOVES; at++) {
    const passage = passages[(at * 5) % passages.length].id;
    await press({ type: "jump", passage, when: ["end", "bar", "now"][at % 3] }, at);
    await page.waitForTimeout(150);
  }
  const times = await page.evaluate(() =>
    performance.getEntriesByName("plan feet").map(({ duration }) => duration),
  );
  const { median, p95 } = quantiles(times);
  console.log(
    `presses planned anew after ${times.length} live moves, the CPU slowed ${SLOWED} times: median ${median.toFixed(1)} ms, p95 ${p95.toFixed(1)} ms (at most 20), slowest ${Math.max(...times).toFixed(1)} ms`,
  );
  await page.close();
}
