import { z } from "zod";
import { defineTable, goesWith, idSchema, letsGo, type RowOf } from "../../../document";
import { runRow, WHOLE_RUN } from "./loops";
import { sourced, UNSOURCED, UNVARIED, varied } from "./provenance";
import { optionalId, order, text, ticks } from "./row-fields";
import { EFFECT_IDS, isSettingKey, MOVED_SETTINGS, settingFault } from "./sound-settings";
import { tellBeats, tellCount, tellFromOne, tellMoves, tellPedals, tellSaid } from "./telling";

/** How a bank is entered, and how it is changed. */
export const BOX_LANDINGS = ["saved", "same-slot"] as const;
export const BOX_CHANGES = ["arm-go", "direct"] as const;
/** A box with memories, or pedals that each switch one effect. */
export const SOUND_BOX_KINDS = ["banks", "pedals"] as const;
export const MOST_BOX_SLOTS = 16;
export const MOST_BOX_BANKS = 128;

const value = z.union([z.number(), z.string().max(40), z.boolean()]);

/** Settings of a sound by their key; each is checked against the table of settings. */
const said = z.record(z.string(), value).superRefine((settings, context) => {
  for (const [key, one] of Object.entries(settings)) {
    const message = settingFault(key, one);
    if (message !== null) context.addIssue({ code: "custom", message, path: [] });
  }
});

/** What the sound is called; parts of the sheet name it so. */
const soundName = text(80).min(1);

/** A sound of one player: what it says of its own, and the sound it starts from. */
const sound = defineTable({
  row: z.object({
    id: idSchema,
    originId: optionalId,
    order,
    playerId: idSchema,
    name: soundName,
    fromId: optionalId,
    said,
    note: text(200),
    ...sourced,
    ...varied,
  }),
  called: "sound",
  fields: {
    order: "place in the list",
    fromId: "sound before it",
    said: "settings",
    sourceId: "source",
    sure: "is sure",
    variant: "which way it is",
    variantOf: "sound it is another way of",
  },
  named: ["name"],
  quiet: ["originId"],
  tell: { said: tellSaid },
  references: {
    playerId: goesWith("players"),
    fromId: letsGo("sounds"),
    sourceId: letsGo("sources"),
    variantOf: letsGo("sounds"),
  },
  since: 6,
  added: { 10: { ...UNSOURCED, ...UNVARIED } },
  compared: {
    said: "settings",
    note: "note",
  },
});

/** Small moves inside one use of a section; ticks are counted from its start, all its rounds together. */
const soundMove = defineTable({
  row: z.object({
    id: idSchema,
    playerId: idSchema,
    useId: idSchema,
    /** How much sooner than written this player's last chord ends, to leave a rest for the foot. */
    endsEarly: ticks,
    moves: z
      .array(
        z
          .object({
            from: ticks,
            /** When the setting has got there; equal to `from` at once. */
            to: ticks,
            setting: z.enum(MOVED_SETTINGS),
            value,
            by: z.enum(["hand", "foot"]),
          })
          .refine(({ setting, value: one }) => settingFault(setting, one) === null, {
            error: "should go to a value the setting can have",
          })
          .refine(({ from, to }) => to >= from, { error: "should end after it begins" }),
      )
      .max(32, { error: "should have at most 32 moves" }),
  }),
  called: "moves in a section",
  fields: {
    moves: "moves",
    endsEarly: "the last chord ends early by",
  },
  tell: { moves: tellMoves, endsEarly: tellBeats },
  references: {
    playerId: goesWith("players"),
    useId: goesWith("uses"),
  },
  since: 6,
});

const midiNumber = z.int().min(0).max(127, { error: "should be from 0 to 127" });

/** What the fields of a box are called, in its history and where two versions differ. */
const BOX_WORDS = {
  firstBank: "bank this song begins in",
  gapMs: "gap at a bank change in ms",
  landing: "slot a bank opens on",
  change: "way of changing banks",
  twoSwitches: "two switches together",
  tails: "echoes that ring on",
  longestDelayMs: "longest delay in ms",
  channel: "MIDI channel",
  firstProgram: "first program",
} as const;

/** What a player has on the floor for sounds. */
const soundBox = defineTable({
  row: z.object({
    id: idSchema,
    order,
    playerId: idSchema,
    name: text(60).min(1),
    kind: z.enum(SOUND_BOX_KINDS),
    slots: z
      .int({ error: "should be whole slots" })
      .min(1, { error: "should be at least 1 slot" })
      .max(MOST_BOX_SLOTS, { error: `should be at most ${MOST_BOX_SLOTS} slots` }),
    /** How many banks it has; null is as many as one likes. */
    banks: z
      .int({ error: "should be whole banks" })
      .min(1, { error: "should be at least 1 bank" })
      .max(MOST_BOX_BANKS, { error: `should be at most ${MOST_BOX_BANKS} banks` })
      .nullable(),
    /** The bank of the real box in which this song's banks begin, counted from 0. */
    firstBank: z
      .int()
      .min(0)
      .max(MOST_BOX_BANKS - 1, { error: `should be at most bank ${MOST_BOX_BANKS}` }),
    /** How long it is silent at a bank change, ms. */
    gapMs: z
      .number()
      .min(0, { error: "should be at least 0 ms" })
      .max(10_000, { error: "should be at most 10000 ms" }),
    landing: z.enum(BOX_LANDINGS),
    change: z.enum(BOX_CHANGES),
    /** Whether a bank is changed with two switches pressed together. */
    twoSwitches: z.boolean(),
    /** Whether echoes ring on over a change. */
    tails: z.boolean(),
    /** The longest delay it can give, ms; null where that is not known. */
    longestDelayMs: z
      .number()
      .min(1, { error: "should be at least 1 ms" })
      .max(60_000, { error: "should be at most 60000 ms" })
      .nullable(),
    /** MIDI: channel 1 to 16, and the program of the first slot of the first bank, 0 to 127. */
    channel: z.int().min(1).max(16, { error: "should be a channel from 1 to 16" }),
    firstProgram: midiNumber,
    /** Single pedals, and pedals beside a box: what each switches or moves, and its controller number. */
    pedals: z.array(z.object({ effect: z.enum([...EFFECT_IDS, "pedal"]), controller: midiNumber })).max(16),
  }),
  called: "box for sounds",
  fields: {
    order: "place in the list",
    slots: "slots in a bank",
    banks: "number of banks",
    ...BOX_WORDS,
  },
  named: ["name"],
  tell: { pedals: tellPedals, firstBank: tellFromOne },
  references: {
    playerId: goesWith("players"),
  },
  since: 6,
  compared: {
    name: "name",
    kind: "kind",
    slots: "slots",
    banks: "banks",
    ...BOX_WORDS,
    pedals: "pedals",
  },
});

/** A slot of a box: bank and slot, counted from 0. */
const slotPlace = {
  bank: z
    .int()
    .min(0)
    .max(MOST_BOX_BANKS - 1),
  slot: z
    .int()
    .min(0)
    .max(MOST_BOX_SLOTS - 1),
};

/** A sound that is kept in one slot. */
const slotPin = defineTable({
  row: z.object({
    id: idSchema,
    playerId: idSchema,
    sound: soundName,
    ...slotPlace,
  }),
  called: "pin of a sound",
  fields: {
    bank: "bank",
    slot: "slot",
  },
  tell: { bank: tellFromOne, slot: tellFromOne },
  references: {
    playerId: goesWith("players"),
  },
  since: 6,
});

/** What stands in a slot of the real box: a sound as it was when it was saved there. */
const slotSave = defineTable({
  row: z.object({
    id: idSchema,
    playerId: idSchema,
    sound: soundName,
    ...slotPlace,
    settings: z.record(z.string().refine(isSettingKey), value),
  }),
  called: "saved slot",
  fields: {
    bank: "bank",
    slot: "slot",
  },
  tell: { bank: tellFromOne, slot: tellFromOne, settings: tellSaid },
  references: {
    playerId: goesWith("players"),
  },
  since: 6,
});

/** One run of a plan on the simulated box. */
const soundRun = defineTable({
  row: runRow.extend({ playerId: idSchema }),
  called: "run on the simulated box",
  tell: { presses: tellCount },
  fields: {
    order: "place in the list",
    whole: "went to the end",
    of: "what was run",
  },
  references: {
    playerId: goesWith("players"),
  },
  since: 6,
  added: { 18: WHOLE_RUN },
});

export const soundTables = {
  sounds: sound,
  soundMoves: soundMove,
  soundBoxes: soundBox,
  slotPins: slotPin,
  slotSaves: slotSave,
  soundRuns: soundRun,
};
export const bandSoundTables = { soundBoxes: soundBox };

export type Sound = RowOf<typeof sound>;
export type SoundMoves = RowOf<typeof soundMove>;
export type SoundMove = SoundMoves["moves"][number];
export type SoundBox = RowOf<typeof soundBox>;
export type SlotPin = RowOf<typeof slotPin>;
