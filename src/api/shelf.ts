import type { z } from "zod";
import type { Proved, Weighed } from "@/core/practice";
import type { Verdict } from "@/core/song/schema";
import { answers, endpoint, sent } from "./endpoint";

/** A version as the shelf lists it. */
export type ShelfSong = {
  readonly versionId: string;
  readonly songId: string;
  readonly title: string;
  readonly by: string;
  readonly versionName: string;
  readonly key: string;
  readonly bpm: number;
  readonly meter: string;
  readonly bars: number;
  readonly seconds: number;
  readonly players: readonly string[];
  readonly tags: readonly string[];
  readonly rehearsed: string | null;
  readonly verdict: Verdict;
  /** Minutes the band likely needs to learn it; null until it is weighed as it is now. */
  readonly weighed: Pick<Weighed, "low" | "high"> | null;
  readonly archived: boolean;
};

/** A page of the shelf, how many rows there are in all, and of how many songs they are versions. */
export type ShelfPage = {
  readonly rows: readonly ShelfSong[];
  readonly total: number;
  readonly songs: number;
};

/** Another song of the shelf beside one: how many of its chords are in that one too. */
export type SongBeside = Pick<ShelfSong, "versionId" | "title" | "versionName"> & {
  readonly shared: number;
  readonly chords: number;
};

/** How a song stands among the others of the shelf. */
export type Beside = {
  readonly meter: string;
  readonly bpm: number;
  /** Other songs there are, those in its metre, and those of them about as fast. */
  readonly songs: number;
  readonly inMeter: number;
  readonly asFast: number;
  /** How many different chords it has, and the songs that share most of them, the nearest first. */
  readonly chords: number;
  readonly alike: readonly SongBeside[];
  /** What other songs were said to take each player, and what they took by their logs, by the player's name. */
  readonly proved: Readonly<Record<string, readonly Proved[]>>;
};

/** A song of the shelf with all it asks of its band. */
export type WeighedSong = { readonly song: ShelfSong; readonly weighed: Weighed };

/** What the shelf is asked by. */
export type ShelfAsked = z.output<typeof import("./checks/shelf").shelfAsked>;

/** The first page of the whole shelf. */
export const WHOLE_SHELF: ShelfAsked = Object.freeze({
  q: "",
  sort: "title",
  down: false,
  tag: "",
  key: "",
  meter: "",
  verdict: "",
  archived: false,
  offset: 0,
  limit: 60,
});

export const searchShelf = /* @__PURE__ */ endpoint("GET", "/api/shelf", "leader", {
  request: sent(async () => (await import("./checks/shelf")).shelfAsked),
  answer: answers<ShelfPage>(),
});

/** What a version asks of its band; it is weighed where it is not yet. */
export const weighedSong = /* @__PURE__ */ endpoint("GET", "/api/shelf/weighed", "leader", {
  request: sent(async () => (await import("./checks/shelf")).weighedAsked),
  answer: answers<WeighedSong>(),
});

/** Weighs some of the versions that are not weighed yet, as many as a moment has room for, and says how many are left. */
export const weighShelf = /* @__PURE__ */ endpoint("POST", "/api/shelf/weighed", "leader", {
  request: sent(async () => (await import("./checks/shelf")).weighAsked),
  answer: answers<{ readonly left: number }>(),
});
