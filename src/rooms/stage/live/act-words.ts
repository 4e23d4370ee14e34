import type { LeaderAct, LiveItem, Place, When } from "@/core/stage";

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
  circle: "round and round",
  asWritten: "back to the form",
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

/**
 * What the one large button does now.
 * @param items the running order, and `at` where in it one is
 */
export function mainAct(
  place: Place | null,
  { items, at }: { readonly items: readonly LiveItem[]; readonly at: number },
  countBars = 1,
): { act: LeaderAct; words: string } | null {
  if (!place || place.phase === "ended") {
    if (at < items.length - 1)
      return { act: { type: "next" }, words: place ? "Next song" : "Go on to the next" };
    // The one song of its own stage is gone through again.
    const [only] = items;
    return place && only && items.length === 1
      ? { act: { type: "open", itemId: only.id }, words: "From the top" }
      : null;
  }
  if (place.phase === "playing" || place.phase === "counting")
    return { act: { type: "hold" }, words: "Hold here" };
  if (place.phase === "holding" || place.phase === "sign") return { act: { type: "goOn" }, words: "Go on" };
  return { act: { type: "start", passage: null, countBars }, words: countBars === 0 ? "Begin" : "Count in" };
}

/** How many bars are left of a section, in words. */
export const describeBarsLeft = ({ barsLeft }: Place): string =>
  barsLeft <= 1 ? "last bar" : `${barsLeft} bars`;

/**
 * What comes after a section, and when.
 * @example describeNext(place, "Chorus") // => "next: Chorus, in 2 bars"
 */
export const describeNext = ({ barsLeft }: Pick<Place, "barsLeft">, label: string | undefined): string => {
  const when = barsLeft <= 1 ? "after this bar" : `in ${barsLeft} bars`;
  return label === undefined ? `the end ${when}` : `next: ${label}, ${when}`;
};

export const WHEN_WORDS: Readonly<Record<When, string>> = {
  end: "when this one ends",
  bar: "at the next bar",
  now: "at once",
};
