import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { madeUpTones, numbersFrom, toneCase } from "../../../../testing/sounds/sample-case";
import { slowTones } from "../../../../testing/sounds/slow-sounds";
import { unwrap } from "../../../base";
import { costOfWay, planTones, stepsThrough, type TonePlan } from "./plan-sounds";
import type { ToneCost } from "./sound-case";

const figures = ({ exposed, bankChanges, presses, bankCount, filled }: ToneCost): ToneCost => ({
  exposed,
  bankChanges,
  presses,
  bankCount,
  filled,
});
const presses = (plan: TonePlan) => plan.steps.map((step) => step.presses.join(", "));

describe("planning banks", () => {
  it("needs one bank where all tones fit: no press before the song, one at each change", () => {
    const plan = unwrap(planTones(toneCase("verse chorus verse solo chorus")));
    expect(plan.banks).toEqual([{ slots: ["verse", "chorus", "solo", null], landing: null }]);
    expect(presses(plan)).toEqual(["", "slot 2", "slot 1", "slot 3", "slot 2"]);
    expect(plan).toMatchObject({ exposed: 0, bankChanges: 0, presses: 4, filled: 3, exact: true });
  });

  it("changes the bank in the rest that covers it, with a copy on the other side", () => {
    // Two slots, three tones: the one rest stands between two sections of tone b.
    const plan = unwrap(planTones(toneCase("a b b:300 c b", { slotsPerBank: 2 })));
    expect(plan.banks).toEqual([
      { slots: ["a", "b"], landing: null },
      { slots: ["b", "c"], landing: 0 },
    ]);
    expect(presses(plan)).toEqual(["", "slot 2", "arm bank 2, go", "slot 2", "slot 1"]);
    expect(plan).toMatchObject({ exposed: 0, bankChanges: 1, presses: 5, filled: 4 });
  });

  it("says from where a bank may be armed: after the last press before it", () => {
    const plan = unwrap(planTones(toneCase("a b b b c:300", { slotsPerBank: 2 })));
    expect(plan.steps.map(({ armFrom }) => armFrom)).toEqual([null, null, null, null, "s2"]);
    const direct = unwrap(planTones(toneCase("a b c:300", { slotsPerBank: 2, change: "direct" })));
    expect(direct.steps.at(-1)).toMatchObject({ presses: ["bank 2"], armFrom: null, exposed: false });
  });

  it("lands on the slot number in use where the box keeps it", () => {
    const plan = unwrap(planTones(toneCase("a b c:300 d a:300", { slotsPerBank: 2, landing: "same-slot" })));
    expect(plan.exposed).toBe(0);
    for (const [at, step] of plan.steps.entries())
      if (at > 0 && step.bank !== plan.steps[at - 1]!.bank) expect(step.slot).toBe(plan.steps[at - 1]!.slot);
    expect(plan.banks.every(({ landing }) => landing === null)).toBe(true);
  });

  it("counts a landing on the wrong slot as heard, and presses once more", () => {
    // a and b are pinned in bank 1, so c and d share bank 2, which opens on one of them only.
    const full = unwrap(
      planTones(
        toneCase("a c:300 b:300 d:300", { slotsPerBank: 2, maxBanks: 2 }, [
          { tone: "a", bank: 0, slot: 0 },
          { tone: "b", bank: 0, slot: 1 },
        ]),
      ),
    );
    expect(full).toMatchObject({ exposed: 1, bankChanges: 3, presses: 7 });
  });

  it("keeps pins where they are and fills around them", () => {
    const plan = unwrap(planTones(toneCase("a b c", {}, [{ tone: "c", bank: 0, slot: 3 }])));
    expect(plan.banks[0]!.slots).toEqual(["a", "b", null, "c"]);
    const apart = unwrap(planTones(toneCase("a b", {}, [{ tone: "b", bank: 1, slot: 2 }])));
    expect(apart.banks[1]!.slots).toEqual([expect.toBeOneOf(["a", null]), null, "b", null]);
  });

  it.each([
    [
      toneCase("a b c", { slotsPerBank: 2, maxBanks: 1 }),
      { code: "too-many-tones", tones: 3, banks: 1, slots: 2 },
    ],
    [
      toneCase("a b c", { slotsPerBank: 2, maxBanks: 2 }, [
        { tone: "a", bank: 0, slot: 0 },
        { tone: "a", bank: 1, slot: 0 },
        { tone: "b", bank: 0, slot: 1 },
        { tone: "b", bank: 1, slot: 1 },
      ]),
      { code: "pins-leave-no-room", tones: 1, places: 0 },
    ],
    [
      toneCase("a", { maxBanks: 1 }, [{ tone: "a", bank: 1, slot: 0 }]),
      { code: "pin-bank", pin: 0, banks: 1 },
    ],
    [toneCase("a", {}, [{ tone: "a", bank: 0, slot: 4 }]), { code: "pin-slot", pin: 0, slots: 4 }],
    [toneCase("a", {}, [{ tone: "x", bank: 0, slot: 0 }]), { code: "pin-tone", pin: 0 }],
    [
      toneCase("a b", {}, [
        { tone: "a", bank: 0, slot: 0 },
        { tone: "b", bank: 0, slot: 0 },
      ]),
      { code: "pin-taken", pin: 1, by: "a" },
    ],
    [
      toneCase("a b", {}, [
        { tone: "a", bank: 0, slot: 0 },
        { tone: "a", bank: 0, slot: 1 },
      ]),
      { code: "pin-twice", pin: 1 },
    ],
  ])("refuses what no plan can hold: %#", (asked, problem) => {
    expect(planTones(asked)).toEqual({ ok: false, problem });
  });

  it("finds the five figures of trying everything", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1_000_000 }), (seed) => {
        const next = numbersFrom(seed);
        const tones = 2 + next(3);
        const asked = madeUpTones(next, {
          sections: 4 + next(2),
          tones,
          covered: [0, 30, 60, 100][next(4)]!,
          pins: next(2) * next(3),
          board: {
            slotsPerBank: 1 + next(3),
            landing: next(2) === 0 ? "saved" : "same-slot",
            change: next(2) === 0 ? "direct" : "arm-go",
            maxBanks: next(2) === 0 ? null : 1 + next(3),
          },
        });
        const slow = slowTones(asked);
        const fast = planTones(asked);
        expect(fast.ok).toBe(slow !== null);
        if (!fast.ok || !slow) return;
        expect(figures(fast.value)).toEqual(slow);
        expect(fast.value.exact).toBe(true);
      }),
      { numRuns: 150 },
    );
  });

  it("gives figures that its own banks and steps bear out, and holds every pin", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1_000_000 }), (seed) => {
        const next = numbersFrom(seed);
        const landing = next(2) === 0 ? "saved" : "same-slot";
        const board = { slotsPerBank: 2 + next(5), landing, maxBanks: next(2) === 0 ? null : 6 } as const;
        const asked = madeUpTones(next, { sections: 16, tones: 8, covered: 40, pins: 2, board });
        const plan = unwrap(planTones(asked));
        expect(costOfWay(asked, plan)).toEqual(figures(plan));
        expect(stepsThrough(asked, plan.banks, plan.steps)).toEqual(plan.steps);
        for (const { tone, bank, slot } of asked.pins) expect(plan.banks[bank]!.slots[slot]).toBe(tone);
        for (const { slots } of plan.banks) {
          const held = slots.filter((tone) => tone !== null);
          expect(new Set(held).size).toBe(held.length);
        }
      }),
      { numRuns: 40 },
    );
  });

  it("gives the best found and a bound when its steps are used up", () => {
    const asked = madeUpTones(numbersFrom(5), {
      sections: 24,
      tones: 10,
      covered: 0,
      board: { slotsPerBank: 3, maxBanks: 4 },
    });
    const hurried = unwrap(planTones({ ...asked, budget: 10 }));
    expect(hurried.exact).toBe(false);
    expect(costOfWay(asked, hurried)).toEqual(figures(hurried));
    const patient = unwrap(planTones({ ...asked, budget: 400_000 }));
    expect(hurried.bound!.exposed).toBeLessThanOrEqual(patient.exposed);
    expect(patient.exposed).toBeLessThanOrEqual(hurried.exposed);
  });

  it("is the same every time", () => {
    const asked = madeUpTones(numbersFrom(9), { sections: 24, tones: 10, covered: 30, board: {} });
    expect(planTones(asked)).toEqual(planTones(asked));
  });
});
