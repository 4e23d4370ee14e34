import type { LeaderAct } from "./act";
import type { Place } from "./place";
import type { LiveItem } from "./score";
import type { LiveState } from "./state";

/** When a section comes that is called for while the clock runs. */
export type When = "end" | "bar" | "now";

/**
 * What a page-turn pedal does for everybody. Where the clock runs, Next brings the next section when it is meant to come, and
 * once more before then takes that back; out of a hold it goes on. Where nothing runs it turns at once, past the last section
 * to the next song.
 * @returns null where there is nothing to do: while it is counted in, and in the last section until that is over
 * @example pedalAct(state, item, place, 1, "end") // => { type: "jump", passage: "u2 0", when: "end" }
 */
export function pedalAct(
  state: LiveState,
  item: LiveItem | null,
  place: Place | null,
  by: 1 | -1,
  when: When,
): LeaderAct | null {
  const phase = place?.phase;
  if (phase === "counting") return null;
  if (by === 1 && (phase === "holding" || phase === "sign")) return { type: "goOn" };
  const passages = item?.passages ?? [];
  if (place && phase === "playing") {
    if (place.asked) return { type: "asWritten" };
    const to = by === -1 ? place.index - 1 : place.circles ? place.index + 1 : place.next;
    const passage = to === null ? undefined : passages[to];
    return passage ? { type: "jump", passage: passage.id, when } : null;
  }
  const to = !place ? null : by === -1 ? place.index - 1 : phase === "ended" ? null : place.next;
  const passage = to === null ? undefined : passages[to];
  if (passage) return { type: "jump", passage: passage.id, when: "now" };
  const other = state.items[state.items.findIndex(({ id }) => id === item?.id) + by];
  if (!other) return null;
  return by === 1 ? { type: "next" } : { type: "open", itemId: other.id };
}
