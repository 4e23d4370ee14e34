import type { z } from "zod";
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
};

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
  archived: false,
  offset: 0,
  limit: 60,
});

export const searchShelf = /* @__PURE__ */ endpoint("GET", "/api/shelf", "leader", {
  request: sent(async () => (await import("./checks/shelf")).shelfAsked),
  answer: answers<ShelfPage>(),
});
