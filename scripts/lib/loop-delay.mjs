/**
 * Loaded before the program (`node --import`): measures how long its main thread keeps others waiting. When the file
 * `LOOP_DELAY` names appears, what was measured is written into it and forgotten.
 */
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { monitorEventLoopDelay } from "node:perf_hooks";
import { isMainThread } from "node:worker_threads";

const file = process.env.LOOP_DELAY;
if (isMainThread && file) {
  const delay = monitorEventLoopDelay({ resolution: 1 });
  delay.enable();
  setInterval(() => {
    if (!existsSync(file) || readFileSync(file, "utf8") !== "") return;
    const ms = (nanoseconds) => nanoseconds / 1e6;
    const told = { p50: ms(delay.percentile(50)), p99: ms(delay.percentile(99)), max: ms(delay.max) };
    delay.reset();
    writeFileSync(file, JSON.stringify(told));
  }, 50).unref();
}
