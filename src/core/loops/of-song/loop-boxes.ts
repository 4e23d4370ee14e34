import { byOrder } from "../../../document";
import { type LoopBox, PLAIN_BOX, type VersionBody } from "../../song/schema";

type Profile = Omit<LoopBox, "id" | "order" | "playerId">;

const plain = (tracks: number): Profile["pedals"] =>
  Array.from({ length: tracks }, (_, track) => ({
    name: `Track ${track + 1}`,
    press: `track-${track}`,
    double: "none",
    hold: `overdub-${track}`,
  }));

/** What every kind of box begins with: how songs are built on it, and what most boxes are like. */
const PLAIN = Object.freeze({
  ...PLAIN_BOX,
  school: "chords-first",
  startFrom: "silence",
  listen: false,
} as const);

/**
 * Neutral boxes to start from. What a pedal does is data and can be changed. Ours, no maker's.
 */
export const BOX_PROFILES: readonly Profile[] = Object.freeze([
  {
    ...PLAIN,
    name: "Two tracks, one pedal each",
    tracks: 2,
    allStart: false,
    allStop: true,
    quantised: false,
    sharedLength: false,
    undoLast: true,
    pedals: [
      { name: "Left", press: "track-0", double: "stop-all", hold: "overdub-0" },
      { name: "Right", press: "track-1", double: "undo", hold: "overdub-1" },
    ],
  },
  {
    ...PLAIN,
    name: "One track",
    tracks: 1,
    allStart: false,
    allStop: false,
    quantised: false,
    sharedLength: true,
    undoLast: true,
    pedals: [{ name: "Pedal", press: "track-0", double: "undo", hold: "overdub-0" }],
  },
  {
    ...PLAIN,
    name: "Three tracks, all in and all out",
    tracks: 3,
    allStart: true,
    allStop: true,
    quantised: false,
    sharedLength: false,
    undoLast: true,
    pedals: [...plain(3), { name: "All", press: "stop-all", double: "start-all", hold: "undo" }],
  },
  {
    ...PLAIN,
    name: "Four tracks, all in and all out",
    tracks: 4,
    allStart: true,
    allStop: true,
    quantised: false,
    sharedLength: false,
    undoLast: true,
    pedals: [
      ...plain(4),
      { name: "All in", press: "start-all", double: "none", hold: "none" },
      { name: "All out", press: "stop-all", double: "none", hold: "undo" },
    ],
  },
  {
    ...PLAIN,
    name: "Four tracks, one pedal for all",
    tracks: 4,
    allStart: true,
    allStop: true,
    toggleAll: true,
    quantised: false,
    sharedLength: false,
    undoLast: true,
    pedals: [...plain(4), { name: "All", press: "toggle-all", double: "none", hold: "undo" }],
  },
  {
    ...PLAIN,
    name: "Two tracks, in and out on pedals of their own",
    tracks: 2,
    allStart: false,
    allStop: false,
    quantised: false,
    sharedLength: true,
    undoLast: true,
    pedals: [
      { name: "Go 1", press: "start-0", double: "none", hold: "overdub-0" },
      { name: "Halt 1", press: "stop-0", double: "none", hold: "none" },
      { name: "Go 2", press: "start-1", double: "none", hold: "overdub-1" },
      { name: "Halt 2", press: "stop-1", double: "none", hold: "undo" },
    ],
  },
  {
    ...PLAIN,
    name: "Five tracks that wait for the loop point",
    tracks: 5,
    allStart: true,
    allStop: true,
    quantised: true,
    sharedLength: true,
    undoLast: true,
    pedals: [...plain(5), { name: "All", press: "stop-all", double: "start-all", hold: "undo" }],
  },
]);

/** The box a version is played on when nobody has chosen one. */
const DEFAULT_BOX: LoopBox = Object.freeze({
  id: "default",
  order: "V",
  playerId: null,
  ...BOX_PROFILES[0]!,
});

/** Whether anybody has said which looper the song is played on: on an assumed one nothing is pressed. */
export const hasLoopBox = (body: Pick<VersionBody, "loopBoxes">): boolean =>
  Object.keys(body.loopBoxes).length > 0;

/** The looper of a version: its own, or two tracks. */
export const boxOf = (body: Pick<VersionBody, "loopBoxes">): LoopBox =>
  Object.values(body.loopBoxes).sort(byOrder)[0] ?? DEFAULT_BOX;
