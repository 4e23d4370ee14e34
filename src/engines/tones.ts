import { z } from "zod";
import { BOX_CHANGES, BOX_LANDINGS } from "@/core/song/schema";
import {
  describeAct,
  describeToneProblem,
  liveTone,
  planTones,
  type ToneCase,
  type ToneProblem,
} from "@/core/sounds";
import { engine, FieldError, plainEngine } from "./engine";
import { fields, refuseRepeats } from "./fields";

const MOST_SLOTS = 128;
const MOST_BANKS = 1000;

const ms = (what: string) =>
  z
    .number({ error: `should be ${what} in milliseconds` })
    .min(0, { error: "should be 0 ms or more" })
    .max(10_000_000, { error: "should be at most 10000000 ms" });

const board = z.object(
  {
    slotsPerBank: fields.whole("slots in a bank", 1, MOST_SLOTS),
    gapMs: ms("the silence at a bank change"),
    landing: z.enum(BOX_LANDINGS, { error: 'should be "saved" or "same-slot"' }),
    change: z.enum(BOX_CHANGES, { error: 'should be "arm-go" or "direct"' }).default("arm-go"),
    maxBanks: fields.whole("a number of banks", 1, MOST_BANKS).nullable().default(null),
  },
  { error: 'should be a box such as { "slotsPerBank": 4, "gapMs": 300, "landing": "saved" }' },
);

const input = z.object({
  board,
  sections: z
    .array(z.object({ id: fields.id, tone: fields.id, restBeforeMs: ms("a rest").default(0) }), {
      error: "should be a list of sections",
    })
    .min(1, { error: "should have at least one section" })
    .max(400, { error: "should have at most 400 sections" }),
  pins: z
    .array(
      z.object({
        tone: fields.id,
        bank: fields.whole("the index of a bank", 0, MOST_BANKS - 1),
        slot: fields.whole("the index of a slot", 0, MOST_SLOTS - 1),
      }),
      { error: 'should be a list such as [{ "tone": "solo", "bank": 0, "slot": 2 }]' },
    )
    .max(200, { error: "should have at most 200 pins" })
    .default([]),
});

/** The field at fault. */
function pathOf(problem: ToneProblem): (string | number)[] {
  if (problem.code === "too-many-tones") return ["board", "maxBanks"];
  if (problem.code === "pins-leave-no-room") return ["pins"];
  const field = {
    "pin-bank": "bank",
    "pin-slot": "slot",
    "pin-tone": "tone",
    "pin-taken": "slot",
    "pin-twice": "bank",
  };
  return ["pins", problem.pin, field[problem.code]];
}

export const tones = engine({
  name: "tones",
  summary: "Puts the tones of a song into banks of slots and plans the presses between them.",
  steps: { http: { most: 250_000 }, window: { most: 250_000 } },
  input,
  read: (asked): ToneCase => {
    refuseRepeats(
      asked.sections.map(({ id }) => id),
      (index) => ["sections", index, "id"],
    );
    return asked;
  },
  compute: (asked, { budget }) => planTones(budget === undefined ? asked : { ...asked, budget }),
  refuse: (problem) => new FieldError(pathOf(problem), describeToneProblem(problem)),
});

const bankIndex = fields.whole("the index of a bank", 0, MOST_BANKS - 1);
const slotIndex = fields.whole("the index of a slot", 0, MOST_SLOTS - 1);

const liveInput = z.object({
  board,
  banks: z
    .array(
      z.object(
        {
          slots: z
            .array(fields.id.nullable(), { error: "should be a list of tones, null for an empty slot" })
            .max(MOST_SLOTS, { error: `should have at most ${MOST_SLOTS} slots` }),
          landing: slotIndex.nullable().default(null),
        },
        { error: 'should be a bank such as { "slots": ["verse", null], "landing": 0 }' },
      ),
      { error: "should be the banks of a plan" },
    )
    .min(1, { error: "should have at least one bank" })
    .max(MOST_BANKS, { error: `should have at most ${MOST_BANKS} banks` }),
  at: z.object(
    { bank: bankIndex, slot: slotIndex, armed: bankIndex.nullable().default(null) },
    { error: 'should be where the box stands, such as { "bank": 0, "slot": 1 }' },
  ),
  next: fields.id,
  restBeforeMs: ms("a rest").default(0),
});

type LiveInput = z.infer<typeof liveInput>;

/** Refuses what does not exist on such a box. */
function refuseBeyond({ board: { slotsPerBank }, banks, at, next }: LiveInput): void {
  const beyond = (path: readonly (string | number)[], index: number, count: number, what: string) => {
    if (index >= count) throw new FieldError(path, `should be below ${count}: there are ${count} ${what}`);
  };
  for (const [index, { slots, landing }] of banks.entries()) {
    if (slots.length > slotsPerBank)
      throw new FieldError(
        ["banks", index, "slots"],
        `should have at most the ${slotsPerBank} slots of the board, not ${slots.length}`,
      );
    if (landing !== null) beyond(["banks", index, "landing"], landing, slotsPerBank, "slots in a bank");
  }
  beyond(["at", "bank"], at.bank, banks.length, "banks");
  beyond(["at", "slot"], at.slot, slotsPerBank, "slots in a bank");
  if (at.armed !== null) beyond(["at", "armed"], at.armed, banks.length, "banks");
  if (!banks.some(({ slots }) => slots.includes(next)))
    throw new FieldError(
      ["next"],
      `should be a tone that one of the banks holds, not ${JSON.stringify(next)}`,
    );
}

/** Banks are counted from 1 here, whatever number a real box gives its first. */
const PLAIN_NUMBERS = Object.freeze({ twoSwitches: false, firstBank: 0 });

export const tonesLive = plainEngine({
  name: "tones-live",
  summary: "Finds the fewest presses from where a box of sounds really stands to the tone that comes next.",
  input: liveInput,
  compute: (asked) => {
    refuseBeyond(asked);
    const { acts, exposed } = liveTone(asked.board, asked.banks, asked.at, asked.next, asked.restBeforeMs)!;
    return {
      presses: acts.map((act) => describeAct(act, PLAIN_NUMBERS)),
      exposed,
      // What is armed is heard only once it is let go.
      ...(acts[0]?.do === "arm" ? { armFrom: "now" as const } : {}),
    };
  },
});
