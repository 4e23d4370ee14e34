import type { LeaderAct, LiveItem, LiveState, Place } from "@/core/stage";

/** What was pressed, for the button that takes it back. */
export const ACT_WORDS: Readonly<Record<LeaderAct["type"], string>> = {
  open: "the song chosen",
  next: "on to the next",
  start: "count-in",
  tempo: "tempo",
  hold: "hold",
  goOn: "going on",
  repeat: "once more",
  jump: "another section",
  skip: "leaving out",
  stop: "stop",
  undo: "",
};

export const KIND_WORDS: Readonly<Record<LiveItem["kind"], string>> = {
  song: "Song",
  talk: "Talk",
  prayer: "Prayer",
  announcement: "Announcement",
  pause: "Pause",
};

/** What the one large button does now. */
export function mainAct(
  place: Place | null,
  isLast: boolean,
  countBars = 1,
): { act: LeaderAct; words: string } | null {
  if (!place || place.phase === "ended")
    return isLast ? null : { act: { type: "next" }, words: place ? "Next song" : "Go on to the next" };
  if (place.phase === "playing" || place.phase === "counting")
    return { act: { type: "hold" }, words: "Hold here" };
  if (place.phase === "holding" || place.phase === "sign") return { act: { type: "goOn" }, words: "Go on" };
  return { act: { type: "start", passage: null, countBars }, words: countBars === 0 ? "Begin" : "Count in" };
}

/** What a page-turn pedal does for everybody: on to what comes next by hand, or out of a hold; past the last section to the next song. */
export function pedalAct(
  state: LiveState,
  item: LiveItem | null,
  place: Place | null,
  by: 1 | -1,
): LeaderAct | null {
  if (by === 1 && (place?.phase === "holding" || place?.phase === "sign")) return { type: "goOn" };
  const to = !place ? null : by === -1 ? place.index - 1 : place.phase === "ended" ? null : place.next;
  const passage = to === null ? undefined : item?.passages[to];
  if (passage) return { type: "jump", passage: passage.id, when: "now" };
  const other = state.items[state.items.findIndex(({ id }) => id === item?.id) + by];
  if (!other) return null;
  return by === 1 ? { type: "next" } : { type: "open", itemId: other.id };
}

/** How many bars are left of a section, in words. */
export const describeBarsLeft = ({ barsLeft }: Place): string =>
  barsLeft <= 1 ? "last bar" : `${barsLeft} bars`;
