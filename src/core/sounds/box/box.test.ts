import { describe, expect, it } from "vitest";
import { edit, planOfSample, sampleTones, tonesOfSample } from "../../../../testing/sounds/sample-sounds";
import { add } from "../../song/edit";
import { programOf, slotOfProgram, soundBoxOf, tonePresses } from "../of-song";
import { describeMessage, orderOfMessage, planMessages } from "./messages";
import { isSilentAt, pressesBack, soundOf, type ToneBoxState, tellBox, toneBoxAt } from "./sound-box";

const BOX = { kind: "banks", slots: 2, landing: "saved", gapMs: 300, change: "arm-go" } as const;
const BANKS = [
  { slots: ["A", "B"], landing: 0 },
  { slots: ["C", "A"], landing: 1 },
];
const tell = (
  state: ToneBoxState,
  order: Parameters<typeof tellBox>[1],
  at = 0,
  box: Partial<typeof BOX> | object = {},
) => tellBox(state, order, { ...BOX, ...box }, BANKS, at);

describe("the simulated box", () => {
  it("changes a bank when it is armed and let go, and is silent for the gap", () => {
    const armed = tell(toneBoxAt(0, 1), { do: "arm", bank: 1 });
    expect(soundOf(armed, BANKS)).toBe("B");
    const gone = tell(armed, { do: "go" }, 10);
    expect(gone).toMatchObject({ bank: 1, slot: 1, armed: null });
    expect(soundOf(gone, BANKS)).toBe("A");
    expect([isSilentAt(gone, 10.29), isSilentAt(gone, 10.31)]).toEqual([true, false]);
  });

  it("keeps the slot number where the box is of that kind, and changes at once where it may", () => {
    const kept = tell(toneBoxAt(0, 0), { do: "bank", bank: 1 }, 0, {
      landing: "same-slot",
      change: "direct",
    });
    expect(soundOf(kept, BANKS)).toBe("C");
  });

  it("lets what it can't do be", () => {
    const start = toneBoxAt(0, 0);
    for (const order of [
      { do: "go" },
      { do: "bank", bank: 1 },
      { do: "arm", bank: 7 },
      { do: "slot", slot: 5 },
      { do: "program", bank: 9, slot: 0 },
    ] as const)
      expect(tell(start, order)).toEqual(start);
  });

  it("switches single pedals on and off", () => {
    const on = tell(toneBoxAt(0, 0), { do: "pedal", effect: "drive" });
    expect(on.on).toEqual(["drive"]);
    expect(tell(on, { do: "pedal", effect: "drive" }).on).toEqual([]);
    expect(tell(on, { do: "switch", effect: "drive", on: true }).on).toEqual(["drive"]);
  });

  it("plays a plan's presses to the plan's places", () => {
    const cells = { 0: { sound: "A" }, 1: { sound: "B" }, 2: { sound: "C" } };
    for (const landing of ["saved", "same-slot"] as const)
      for (const change of ["arm-go", "direct"] as const) {
        const song = tonesOfSample(
          sampleTones(cells, { A: {}, B: {}, C: {} }, { slots: 2, landing, change }, [
            "a",
            "b",
            "c",
            "a",
            "b",
            "c",
          ]),
        );
        const plan = planOfSample(song);
        let state = toneBoxAt(plan.steps[0]!.bank, plan.steps[0]!.slot);
        for (const step of plan.steps) {
          for (const { act } of tonePresses(song, plan).filter(
            ({ into }) => into.span.use.id === step.section,
          ))
            state = tellBox(state, act, song.box, plan.banks, 0);
          expect(soundOf(state, plan.banks)).toBe(
            song.asked!.sections.find(({ id }) => id === step.section)!.tone,
          );
        }
      }
  });

  it("knows the fewest presses back to where it should be", () => {
    expect(pressesBack(toneBoxAt(0, 0), { bank: 0, slot: 0 }, BOX, BANKS)).toEqual([]);
    expect(pressesBack(toneBoxAt(0, 0), { bank: 0, slot: 1 }, BOX, BANKS)).toEqual([{ do: "slot", slot: 1 }]);
    expect(pressesBack(toneBoxAt(0, 0), { bank: 1, slot: 0 }, BOX, BANKS)).toEqual([
      { do: "arm", bank: 1 },
      { do: "go" },
      { do: "slot", slot: 0 },
    ]);
    expect(pressesBack({ ...toneBoxAt(0, 0), armed: 1 }, { bank: 1, slot: 1 }, BOX, BANKS)).toEqual([
      { do: "go" },
    ]);
    for (const bank of [0, 1])
      for (const slot of [0, 1])
        for (const from of [0, 1]) {
          let state = toneBoxAt(from, 0);
          for (const act of pressesBack(state, { bank, slot }, BOX, BANKS)) state = tell(state, act);
          expect(state).toMatchObject({ bank, slot });
        }
  });
});

describe("MIDI messages (MIDI 1.0 specification)", () => {
  const box = {
    slots: 4,
    firstProgram: 8,
    firstBank: 1,
    channel: 3,
    pedals: [{ effect: "boost", controller: 80 }],
  } as never;

  it("count programs on from the first slot; over 127 begins the next page", () => {
    expect(programOf(box, 0, 0)).toEqual({ program: 12, page: 0 });
    expect(programOf(box, 1, 3)).toEqual({ program: 19, page: 0 });
    expect(programOf(box, 30, 0)).toEqual({ program: 4, page: 1 });
    for (let bank = 0; bank < 40; bank++)
      for (let slot = 0; slot < 4; slot++) {
        const { program, page } = programOf(box, bank, slot);
        expect(slotOfProgram(box, program, page)).toEqual({ bank, slot });
      }
  });

  it("are read by the box on its own channel only", () => {
    expect(orderOfMessage([0xc2, 13], box)).toEqual({ do: "program", bank: 0, slot: 1 });
    expect(orderOfMessage([0xc2, 3], box)).toBeNull();
    expect(orderOfMessage([0xc1, 13], box)).toBeNull();
    expect(orderOfMessage([0xb2, 80, 127], box)).toEqual({ do: "switch", effect: "boost", on: true });
    expect(orderOfMessage([0xb2, 80, 0], box)).toEqual({ do: "switch", effect: "boost", on: false });
    expect(orderOfMessage([0xb2, 7, 100], box)).toBeNull();
    expect(orderOfMessage([0x92, 60, 100], box)).toBeNull();
  });

  it("call up the first slot at the start, each change at its place, and glide a foot's move", () => {
    const body = sampleTones(
      { 0: { sound: "A" }, 1: { sound: "B" } },
      { A: {}, B: {} },
      {
        channel: 3,
        firstProgram: 8,
        pedals: [
          { effect: "pedal", controller: 7 },
          { effect: "boost", controller: 80 },
        ],
      },
      ["a", "b"],
    );
    const moved = edit(
      body,
      add("soundMoves", {
        id: "m",
        playerId: "p0",
        useId: "u1",
        endsEarly: 0,
        moves: [
          { from: 0, to: 480, setting: "pedal", value: 0, by: "foot" },
          { from: 960, to: 960, setting: "boost", value: true, by: "foot" },
          { from: 960, to: 1920, setting: "tone", value: 3, by: "hand" },
        ],
      }),
    );
    const song = tonesOfSample(moved);
    const plan = planOfSample(song);
    const messages = planMessages(song, plan, tonePresses(song, plan));
    expect(messages).toEqual([
      { tick: 0, bytes: [0xc2, 8] },
      { tick: 15360, bytes: [0xc2, 9] },
      { tick: 15480, bytes: [0xb2, 7, 95] },
      { tick: 15600, bytes: [0xb2, 7, 64] },
      { tick: 15720, bytes: [0xb2, 7, 32] },
      { tick: 15840, bytes: [0xb2, 7, 0] },
      { tick: 16320, bytes: [0xb2, 80, 127] },
    ]);
    expect(describeMessage(messages[0]!.bytes)).toBe("channel 3: program 8");
    for (const { bytes } of messages) {
      expect(bytes[0]! & 0x80).toBe(0x80);
      for (const byte of bytes.slice(1)) expect(byte).toBeLessThan(0x80);
    }
  });

  it("select a page before each program where there are more than 128", () => {
    const body = sampleTones(
      { 0: { sound: "A" }, 1: { sound: "B" } },
      { A: {}, B: {} },
      { firstProgram: 127 },
      ["a", "b"],
    );
    const song = tonesOfSample(body);
    const plan = planOfSample(song);
    expect(planMessages(song, plan, tonePresses(song, plan)).map(({ bytes }) => bytes)).toEqual([
      [0xb0, 0, 0],
      [0xc0, 127],
      [0xb0, 0, 1],
      [0xc0, 0],
    ]);
    expect(soundBoxOf(body, "p0").firstProgram).toBe(127);
  });
});
