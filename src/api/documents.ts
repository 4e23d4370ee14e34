import type { Kind, TablesOf } from "@/core/song/schema";
import type { ArrivedEdit, Body, EditProblem, LostEdit } from "@/document";
import { EVENTS_PATH } from "@/document";
import { answers, endpoint, sent } from "./endpoint";

/** A document as it stands. */
export type ReadDocument = {
  [K in Kind]: {
    readonly id: string;
    readonly kind: K;
    readonly revision: number;
    readonly body: Body<TablesOf[K]>;
  };
}[Kind];

export const readDocument = /* @__PURE__ */ endpoint("GET", "/api/documents/[id]", "leader", {
  answer: answers<ReadDocument>(),
});

/** Everything that is stored of a document, read or not, as a file. */
export const saveStored = /* @__PURE__ */ endpoint("GET", "/api/documents/[id]/stored", "leader");

/** The log after a revision, oldest first. */
export const editsSince = /* @__PURE__ */ endpoint("GET", "/api/documents/[id]/edits", "leader", {
  request: sent(async () => (await import("./checks/documents")).since),
  answer: answers<{ readonly edits: readonly ArrivedEdit[] }>(),
});

/** Why an edit was not taken: another's got there first, it can't be made, or it was made on a revision that is not there. */
export type EditRefusal =
  | { readonly status: "conflict"; readonly revision: number; readonly conflicts: LostEdit["at"] }
  | { readonly status: "refused"; readonly revision: number; readonly problem: EditProblem }
  | { readonly status: "ahead"; readonly revision: number };

/** Takes one edit; answered once it is on disk. */
export const sendEdit = /* @__PURE__ */ endpoint("POST", "/api/documents/[id]/edits", "leader", {
  request: sent(async () => (await import("./checks/documents")).edit, 2_000_000),
  answer: answers<{
    readonly status: "done";
    readonly revision: number;
    readonly repeated: boolean;
    readonly edit: ArrivedEdit;
  }>(),
  refusal: answers<EditRefusal>(),
});

/** One step of a document's history, in words. */
export type HistoryStep = {
  readonly revision: number;
  readonly at: string;
  readonly words: string;
  readonly changes: number;
};

/** What has happened, newest first; with `at` the document as it stood at that revision. */
export const readHistory = /* @__PURE__ */ endpoint("GET", "/api/documents/[id]/history", "leader", {
  request: sent(async () => (await import("./checks/documents")).at),
  answer: answers<{ readonly steps: readonly HistoryStep[] } | { readonly body: Body }>(),
});

/** A version as a file; with `losses` what a ChordPro file can't hold, with `changes` a player's changes as MIDI. */
export const exportVersion = /* @__PURE__ */ endpoint("GET", "/api/documents/[id]/export", "leader", {
  request: sent(async () => (await import("./checks/documents")).exported),
  answer: answers<{
    readonly text: string;
    readonly losses: readonly { readonly what: string; readonly text: string }[];
  }>(),
});

/** Edits of several documents as they reach the disk: a line of events. */
export const followEdits = /* @__PURE__ */ endpoint("GET", EVENTS_PATH, "leader");
