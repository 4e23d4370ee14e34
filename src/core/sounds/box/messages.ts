import type { Ticks } from "../../../base";
import { type SoundBox, type SoundMove, settingOf } from "../../song/schema";
import { programOf, type SongTones, slotOfProgram, type TonePress } from "../of-song";
import type { TonePlan } from "../plan";
import { PLAIN_SETTINGS, type Settings } from "../sound";
import type { BoxOrder } from "./sound-box";

/** A MIDI message at a tick of the song. Bytes as the MIDI 1.0 specification has them. */
export type TimedMessage = { readonly tick: Ticks; readonly bytes: readonly number[] };

const PROGRAM_CHANGE = 0xc0;
const CONTROL_CHANGE = 0xb0;
const BANK_SELECT = 0;
const ON = 127;
const OFF = 0;

const controlChange = (channel: number, controller: number, value: number): number[] => [
  CONTROL_CHANGE | (channel - 1),
  controller,
  value,
];

/** A slot called up: a program change, with a bank select before it where there are more than 128 programs. */
export function slotMessages(
  box: Pick<SoundBox, "slots" | "firstProgram" | "firstBank" | "channel">,
  bank: number,
  slot: number,
  isPaged: boolean,
): number[][] {
  const { program, page } = programOf(box, bank, slot);
  return [
    ...(isPaged ? [controlChange(box.channel, BANK_SELECT, page)] : []),
    [PROGRAM_CHANGE | (box.channel - 1), program],
  ];
}

/** Whether the slots of a plan need more than 128 programs. */
const needsPages = (box: SoundBox, banks: number): boolean =>
  banks > 0 && programOf(box, banks - 1, box.slots - 1).page > 0;

/**
 * A plan as MIDI messages on the song's timeline: the first slot at the very start, each change where it is made, single
 * pedals and moves of the foot as controllers. On single pedals a press switches its controller on or off.
 */
export function planMessages(
  song: SongTones,
  plan: Pick<TonePlan, "steps" | "banks">,
  presses: readonly TonePress[],
): TimedMessage[] {
  const { box } = song;
  const controllers = new Map<string, number>(
    box.pedals.map(({ effect, controller }) => [effect, controller]),
  );
  const messages: TimedMessage[] = [];
  if (box.kind === "pedals") {
    const on = new Set<string>();
    for (const { act, tick } of presses) {
      if (act.do !== "pedal") continue;
      const now = !on.has(act.effect);
      if (now) on.add(act.effect);
      else on.delete(act.effect);
      const controller = controllers.get(act.effect);
      if (controller !== undefined)
        messages.push({ tick, bytes: controlChange(box.channel, controller, now ? ON : OFF) });
    }
  } else {
    const isPaged = needsPages(box, plan.banks.length);
    const changeOf = new Map(presses.map((press) => [press.into.span.use.id, press]));
    for (const [at, step] of plan.steps.entries()) {
      const before = plan.steps[at - 1];
      if (before && before.bank === step.bank && before.slot === step.slot) continue;
      const made = presses.findLast(({ into, act }) => into.span.use.id === step.section && act.do !== "arm");
      const tick = at === 0 ? 0 : (made ?? changeOf.get(step.section))?.tick;
      if (tick === undefined) continue;
      for (const bytes of slotMessages(box, step.bank, step.slot, isPaged)) messages.push({ tick, bytes });
    }
  }
  for (const soundUse of song.soundUses) {
    const from = soundUse.span.from;
    for (const move of song.moves.get(soundUse.span.use.id)?.moves ?? [])
      messages.push(
        ...moveMessages(
          box,
          move,
          from,
          controllers,
          song.settings.get(soundUse.sound ?? "") ?? PLAIN_SETTINGS,
        ),
      );
  }
  return messages.sort((a, b) => a.tick - b.tick);
}

/** A controller is told of a glide in steps this long, ticks. */
const GLIDE_STEP: Ticks = 120;

/** A foot's move as controllers: a switch at once, a pedal that glides in steps. */
function moveMessages(
  box: SoundBox,
  move: SoundMove,
  useFrom: Ticks,
  controllers: ReadonlyMap<string, number>,
  settings: Settings,
): TimedMessage[] {
  const controller = controllers.get(move.setting.split(".")[0]!);
  if (controller === undefined || move.by !== "foot") return [];
  const at = (tick: Ticks, value: number): TimedMessage => ({
    tick: useFrom + tick,
    bytes: controlChange(box.channel, controller, Math.max(OFF, Math.min(ON, Math.round(value)))),
  });
  const setting = settingOf(move.setting);
  if (setting.kind !== "number") return [at(move.from, move.value === true ? ON : OFF)];
  const shareOf = (value: unknown) => (Number(value) - setting.least) / (setting.most - setting.least);
  const [share, before] = [shareOf(move.value), shareOf(settings[move.setting])];
  const steps = Math.max(1, Math.floor((move.to - move.from) / GLIDE_STEP));
  return Array.from({ length: steps }, (_, step) =>
    at(
      steps === 1 ? move.to : move.from + Math.round(((step + 1) * (move.to - move.from)) / steps),
      ON * (before + ((share - before) * (step + 1)) / steps),
    ),
  );
}

/**
 * What a MIDI message tells the box: a program change its slot, a controller of one of its pedals on or off.
 * @param page the bank of programs last selected
 * @returns null for a message that is not for this box
 */
export function orderOfMessage(
  bytes: readonly number[],
  box: Pick<SoundBox, "slots" | "firstProgram" | "firstBank" | "channel" | "pedals">,
  page = 0,
): BoxOrder | null {
  const [status = 0, number = 0, value = 0] = bytes;
  if ((status & 0x0f) !== box.channel - 1) return null;
  if ((status & 0xf0) === PROGRAM_CHANGE) {
    const place = slotOfProgram(box, number, page);
    return place && { do: "program", ...place };
  }
  if ((status & 0xf0) !== CONTROL_CHANGE) return null;
  const pedal = box.pedals.find(({ controller }) => controller === number);
  return pedal ? { do: "switch", effect: pedal.effect, on: value >= 64 } : null;
}

/** What a message is, in words, for lists. @example describeMessage([0xc0, 5]) // => "channel 1: program 5" */
export function describeMessage([status = 0, number = 0, value = 0]: readonly number[]): string {
  const channel = `channel ${(status & 0x0f) + 1}`;
  const kind = status & 0xf0;
  if (kind === PROGRAM_CHANGE) return `${channel}: program ${number}`;
  if (kind === CONTROL_CHANGE) return `${channel}: controller ${number} to ${value}`;
  return `${channel}: ${[status, number, value].map((byte) => byte.toString(16)).join(" ")}`;
}
