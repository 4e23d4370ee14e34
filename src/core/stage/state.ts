import { assertNever } from "../../base";
import type { LeaderAct, LiveAct, LiveEvent } from "./act";
import { barOf, EMPTY_TRANSPORT, indexOf, nextBeat, THE_END, type Transport, walk } from "./place";
import { beatMs, countInTicks, type LiveItem, type LivePassage } from "./score";

/** Everything that is known of an evening on stage. Replaying its log gives it again. */
export type LiveState = {
  readonly lastId: number;
  /** When the last event was, by the server's clock, ms. */
  readonly lastAt: number;
  readonly items: readonly LiveItem[];
  readonly transport: Transport;
  /** What an undo goes back to, newest last. */
  readonly past: readonly { readonly act: LeaderAct["type"]; readonly transport: Transport }[];
};

export const EMPTY_STATE: LiveState = Object.freeze({
  lastId: 0,
  lastAt: 0,
  items: [],
  transport: EMPTY_TRANSPORT,
  past: [],
});

/** So long after a press the count-in begins, ms: every screen has heard of it by then. Ours, no source. */
export const LEAD_MS = 300;
/** So many presses can be undone. */
const MOST_UNDONE = 12;
/** How much slower or faster than written a song may be followed. */
const STRETCH = { least: 0.2, most: 5 };

export const itemOf = (state: LiveState): LiveItem | null =>
  state.items.find(({ id }) => id === state.transport.itemId) ?? null;

export const passagesNow = (state: LiveState): readonly LivePassage[] => itemOf(state)?.passages ?? [];

/**
 * The state after an event. An event that is known already changes nothing; events come in the order of their ids.
 * @throws when an event is missing between
 * @example applyLive(state, { id: 8, at: 1760000000000, act: { type: "hold" } })
 */
export function applyLive(state: LiveState, event: LiveEvent): LiveState {
  if (event.id <= state.lastId) return state;
  if (event.id !== state.lastId + 1)
    throw new Error(`Expected event ${state.lastId + 1}, got ${event.id}: ask for those between.`);
  return { ...afterAct(state, event.act, event.at), lastId: event.id, lastAt: event.at };
}

function afterAct(state: LiveState, act: LiveAct, at: number): LiveState {
  if (act.type === "score") return rescored(state, act.items, at);
  if (refuseLive(state, act, at) !== null) return state;
  if (act.type === "undo")
    return { ...state, transport: state.past.at(-1)!.transport, past: state.past.slice(0, -1) };
  const past = [...state.past, { act: act.type, transport: state.transport }].slice(-MOST_UNDONE);
  return { ...state, transport: moved(state, act, at), past };
}

/** New songs under a running clock: it goes on in the passage of the same name, else in the one that now stands there. */
function rescored(state: LiveState, items: readonly LiveItem[], at: number): LiveState {
  const kept = (transport: Transport): Transport | null => {
    const item = items.find(({ id }) => id === transport.itemId);
    if (!item) return null;
    const before = state.items.find(({ id }) => id === transport.itemId)?.passages ?? [];
    const here = before.length > 0 ? settled(before, transport, at) : transport;
    const known = (id: string | null) => id === null || item.passages.some((passage) => passage.id === id);
    const place = Math.min(indexOf(before, here.passage), item.passages.length - 1);
    const passage =
      known(here.passage) && here.passage !== null ? here.passage : (item.passages[place]?.id ?? null);
    return { ...here, passage, after: here.after === THE_END || known(here.after) ? here.after : null };
  };
  const now = kept(state.transport);
  const first = items[0];
  return {
    ...state,
    items,
    transport: now ?? (first ? opened(first) : EMPTY_TRANSPORT),
    past: now
      ? state.past.flatMap(({ act, transport }) => {
          const still = kept(transport);
          return still ? [{ act, transport: still }] : [];
        })
      : [],
  };
}

const opened = ({ id, passages }: LiveItem): Transport => ({
  ...EMPTY_TRANSPORT,
  itemId: id,
  passage: passages[0]?.id ?? null,
});

/** A clock with its anchor in the passage it has come to; where it has come to does not change. */
function settled(passages: readonly LivePassage[], transport: Transport, at: number): Transport {
  if (transport.mode !== "running" || at < transport.at || passages.length === 0) return transport;
  const { index, anchor, leave, after, circles } = walk(passages, transport, at);
  return { ...transport, passage: passages[index]!.id, ...anchor, leave, after, circles };
}

/** Why an act can't be done now, in a sentence; null when it can. */
export function refuseLive(state: LiveState, act: LeaderAct, at: number): string | null {
  const { transport } = state;
  const item = itemOf(state);
  switch (act.type) {
    case "open":
      return state.items.some(({ id }) => id === act.itemId)
        ? null
        : "That is not in the running order any more.";
    case "next":
      return state.items.at(-1)?.id === transport.itemId ? "That was the last of the running order." : null;
    case "undo":
      return state.past.length > 0 ? null : "There is no press to take back.";
  }
  const passages = item?.passages ?? [];
  if (passages.length === 0) return "There is no song to play here: go on to the next one.";
  const counting = transport.mode === "running" && at < transport.at;
  const running = transport.mode === "running";
  const known = (id: string) => passages.some((passage) => passage.id === id);
  switch (act.type) {
    case "start":
      return act.passage === null || known(act.passage) ? null : "That section is not in the song any more.";
    case "jump":
      if (!known(act.passage)) return "That section is not in the song any more.";
      return null;
    case "tempo": {
      const stretch = stretchAt(passages, transport, act.bpm);
      return stretch >= STRETCH.least && stretch <= STRETCH.most
        ? null
        : "That tempo is more than five times off the written one.";
    }
    case "hold":
      if (!running || counting) return "Nothing is playing that could be held.";
      return walk(passages, transport, at).stands === "moving" ? null : "It stands already.";
    case "goOn":
      if (transport.mode === "held" || transport.mode === "stopped") return null;
      return running && !counting && walk(passages, transport, at).stands === "sign"
        ? null
        : "Nothing is held that could go on.";
    case "asWritten": {
      const { after, leave } = running && !counting ? walk(passages, transport, at) : transport;
      return after === null && leave === null ? "Nothing else was asked for than what is written." : null;
    }
    case "circle":
      return null;
    case "repeat":
    case "skip":
      if (transport.mode === "waiting") return "The song has not begun: choose the section to begin from.";
      if (running && !counting && walk(passages, transport, at).stands === "ended")
        return "The song is over.";
      return null;
    case "stop":
      return running || transport.mode === "held" ? null : "Nothing is playing.";
    default:
      return assertNever(act);
  }
}

const stretchAt = (passages: readonly LivePassage[], transport: Transport, bpm: number): number =>
  60_000 / bpm / beatMs(passages[indexOf(passages, transport.passage)]!);

type Moving = Exclude<LeaderAct, { type: "undo" }>;

function moved(state: LiveState, act: Moving, at: number): Transport {
  const passages = passagesNow(state);
  const transport = settled(passages, state.transport, at);
  switch (act.type) {
    case "open":
      return opened(state.items.find(({ id }) => id === act.itemId)!);
    case "next":
      return opened(state.items[state.items.findIndex(({ id }) => id === transport.itemId) + 1]!);
    case "start":
      return started(passages, transport, act.passage, act.countBars, at);
    case "tempo":
      return atTempo(passages, transport, act.bpm, act.snap, at);
    case "hold":
    case "stop":
      return stood(passages, transport, act.type === "hold" ? "held" : "stopped", at);
    case "goOn":
      return goneOn(passages, transport, at);
    case "circle":
      return { ...transport, leave: null, after: null, circles: !transport.circles };
    case "asWritten":
      return { ...transport, leave: null, after: null };
    case "repeat":
      return { ...transport, leave: null, after: transport.passage };
    case "skip":
      return { ...transport, after: afterSkip(passages, transport) };
    case "jump":
      return jumped(passages, transport, act.passage, act.when, at);
    default:
      return assertNever(act);
  }
}

function started(
  passages: readonly LivePassage[],
  transport: Transport,
  from: string | null,
  countBars: number,
  at: number,
): Transport {
  const passage = passages[indexOf(passages, from ?? transport.passage)]!;
  const ticks = countInTicks(passage, countBars);
  const countMs = (ticks / passage.beat) * beatMs(passage) * transport.stretch;
  const lead = countBars === 0 ? 0 : LEAD_MS;
  return {
    ...transport,
    mode: "running",
    passage: passage.id,
    tick: 0,
    at: at + lead + countMs,
    countMs,
    leave: null,
    after: null,
    circles: passage.id === transport.passage && transport.circles,
  };
}

function atTempo(
  passages: readonly LivePassage[],
  transport: Transport,
  bpm: number,
  snap: boolean,
  at: number,
): Transport {
  const stretch = stretchAt(passages, transport, bpm);
  if (transport.mode !== "running") return { ...transport, stretch };
  const ratio = stretch / transport.stretch;
  if (at < transport.at)
    return {
      ...transport,
      stretch,
      at: at + (transport.at - at) * ratio,
      countMs: transport.countMs * ratio,
    };
  const { index, tick, stands } = walk(passages, transport, at);
  if (stands !== "moving") return { ...transport, stretch };
  const passage = passages[index]!;
  return { ...transport, stretch, tick: snap ? nearestBeat(passage, tick) : tick, at };
}

/** The beat nearest to a place, never past the passage's end. */
function nearestBeat(passage: LivePassage, tick: number): number {
  const after = nextBeat(passage, tick);
  const before = Math.max(0, after - passage.beat);
  return tick - before < after - tick ? before : Math.min(after, passage.ticks);
}

function stood(
  passages: readonly LivePassage[],
  transport: Transport,
  mode: "held" | "stopped",
  at: number,
): Transport {
  if (transport.mode !== "running" || at < transport.at) return { ...transport, mode, at, countMs: 0 };
  const { tick, index } = walk(passages, transport, at);
  return { ...transport, mode, passage: passages[index]!.id, tick, at, countMs: 0 };
}

/** Out of a hold or past a sign: this moment is the next beat. */
function goneOn(passages: readonly LivePassage[], transport: Transport, at: number): Transport {
  const walked = transport.mode === "running" ? walk(passages, transport, at) : null;
  const index = walked?.index ?? indexOf(passages, transport.passage);
  const passage = passages[index]!;
  const tick = walked ? walked.tick : Math.min(passage.ticks, nextBeat(passage, transport.tick));
  return { ...transport, mode: "running", passage: passage.id, tick, at, countMs: 0 };
}

/** What comes then when one more section is left out. */
function afterSkip(passages: readonly LivePassage[], { passage, after }: Transport): string {
  const next =
    after === THE_END
      ? passages.length
      : after === null
        ? indexOf(passages, passage) + 1
        : indexOf(passages, after);
  return passages[next + 1]?.id ?? THE_END;
}

function jumped(
  passages: readonly LivePassage[],
  transport: Transport,
  to: string,
  when: "now" | "bar" | "end",
  at: number,
): Transport {
  const isCounting = transport.mode === "running" && at < transport.at;
  const isOver =
    transport.mode === "running" && !isCounting && walk(passages, transport, at).stands === "ended";
  const isUnderWay = (transport.mode === "running" && !isCounting && !isOver) || transport.mode === "held";
  if (when === "now" || !isUnderWay)
    return {
      ...transport,
      mode: isOver ? "waiting" : transport.mode === "held" ? "running" : transport.mode,
      passage: to,
      tick: 0,
      at: transport.mode === "running" ? Math.max(at, transport.at) : at,
      leave: null,
      after: null,
      circles: false,
    };
  if (when === "end" || transport.mode === "held") return { ...transport, leave: null, after: to };
  const { index, tick } = walk(passages, transport, at);
  const passage = passages[index]!;
  const { from } = barOf(passage, tick);
  const line = passage.bars.find((start) => start > from);
  return { ...transport, leave: line ?? null, after: to };
}
