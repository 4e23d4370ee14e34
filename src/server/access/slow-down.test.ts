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

  it("are forgotten after half an hour, or with the right code", () => {
    const slow = new SlowDown();
    for (let guess = 0; guess < 6; guess++) slow.wrong("a", 0);
    expect(slow.wait("a", 0)).toBe(4000);
    expect(slow.wait("b", 0)).toBe(0);
    slow.right("a");
    expect(slow.wait("a", 0)).toBe(0);
    for (let guess = 0; guess < 6; guess++) slow.wrong("b", 0);
    slow.wrong("b", 31 * 60_000);
    expect(slow.wait("b", 31 * 60_000)).toBe(0);
  });

  it("of many addresses together make all wait", () => {
    const slow = new SlowDown();
    for (let address = 0; address < 60; address++) slow.wrong(`a${address}`, 1000);
    expect(slow.wait("fresh", 1000)).toBe(60_000);
    expect(slow.wait("fresh", 61_001)).toBe(0);
  });
});
