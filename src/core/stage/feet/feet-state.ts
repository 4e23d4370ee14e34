import { assertNever, type Ticks } from "../../../base";
import { landingOf, type ToneBoxState, type TonePlace, tellBox } from "../../sounds";
import { boxPresses } from "./box-presses";
import { wordsOfPress } from "./describe-feet";
import { type FeetPlace, msOfTicks } from "./feet-place";
import { loopPresses, soundingAfter } from "./loop-presses";
import { pedalPresses } from "./pedal-presses";
import type { FeetPress, StageFeet } from "./stage-feet";

/**
 * What one player's feet have really done, as far as anybody knows, and what they do next. A press that was told, and whose
 * moment has passed, counts as made; the player says so where it was not.
 */
export type FeetState = {
  /** The passage it was last looked at in, how far that was, and what was said to come after it. */
  readonly passage: string | null;
  readonly tick: Ticks;
  readonly next: string | null;
  /** Where it was said to be left, and when it was looked at, by the server's clock, ms. */
  readonly leave: Ticks;
  readonly at: number;
  readonly box: TonePlace | null;
  /** Single pedals that are on. */
  readonly on: readonly string[];
  /** Tracks that sound, as bits, and when each one's loop began, by the server's clock; null where nobody knows. */
  readonly sounding: number;
  readonly begun: readonly (number | null)[];
  readonly strip: readonly FeetPress[];
};

/** Everything as it is set before the song. */
export const feetBefore = ({ box, looper }: StageFeet): FeetState => ({
  passage: null,
  tick: 0,
  next: null,
  leave: 0,
  at: 0,
  box: box && { ...box.start, armed: null },
  on: [],
  sounding: looper?.before ?? 0,
  begun: looper?.lengths.map(() => null) ?? [],
  strip: [],
});

/** Whether what is known of feet is of these boxes: a song may have been edited under a stage. */
export const fitsFeet = ({ box, looper }: StageFeet, state: FeetState): boolean =>
  (box === null) === (state.box === null) &&
  (looper?.lengths.length ?? 0) === state.begun.length &&
  (state.box === null || state.box.bank < (box?.banks.length ?? 0));

/** Feet of somebody who opens the stage in the middle of a song, of which nothing else is known: as planned there. */
export const feetAsPlanned = (feet: StageFeet, place: FeetPlace): FeetState =>
  tellFeet(feet, followFeet(feet, feetBefore(feet), place), { of: "mended" }, place);

/**
 * Goes on to where the clock is: what was told and is over counts as made, and what comes is planned anew from there. A
 * section nobody was told of (the leader went there at once) finds the feet where they were.
 * @example followFeet(feet, feetBefore(feet), place).strip // => [{ foot: "box", act: { do: "slot", slot: 1 }, … }]
 */
export function followFeet(feet: StageFeet, state: FeetState, place: FeetPlace): FeetState {
  const { passages, here } = place;
  const passage = here === null ? null : passages[here.index]!;
  const isSame =
    passage !== null && passage.id === state.passage && here!.tick >= state.tick - passage.beat / 2;
  const wasTold = !isSame && passage !== null && state.next === passage.id && cameAsTold(state, place);
  const isMade = ({ ahead, passage: id, tick }: FeetPress): boolean => {
    if (!passage) return false;
    if (isSame) return !ahead && tick <= here!.tick;
    if (!wasTold) return !ahead && tick <= state.tick;
    return !ahead || (id === passage.id && tick <= here!.tick);
  };
  const made = state.strip.filter(isMade);
  const walked = made.reduce((reached, press) => afterPress(feet, reached, press, place), state);
  const waiting = isSame ? state.strip.filter((press) => !isMade(press)) : [];
  return planned(feet, { ...walked, passage: passage?.id ?? null, tick: here?.tick ?? 0 }, place, waiting);
}

/**
 * Whether a section has come just when it was told to: not at once, before its time, and not in its middle, as where a press
 * is taken back.
 */
function cameAsTold({ passage: id, tick, leave, at }: FeetState, place: FeetPlace): boolean {
  const { passages, here, now } = place;
  const passage = passages[here!.index]!;
  const before = passages.find((one) => one.id === id);
  const hadLeft = before ? msOfTicks(before, leave - tick - before.beat / 2, place) <= now - at : true;
  return hadLeft && msOfTicks(passage, here!.tick - passage.beat / 2, place) <= now - at;
}

function planned(feet: StageFeet, state: FeetState, place: FeetPlace, told: readonly FeetPress[]): FeetState {
  const { box, pedals, looper } = feet;
  const { passages, here, next, now } = place;
  const strip = [
    ...(box && state.box ? boxPresses(box, state.box, place) : []),
    ...(pedals ? pedalPresses(pedals, state.on, place) : []),
    ...(looper ? loopPresses(looper, state, place) : []),
  ];
  return {
    ...state,
    at: now,
    leave: here?.leave ?? 0,
    next: next === null ? null : (passages[next]?.id ?? null),
    strip: strip.map((press) => told.find((one) => isSamePress(one, press)) ?? press),
  };
}

/** Whether a press that mends was told already: it is made when it was told to be, not later with every look. */
const isSamePress = (a: FeetPress, b: FeetPress): boolean =>
  a.kind === "mend" &&
  b.kind === "mend" &&
  a.passage === b.passage &&
  wordsOfPress(a, NO_BOX) === wordsOfPress(b, NO_BOX);

const NO_BOX = Object.freeze({ box: null });

/** The state after a press at its moment, by the same steps as the simulated boxes take. */
function afterPress(feet: StageFeet, state: FeetState, press: FeetPress, place: FeetPlace): FeetState {
  if (press.foot === "looper") {
    const { looper } = feet;
    return looper
      ? withSounding(state, soundingAfter(looper, state.sounding, press.press), startedAt(press, place))
      : state;
  }
  if (press.act.do === "pedal") {
    const { effect } = press.act;
    const isOn = state.on.includes(effect);
    return { ...state, on: isOn ? state.on.filter((one) => one !== effect) : [...state.on, effect] };
  }
  const { box } = feet;
  if (!box || !state.box) return state;
  const { board, banks } = box;
  const simulated = { ...board, kind: "banks", slots: board.slotsPerBank } as const;
  const from: ToneBoxState = { ...state.box, silentUntil: 0, on: [] };
  const { bank, slot, armed } = tellBox(from, press.act, simulated, banks, 0);
  return { ...state, box: { bank, slot, armed } };
}

/** When a press was made, by the server's clock: as long ago as its moment is over. */
function startedAt({ passage, tick }: FeetPress, place: FeetPlace): number | null {
  const { here, passages, now } = place;
  const present = here && passages[here.index]!;
  return present?.id === passage ? now - msOfTicks(present, here!.tick - tick, place) : null;
}

/** Tracks that come in begin their loop; those that run on keep theirs. */
const withSounding = (state: FeetState, sounding: number, at: number | null): FeetState => ({
  ...state,
  sounding,
  begun: state.begun.map((since, track) => {
    const bit = 1 << track;
    if ((sounding & bit) === 0) return null;
    return (state.sounding & bit) === 0 ? at : since;
  }),
});

/** What a player says is true, with one touch. */
export type FeetTruth =
  | { readonly of: "bank"; readonly bank: number }
  | { readonly of: "slot"; readonly slot: number }
  | { readonly of: "pedal"; readonly effect: string; readonly on: boolean }
  | { readonly of: "track"; readonly track: number; readonly sounds: boolean }
  /** Everything that mends has been pressed. */
  | { readonly of: "mended" };

/** Takes a player's word for how things stand, and plans anew from there. */
export function tellFeet(feet: StageFeet, state: FeetState, truth: FeetTruth, place: FeetPlace): FeetState {
  return planned(feet, corrected(feet, state, truth, place), place, []);
}

function corrected(feet: StageFeet, state: FeetState, truth: FeetTruth, place: FeetPlace): FeetState {
  const { box } = state;
  switch (truth.of) {
    case "bank": {
      // A bank one is in was entered: nothing is armed, and it opened where it opens.
      if (!feet.box || !box) return state;
      const { board, banks } = feet.box;
      const slot = landingOf(board, banks[truth.bank], box.slot) ?? box.slot;
      return { ...state, box: { bank: truth.bank, slot, armed: null } };
    }
    case "slot":
      return box ? { ...state, box: { ...box, slot: truth.slot, armed: null } } : state;
    case "pedal": {
      const others = state.on.filter((effect) => effect !== truth.effect);
      return { ...state, on: truth.on ? [...others, truth.effect] : others };
    }
    case "track": {
      const bit = 1 << truth.track;
      const sounding = truth.sounds ? state.sounding | bit : state.sounding & ~bit;
      return withSounding(state, sounding, null);
    }
    case "mended":
      return state.strip
        .filter(({ kind, when }) => kind === "mend" && when === "")
        .reduce((reached, press) => afterPress(feet, reached, press, place), state);
    default:
      return assertNever(truth);
  }
}
