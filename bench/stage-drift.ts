/**
 * How far followers of one evening are apart: 50 of them over 10 minutes, each with a clock of its own (skew up to 200 ppm),
 * every message 0 to 300 ms under way and one in twenty lost, on the program's own follower and clock. Time is simulated.
 */
import {
  answeredAt,
  applyLive,
  EMPTY_STATE,
  type Follower,
  followFrom,
  hear,
  heardFrom,
  type LiveEvent,
  type LiveMessage,
  type LiveState,
  NO_BOUNDS,
  nextAskIn,
  type Offset,
  type OffsetBounds,
  offsetAt,
  refuseLive,
  serverTime,
} from "../src/core/stage";
import { numbersFrom } from "../testing/sounds/sample-case";
import { samplePassage } from "../testing/stage/sample-live";
import { quantiles } from "./large-song.mjs";

const MINUTES = 10;
const FOLLOWERS = 50;
const [SKEW, JITTER_MS, LOST] = [200e-6, 300, 0.05];
/** As the screens do: see src/rooms/stage/live/live-line.ts and src/server/stage/hub.ts. */
const [BEAT_MS, AGAIN_MS] = [2000, 1000];
/** From here on the clocks are told to have been measured. */
const SETTLED_MS = 15_000;

const random = numbersFrom(7);
const chance = () => random(1_000_000) / 1_000_000;
const START = 1_700_000_000_000;

type One = {
  skew: number;
  ahead: number;
  follower: Follower;
  bounds: OffsetBounds;
  offset: Offset | null;
  asking: boolean;
};

const queue: { at: number; work: () => void }[] = [];
let now = 0;
const later = (ms: number, work: () => void) => queue.push({ at: now + ms, work });
/** One message: late, or lost. */
const carry = (work: () => void) => {
  if (chance() >= LOST) later(chance() * JITTER_MS, work);
};

const ones: One[] = Array.from({ length: FOLLOWERS }, (_, at) => ({
  skew: SKEW * ((2 * at) / (FOLLOWERS - 1) - 1),
  ahead: (chance() - 0.5) * 600_000,
  follower: followFrom(EMPTY_STATE),
  bounds: NO_BOUNDS,
  offset: null,
  asking: false,
}));
const clockOf = (one: One) => START + one.ahead + now * (1 + one.skew);
const learn = (one: One, bounds: OffsetBounds) => {
  one.bounds = bounds;
  one.offset = offsetAt(bounds, clockOf(one)) ?? one.offset;
};

let state: LiveState = EMPTY_STATE;
const log: LiveEvent[] = [];

const tell = (one: One, message: LiveMessage) => {
  const left = START + now;
  carry(() => {
    learn(one, heardFrom(one.bounds, left, clockOf(one)));
    one.follower = hear(one.follower, message);
    catchUp(one);
  });
};
const catchUp = (one: One) => {
  if (!one.follower.behind || one.asking) return;
  one.asking = true;
  const since = one.follower.state.lastId;
  carry(() => {
    const events = log.filter(({ id }) => id > since);
    carry(() => {
      one.asking = false;
      for (const event of events) one.follower = hear(one.follower, { type: "event", event });
    });
  });
  later(AGAIN_MS, () => {
    one.asking = false;
    catchUp(one);
  });
};
const ping = (one: One, count: number) => {
  const asked = clockOf(one);
  carry(() => {
    const server = START + now;
    carry(() => learn(one, answeredAt(one.bounds, asked, server, clockOf(one))));
  });
  later(nextAskIn(count, one.offset?.within ?? null), () => ping(one, count + 1));
};

const press = (act: LiveEvent["act"]) => {
  const at = START + now;
  if (act.type !== "score" && refuseLive(state, act, at) !== null) return;
  const event = { id: state.lastId + 1, at, act };
  state = applyLive(state, event);
  log.push(event);
  for (const one of ones) tell(one, { type: "event", event });
};

let firstBar = 1;
const passages = Array.from({ length: 60 }, (_, at) => {
  const made = samplePassage(`s${at} 0`, 8, { bpm: 60 + ((at * 7) % 80), firstBar });
  firstBar += 8;
  return made;
});
press({
  type: "score",
  items: [{ id: "one", kind: "song", title: "One", versionId: "v", note: "", minutes: 0, passages }],
});
for (const one of ones) ping(one, 0);
const beat = () => {
  for (const one of ones) tell(one, { type: "beat", lastId: state.lastId, songs: "" });
  later(BEAT_MS, beat);
};
beat();
const acts: LiveEvent["act"][] = [
  { type: "tempo", bpm: 96, snap: true },
  { type: "repeat" },
  { type: "hold" },
  { type: "goOn" },
  { type: "jump", passage: "s20 0", when: "bar" },
  { type: "undo" },
  { type: "tempo", bpm: 72, snap: false },
  { type: "skip" },
];
const lead = (count: number) => {
  press(acts[count % acts.length]!);
  later(4000 + chance() * 8000, () => lead(count + 1));
};
later(2000, () => press({ type: "start", passage: null, countBars: 1 }));
later(12_000, () => lead(0));

const apart: number[] = [];
const errors: number[] = [];
const behind: number[] = [];
let [unmeasured, looks] = [0, 0];
for (let look = 0; look < MINUTES * 600; look++) {
  const until = look * 100;
  for (;;) {
    let soonest = -1;
    for (const [at, { at: time }] of queue.entries())
      if (time <= until && (soonest < 0 || time < queue[soonest]!.at)) soonest = at;
    if (soonest < 0) break;
    const [next] = queue.splice(soonest, 1);
    now = next!.at;
    next!.work();
  }
  now = until;
  if (now < SETTLED_MS) continue;
  looks++;
  const times: number[] = [];
  let late = 0;
  for (const one of ones) {
    if (!one.offset) {
      unmeasured++;
      continue;
    }
    const time = serverTime(one.offset, clockOf(one));
    errors.push(Math.abs(time - (START + now)));
    if (one.follower.state.lastId !== state.lastId) {
      late++;
      continue;
    }
    // The place is a function of the state and this time alone: so far apart in time, so far apart in the music.
    times.push(time);
  }
  behind.push(late);
  if (times.length > 1) apart.push(Math.max(...times) - Math.min(...times));
}
const largest = (values: readonly number[]) => values.reduce((most, value) => Math.max(most, value), 0);
const clock = quantiles(errors);
const spread = quantiles(apart);
console.log(
  `${FOLLOWERS} followers over ${MINUTES} min, skew ±${SKEW * 1e6} ppm, messages 0 to ${JITTER_MS} ms under way, ${LOST * 100} % lost, ${log.length} events: two that have heard the same are at most ${largest(apart).toFixed(1)} ms apart (30), median of the widest two ${spread.median.toFixed(1)}, p95 ${spread.p95.toFixed(1)}`,
);
console.log(
  `  a clock is off by median ${clock.median.toFixed(1)} ms, p95 ${clock.p95.toFixed(1)}, at most ${largest(errors).toFixed(1)}; ${unmeasured} looks without one; at ${((100 * behind.filter((count) => count > 0).length) / looks).toFixed(1)} % of ${looks} looks somebody had not heard the last press yet, at most ${Math.max(...behind)} of them`,
);
const different = ones.filter(
  ({ follower }) => JSON.stringify(follower.state) !== JSON.stringify(state),
).length;
console.log(`  at the end ${different} of ${FOLLOWERS} hold another state than the server`);
