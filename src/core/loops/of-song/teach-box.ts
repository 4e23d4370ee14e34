import type { LoopBox } from "../../song/schema";
import type { PedalWay } from "./box-pedals";

/** A pedal as it was pressed: which control it is, and whether once, twice quickly, or held. */
export type Pressed = { readonly control: string; readonly way: PedalWay };

/** What is asked while a box is taught: to let a track in, take it out, or both with one pedal, and what concerns all. */
export type Lesson =
  | { readonly asks: "in" | "out" | "in and out"; readonly track: number }
  | { readonly asks: "one more layer" }
  | { readonly asks: "all out" | "all in" | "take back" };

/** A lesson with its answer; null where the box has no such pedal. */
export type Learned = { readonly lesson: Lesson; readonly pressed: Pressed | null };

const isSame = (a: Pressed | null, b: Pressed | null): boolean =>
  a !== null && b !== null && a.control === b.control && a.way === b.way;

const answerTo = (learned: readonly Learned[], asks: Lesson["asks"], track = 0): Pressed | null =>
  learned.find(({ lesson }) => lesson.asks === asks && (!("track" in lesson) || lesson.track === track))
    ?.pressed ?? null;

/**
 * The next thing to ask. On the first track in and out are asked apart: where one pedal does both, the others are asked once.
 * @returns null when everything has been asked
 * @example nextLesson(2, []) // => { asks: "in", track: 0 }
 */
export function nextLesson(tracks: number, learned: readonly Learned[]): Lesson | null {
  const isAsked = (asks: Lesson["asks"], track?: number) =>
    learned.some(
      ({ lesson }) =>
        lesson.asks === asks && (track === undefined || ("track" in lesson && lesson.track === track)),
    );
  const inOut = isSame(answerTo(learned, "in"), answerTo(learned, "out"));
  for (let track = 0; track < tracks; track++) {
    if (track > 0 && inOut) {
      if (!isAsked("in and out", track)) return { asks: "in and out", track };
      continue;
    }
    for (const asks of ["in", "out"] as const) if (!isAsked(asks, track)) return { asks, track };
  }
  for (const asks of ["one more layer", "all out", "all in", "take back"] as const)
    if (!isAsked(asks)) return { asks };
  return null;
}

/** The acts each press was taught to do. A press that lets a track in and takes it out does both. */
function actsTaught(
  tracks: number,
  learned: readonly Learned[],
): { readonly act: string; readonly pressed: Pressed }[] {
  const taught: { readonly act: string; readonly pressed: Pressed }[] = [];
  const teach = (act: string, pressed: Pressed | null) => {
    if (pressed) taught.push({ act, pressed });
  };
  for (let track = 0; track < tracks; track++) {
    const both = answerTo(learned, "in and out", track);
    const [goesIn, goesOut] = [answerTo(learned, "in", track), answerTo(learned, "out", track)];
    if (both || isSame(goesIn, goesOut)) teach(`track-${track}`, both ?? goesIn);
    else {
      teach(`start-${track}`, goesIn);
      teach(`stop-${track}`, goesOut);
    }
  }
  const [allOut, allIn] = [answerTo(learned, "all out"), answerTo(learned, "all in")];
  if (isSame(allOut, allIn)) teach("toggle-all", allOut);
  else {
    teach("stop-all", allOut);
    teach("start-all", allIn);
  }
  teach("undo", answerTo(learned, "take back"));
  // One more layer on the first track tells how it goes on all that have a pedal of their own.
  const more = answerTo(learned, "one more layer");
  const own = (track: number) =>
    taught.find(({ act }) => act === `track-${track}` || act === `start-${track}`)?.pressed ?? null;
  for (let track = 0; track < tracks; track++) {
    const control = track === 0 || more?.control !== own(0)?.control ? more?.control : own(track)?.control;
    if (more && control !== undefined && (track === 0 || control !== more.control))
      teach(`overdub-${track}`, { control, way: more.way });
  }
  return taught;
}

/** What a pedal is called after what it does when pressed. */
function nameOf(press: string, double: string): string {
  const [kind, number] = press.split("-");
  const track = Number(number) + 1;
  if (press === "none") return double === "none" ? "Pedal" : nameOf(double, "none");
  if (kind === "track") return `Track ${track}`;
  if (kind === "start" && number !== "all") return `Track ${track} in`;
  if (kind === "stop" && number !== "all") return `Track ${track} out`;
  if (kind === "overdub") return `Layer ${track}`;
  return (
    { "start-all": "All in", "stop-all": "All out", "toggle-all": "All", undo: "Back" }[press] ?? "Pedal"
  );
}

/** Two lessons that were answered by the same press, though it can do one of them only. */
export type TaughtTwice = {
  readonly control: string;
  readonly way: PedalWay;
  readonly acts: readonly string[];
};

/**
 * The box as it was taught: its pedals in the order their controls were first pressed, digits of the keyboard by their figure.
 * @param before the box so far: a pedal with the same control keeps its name
 * @returns what is to be changed of the box, and presses that were to do two things
 */
export function boxTaught(
  tracks: number,
  learned: readonly Learned[],
  before: Pick<LoopBox, "pedals">,
): {
  readonly fields: Pick<LoopBox, "tracks" | "pedals" | "allStart" | "allStop" | "toggleAll" | "undoLast">;
  readonly twice: readonly TaughtTwice[];
} {
  const taught = actsTaught(tracks, learned);
  const controls = [...new Set(taught.map(({ pressed }) => pressed.control))].sort(
    (a, b) => keyOf(a) - keyOf(b),
  );
  const twice: TaughtTwice[] = [];
  const pedals = controls.map((control) => {
    const does = (way: PedalWay): string => {
      const acts = taught
        .filter(({ pressed }) => pressed.control === control && pressed.way === way)
        .map(({ act }) => act);
      if (acts.length > 1) twice.push({ control, way, acts });
      return acts[0] ?? "none";
    };
    const acts = { press: does("press"), double: does("double"), hold: does("hold") };
    const known = before.pedals.find((pedal) => pedal.control === control)?.name;
    return { name: known ?? nameOf(acts.press, acts.double), ...acts, control };
  });
  const has = (act: string) => taught.some((one) => one.act === act);
  const toggleAll = has("toggle-all");
  return {
    fields: {
      tracks,
      pedals: pedals.length > 0 ? pedals : [...before.pedals],
      allStart: toggleAll || has("start-all"),
      allStop: toggleAll || has("stop-all"),
      toggleAll,
      undoLast: has("undo"),
    },
    twice,
  };
}

/** Where a control stands among the others: a key by its figure, others as they come. */
const keyOf = (control: string): number => (control.startsWith("key ") ? Number(control.slice(4)) : 100);
