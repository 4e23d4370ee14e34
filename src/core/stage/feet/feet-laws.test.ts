import { describe, expect, it } from "vitest";
import { numbersFrom } from "../../../../testing/loops/sample-case";
import { madeUpFeet, type SampleFeet } from "../../../../testing/stage/sample-feet";
import { afterPress } from "../../loops/press";
import { soundOf, tellBox, toneBoxAt } from "../../sounds";
import type { LeaderAct } from "../act";
import { type Place, placeAt } from "../place";
import { applyLive, EMPTY_STATE, type LiveState, passagesNow } from "../state";
import { feetPlace } from "./feet-place";
import { type FeetState, feetBefore, followFeet, tellFeet } from "./feet-state";
import type { FeetPress } from "./stage-feet";

const STEP_MS = 200;

/** A box and a looper on a floor, and a foot that presses what the strip says, but for what it misses. */
class Floor {
  box;
  tracks: number;
  begun: (number | null)[];
  constructor(readonly song: SampleFeet) {
    const { box, looper } = song.feet;
    this.box = toneBoxAt(box?.start.bank ?? 0, box?.start.slot ?? 0);
    this.tracks = looper?.before ?? 0;
    this.begun = looper?.lengths.map(() => null) ?? [];
  }

  press(press: FeetPress, now: number): void {
    const { box, looper } = this.song.feet;
    if (press.foot === "looper") {
      const after = afterPress(this.tracks, looper!.recorded, press.press) ?? this.tracks;
      this.begun = this.begun.map((since, track) => {
        const bit = 1 << track;
        return (after & bit) === 0 ? null : (this.tracks & bit) === 0 ? now : since;
      });
      this.tracks = after;
    } else {
      const simulated = { ...box!.board, kind: "banks", slots: box!.board.slotsPerBank } as const;
      this.box = tellBox(this.box, press.act, simulated, box!.banks, 0);
    }
  }

  sound = (): string | null => soundOf(this.box, this.song.feet.box?.banks ?? []);
}

/** The presses of a strip a foot makes by a place, as a player reads it: due here, or due where it has just been told to be. */
function due(state: FeetState, place: Place, passages: SampleFeet["passages"]): FeetPress[] {
  if (place.phase === "waiting" || place.phase === "counting") return [];
  const here = passages[place.index]!;
  const isSame = state.passage === here.id && place.tick >= state.tick - 480;
  // A section that comes at once, before the one that is now is over, surprises the foot though it was the next.
  const isOver = state.passage === null || state.leave - state.tick <= 480 + STEP_MS * 0.96;
  const isTold = !isSame && isOver && state.next === here.id && place.tick <= 480 + STEP_MS * 0.96;
  return state.strip.filter(({ ahead, passage, tick }) => {
    if (isSame) return !ahead && tick <= place.tick;
    if (isTold) return !ahead || (passage === here.id && tick <= place.tick);
    return false;
  });
}

const ACTS: readonly ((passage: string, below: (below: number) => number) => LeaderAct)[] = [
  (passage, below) => ({ type: "jump", passage, when: (["end", "bar", "now"] as const)[below(3)]! }),
  () => ({ type: "repeat" }),
  () => ({ type: "skip" }),
  () => ({ type: "hold" }),
  () => ({ type: "goOn" }),
  () => ({ type: "undo" }),
];

/** Plays a song through with random acts of the leader and random misses, and looks at every section once the feet are let alone. */
function perform(seed: number): { readonly looked: number; readonly wrong: string[] } {
  const below = numbersFrom(seed);
  const song = madeUpFeet(below);
  const { feet, passages } = song;
  let now = 1_000_000;
  let id = 0;
  let live: LiveState = EMPTY_STATE;
  const act = (one: Parameters<typeof applyLive>[1]["act"]) => {
    live = applyLive(live, { id: ++id, at: now, act: one });
  };
  const item = {
    id: "one",
    kind: "song",
    title: "",
    versionId: "v",
    note: "",
    minutes: 0,
    passages,
  } as const;
  act({ type: "score", items: [item] });
  const floor = new Floor(song);
  let state = feetBefore(feet);
  let [missed, calm, looked] = [false, 0, 0];
  /** When something last went otherwise than told. */
  let troubled = now;
  const wrong: string[] = [];
  act({ type: "start", passage: null, countBars: 1 });
  for (let step = 0; step < 700; step++) {
    now += STEP_MS;
    const mayErr = step < 450;
    if (mayErr && below(40) === 0) {
      act(ACTS[below(ACTS.length)]!(passages[below(passages.length)]!.id, below));
      if (live.transport.mode === "held") act({ type: "goOn" });
      calm = 0;
      troubled = now;
    }
    const place = placeAt(passagesNow(live), live.transport, now)!;
    if (place.phase === "ended") act({ type: "jump", passage: passages[0]!.id, when: "now" });
    if (place.phase === "ended" || live.transport.mode === "waiting")
      act({ type: "start", passage: null, countBars: 0 });
    const at = feetPlace(passages, placeAt(passages, live.transport, now)!, live.transport.stretch, now);
    const before = state;
    let slipped = missed;
    for (const press of due(state, placeAt(passages, live.transport, now)!, passages))
      if (mayErr && below(8) === 0) [missed, slipped] = [true, true];
      else floor.press(press, now);
    state = followFeet(feet, state, at);
    // A miss is noticed a little later, and told with a touch.
    if (missed && (below(5) === 0 || !mayErr)) {
      state = truthOf(floor, feet, state, at);
      missed = false;
    }
    const entered = at.here && (before.passage !== state.passage || state.tick < before.tick - 480);
    if (entered)
      calm =
        at.here!.tick <= 480 && before.leave - before.tick <= 480 && before.next === state.passage && !slipped
          ? calm + 1
          : 0;
    if (slipped) [calm, troubled] = [0, now];
    // Two bars after whatever went wrong it is mended, wherever that was.
    const hereNow = at.here && passages[at.here.index]!;
    const wanted = hereNow && feet.box?.tones[hereNow.id];
    const isOver = now - troubled > 9000 && at.here !== null && at.here.tick > 2 * 3840 + 480;
    if (wanted && isOver && at.here!.tick < wanted.ends.tick && floor.sound() !== wanted.tone)
      wrong.push(`${seed} ${step}: not mended, ${floor.sound()} for ${wanted.tone}`);
    if (!at.here || calm < 1) continue;
    // From the second bar on, all that was told at the boundary has been pressed.
    const passage = passages[at.here.index]!;
    const tone = feet.box?.tones[passage.id];
    const isHeard = tone && at.here.tick > tone.begins.tick + 480 && at.here.tick < tone.ends.tick;
    if (isHeard) {
      looked++;
      if (floor.sound() !== tone.tone) wrong.push(`${seed} ${step}: ${floor.sound()} for ${tone.tone}`);
    }
    const loops = feet.looper?.loops[passage.id]?.[0];
    const isSettled = state.strip.every((press) => press.foot !== "looper" || press.ahead);
    if (!loops || !isSettled || at.here.tick <= 480) continue;
    // What is missing has no pass left that begins in step in this section.
    const { tick, leave } = at.here;
    const mayStart = feet.looper!.lengths.some(
      (length, track) =>
        (loops.sounding & ~floor.tracks & (1 << track)) !== 0 &&
        passage.bars.some(
          (bar) => bar > tick + 3840 && bar < leave && (bar - loops.begun[track]!) % length === 0,
        ),
    );
    if (mayStart || (floor.tracks & ~loops.sounding) !== 0)
      wrong.push(`${seed} ${step}: tracks ${floor.tracks} for ${loops.sounding}`);
  }
  return { looked, wrong };
}

/** Tells with touches what really stands on the floor. */
function truthOf(
  floor: Floor,
  feet: SampleFeet["feet"],
  from: FeetState,
  at: ReturnType<typeof feetPlace>,
): FeetState {
  let state = from;
  if (state.box && state.box.bank !== floor.box.bank)
    state = tellFeet(feet, state, { of: "bank", bank: floor.box.bank }, at);
  if (state.box && (state.box.slot !== floor.box.slot || state.box.armed !== null))
    state = tellFeet(feet, state, { of: "slot", slot: floor.box.slot }, at);
  for (let track = 0; track < floor.begun.length; track++) {
    const sounds = (floor.tracks & (1 << track)) !== 0;
    if (((state.sounding & (1 << track)) !== 0) !== sounds)
      state = tellFeet(feet, state, { of: "track", track, sounds }, at);
  }
  return state;
}

describe("presses that follow what really happens", () => {
  it("end in the planned sound at the next boundary, over random live moves and missed presses", () => {
    let looked = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const found = perform(seed);
      expect(found.wrong).toEqual([]);
      looked += found.looked;
    }
    expect(looked).toBeGreaterThan(2000);
  });
});
