import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { type Job, Pool, type PoolOptions, type Thread, ThreadDied, TooBusy, TookTooLong } from "./pool";
import { TIMERS } from "./timers";

/** Threads that take as long as each question says, in ms, and answer with it. */
class Bench {
  readonly started: { die: (reason: string) => void; isEnded: boolean }[] = [];
  /** What was begun, in order. */
  readonly begun: unknown[] = [];

  readonly start = (): Thread => {
    const thread = { die: (_reason: string) => {}, isEnded: false };
    this.started.push(thread);
    return {
      died: new Promise((resolve) => {
        thread.die = (reason) => resolve(new Error(reason));
      }),
      end: () => {
        thread.isEnded = true;
      },
      ask: ({ question }: Job, onProgress) => {
        this.begun.push(question);
        onProgress(1, 4, { found: "some" });
        if (question === "fails") return Promise.reject(new Error("no way"));
        if (question === "can't be sent") throw new Error("not a value");
        return new Promise((resolve) => setTimeout(() => resolve(question), Number(question)));
      },
    };
  };
}

function poolOf(options: Partial<PoolOptions> = {}) {
  const bench = new Bench();
  const pool = new Pool({ start: bench.start, timers: TIMERS, threads: 2, ...options });
  const done: string[] = [];
  const ask = (question: unknown, signal?: AbortSignal) =>
    pool.ask({ engine: "waits", question }, { signal }).then(
      (answer) => done.push(`${answer}`),
      (error: unknown) => done.push(error instanceof Error ? error.constructor.name : String(error)),
    );
  return { bench, pool, ask, done };
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe("a pool of threads", () => {
  it("starts threads when they are needed, at most so many, and uses them again", async () => {
    const { bench, ask, done } = poolOf();
    for (const ms of [100, 200, 30, 40]) void ask(ms);
    await vi.advanceTimersByTimeAsync(150);
    expect([bench.started.length, done]).toEqual([2, ["100", "30"]]);
    await vi.advanceTimersByTimeAsync(100);
    expect([bench.started.length, done]).toEqual([2, ["100", "30", "40", "200"]]);
  });

  it("tells how far a job is, and what an engine throws; the thread goes on", async () => {
    const { bench, pool, ask, done } = poolOf({ threads: 1 });
    const told: number[] = [];
    const found: unknown[] = [];
    const onProgress = (share: number, of: number, soFar?: unknown) => {
      told.push(share / of);
      if (soFar !== undefined) found.push(soFar);
    };
    void pool.ask({ engine: "waits", question: 10 }, { onProgress });
    void ask("fails");
    void ask("can't be sent");
    void ask(20);
    await vi.advanceTimersByTimeAsync(40);
    expect([told, done, bench.started.length]).toEqual([[0.25], ["Error", "Error", "20"], 1]);
    expect(found).toEqual([{ found: "some" }]);
  });

  it("replaces a thread that died; only what it worked on is lost", async () => {
    const { bench, ask, done } = poolOf({ threads: 2 });
    void ask(100);
    void ask(110);
    void ask(50);
    await vi.advanceTimersByTimeAsync(10);
    bench.started[0]!.die("out of memory");
    await vi.advanceTimersByTimeAsync(60);
    expect([done, bench.started.length]).toEqual([["ThreadDied", "50"], 3]);
    await vi.advanceTimersByTimeAsync(60);
    expect(done).toEqual(["ThreadDied", "50", "110"]);
  });

  it("replaces a thread that died while nothing was asked", async () => {
    const { bench, ask, done } = poolOf({ threads: 1 });
    void ask(10);
    await vi.advanceTimersByTimeAsync(20);
    bench.started[0]!.die("gone");
    await vi.advanceTimersByTimeAsync(1);
    void ask(5);
    await vi.advanceTimersByTimeAsync(10);
    expect([done, bench.started.length]).toEqual([["10", "5"], 2]);
  });

  it("says so when no thread can be started", async () => {
    const pool = new Pool({
      start: () => {
        throw new Error("no threads here");
      },
      timers: TIMERS,
      threads: 1,
    });
    await expect(pool.ask({ engine: "waits", question: 1 })).rejects.toThrow("no threads here");
  });

  it("ends alone what takes too long, counted from when work begins", async () => {
    const { bench, ask, done } = poolOf({ longestMs: 1000 });
    void ask(900);
    void ask(1e9);
    void ask(800);
    await vi.advanceTimersByTimeAsync(1001);
    expect([done, bench.started.map(({ isEnded }) => isEnded)]).toEqual([
      ["900", "TookTooLong"],
      [false, true],
    ]);
    // The third waited 900 ms before work on it began.
    await vi.advanceTimersByTimeAsync(1000);
    expect(done).toEqual(["900", "TookTooLong", "800"]);
  });

  it("leaves no timer behind that could end what comes after", async () => {
    const { ask, done } = poolOf({ threads: 1, longestMs: 1000, shareMs: 100 });
    void ask("can't be sent");
    void ask("fails");
    void ask(10);
    await vi.advanceTimersByTimeAsync(20);
    expect([done, vi.getTimerCount()]).toEqual([["Error", "Error", "10"], 0]);
  });

  it("refuses when too many wait", async () => {
    const { ask, done } = poolOf({ threads: 1, mostWaiting: 2 });
    for (const ms of [10, 10, 10, 10]) void ask(ms);
    await vi.advanceTimersByTimeAsync(100);
    expect(done.toSorted()).toEqual(["10", "10", "10", "TooBusy"]);
  });
});

describe("a fair share", () => {
  it("lets a light job through beside six heavy ones, which come to their end too", async () => {
    const { ask, done } = poolOf({ shareMs: 1000, longestMs: 20_000 });
    for (let heavy = 0; heavy < 6; heavy++) void ask(5000);
    await vi.advanceTimersByTimeAsync(10);
    void ask(7);
    await vi.advanceTimersByTimeAsync(3500);
    expect(done).toEqual(["7"]);
    await vi.advanceTimersByTimeAsync(200_000);
    expect(done).toEqual(["7", ...Array(6).fill("5000")]);
  });

  it("lets what is alone go on without an end", async () => {
    const { bench, ask, done } = poolOf({ shareMs: 1000 });
    void ask(50_000);
    await vi.advanceTimersByTimeAsync(50_001);
    expect([done, bench.begun.length]).toEqual([["50000"], 1]);
  });

  it("law: every job is answered, whatever comes when, and heavy work costs at most about twice", async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 9000 }), fc.integer({ min: 0, max: 3000 })), {
          minLength: 1,
          maxLength: 12,
        }),
        async (jobs) => {
          const { ask, done } = poolOf({ shareMs: 500 });
          for (const [ms, pause] of jobs) {
            void ask(ms);
            await vi.advanceTimersByTimeAsync(pause);
          }
          const work = jobs.reduce((sum, [ms]) => sum + ms, 0);
          await vi.advanceTimersByTimeAsync(4 * work + 10_000);
          expect(done.toSorted()).toEqual(jobs.map(([ms]) => `${ms}`).toSorted());
          expect(vi.getTimerCount()).toBe(0);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("giving up", () => {
  it("takes a waiting job out, and ends the thread of one at work after a grace", async () => {
    const { bench, ask, done } = poolOf({ threads: 1, graceMs: 250 });
    const [first, second] = [new AbortController(), new AbortController()];
    void ask(10_000, first.signal);
    void ask(20_000, second.signal);
    void ask(10);
    await vi.advanceTimersByTimeAsync(5);
    second.abort("overtaken");
    first.abort("overtaken");
    await vi.advanceTimersByTimeAsync(5);
    expect([done, bench.started[0]!.isEnded]).toEqual([["overtaken", "overtaken"], false]);
    await vi.advanceTimersByTimeAsync(265);
    expect([done, bench.started[0]!.isEnded]).toEqual([["overtaken", "overtaken", "10"], true]);
    expect(bench.begun).toEqual([10_000, 10]);
  });

  it("keeps the thread of one that ends within the grace", async () => {
    const { bench, ask, done } = poolOf({ threads: 1, graceMs: 250 });
    const given = new AbortController();
    void ask(100, given.signal);
    void ask(10);
    await vi.advanceTimersByTimeAsync(50);
    given.abort("overtaken");
    await vi.advanceTimersByTimeAsync(300);
    expect([done, bench.started.length, vi.getTimerCount()]).toEqual([["overtaken", "10"], 1, 0]);
  });

  it("never begins what was given up before it was asked", async () => {
    const { bench, ask, done } = poolOf();
    await ask(10, AbortSignal.abort("early"));
    expect([done, bench.begun]).toEqual([["early"], []]);
  });
});

it("names its errors in sentences", () => {
  expect(new TookTooLong(20_000).message).toBe("The search took longer than 20 s and was ended.");
  expect(new TooBusy(64).message).toMatch(/64 searches wait/u);
  expect(new ThreadDied(new Error("gone")).message).toBe("gone");
});
