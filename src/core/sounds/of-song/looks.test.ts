import { describe, expect, it } from "vitest";
import { edit, planOfSample, sampleTones, tonesOfSample } from "../../../../testing/sounds/sample-sounds";
import { add, set } from "../../song/edit";
import { EFFECT_IDS, EMPTY_CELL, HARMONY_INTERVALS } from "../../song/schema";
import { describeSound, isOn, setSetting } from "../sound";
import { handTab, handWays, harmonyViews, takeByHand } from "./harmony";
import { slotStates } from "./slot-saves";
import { markSaved, pinSlot, setSoundBox, unpin } from "./sound-commands";
import { describeToneFinding, toneFindings } from "./sound-findings";
import { timedSettings } from "./timed";

const NAMED = { 0: { sound: "Low" }, 1: { sound: "High" }, 2: { sound: "Low" } };
let made = 0;
const makeId = () => `k${made++}`;

describe("times that follow the song", () => {
  it("are worked out at the tempo of each use, and anew when it changes", () => {
    const body = sampleTones(NAMED, { Low: { delay: "1/4" }, High: { tremolo: "1/8" } });
    expect(timedSettings(tonesOfSample(body)).map(({ sound, key, ms }) => [sound, key, ms])).toEqual([
      ["Low", "delay", 1000],
      ["High", "tremolo", 500],
    ]);
    const quick = edit(body, set("version", "v", { bpm: 120 }));
    expect(timedSettings(tonesOfSample(quick)).map(({ ms }) => ms)).toEqual([500, 250]);
    const one = edit(body, set("uses", "u2", { bpm: 90 }));
    expect(timedSettings(tonesOfSample(one)).map(({ ms }) => Math.round(ms))).toEqual([1000, 500, 667]);
  });

  it("that a tempo change makes too long for the box are found, with the longest it can give", () => {
    const body = sampleTones(
      NAMED,
      { Low: { delay: "1/4" }, High: {} },
      { longestDelayMs: 1000, tails: true },
    );
    const at = (bpm: number) => toneFindings(tonesOfSample(edit(body, set("version", "v", { bpm }))), null);
    expect(at(60)).toEqual([]);
    const [finding] = at(50);
    expect(finding).toMatchObject({ kind: "delay-too-long", timed: { tooLong: { instead: "1/8." } } });
    expect(describeToneFinding(finding!, 250)).toBe(
      "The delay of “Low” is a 1/4 (1200 ms at 50), and the box gives at most 1000 ms: the longest it can give here is a dotted 1/8.",
    );
    const byMs = edit(body, set("sounds", "s0", { said: { delay: "by ms", "delay.ms": 2000 } }));
    expect(toneFindings(tonesOfSample(byMs), null)[0]).toMatchObject({ timed: { note: null, ms: 2000 } });
  });
});

describe("a second look", () => {
  it("finds what is heard, echoes that are cut, sounds that are alike, a jump in level", () => {
    const sounds = { Low: { delay: "1/4" }, High: { level: 6 }, Same: { level: 6 } };
    const body = sampleTones({ 0: { sound: "Low" }, 1: { sound: "High" }, 2: { sound: "Same" } }, sounds, {
      slots: 1,
      gapMs: 300,
    });
    const song = tonesOfSample(body);
    const found = toneFindings(song, planOfSample(song));
    expect(found.map(({ kind }) => kind)).toEqual([
      "exposed",
      "exposed",
      "exposed",
      "tails",
      "alike",
      "louder",
    ]);
    expect(found.map((one) => describeToneFinding(one, 300))[0]).toBe(
      "Into b the change is heard: the box is silent for 300 ms, and the rest is 0 ms.",
    );
    expect(new Set(found.map(({ id }) => id)).size).toBe(found.length);
  });

  it("finds on single pedals what has no pedal, and more than two presses at once", () => {
    const sounds = { Low: {}, High: { drive: 1, delay: "1/4", reverb: "hall", wah: true } };
    const pedals = (["drive", "delay", "reverb"] as const).map((effect, at) => ({ effect, controller: at }));
    const song = tonesOfSample(sampleTones(NAMED, sounds, { kind: "pedals", pedals }));
    expect(toneFindings(song, null).map((one) => describeToneFinding(one, 0))).toEqual([
      "A sound has wah on, and no pedal switches it: give the box one, or play the two-string substitute.",
      "Into b there are 3 presses at once: let sounds share pedals, or press some of them earlier.",
      "Into c there are 3 presses at once: let sounds share pedals, or press some of them earlier.",
    ]);
  });
});

describe("slots of the real box", () => {
  it("come back when their sound changes, every copy named", () => {
    const three = {
      0: { sound: "A" },
      1: { sound: "B", bars: [[0, 3] as [number, number]] },
      2: { sound: "C" },
    };
    const body = sampleTones(three, { A: {}, B: {}, C: { drive: 1 } }, { slots: 2, gapMs: 500 });
    const song = tonesOfSample(body);
    const { banks } = planOfSample(song);
    const all = slotStates(body, song, banks);
    expect(all.map(({ state }) => state.is)).toEqual(["new", "new", "new", "new"]);
    const copies = all.filter(({ sound }) => sound === "A");
    expect(copies.map((one) => one.copies.length)).toEqual([1, 1]);
    const saved = edit(
      body,
      markSaved(
        body,
        "p0",
        all.map((one) => ({ ...one, settings: song.settings.get(one.sound)! })),
        makeId,
      ),
    );
    expect(slotStates(saved, song, banks).every(({ state }) => state.is === "saved")).toBe(true);
    const changed = edit(saved, setSetting(saved.sounds, saved.sounds.s0!, "level", -3));
    const after = slotStates(changed, tonesOfSample(changed), banks);
    expect(after.filter(({ state }) => state.is === "changed").map(({ sound }) => sound)).toEqual(["A", "A"]);
    const moved = banks.with(0, { ...banks[0]!, slots: [...banks[0]!.slots].reverse() });
    expect(
      slotStates(saved, song, moved)
        .map(({ state }) => state.is)
        .slice(0, 2),
    ).toEqual(["other", "other"]);
    const again = edit(
      changed,
      markSaved(changed, "p0", [{ ...all[0]!, settings: tonesOfSample(changed).settings.get("A")! }], makeId),
    );
    expect(Object.keys(again.slotSaves)).toHaveLength(4);
  });

  it("are pinned one sound a slot, once a bank; a pin that is dragged leaves its old place", () => {
    const body = sampleTones(NAMED, { Low: {}, High: {} });
    const first = edit(body, pinSlot(body, "p0", "Low", { bank: 0, slot: 2 }, makeId));
    const other = edit(first, pinSlot(first, "p0", "High", { bank: 0, slot: 2 }, makeId));
    expect(Object.values(other.slotPins).map(({ sound, slot }) => [sound, slot])).toEqual([["High", 2]]);
    const moved = edit(
      other,
      pinSlot(other, "p0", "High", { bank: 1, slot: 0 }, makeId, { bank: 0, slot: 2 }),
    );
    expect(Object.values(moved.slotPins).map(({ bank, slot }) => [bank, slot])).toEqual([[1, 0]]);
    expect(Object.values(edit(moved, unpin(moved, "p0")).slotPins)).toEqual([]);
  });

  it("belong to a box that is written down with its first change, and has at least one slot", () => {
    const body = { ...sampleTones(NAMED), soundBoxes: {} };
    const own = edit(
      body,
      setSoundBox(body, "p0", { slots: 3 }, () => "fresh"),
    );
    expect(own.soundBoxes.fresh).toMatchObject({ playerId: "p0", slots: 3, gapMs: 250 });
    expect(edit(own, setSoundBox(own, "p0", { slots: 5 }, makeId)).soundBoxes.fresh!.slots).toBe(5);
    expect(() => edit(own, setSoundBox(own, "p0", { slots: 0 }, makeId))).toThrow(/at least 1 slot/u);
  });
});

describe("the harmony effect", () => {
  const body = () => {
    const riff = {
      id: "r",
      originId: null,
      order: "V",
      name: "Line",
      tuning: ["E2", "A2", "D3", "G3", "B3", "E4"],
      capo: 0,
      ticks: 3840,
      way: "as written" as const,
      home: null,
      approach: false,
    };
    const note = (id: string, tick: number, string: number, fret: number) => ({
      id,
      riffId: "r",
      tick,
      ticks: 960,
      string,
      fret,
      art: "plain" as const,
      bend: 0,
      ring: false,
      short: false,
      optional: false,
      round: null,
      weight: 2 as const,
      stroke: null,
      times: "only" as const,
      finger: null,
    });
    let made = sampleTones({}, { Lead: { harmony: "third above" } });
    made = edit(made, add("riffs", riff));
    for (const row of [note("n1", 0, 4, 3), note("n2", 960, 4, 0), note("n3", 1920, 3, 2)])
      made = edit(made, add("riffNotes", row));
    return edit(
      made,
      add("cells", { ...EMPTY_CELL, id: "c0", useId: "u0", playerId: "p0", sound: "Lead", riffId: "r" }),
    );
  };

  it("adds thirds of the key to the line of the part, and says where they grate against the chord", () => {
    const song = tonesOfSample(body());
    const [view] = harmonyViews(body(), song);
    expect(view!.isLine).toBe(true);
    // In G, over G, C, G and D: D with F♯, B with D, A with C. F♯ is the seventh of G, C grates against G's B.
    expect(
      view!.notes.slice(0, 3).map(({ note, harmony, chord, clashes }) => [note, harmony, chord, clashes]),
    ).toEqual([
      ["D4", "F#4", "G", false],
      ["B3", "D4", "G", false],
      ["A3", "C4", "G", true],
    ]);
    const tab = handTab(view!.hand, 6);
    expect(tab).toHaveLength(6);
    expect(new Set(tab.map((row) => row.length)).size).toBe(1);
    for (const [at, pairs] of view!.hand.substitutes.entries())
      expect(pairs[view!.hand.route[at]!]!.stretchMm).toBeLessThanOrEqual(98);
  });

  it("lets the root of each chord stand where no line is written", () => {
    const plain = edit(body(), set("cells", "c0", { riffId: null }));
    const [view] = harmonyViews(plain, tonesOfSample(plain));
    expect(view!.isLine).toBe(false);
    expect(view!.notes.map(({ note, harmony }) => `${note} ${harmony}`)).toEqual([
      "G4 B4",
      "C4 E4",
      "G4 B4",
      "D4 F#4",
    ]);
  });

  it("adds a fixed interval whatever the key, up and down, and seconds and sevenths in it", () => {
    const harmonyOf = (harmony: string) => {
      const made = sampleTones({}, { Lead: { harmony } });
      const at = edit(
        made,
        add("cells", { ...EMPTY_CELL, id: "c0", useId: "u0", playerId: "p0", sound: "Lead" }),
      );
      return harmonyViews(at, tonesOfSample(at))[0]!.notes.map((one) => one.harmony);
    };
    // Over the roots G4, C4, G4 and D4; in G the sevenths are G F♯, C B and D C.
    expect(harmonyOf("major third above, fixed")).toEqual(["B4", "E4", "B4", "F#4"]);
    expect(harmonyOf("minor sixth below, fixed")).toEqual(["B3", "E3", "B3", "F#3"]);
    expect(harmonyOf("seventh above")).toEqual(["F#5", "B4", "F#5", "C5"]);
    expect(harmonyOf("second below")).toEqual(["F#4", "B3", "F#4", "C4"]);
    const semitones = Object.values(HARMONY_INTERVALS).flatMap((one) =>
      one && "semitones" in one ? [one.semitones as number] : [],
    );
    expect(semitones.toSorted((a, b) => a - b)).toEqual([
      ...Array.from({ length: 12 }, (_, at) => at - 12),
      ...Array.from({ length: 12 }, (_, at) => at + 1),
    ]);
  });

  it("gives the pairs by hand in several ways, each within its rule", () => {
    const [view] = harmonyViews(body(), tonesOfSample(body()));
    const ways = handWays(view!.hand);
    const pairsOf = ({ picks }: (typeof ways)[number]) =>
      picks.flatMap((pick, at) => (pick === null ? [] : [view!.hand.substitutes[at]![pick]!]));
    const most = (way: (typeof ways)[number]) =>
      Math.max(...pairsOf(way).flatMap(({ positions }) => positions.map(({ fret }) => fret)));
    const named = new Map(ways.map((way) => [way.way, way]));
    expect([...named.keys()][0]).toBe("least moves");
    for (const way of ways) expect(most(named.get("low") ?? ways[0]!)).toBeLessThanOrEqual(most(way));
    const place = named.get("one position");
    if (place)
      for (const { positions } of pairsOf(place))
        for (const { fret } of positions)
          expect(fret === 0 || (fret >= place.fret! && fret < place.fret! + 4)).toBe(true);
    expect(new Set(ways.map(({ picks }) => picks.join())).size).toBe(ways.length);
  });

  it("are taken as a line of two voices, given to the part instead; none where no line is written", () => {
    const before = body();
    const [view] = harmonyViews(before, tonesOfSample(before));
    const [way] = handWays(view!.hand);
    let ids = 0;
    const after = edit(before, takeByHand(before, view!, way!, () => `x${ids++}`)!);
    const line = Object.values(after.riffs).find(({ name }) => name === "Line, least moves by hand")!;
    expect(after.cells.c0!.riffId).toBe(line.id);
    const notes = Object.values(after.riffNotes).filter(({ riffId }) => riffId === line.id);
    expect(notes.map(({ tick }) => tick).toSorted((a, b) => a - b)).toEqual([0, 0, 960, 960, 1920, 1920]);
    const open = [40, 45, 50, 55, 59, 64];
    const sounds = notes.filter(({ tick }) => tick === 0).map(({ string, fret }) => open[string]! + fret);
    expect(sounds.toSorted((a, b) => a - b)).toEqual([62, 66]);
    const plain = edit(before, set("cells", "c0", { riffId: null }));
    const [bare] = harmonyViews(plain, tonesOfSample(plain));
    expect(takeByHand(plain, bare!, handWays(bare!.hand)[0]!, () => "x")).toBeNull();
  });
});

describe("two of a kind in one sound", () => {
  it("are each told, timed and switched by themselves", () => {
    const made = sampleTones(
      {},
      { Lead: { drive: 1, drive2: 2, delay: "1/8.", delay2: "by ms", "delay2.ms": 640 } },
    );
    const at = edit(
      made,
      add("cells", { ...EMPTY_CELL, id: "c0", useId: "u0", playerId: "p0", sound: "Lead" }),
    );
    const song = tonesOfSample(at);
    const settings = song.settings.get("Lead")!;
    expect(describeSound(settings)).toBe(
      "drive stages 1, second drive stages 2, delay dotted 1/8, second delay by ms, second delay time 640 ms",
    );
    expect(timedSettings(song).map(({ key, ms }) => [key, Math.round(ms)])).toEqual([
      ["delay", expect.any(Number)],
      ["delay2", 640],
    ]);
    expect(EFFECT_IDS.filter((id) => isOn(settings, id))).toEqual(["drive", "drive2", "delay", "delay2"]);
  });
});
