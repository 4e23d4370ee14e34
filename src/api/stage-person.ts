import type { StageNote, StagePack } from "@/core/stage";
import { answers, endpoint, sent } from "./endpoint";

/** An evening as one person plays it. */
export const stagePack = /* @__PURE__ */ endpoint("GET", "/api/stage/[eveningId]/pack", "viewer", {
  request: sent(async () => (await import("./checks/stage")).packOf),
  answer: answers<StagePack>(),
});

/** A person's own notes. */
export const stageNotes = /* @__PURE__ */ endpoint("GET", "/api/stage/[eveningId]/notes", "viewer", {
  request: sent(async () => (await import("./checks/stage")).notesOf),
  answer: answers<{ readonly notes: readonly StageNote[] }>(),
});

/** Writes a note at a section. A player writes only their own. */
export const writeNote = /* @__PURE__ */ endpoint("PUT", "/api/stage/[eveningId]/notes", "player", {
  request: sent(async () => (await import("./checks/stage")).note),
});

/** Writes what somebody has practised on their own device into the song's log. A player writes only what is their own. */
export const keepPractice = /* @__PURE__ */ endpoint("POST", "/api/stage/[eveningId]/practices", "player", {
  request: sent(async () => (await import("./checks/stage")).practised),
});
