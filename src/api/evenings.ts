import type { z } from "zod";
import type { SongEdges } from "@/core/evenings";
import type { VersionBody } from "@/core/song/schema";
import { answers, endpoint, sent } from "./endpoint";

/** An evening with the songs of its running order; a song that is gone is left out. */
export type OpenedEvening = {
  readonly id: string;
  readonly name: string;
  readonly items: readonly {
    readonly title: string;
    readonly versionId: string;
    readonly body: VersionBody;
  }[];
};

/** A version as a running order needs it: what it is called, and how everybody goes into it and comes out. */
export type ListedVersion = {
  readonly versionId: string;
  readonly songId: string;
  readonly title: string;
  readonly versionName: string;
  readonly key: string;
  readonly edges: SongEdges;
};

/** Evenings in whose running order a version stands. */
export const eveningsWith = /* @__PURE__ */ endpoint("GET", "/api/evenings", "leader", {
  request: sent(async () => (await import("./checks/evenings")).withVersion),
  answer: answers<{ readonly evenings: readonly OpenedEvening[] }>(),
});

/** An evening by its name and its day. */
export type NamedEvening = { readonly id: string; readonly name: string; readonly day: string | null };

/** Every evening in use. */
export const namesOfEvenings = /* @__PURE__ */ endpoint("GET", "/api/evenings/names", "leader", {
  answer: answers<{ readonly evenings: readonly NamedEvening[] }>(),
});

/** What the shelf does with an evening. */
export type EveningAct = z.input<typeof import("./checks/evenings").eveningAct>;

/** Puts a song at the end of an evening, puts it away, takes it out or brings it back, or makes another one like it. */
export const changeEvening = /* @__PURE__ */ endpoint("POST", "/api/evenings/[id]", "leader", {
  request: sent(async () => (await import("./checks/evenings")).eveningAct, 10_000),
  answer: answers<{ readonly id: string }>(),
});

export const makeEvening = /* @__PURE__ */ endpoint("POST", "/api/evenings", "leader", {
  request: sent(async () => (await import("./checks/evenings")).newEvening),
  answer: answers<{ readonly id: string }>(),
});

/** How versions begin and end, for a running order. */
export const edgesOf = /* @__PURE__ */ endpoint("GET", "/api/evenings/edges", "leader", {
  request: sent(async () => (await import("./checks/evenings")).versions),
  answer: answers<{ readonly versions: readonly ListedVersion[] }>(),
});
