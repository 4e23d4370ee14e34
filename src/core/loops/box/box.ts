import type { Take } from "../build-takes";
import { afterPress, maskOf } from "../press";

/** Something recorded on a track: which layer, and how long one pass is. */
type Recorded = { readonly layer: string; readonly seconds: number };

export type TrackState = {
  readonly recorded: readonly Recorded[];
  readonly runs: boolean;
  /** When its present run began, s. */
  readonly since: number;
};

/** What is being recorded now. */
type Recording = {
  readonly track: number;
  readonly since: number;
  readonly layer: string;
  /** Layers that are taken in with it, in the same pass. */
  readonly also: readonly string[];
  readonly over: boolean;
};

/** A press that waits for the loop point. */
type Waiting = { readonly act: BoxAct; readonly at: number };

/** A simulated looper. All times are seconds of one clock; it has none of its own. */
export type BoxState = {
  readonly tracks: readonly TrackState[];
  readonly recording: Recording | null;
  readonly waiting: readonly Waiting[];
  /** Layers in the order they were recorded, for taking back the last. */
  readonly order: readonly { readonly track: number; readonly layer: string }[];
  /** What was recorded, each as long as it was open. */
  readonly takes: readonly Take[];
};

/**
 * What a press does: a track in or out (or recorded, when empty), only in or only out, everything, one more layer, the last
 * one taken back.
 */
export type BoxAct =
  | {
      readonly do: "track" | "start";
      readonly track: number;
      readonly layer?: string;
      readonly also?: readonly string[];
    }
  | { readonly do: "stop"; readonly track: number }
  | {
      readonly do: "overdub";
      readonly track: number;
      readonly layer: string;
      readonly also?: readonly string[];
    }
  | { readonly do: "start-all" }
  | { readonly do: "stop-all" }
  | { readonly do: "toggle-all" }
  | { readonly do: "undo" };

export type BoxSettings = {
  readonly tracks: number;
  readonly allStart: boolean;
  readonly allStop: boolean;
  readonly quantised: boolean;
  /** Whether tracks taken out go on unheard, and come in where they are; all begin anew only from silence. */
  readonly muted?: boolean | undefined;
  readonly sharedLength: boolean;
  readonly undoLast: boolean;
};

/** A pass shorter than this is a slip of the foot, and nothing is kept of it. Seconds; ours, no source. */
const SHORTEST_PASS = 0.2;

export const emptyBox = (tracks: number): BoxState => ({
  tracks: Array.from({ length: tracks }, () => ({ recorded: [], runs: false, since: 0 })),
  recording: null,
  waiting: [],
  order: [],
  takes: [],
});

const EMPTY: TrackState = Object.freeze({ recorded: [], runs: false, since: 0 });
const bits = (state: BoxState, holds: (track: TrackState) => boolean): number =>
  maskOf(state.tracks.flatMap((track, at) => (holds(track) ? [at] : [])));

export const recordedOf = (state: BoxState): number => bits(state, ({ recorded }) => recorded.length > 0);
export const soundingOf = (state: BoxState): number => bits(state, ({ runs }) => runs);

/** How long one pass of a track is: its longest layer. */
export const passOf = (track: TrackState): number =>
  Math.max(0, ...track.recorded.map(({ seconds }) => seconds));

function withTrack(state: BoxState, track: number, change: Partial<TrackState>): BoxState {
  return { ...state, tracks: state.tracks.with(track, { ...state.tracks[track]!, ...change }) };
}

/** Sets what sounds: tracks that come in begin a run, or go on unmuted with what runs; those that run on keep theirs. */
function withSounding(state: BoxState, sounding: number, settings: BoxSettings, at: number): BoxState {
  const isSilent = soundingOf(state) === 0;
  const { muted = false } = settings;
  const tracks = state.tracks.map((track, index): TrackState => {
    const runs = (sounding & (1 << index)) !== 0;
    if (muted) return { ...track, runs, since: isSilent && sounding !== 0 ? at : track.since };
    return runs === track.runs ? track : { ...track, runs, since: runs ? at : track.since };
  });
  return { ...state, tracks };
}

/** Ends what is being recorded: its pass goes round from here. */
function closeRecording(state: BoxState, settings: BoxSettings, at: number): BoxState {
  const { recording } = state;
  if (!recording) return state;
  const open = { ...state, recording: null };
  const own = state.tracks[recording.track]!;
  const lasted = at - recording.since;
  if (lasted < SHORTEST_PASS) return open;
  const others = state.tracks.map(passOf).filter((seconds) => seconds > 0);
  const first = recording.over ? passOf(own) : settings.sharedLength ? (others[0] ?? lasted) : lasted;
  const { track, over } = recording;
  const layers = [recording.layer, ...recording.also];
  const recorded = [...own.recorded, ...layers.map((layer) => ({ layer, seconds: first }))];
  const order = [...state.order, ...layers.map((layer) => ({ track, layer }))];
  const takes = [...state.takes, { layers, track, since: recording.since, until: at, over }];
  const since = own.runs ? own.since : at;
  return { ...withTrack(open, track, { recorded, runs: true, since }), order, takes };
}

function undo(state: BoxState): BoxState {
  if (state.recording) return { ...state, recording: null };
  const last = state.order.at(-1);
  if (!last) return state;
  const own = state.tracks[last.track]!;
  // What was taken in together goes together.
  const gone = state.takes.at(-1)?.layers.includes(last.layer) ? state.takes.at(-1)!.layers.length : 1;
  const recorded = own.recorded.slice(0, -gone);
  const left = recorded.length === 0 ? EMPTY : { recorded };
  return {
    ...withTrack(state, last.track, left),
    order: state.order.slice(0, -gone),
    takes: state.takes.slice(0, -1),
  };
}

/** What an act does at its moment. */
function perform(state: BoxState, act: BoxAct, settings: BoxSettings, at: number): BoxState {
  switch (act.do) {
    case "undo":
      return settings.undoLast ? undo(state) : state;
    case "toggle-all": {
      const closed = closeRecording(state, settings, at);
      return withSounding(closed, soundingOf(closed) === 0 ? recordedOf(closed) : 0, settings, at);
    }
    case "start-all":
    case "stop-all": {
      if (act.do === "start-all" ? !settings.allStart : !settings.allStop) return state;
      const closed = closeRecording(state, settings, at);
      const after = afterPress(soundingOf(closed), recordedOf(closed), { press: act.do });
      return after === null ? closed : withSounding(closed, after, settings, at);
    }
    case "overdub": {
      const own = state.tracks[act.track]!;
      if (state.recording?.track === act.track) return closeRecording(state, settings, at);
      if (own.recorded.length === 0) return state;
      const running = own.runs
        ? state
        : withSounding(state, soundingOf(state) | (1 << act.track), settings, at);
      const closed = closeRecording(running, settings, at);
      return {
        ...closed,
        recording: { track: act.track, since: at, layer: act.layer, also: act.also ?? [], over: true },
      };
    }
    case "track":
    case "start":
    case "stop": {
      const { track } = act;
      const runs = state.tracks[track]!.runs;
      const isAsIs =
        state.recording?.track !== track && (act.do === "start" ? runs : act.do === "stop" && !runs);
      if (isAsIs) return state;
      if (state.recording?.track === track && act.do !== "stop") return closeRecording(state, settings, at);
      const closed = closeRecording(state, settings, at);
      if (closed.tracks[track]!.recorded.length === 0)
        return act.do === "stop" || act.layer === undefined
          ? closed
          : {
              ...closed,
              recording: { track, since: at, layer: act.layer, also: act.also ?? [], over: false },
            };
      const after = afterPress(soundingOf(closed), recordedOf(closed), { press: "track", track });
      return after === null ? closed : withSounding(closed, after, settings, at);
    }
  }
}

/** The next loop point after a moment: of the first track that runs; the moment itself when none does. */
export function loopPoint(state: BoxState, at: number): number {
  const first = state.tracks.find((track) => track.runs && passOf(track) > 0);
  if (!first) return at;
  const pass = passOf(first);
  const passes = Math.ceil((at - first.since) / pass - 1e-9);
  return first.since + Math.max(0, passes) * pass;
}

/** Lets time pass: what waited for a loop point up to `now` is done. */
export function advance(state: BoxState, settings: BoxSettings, now: number): BoxState {
  let next = state;
  for (;;) {
    const [due] = next.waiting;
    if (!due || due.at > now + 1e-9) return next;
    next = perform({ ...next, waiting: next.waiting.slice(1) }, due.act, settings, due.at);
  }
}

/**
 * A press on the box. One that does nothing leaves everything as it is. On a box that waits, it is done at the next loop
 * point; taking back is done at once.
 * @param at when, s; not before anything that came earlier
 */
export function pressBox(state: BoxState, act: BoxAct, settings: BoxSettings, at: number): BoxState {
  if ("track" in act && (act.track < 0 || act.track >= state.tracks.length)) return state;
  const ready = advance(state, settings, at);
  const due = settings.quantised && act.do !== "undo" ? loopPoint(ready, at) : at;
  if (due <= at) return perform(ready, act, settings, at);
  return { ...ready, waiting: [...ready.waiting, { act, at: due }].sort((a, b) => a.at - b.at) };
}

/** How far a running track is through its pass, 0 to 1; null when it is silent. */
export function shareOf(track: TrackState, now: number): number | null {
  const pass = passOf(track);
  if (!track.runs || pass === 0) return null;
  return ((((now - track.since) % pass) + pass) % pass) / pass;
}

/**
 * An act of a pedal as it is written in a box's data; null does nothing.
 * @param layers what a recording on a track would take in; none where nothing is left to record
 */
export function actOfPedal(text: string, layers: (track: number) => readonly string[]): BoxAct | null {
  if (text === "start-all" || text === "stop-all" || text === "toggle-all" || text === "undo")
    return { do: text };
  const [kind, number] = text.split("-");
  const track = Number(number);
  if (kind === "stop") return { do: kind, track };
  if (kind === "track" || kind === "start") {
    const [layer, ...also] = layers(track);
    return { do: kind, track, ...(layer === undefined ? {} : { layer, also }) };
  }
  const [layer, ...also] = kind === "overdub" ? layers(track) : [];
  return layer === undefined ? null : { do: "overdub", track, layer, also };
}
