import { describe, expect, it } from "vitest";
import { Keeper, type KeeperOptions } from "./keeper";

const HOUR = 3_600_000;

/** A keeper on a made-up clock: what it kept, and when. */
function keeperAt(options: Partial<KeeperOptions> = {}) {
  const world = {
    now: 0,
    mark: "0" as string | null,
    fails: false,
    kept: [] as number[],
    said: [] as string[],
  };
  const keeper = new Keeper({
    clock: () => world.now,
    everyMs: HOUR,
    newestAgeMs: null,
    mark: async () => world.mark,
    roll: async () => {
      if (world.fails) throw new Error("no space left.");
      world.kept.push(world.now / HOUR);
      return { kept: { name: "", number: 1, at: "" }, documents: 1, doubts: [] };
    },
    say: (sentence) => world.said.push(sentence),
    ...options,
  });
  /** Goes on until an hour, looking every quarter; something is written before each look where `isUsed`. */
  const until = async (hour: number, isUsed = true) => {
    for (; world.now <= hour * HOUR; world.now += HOUR / 4) {
      if (isUsed) world.mark = String(world.now);
      await keeper.tick();
    }
  };
  return { keeper, world, until };
}

describe("backups kept by themselves", () => {
  it("are made at once, then every hour while something is written", async () => {
    const { world, until } = keeperAt();
    await until(3);
    expect(world.kept).toEqual([0, 1, 2, 3]);
    await until(6, false);
    // What was written after the last one is kept once; then nothing new is there.
    expect(world.kept).toEqual([0, 1, 2, 3]);
    await until(8);
    expect(world.kept).toEqual([0, 1, 2, 3, 6.25, 7.25]);
  });

  it("wait for their time where a fresh one is there, not where the newest is old or from tomorrow", async () => {
    for (const [newestAgeMs, first] of [
      [HOUR / 2, 0.5],
      [3 * HOUR, 0],
      [-HOUR, 0],
    ] as const) {
      const { world, until } = keeperAt({ newestAgeMs });
      await until(1);
      expect(world.kept[0]).toBe(first);
    }
  });

  it("are not made of nothing", async () => {
    const { world, until } = keeperAt({ mark: async () => null });
    await until(3);
    expect(world.kept).toEqual([]);
  });

  it("that fail are said, tried again soon, and no longer a problem once one is made", async () => {
    const { keeper, world, until } = keeperAt();
    world.fails = true;
    await until(0.5);
    expect(world.said).toHaveLength(3);
    expect(world.said[0]).toBe(
      "The backup that is kept by itself failed: no space left. The older ones are as they were.",
    );
    expect(keeper.problem).toBe("no space left.");
    world.fails = false;
    await until(1);
    expect([world.kept, keeper.problem]).toEqual([[0.75], null]);
  });

  it("are made one at a time", async () => {
    let running = 0;
    const { keeper } = keeperAt({
      roll: async () => {
        expect(++running).toBe(1);
        await new Promise((resolve) => setTimeout(resolve, 5));
        running--;
        return { kept: { name: "", number: 1, at: "" }, documents: 1, doubts: [] };
      },
    });
    await Promise.all([keeper.tick(), keeper.tick(), keeper.tick()]);
  });
});
