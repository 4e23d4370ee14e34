import { describe, expect, it } from "vitest";
import { madeUpTones, numbersFrom } from "../../../../testing/sounds/sample-case";
import { edit, planOfSample, sampleTones, tonesOfSample } from "../../../../testing/sounds/sample-sounds";
import { unwrap } from "../../../base";
import { set } from "../../song/edit";
import { tellMoment } from "../../song/moments";
import { indexCells, outlineOf } from "../../song/read";
import { costOfWay, describeAct, planTones } from "../plan";
import { bestInBanks } from "./best-in-banks";
import { describeToneCost, describeWayOut } from "./describe-sounds";
import { offerQuestions, priceOffers } from "./offers";
import { songPedals } from "./song-pedals";
import { takeOffer } from "./sound-commands";
import { tonePresses } from "./sound-presses";

const THREE = { 0: { sound: "A" }, 1: { sound: "B" }, 2: { sound: "C" } };
const SOUNDS = { A: {}, B: { drive: 1 }, C: { delay: "1/4", drive: 1 } };

describe("presses in a song", () => {
  it("fall on bar and beat with the words around them; arming has a window and an easiest bar", () => {
    const song = tonesOfSample(
      sampleTones({ ...THREE, 1: { sound: "B", bars: [[0, 3]] } }, SOUNDS, { slots: 2, gapMs: 500 }),
    );
    const plan = planOfSample(song);
    const presses = tonePresses(song, plan);
    expect(describeToneCost(plan)).toBe("no change heard, 1 bank change, 4 presses, 4 slots in 2 banks");
    expect(
      presses.slice(0, 3).map(({ act, moment }) => [describeAct(act, song.box), tellMoment(moment, "song")]),
    ).toEqual([
      ["slot 2", "bar 5 of the song, beat 1, on “one”"],
      ["arm bank 2", "bar 7 of the song, beat 1, on “three”"],
      ["go", "bar 8 of the song, beat 1, on “four”"],
    ]);
    expect(presses[1]!.window).toMatchObject({
      opens: { songBar: 5 },
      easiest: { moment: { songBar: 7 }, isSilent: false },
    });
    expect(presses[2]!.into.rest.ms).toBe(4000);
  });

  it("number banks as the real box does", () => {
    const box = { twoSwitches: true, firstBank: 3 };
    expect(describeAct({ do: "arm", bank: 0 }, box)).toBe("both switches: arm bank 4");
    expect(describeAct({ do: "slot", slot: 1 }, box)).toBe("slot 2");
  });
});

describe("ways out of a change that is heard", () => {
  const song = () => tonesOfSample(sampleTones(THREE, SOUNDS, { slots: 2, gapMs: 500 }));

  it("each hide it, and each tells what the whole song then costs", () => {
    const own = song();
    const plan = planOfSample(own);
    const section = plan.steps.find(({ exposed }) => exposed)!.section;
    const offers = priceOffers(own.asked!, plan, section, offerQuestions(own, section));
    expect(offers.map(({ out }) => out.code).sort()).toEqual(
      expect.arrayContaining(["cover", "end-early", "share"]),
    );
    for (const { plan: next, out } of offers) {
      expect(next.steps.find((step) => step.section === section)!.exposed).toBe(false);
      expect(describeWayOut(out, own.box)).not.toBe("");
    }
  });

  it("do what they say when they are taken", () => {
    let made = 0;
    const makeId = () => `t${made++}`;
    const body = sampleTones(THREE, SOUNDS, { slots: 2, gapMs: 500 });
    const own = tonesOfSample(body);
    const plan = planOfSample(own);
    const section = plan.steps.find(({ exposed }) => exposed)!.section;
    for (const offer of priceOffers(own.asked!, plan, section, offerQuestions(own, section))) {
      const taken = edit(body, takeOffer(body, indexCells(body, outlineOf(body)), "p0", offer, makeId));
      const after = planOfSample(tonesOfSample(taken));
      expect(after.exposed, offer.out.code).toBeLessThanOrEqual(offer.plan.exposed);
      if (offer.out.code === "cover")
        expect(
          Object.values(taken.cells).some(({ playerId, note }) => playerId === "p1" && note !== null),
        ).toBe(true);
    }
  });

  it("swaps find the best way through given banks: never better than the plan, and right by their own steps", () => {
    for (let seed = 1; seed <= 40; seed++) {
      const board = { slotsPerBank: 3, landing: seed % 2 === 0 ? "saved" : "same-slot" } as const;
      const asked = madeUpTones(numbersFrom(seed), { sections: 12, tones: 6, covered: 50, board });
      const plan = unwrap(planTones(asked));
      const again = bestInBanks(
        asked,
        plan.banks.map(({ slots }) => slots),
      )!;
      expect(costOfWay(asked, again)).toMatchObject({ exposed: again.exposed, presses: again.presses });
      expect(again.exposed).toBeGreaterThanOrEqual(plan.exposed);
      if (again.exposed === plan.exposed) expect(again.bankChanges).toBeGreaterThanOrEqual(plan.bankChanges);
    }
  });
});

describe("the same song on single pedals", () => {
  it("needs a press for each effect that changes, and names what must be turned by hand", () => {
    const song = tonesOfSample(
      sampleTones(THREE, { ...SOUNDS, B: { drive: 1, "drive.amount": 9 } }, { kind: "pedals", pedals: [] }),
    );
    const withPedals = {
      ...song,
      box: { ...song.box, pedals: [{ effect: "drive", controller: 80 }] as const },
    };
    expect(songPedals({ ...song, box: { ...song.box, kind: "banks" } }).plan.presses).toBe(1 + 1 + 2);
    const own = songPedals(withPedals as never);
    expect(own.missing).toEqual(["delay"]);
    expect(own.plan.presses).toBe(2);
    expect(own.turned).toEqual([{ label: "c", effects: ["drive"] }]);
  });

  it("has no rest to find and no bank to change", () => {
    const body = sampleTones(THREE, SOUNDS, { kind: "pedals" });
    expect(tonesOfSample(edit(body, set("soundBoxes", "box", { slots: 1 }))).pins).toEqual([]);
  });
});
