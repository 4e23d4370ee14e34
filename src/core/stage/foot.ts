/** Which of two page-turn pedals, or of two buttons on the screen. */
export type FootKey = "on" | "back";

/** A foot on two pedals. Times are ms of one clock. */
export type Foot = {
  /** The pedal that is down, and since when; null when none is. */
  readonly down: { readonly key: FootKey; readonly at: number } | null;
  /** When it came up, which may be a bounce of the switch. */
  readonly up: number | null;
  /** Whether it has been held long, and that has been told. */
  readonly held: boolean;
  /** When the last press was over that counted. */
  readonly last: number;
};

export const FOOT_OFF: Foot = Object.freeze({
  down: null,
  up: null,
  held: false,
  last: Number.NEGATIVE_INFINITY,
});

/** A pedal held so long takes the last move back, ms. Ours, no source. */
export const LONG_PRESS_MS = 700;
/** A switch that closes again so soon has only bounced, ms. Ours, no source. */
export const BOUNCE_MS = 30;

export type FootEvent =
  | { readonly type: "down"; readonly key: FootKey; readonly at: number }
  | { readonly type: "up"; readonly key: FootKey; readonly at: number }
  /** Only time goes by. */
  | { readonly type: "time"; readonly at: number }
  /** The window lost the pedal: nothing was meant. */
  | { readonly type: "lost" };

/** What a foot means: a press with when it began, or a long one. */
export type FootMeans =
  | { readonly type: "tap"; readonly key: FootKey; readonly at: number }
  | { readonly type: "hold" };

export type FootStep = { readonly foot: Foot; readonly means: FootMeans | null };

/**
 * What a pedal's signals mean. A bouncing switch, a key that repeats, the other pedal under the same foot, and whatever comes
 * sooner after a press than the gate allows, count as nothing more.
 * @param gateMs two presses nearer than this are one
 * @example stepFoot(foot, { type: "time", at: 40 }, 400).means // => { type: "tap", key: "on", at: 0 }
 */
export function stepFoot(foot: Foot, event: FootEvent, gateMs: number): FootStep {
  const { down, up, held, last } = foot;
  switch (event.type) {
    case "lost":
      return { foot: { ...FOOT_OFF, last }, means: null };
    case "down":
      if (down) return { foot: event.key === down.key ? { ...foot, up: null } : foot, means: null };
      if (event.at - last < gateMs) return { foot, means: null };
      return {
        foot: { ...foot, down: { key: event.key, at: event.at }, up: null, held: false },
        means: null,
      };
    case "up":
      return { foot: down?.key === event.key ? { ...foot, up: event.at } : foot, means: null };
    case "time": {
      if (!down) return { foot, means: null };
      if (up !== null) {
        if (event.at - up < BOUNCE_MS) return { foot, means: null };
        const over = { ...FOOT_OFF, last: up };
        return { foot: over, means: held ? null : { type: "tap", key: down.key, at: down.at } };
      }
      if (held || event.at - down.at < LONG_PRESS_MS) return { foot, means: null };
      return { foot: { ...foot, held: true }, means: { type: "hold" } };
    }
  }
}
