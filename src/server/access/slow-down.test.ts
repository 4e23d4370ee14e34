import { describe, expect, it } from "vitest";
import { FREE_GUESSES, guessedWrong, NO_GUESSES, SlowDown, waitOf } from "./slow-down";

describe("guesses", () => {
  it("are free at first, then wait twice as long each time, up to five minutes", () => {
    let guesses = NO_GUESSES;
    const waits = Array.from({ length: 14 }, () => {
      guesses = guessedWrong(guesses, 0);
      return waitOf(guesses, 0) / 1000;
    });
    expect(waits.slice(0, FREE_GUESSES)).toEqual([0, 0, 0, 0]);
    expect(waits.slice(FREE_GUESSES)).toEqual([2, 4, 8, 16, 32, 64, 128, 256, 300, 300]);
  });

  it("take a year and more for one in a thousand of all codes, at that pace", () => {
    const codes = 23 ** 6;
    const secondsEach = 300;
    expect((codes / 1000) * secondsEach).toBeGreaterThan(365 * 86_400);
  });

  const wrong = async () => false;
  const at = (now: number) => () => now;

  it("are forgotten after half an hour, or with the right code", async () => {
    const slow = new SlowDown();
    for (let guess = 0; guess < 5; guess++) await slow.try("a", wrong, at(0));
    await slow.try("a", wrong, at(2000));
    expect(slow.wait("a", 2000)).toBe(4000);
    expect(slow.wait("b", 2000)).toBe(0);
    expect(await slow.try("a", async () => true, at(6000))).toEqual({ right: true });
    expect(slow.wait("a", 6000)).toBe(0);
    for (let guess = 0; guess < 5; guess++) await slow.try("b", wrong, at(0));
    await slow.try("b", wrong, at(31 * 60_000));
    expect(slow.wait("b", 31 * 60_000)).toBe(0);
  });

  it("of many addresses together make all wait, but not whoever sits at this machine", async () => {
    const slow = new SlowDown((address) => address === "here");
    for (let address = 0; address < 60; address++) await slow.try(`a${address}`, wrong, at(1000));
    expect(slow.wait("fresh", 1000)).toBe(60_000);
    expect(slow.wait("here", 1000)).toBe(0);
    expect(slow.wait("fresh", 61_001)).toBe(0);
  });

  it("sent all at once are no more than as many sent in turn", async () => {
    const slow = new SlowDown();
    let [judged, together, most] = [0, 0, 0];
    const judge = async () => {
      judged++;
      most = Math.max(most, ++together);
      await new Promise((resolve) => setTimeout(resolve, 2));
      together--;
      return false;
    };
    const answers = await Promise.all(Array.from({ length: 400 }, () => slow.try("a", judge, at(0))));
    expect([judged, most]).toEqual([FREE_GUESSES + 1, 1]);
    expect(answers.filter((answer) => "wait" in answer)).toHaveLength(400 - FREE_GUESSES - 1);
  });

  it("of many addresses, one each and all at once, are held to the shared limit too", async () => {
    const slow = new SlowDown();
    let judged = 0;
    const judge = async () => {
      judged++;
      await new Promise((resolve) => setTimeout(resolve, 2));
      return false;
    };
    await Promise.all(Array.from({ length: 400 }, (_, address) => slow.try(`a${address}`, judge, at(0))));
    expect(judged).toBe(60);
  });
});
