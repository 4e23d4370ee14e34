import type { HeardSong } from "@/core/practice";
import type { LiveEvent, LiveState, StagePerson } from "@/core/stage";
import { answers, endpoint, sent } from "./endpoint";

/** As what somebody is here. Somebody at this machine while it is closed is the leader. */
export type StageRole = "leader" | "player" | "viewer" | "nobody";

/** Everything that happens on an evening's stage: a line of events. */
export const followStage = /* @__PURE__ */ endpoint("GET", "/api/stage/[eveningId]/live", "viewer");

/** The log after an event, or the whole state where that event is no longer kept. */
export const stageEvents = /* @__PURE__ */ endpoint("GET", "/api/stage/[eveningId]/events", "viewer", {
  request: sent(async () => (await import("./checks/stage")).since),
  answer: answers<{ readonly events: readonly LiveEvent[] } | { readonly state: LiveState }>(),
});

/** The server's clock, ms since 1970. */
export const stageClock = /* @__PURE__ */ endpoint("GET", "/api/stage/[eveningId]/clock", "viewer", {
  answer: answers<{ readonly now: number }>(),
});

/** A song as it can be heard: what everybody sounds in it. */
export const stageHeard = /* @__PURE__ */ endpoint("GET", "/api/stage/[eveningId]/heard", "viewer", {
  request: sent(async () => (await import("./checks/stage")).heardOf),
  answer: answers<HeardSong>(),
});

export const stagePeople = /* @__PURE__ */ endpoint("GET", "/api/stage/[eveningId]/people", "viewer", {
  answer: answers<{ readonly people: readonly StagePerson[] }>(),
});

/** Who asks, as what, and whose part they see. */
export const stageMe = /* @__PURE__ */ endpoint("GET", "/api/stage/[eveningId]/me", "viewer", {
  answer: answers<{ readonly role: StageRole; readonly person: string | null }>(),
});

/** Says whose part one sees. */
export const choosePerson = /* @__PURE__ */ endpoint("POST", "/api/stage/[eveningId]/me", "viewer", {
  request: sent(async () => (await import("./checks/stage")).me, 2000),
  answer: answers<{ readonly role: StageRole; readonly person: string }>(),
});

/** The leader moves everybody; answered once it is on disk. */
export const pressStage = /* @__PURE__ */ endpoint("POST", "/api/stage/[eveningId]/press", "leader", {
  request: sent(async () => (await import("./checks/stage")).press),
  answer: answers<{ readonly event: LiveEvent }>(),
});
