/**
 * From the leader's press to every screen: 500 presses, counted by 50 event clients and, when they have painted, by 3 real
 * pages, all on this machine.
 */
import { get } from "node:http";
import { setTimeout as wait } from "node:timers/promises";
import { quantiles } from "./large-song.mjs";

const PRESSES = 500;
const CLIENTS = 50;
/** Faster than a hand presses. */
const PAUSE_MS = 100;

const clock = () => performance.timeOrigin + performance.now();

/** A client of events that notes when each one came. */
function listen(address, eveningId, since) {
  const came = new Map();
  const order = [];
  let text = "";
  const asked = get(`${address}/api/stage/${eveningId}/live?since=${since}`, (answer) => {
    answer.setEncoding("utf8");
    answer.on("data", (chunk) => {
      const now = clock();
      text += chunk;
      const parts = text.split("\n\n");
      text = parts.pop();
      for (const part of parts) {
        const data = /^data: (.*)$/mu.exec(part);
        const message = data ? JSON.parse(data[1]) : null;
        if (message?.type !== "event") continue;
        came.set(message.event.id, now);
        order.push(message.event.id);
      }
    });
  });
  asked.on("error", () => {});
  return { came, order, end: () => asked.destroy() };
}

/** @param about the server and browser of the bench. @returns the real pages, still open */
export async function benchFanout({ server, browser }) {
  const home = await (await fetch(server.address)).text();
  const [, eveningId] = /\/evening\/([\w-]+)/u.exec(home);
  const ask = async (place) => (await fetch(`${server.address}/api/stage/${eveningId}/${place}`)).json();
  const { people } = await ask("people");
  const pages = [];
  for (const { name } of people.slice(0, 3)) {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto(`${server.address}/live/${eveningId}`);
    await page.getByRole("button", { name }).click();
    await page.locator('main[data-line="step"] .sung-chord').first().waitFor();
    await page.evaluate(() => {
      globalThis.painted = {};
      const stage = document.querySelector("main");
      let last = Number(stage.dataset.event);
      new MutationObserver(() => {
        const now = Number(stage.dataset.event);
        const from = last;
        last = now;
        // After the next frame is drawn it is on the screen.
        requestAnimationFrame(() =>
          setTimeout(() => {
            for (let id = from + 1; id <= now; id++)
              globalThis.painted[id] = performance.timeOrigin + performance.now();
          }, 0),
        );
      }).observe(stage, { attributes: true, attributeFilter: ["data-event"] });
    });
    pages.push(page);
  }
  const { state } = await ask("events?since=0");
  const passages = state.items[0].passages.map(({ id }) => id);
  const clients = Array.from({ length: CLIENTS }, () => listen(server.address, eveningId, state.lastId));
  await wait(1500);

  const pressed = new Map();
  for (let press = 0; press < PRESSES; press++) {
    const at = clock();
    const answer = await fetch(`${server.address}/api/stage/${eveningId}/press`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({
        act: { type: "jump", passage: passages[press % passages.length], when: "now" },
        pressId: `bench${press}`,
      }),
    });
    const { event } = await answer.json();
    pressed.set(event.id, at);
    await wait(PAUSE_MS);
  }
  await wait(1500);

  const told = clients.flatMap(({ came }) =>
    [...pressed].flatMap(([id, at]) => (came.has(id) ? [came.get(id) - at] : [])),
  );
  const wrong = clients.filter(({ order }) => order.some((id, at) => at > 0 && id !== order[at - 1] + 1));
  const painted = [];
  for (const page of pages) {
    const times = await page.evaluate(() => globalThis.painted);
    painted.push(...[...pressed].flatMap(([id, at]) => (times[id] ? [times[id] - at] : [])));
  }
  const say = (values, wanted) => {
    const { median, p95 } = quantiles(values);
    const sorted = [...values].sort((a, b) => a - b);
    const p99 = sorted[Math.floor(sorted.length * 0.99)];
    return `median ${median.toFixed(0)} ms, p95 ${p95.toFixed(0)} (100), p99 ${p99.toFixed(0)} (250), slowest ${sorted.at(-1).toFixed(0)}; ${wanted - values.length} of ${wanted} lost`;
  };
  console.log(
    `${PRESSES} presses to ${CLIENTS} event clients: ${say(told, PRESSES * CLIENTS)}, ${wrong.length} clients out of order`,
  );
  console.log(`the same to ${pages.length} real pages, at paint: ${say(painted, PRESSES * pages.length)}`);
  for (const { end } of clients) end();
  return pages;
}
