import { fail, ok, type Result } from "../../../base";
import type { SoundingChord } from "../../chord";
import { formatPitch } from "../../pitch";
import { costOf, reasonsOf, tellHand, tellShape } from "../difficulty";
import type { Board } from "../fingering-search";
import {
  boardOf,
  type Fingering,
  type FingeringOptions,
  type Found,
  findFingerings,
  firstHands,
  handsOf,
} from "../fingerings";
import {
  barresOf,
  eachHand,
  type Frets,
  fingersOf,
  type Grip,
  type Hand,
  type HeldShape,
  highestFret,
  toHand,
} from "../hand";
import { mutesOf } from "../mutes";
import { GUITAR_SCALE_MM } from "../neck";
import { Sound } from "../shape-sound";
import { Places } from "./change";
import type { HandEvent } from "./events";

/** One way to do an event: what is fretted, by which fingers, and its price. */
export type State = {
  readonly frets: Frets;
  readonly hand: Hand;
  readonly price: number;
  /** For a note over a held chord: which state of that chord lies under it. */
  readonly base: number | null;
  /** The chord it really makes. */
  readonly is: () => string;
  readonly write: () => Fingering;
};

/** An event with every way to do it, least price first. */
export type Layer = { readonly event: HandEvent; readonly beats: number; readonly states: readonly State[] };

export type LayerProblem = {
  readonly code: "no-fingering" | "no-hand" | "wrong-strings" | "nothing-rings" | "out-of-neck";
  readonly index: number;
};

export type LayerOptions = Omit<FingeringOptions, "hands"> & {
  /** A chord without a fingering, or frets no hand holds, is a problem, or is passed over with an empty hand. */
  readonly gaps?: "refuse" | "skip";
  /**
   * With a limit: only shapes at most so much dearer than their chord's first one, more where the bass is not the
   * root, and hands at most so much dearer than that.
   */
  readonly near?: {
    readonly shapes: number;
    readonly overBass: number;
    readonly hands: number;
    /** The same of hands for a chord beside itself over another bass. */
    readonly walk: number;
  };
};

export type Layers = {
  readonly layers: readonly Layer[];
  /** For each event the layer it is played in; a chord left to ring stays in its own. */
  readonly layerOf: readonly number[];
  readonly places: Places;
  readonly exact: boolean;
};

/** Finds every way to do each event. Each symbol is searched once. */
export function layersOf(events: readonly HandEvent[], options: LayerOptions): Result<Layers, LayerProblem> {
  const board = boardOf({ ...options, budget: undefined });
  const problem = checkEvents(events, board);
  if (problem) return fail(problem);
  const layers: Layer[] = [];
  const layerOf: number[] = [];
  const walking = walkingIn(events);
  const known = new Map<string, { readonly states: readonly State[]; readonly exact: boolean }>();
  const statesOf = (event: HandEvent & { kind: "chord" }) => {
    const id = event.chord.symbol;
    const found = known.get(id) ?? chordStates(event, options, board, walking.has(id));
    known.set(id, found);
    return found;
  };
  const narrow = new Map<string, readonly State[]>();
  const shapesOf = (event: HandEvent & { kind: "chord" }, chord: SoundingChord): readonly State[] => {
    const { only, among } = event;
    if (!only && !among) return statesOf(event).states;
    const id = `${event.chord.symbol} ${only ? idOf(only) : "any"} ${among?.map(idOf).join(" ") ?? "all"}`;
    const known = narrow.get(id);
    if (known) return known;
    const all = among ? keptStates(chord, among, options, board) : statesOf(event).states;
    const found = only ? narrowed(all, only) : all;
    narrow.set(id, found);
    return found;
  };
  for (const [index, event] of events.entries()) {
    const rings =
      event.kind === "ring" ||
      (event.kind === "chord" && event.passing && statesOf(event).states.length === 0);
    if (rings) {
      const last = layers.pop();
      if (!last) return fail({ code: "nothing-rings", index });
      layers.push({ ...last, beats: last.beats + event.beats });
    } else if (event.kind === "note") {
      layers.push({ event, beats: event.beats, states: noteStates(event, layers, board) });
    } else if (event.chord.kind === "none") {
      layers.push({ event, beats: event.beats, states: [emptyState(board, event.chord.symbol)] });
    } else {
      let states: readonly State[] = event.lock
        ? narrowed(statesFrom(handsOf(event.chord, event.lock, options, board)), event.only)
        : shapesOf(event, event.chord);
      if (states.length === 0) {
        if (options.gaps !== "skip") return fail({ code: event.lock ? "no-hand" : "no-fingering", index });
        states = [
          event.lock ? unheldState(event.chord, event.lock, board) : emptyState(board, event.chord.symbol),
        ];
      }
      layers.push({ event, beats: event.beats, states });
    }
    layerOf.push(layers.length - 1);
    if (layers.at(-1)!.states.length === 0) return fail({ code: "no-hand", index });
  }
  const highest = layers.reduce(
    (most, { states }) => states.reduce((top, { frets }) => highestFret(frets, top), most),
    0,
  );
  const places = new Places(board.tuning.length, highest, board.capo, options.scaleMm ?? GUITAR_SCALE_MM);
  return ok({ layers, layerOf, places, exact: [...known.values()].every(({ exact }) => exact) });
}

/** Every way to hold one of some shapes; one that no hand is known to hold sounds all the same. */
const keptStates = (
  chord: SoundingChord,
  among: readonly HeldShape[],
  options: LayerOptions,
  board: Board,
): readonly State[] =>
  among.flatMap((one) => {
    const { frets } = one;
    const held = narrowed(statesFrom(handsOf(chord, frets, options, board)), one);
    return held.length > 0 ? held : [unheldState(chord, frets, board)];
  });

const idOf = ({ frets, fingers }: HeldShape): string => `${frets.join()} ${fingers.join()}`;

/** Of a chord's states those of one shape, held with its fingers, where there are any. */
function narrowed(states: readonly State[], only: HeldShape | undefined): readonly State[] {
  if (!only) return states;
  const id = only.frets.join();
  const own = states.filter(({ frets }) => frets.join() === id);
  const alike = own.filter(({ frets, hand }) => fingersOf(frets, hand).join() === only.fingers.join());
  return alike.length > 0 ? alike : own.length > 0 ? own : states;
}

function checkEvents(events: readonly HandEvent[], board: Board): LayerProblem | null {
  for (const [index, event] of events.entries()) {
    const given =
      event.kind === "chord"
        ? [...(event.lock ? [event.lock] : []), ...(event.among ?? []).map(({ frets }) => frets)]
        : [];
    if (given.some((frets) => frets.length !== board.tuning.length)) return { code: "wrong-strings", index };
    if (event.kind === "note" && event.string >= board.tuning.length) return { code: "wrong-strings", index };
    const frets = event.kind === "note" ? [event.fret] : given.flat();
    if (frets.some((fret) => fret !== null && fret > board.maxFret)) return { code: "out-of-neck", index };
  }
  return null;
}

/** The plain chords that stand beside themselves over another bass: G of G, G/F♯. */
function walkingIn(events: readonly HandEvent[]): ReadonlySet<string> {
  const chords = events.flatMap((event) =>
    event.kind === "chord" && event.chord.kind !== "none" ? [event.chord] : [],
  );
  const walking = new Set<string>();
  for (const [at, chord] of chords.entries()) {
    const next = chords[at + 1];
    if (next && next.root === chord.root && next.bass !== chord.bass)
      for (const one of [chord, next]) if (one.bass === null) walking.add(one.symbol);
  }
  return walking;
}

function chordStates(
  event: HandEvent & { kind: "chord" },
  options: LayerOptions,
  board: Board,
  isWalking: boolean,
) {
  const { limit, near, ...rest } = options;
  const isOverBass = event.chord.kind === "chord" && event.chord.bass !== null;
  const reach = near && {
    shapes: isOverBass ? near.overBass : near.shapes,
    hands: isWalking ? near.walk : near.hands,
  };
  const found =
    limit === undefined
      ? findFingerings(event.chord, { ...rest, hands: true }, board)
      : firstHands(event.chord, rest, limit, reach, board);
  return { states: statesFrom(found), exact: found.exact };
}

/** A found list as states. */
const statesFrom = ({ candidates, write }: Found): State[] =>
  candidates.map((one): State => {
    const { frets, hand, price, sound } = one;
    return { frets, hand, price, base: null, is: () => sound.nameOf(frets), write: () => write(one) };
  });

type Heard = Pick<Fingering, "pitches" | "is" | "omits">;

/** What is no chord has no fuller shape beside it. */
const IN_FULL = { fullness: 1, missing: [], unusual: [] } as const;

/** A state whose price is the difficulty: the hand and the place on the neck alone. */
function stateOf(frets: Frets, hand: Hand, board: Board, base: number | null, heard: () => Heard): State {
  const thumb = hand[0]?.finger === "T" ? hand[0].fret : null;
  const grips: readonly Grip[] = thumb === null ? hand : hand.slice(1);
  const numbers = (thumb === null ? hand : hand.slice(1)).map((hold) => hold.finger as number);
  const tell: Parameters<typeof costOf>[0] = (sink) => {
    tellHand(grips, numbers, thumb, board.reach, sink);
    tellShape(frets, sink);
  };
  return {
    frets,
    hand,
    base,
    price: costOf(tell),
    is: () => heard().is,
    write: () => {
      const fingers = fingersOf(frets, hand);
      return {
        frets,
        fingers,
        barres: barresOf(hand),
        mutes: mutesOf(frets, fingers, hand),
        ...heard(),
        difficulty: costOf(tell),
        why: reasonsOf(tell),
        ...IN_FULL,
        price: costOf(tell),
      };
    },
  };
}

/** Frets somebody wants although no hand is known to hold them: they sound, and the hand starts anew after them. */
function unheldState(chord: SoundingChord, frets: Frets, board: Board): State {
  const sound = new Sound(chord, board);
  const heard = (): Heard => ({
    pitches: sound.pitches(frets),
    is: sound.nameOf(frets),
    omits: sound.omitted(sound.heard(frets)),
  });
  return stateOf(frets, [], board, null, heard);
}

const emptyState = (board: Board, is: string): State => ({
  frets: board.tuning.map(() => null),
  hand: [],
  price: 0,
  base: null,
  is: () => is,
  write: () => ({
    frets: board.tuning.map(() => null),
    fingers: board.tuning.map(() => null),
    barres: [],
    mutes: [],
    pitches: [],
    is,
    omits: [],
    difficulty: 0,
    why: [],
    ...IN_FULL,
    price: 0,
  }),
});

/** A single note: any finger by itself, or over the chord before with a finger that is free or goes there from it. */
function noteStates(event: HandEvent & { kind: "note" }, layers: readonly Layer[], board: Board): State[] {
  const { string, fret } = event;
  const heardOf = (frets: Frets) => (): Heard => {
    const pitch = formatPitch(board.tuning[string]! + board.capo + fret);
    const pitches = frets.flatMap((one, at) =>
      one === null ? [] : [formatPitch(board.tuning[at]! + board.capo + one)],
    );
    return { pitches, is: pitch, omits: [] };
  };
  const before = layers.at(-1);
  const isHeld = before !== undefined && (before.event.kind === "chord" || before.states[0]?.base != null);
  const chordLayer =
    event.over && isHeld ? layers.findLast(({ event: one }) => one.kind === "chord") : undefined;
  if (!chordLayer) {
    const frets = board.tuning.map((_, at) => (at === string ? fret : null));
    const hands: Hand[] =
      fret === 0
        ? [[]]
        : ([1, 2, 3, 4] as const).map((finger) => [{ finger, fret, from: string, to: string }]);
    return hands.map((hand) => stateOf(frets, hand, board, null, heardOf(frets)));
  }
  return chordLayer.states.flatMap((under, base) => {
    const frets = under.frets.map((one, at) => (at === string ? fret : one));
    const held = fingersOf(under.frets, under.hand)[string];
    const freed = under.hand.filter(
      (hold) => hold.finger !== held || hold.to > hold.from || under.frets[string] === fret,
    );
    const hands: Hand[] = [];
    eachHand(frets, board.reach, board.thumb, (grips, fingers, thumbFret) => {
      const hand = toHand(grips, fingers, thumbFret);
      const stays = freed.filter((hold) =>
        hand.some((one) => one.finger === hold.finger && one.fret === hold.fret && one.from === hold.from),
      );
      if (stays.length >= freed.length - 1) hands.push(hand);
    });
    return hands.map((hand) => stateOf(frets, hand, board, base, heardOf(frets)));
  });
}
