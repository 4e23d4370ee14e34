import type { LiveEvent } from "./act";
import { applyLive, type LiveState } from "./state";

/** What comes from the server: the whole state, an event, or only how far it is. */
export type LiveMessage =
  | { readonly type: "whole"; readonly state: LiveState }
  | { readonly type: "event"; readonly event: LiveEvent }
  | {
      readonly type: "beat";
      readonly lastId: number;
      /** Changes with every edit of a song of the evening; null while a server that was started anew still reads them. */
      readonly songs: string | null;
    };

/** One who follows: what is known, and events that came before others did. */
export type Follower = {
  readonly state: LiveState;
  readonly early: readonly LiveEvent[];
  /** Whether the server is farther than what is known. */
  readonly behind: boolean;
};

export const followFrom = (state: LiveState): Follower => ({ state, early: [], behind: false });

/** Most events that are kept before the ones they wait for. */
const MOST_EARLY = 500;

/**
 * Takes a message, in whatever order they come, whether once or twice.
 * @example hear(followFrom(EMPTY_STATE), { type: "beat", lastId: 3, songs: "" }).behind // => true
 */
export function hear(follower: Follower, message: LiveMessage): Follower {
  switch (message.type) {
    case "whole":
      return message.state.lastId < follower.state.lastId
        ? follower
        : caughtUp(message.state, follower.early, message.state.lastId);
    case "event": {
      if (message.event.id <= follower.state.lastId) return follower;
      const early = [...follower.early.filter(({ id }) => id !== message.event.id), message.event]
        .sort((a, b) => a.id - b.id)
        .slice(0, MOST_EARLY);
      return caughtUp(follower.state, early, message.event.id);
    }
    case "beat":
      return { ...follower, behind: follower.behind || message.lastId > follower.state.lastId };
  }
}

function caughtUp(from: LiveState, early: readonly LiveEvent[], reached: number): Follower {
  let state = from;
  for (const event of early) if (event.id === state.lastId + 1) state = applyLive(state, event);
  const waiting = early.filter(({ id }) => id > state.lastId);
  return { state, early: waiting, behind: waiting.length > 0 || reached > state.lastId };
}
