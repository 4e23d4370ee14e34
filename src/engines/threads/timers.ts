import type { Timers } from "./pool";

/** The machine's own clock. */
export const TIMERS: Timers = Object.freeze({
  now: () => performance.now(),
  after: (ms, act) => {
    const timer = setTimeout(act, ms);
    return () => clearTimeout(timer);
  },
});
