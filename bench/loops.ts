/** The figures of the Loops room: how long an exact plan takes, and what the trade adds. */
import { sure } from "../src/core/base";
import { planLoops } from "../src/core/loops";
import { madeUpCase, numbersFrom } from "../src/core/loops/sample-case";
import { quantiles } from "./large-song.mjs";

function measure(
  name: string,
  shape: Parameters<typeof madeUpCase>[1],
  trade: boolean,
  rounds: number,
): void {
  const times: number[] = [];
  let inexact = 0;
  let dearest = 0;
  for (let seed = 1; seed <= rounds; seed++) {
    const asked = madeUpCase(numbersFrom(seed), shape);
    const from = performance.now();
    const planned = planLoops(asked, { trade });
    times.push(performance.now() - from);
    if (!planned.ok) continue;
    if (!sure(planned).exact) inexact++;
    dearest = Math.max(dearest, planned.value.footCost);
  }
  const { median, p95, most } = quantiles(times);
  console.log(
    `${name}: median ${median} ms, p95 ${p95}, slowest of ${rounds} ${most}; not exact ${inexact}; dearest foot cost ${dearest}`,
  );
}

measure("warm up", { layers: 8, tracks: 5, sections: 60, either: 50 }, false, 5);
for (const either of [0, 20, 40, 60, 80, 90, 97])
  measure(
    `8 layers, 5 tracks, 60 sections, ${either} % either, plan`,
    { layers: 8, tracks: 5, sections: 60, either },
    false,
    20,
  );
for (const either of [20, 60, 80])
  measure(
    `5 layers, 3 tracks, 20 sections, ${either} % either, with trade`,
    { layers: 5, tracks: 3, sections: 20, either },
    true,
    40,
  );
for (const either of [20, 60, 80, 95])
  measure(
    `8 layers, 5 tracks, 60 sections, ${either} % either, with trade`,
    { layers: 8, tracks: 5, sections: 60, either },
    true,
    5,
  );
