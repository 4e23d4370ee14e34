import type { LoopBox } from "@/core/song/schema";

/** A second press of a pedal within this of the first is a double one, ms. Ours, no source. */
export const DOUBLE_MS = 350;
/** A pedal down for this long is held, ms. Ours, no source. */
export const HOLD_MS = 650;

/** What a pedal's movement asks for. */
export type PedalAct = {
  /** As it is written in a box's data. */
  readonly act: string;
  /** Whether it stands in place of the press just made: that was the beginning of this one. */
  readonly instead: boolean;
  /** When it counts from, ms of the browser's clock: a double press from its first one, a held one from when it is held. */
  readonly stamp: number;
};

/** Something that happens to pedals. All stamps are ms of one clock. */
export type PedalEvent =
  | { readonly kind: "down" | "up"; readonly pedal: number; readonly stamp: number }
  /** A MIDI message of a control: which pedal it is, is learned in the order they are first pressed. */
  | { readonly kind: "midi"; readonly bytes: readonly number[]; readonly stamp: number }
  /** Time has passed: a pedal may have been held. */
  | { readonly kind: "time"; readonly stamp: number };

export type PedalsState = {
  /** The press that a second one would make a double one. */
  readonly first: { readonly pedal: number; readonly stamp: number } | null;
  /** The pedal that was pressed last, while it is down, and when it will have been held. One foot: another press ends it. */
  readonly holding: { readonly pedal: number; readonly at: number } | null;
  /** MIDI controls by the pedal they are, in order. */
  readonly learned: readonly string[];
};

export const PEDALS_AT_REST: PedalsState = Object.freeze({ first: null, holding: null, learned: [] });

type Moved = { readonly state: PedalsState; readonly acts: readonly PedalAct[] };

/**
 * What an event makes of pedals, and what it asks for. A first press acts at once; a double or a held one takes it back.
 * @example movePedals(PEDALS_AT_REST, { kind: "down", pedal: 0, stamp: 0 }, pedals).acts[0].act // => "track-0"
 */
export function movePedals(
  state: PedalsState,
  event: PedalEvent,
  pedals: readonly Omit<LoopBox["pedals"][number], "name">[],
): Moved {
  const passed = held(state, event.stamp, pedals);
  const moved = moveNow(passed.state, event, pedals);
  return { state: moved.state, acts: [...passed.acts, ...moved.acts] };
}

/** When the next pedal will have been held, ms; null when none is down that could be. */
export const nextHold = ({ holding }: PedalsState): number | null => holding?.at ?? null;

function moveNow(state: PedalsState, event: PedalEvent, pedals: Parameters<typeof movePedals>[2]): Moved {
  switch (event.kind) {
    case "time":
      return { state, acts: [] };
    case "down":
      return pressed(state, event.pedal, event.stamp, pedals);
    case "up":
      return { state: released(state, event.pedal), acts: [] };
    case "midi":
      return heard(state, event.bytes, event.stamp, pedals);
  }
}

/** A pedal that has been down long enough by a moment. */
function held(state: PedalsState, stamp: number, pedals: Parameters<typeof movePedals>[2]): Moved {
  const { holding } = state;
  if (!holding || holding.at > stamp) return { state, acts: [] };
  const pedal = pedals[holding.pedal];
  return {
    state: { ...state, first: null, holding: null },
    acts: pedal ? [{ act: pedal.hold, instead: true, stamp: holding.at }] : [],
  };
}

function pressed(
  state: PedalsState,
  index: number,
  stamp: number,
  pedals: Parameters<typeof movePedals>[2],
): Moved {
  const pedal = pedals[index];
  if (!pedal) return { state, acts: [] };
  const { first } = state;
  if (first?.pedal === index && stamp - first.stamp < DOUBLE_MS && pedal.double !== "none") {
    const acts = [{ act: pedal.double, instead: true, stamp: first.stamp }];
    return { state: { ...state, first: null, holding: null }, acts };
  }
  const holding = pedal.hold === "none" ? null : { pedal: index, at: stamp + HOLD_MS };
  return {
    state: { ...state, first: { pedal: index, stamp }, holding },
    acts: [{ act: pedal.press, instead: false, stamp }],
  };
}

const NOTE_OFF = 0x80;
const NOTE_ON = 0x90;
const CONTROL_CHANGE = 0xb0;
const PROGRAM_CHANGE = 0xc0;

/** What a MIDI message says of a control; null where it is of no kind a pedal sends. Kinds as the MIDI 1.0 specification has them. */
export function controlOf([status = 0, number = 0, value = 0]: readonly number[]): {
  /** Its kind, channel and number: "176 0 64". */
  readonly control: string;
  readonly isDown: boolean;
  /** Whether it never says that it is let go. */
  readonly isMoment: boolean;
} | null {
  const kind = status & 0xf0;
  if (![NOTE_OFF, NOTE_ON, CONTROL_CHANGE, PROGRAM_CHANGE].includes(kind)) return null;
  return {
    control: `${kind === NOTE_OFF ? NOTE_ON : kind} ${status & 0x0f} ${number}`,
    isDown: kind === PROGRAM_CHANGE || (kind !== NOTE_OFF && value > 0),
    isMoment: kind === PROGRAM_CHANGE,
  };
}

/** A message of a control: the pedal that was taught by it, else the next one nobody has pressed yet. */
function heard(
  state: PedalsState,
  bytes: readonly number[],
  stamp: number,
  pedals: Parameters<typeof movePedals>[2],
): Moved {
  const said = controlOf(bytes);
  if (!said) return { state, acts: [] };
  const { control, isDown, isMoment } = said;
  const taught = pedals.findIndex((one) => one.control === control);
  const free = [...pedals.keys()].filter((at) => !isMidi(pedals[at]?.control));
  const known = state.learned.indexOf(control);
  const isNew = taught < 0 && known < 0;
  if (isNew && (!isDown || state.learned.length >= free.length)) return { state, acts: [] };
  const pedal = taught >= 0 ? taught : free[isNew ? state.learned.length : known]!;
  const learned = isNew ? { ...state, learned: [...state.learned, control] } : state;
  if (!isDown) return { state: released(learned, pedal), acts: [] };
  const moved = pressed(learned, pedal, stamp, pedals);
  return isMoment ? { ...moved, state: released(moved.state, pedal) } : moved;
}

/** Whether a pedal was taught by MIDI, not by a key. */
const isMidi = (control: string | undefined): boolean => control !== undefined && !control.startsWith("key ");

const released = (state: PedalsState, pedal: number): PedalsState =>
  state.holding?.pedal === pedal ? { ...state, holding: null } : state;
