/** How long the best order of an evening takes: songs, talks between, pins, change-overs by chance. */
import { bestOrder, type OrderCase, secondsOf } from "../src/core/evenings";
import { numbersFrom } from "../testing/sounds/sample-case";
import { quantiles } from "./large-song.mjs";

const CASES = 30;
for (const songs of [8, 12, 20]) {
  const times: number[] = [];
  let [exact, saved] = [0, 0];
  for (let seed = 0; seed < CASES; seed++) {
    const random = numbersFrom(seed * 31 + songs);
    const asked: OrderCase = {
      seconds: Array.from({ length: songs }, () => Array.from({ length: songs }, () => random(90))),
      covered: Array.from({ length: songs }, () => (random(4) === 0 ? 120 : 0)),
      pins: {
        opens: seed % 2 === 0 ? random(songs) : null,
        last: null,
        before: seed % 3 === 0 ? [[0, songs - 1]] : [],
      },
    };
    const began = performance.now();
    const found = bestOrder(asked);
    times.push(performance.now() - began);
    if (found?.exact) exact++;
    if (found)
      saved +=
        secondsOf(
          asked,
          Array.from({ length: songs }, (_, at) => at),
        ) - found.seconds;
  }
  const { median, p95 } = quantiles(times);
  console.log(
    `best order of ${songs} songs, ${CASES} cases: median ${median.toFixed(1)} ms, p95 ${p95.toFixed(1)}, slowest ${Math.max(...times).toFixed(1)}${songs === 12 ? " (at most 1000)" : ""}; ${exact} exact; saves ${(saved / CASES).toFixed(0)} s of change-over on average`,
  );
}
