import type { z } from "zod";
import type { Doubt } from "@/core/formats";
import { answers, endpoint, sent } from "./endpoint";

/** A song of that title that is there already. */
export type Double = { readonly versionId: string; readonly title: string; readonly by: string };

/** Makes a song of a text or a file. */
export const makeSong = /* @__PURE__ */ endpoint("POST", "/api/songs", "leader", {
  request: sent(async () => (await import("./checks/songs")).newSong, 8_400_000),
  answer: answers<{
    readonly songId: string;
    readonly versionId: string;
    readonly title: string;
    /** What should be looked at, in sentences. */
    readonly looks: readonly string[];
    readonly problems: number;
    /** What was only guessed. */
    readonly guesses: {
      readonly key: boolean;
      readonly beats: boolean;
      /** How doubtful the beats are; null where none were guessed as a whole. */
      readonly reading: Doubt | null;
    };
  }>(),
  refusal: answers<{ readonly made: false; readonly title: string; readonly doubles: readonly Double[] }>(),
});

/** What can be done with a song from the shelf. */
export type SongAct = z.input<typeof import("./checks/songs").songAct>;

/** What the shelf does with a song: duplicate it, put it away, bring it back, note a rehearsal. */
export const changeSong = /* @__PURE__ */ endpoint("POST", "/api/songs/[id]", "leader", {
  request: sent(async () => (await import("./checks/songs")).songAct, 10_000),
  answer: answers<
    | { readonly songId: string; readonly versionId: string; readonly title: string }
    | { readonly revision: number }
  >(),
});

/** Starts a version from another. */
export const startVersion = /* @__PURE__ */ endpoint("POST", "/api/versions", "leader", {
  request: sent(async () => (await import("./checks/songs")).newVersion, 10_000),
  answer: answers<{ readonly versionId: string }>(),
});

/** Starts a band where there is none. */
export const startBand = /* @__PURE__ */ endpoint("POST", "/api/band", "leader");

/** Lights the demo evening in an empty folder. */
export const lightDemo = /* @__PURE__ */ endpoint("POST", "/api/demo", "leader");

/** Everything in one file. */
export const saveBackup = /* @__PURE__ */ endpoint("GET", "/api/backup", "leader");

/** A backup the program has kept by itself, as a file: `name` is one of those the first page lists. */
export const saveKept = /* @__PURE__ */ endpoint("GET", "/api/backup/kept", "leader", {
  request: sent(async () => (await import("./checks/songs")).keptName),
});

/**
 * Puts everything back as it stands in a backup the program has kept by itself; what is there now is kept as another one
 * first. Where the database does not open, its files are put aside and a new one is made; `name` null leaves that empty.
 */
export const bringKept = /* @__PURE__ */ endpoint("POST", "/api/backup/kept", "leader", {
  request: sent(async () => (await import("./checks/songs")).keptOrNothing),
  answer: answers<Brought>(),
});

/** What came of bringing a backup back, and what of it could not be. */
export type Brought = {
  readonly documents: number;
  readonly leftOut: readonly { readonly id: string; readonly name: string; readonly problem: string }[];
};

/** Brings a backup file back: the file itself is sent. */
export const bringBackup = /* @__PURE__ */ endpoint<Blob, Blob, Brought, Pick<Brought, "leftOut">>(
  "POST",
  "/api/backup",
  "leader",
  { answer: answers(), refusal: answers() },
);

/** Brings back what can be of a backup file, and leaves the rest out. */
export const bringBackupPartly = /* @__PURE__ */ endpoint<Blob, Blob, Brought>(
  "POST",
  "/api/backup/partly",
  "leader",
  { answer: answers() },
);
