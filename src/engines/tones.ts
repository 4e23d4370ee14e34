import { z } from "zod";
import { BOX_CHANGES, BOX_LANDINGS } from "@/core/song/schema";
import { describeToneProblem, planTones, type ToneCase, type ToneProblem } from "@/core/sounds";
import { engine, FieldError } from "./engine";
import { fields, refuseRepeats } from "./fields";

const MOST_SLOTS = 128;
const MOST_BANKS = 1000;

const ms = (what: string) =>
  z
    .number({ error: `should be ${what} in milliseconds` })
    .min(0, { error: "should be 0 ms or more" })
    .max(10_000_000, { error: "should be at most 10000000 ms" });

const input = z.object({
  board: z.object(
    {
      slotsPerBank: fields.whole("slots in a bank", 1, MOST_SLOTS),
      gapMs: ms("the silence at a bank change"),
      landing: z.enum(BOX_LANDINGS, { error: 'should be "saved" or "same-slot"' }),
      change: z.enum(BOX_CHANGES, { error: 'should be "arm-go" or "direct"' }).default("arm-go"),
      maxBanks: fields.whole("a number of banks", 1, MOST_BANKS).nullable().default(null),
    },
    { error: 'should be a box such as { "slotsPerBank": 4, "gapMs": 300, "landing": "saved" }' },
  ),
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
