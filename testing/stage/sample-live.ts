import type { LiveAct, LiveEvent } from "../../src/core/stage/act";
import type { LiveItem, LivePassage } from "../../src/core/stage/score";
import { applyLive, EMPTY_STATE, type LiveState } from "../../src/core/stage/state";

/** A section of bars of four beats, for tests. */
export const samplePassage = (id: string, bars: number, more: Partial<LivePassage> = {}): LivePassage => ({
  id,
  label: id,
  kind: "verse",
  ticks: bars * 3840,
  firstBar: 1,
  bars: Array.from({ length: bars }, (_, bar) => bar * 3840),
  beat: 960,
  bar: 3840,
  bpm: 60,
  signs: [],
  ...more,
});

/** Two songs with a talk between, at a beat a second. */
export const SAMPLE_ITEMS: readonly LiveItem[] = [
  {
    id: "one",
    kind: "song",
    title: "One",
    versionId: "v1",
    note: "",
    minutes: 0,
    passages: [
      samplePassage("verse 0", 2),
      samplePassage("chorus 0", 2, { firstBar: 3, signs: [2 * 3840] }),
      samplePassage("verse 1", 1, { firstBar: 5, bpm: 120 }),
    ],
  },
  { id: "talk", kind: "talk", title: "Welcome", versionId: null, note: "", minutes: 3, passages: [] },
  {
    id: "two",
    kind: "song",
    title: "Two",
    versionId: "v2",
    note: "",
    minutes: 0,
    passages: [
      samplePassage("a 0", 4, { beat: 1440, bar: 2880, ticks: 4 * 2880, bars: [0, 2880, 5760, 8640] }),
    ],
  },
];

/** A log of acts at times, the songs first. */
export const sampleLog = (...acts: readonly (readonly [at: number, act: LiveAct])[]): LiveEvent[] =>
  [[0, { type: "score", items: SAMPLE_ITEMS }] as const, ...acts].map(([at, act], index) => ({
    id: index + 1,
    at,
    act,
  }));

export const replayed = (events: readonly LiveEvent[], from: LiveState = EMPTY_STATE): LiveState =>
  events.reduce(applyLive, from);
