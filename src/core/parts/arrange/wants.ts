import { type ArrangeCase, type ArrangeUse, isThere } from "./case";

/** What a use wants: how full its ideas are, 0 to 4, and how many play, voices not counted. */
export type Want = { readonly full: number; readonly players: number };

/**
 * How far the first and the last of several rounds lie apart: the fewer kinds of section a song has, the more. How much the
 * last chorus adds, and how much a quiet end takes. Ours.
 */
const riseOf = (kinds: number): number => (kinds === 1 ? 2 : kinds <= 3 ? 1 : 0.6);
const LAST_CHORUS = 0.5;
const FALL = 2;
/** Of those beside the first, this share plays where a song is emptiest. */
const FEW = 0.45;
/** Where in the song a quiet end begins, 0 to 1. */
const FALL_FROM = 0.5;

/**
 * What each use wants, by its energy and by the arc: where a song rises, the first round of a kind of section is thinner than
 * its last, and the last chorus is the fullest of all; a falling one grows thin towards its end.
 * @param share how many of those who could play a school wants, 0 to 1
 */
export function wantsOf(asked: ArrangeCase, share: (use: ArrangeUse, at: number) => number): Want[] {
  const most = asked.players.filter((one) => isThere(one) && one.instrument !== "voice").length;
  return asked.uses.map((use, at) => {
    const full = Math.min(4, Math.max(0, use.energy + leanOf(asked, at)));
    return {
      full,
      players: most === 0 ? 0 : 1 + (most - 1) * Math.min(1, (FEW + (1 - FEW) * (full / 4)) * share(use, at)),
    };
  });
}

/** How much fuller than its energy says a use is wanted. */
function leanOf({ arc, uses }: ArrangeCase, at: number): number {
  const { kind } = uses[at]!;
  switch (arc) {
    case "steady":
      return 0;
    case "falling": {
      const place = uses.length > 1 ? at / (uses.length - 1) : 0;
      return place <= FALL_FROM ? 0 : -(FALL * (place - FALL_FROM)) / (1 - FALL_FROM);
    }
    case "rising": {
      const rounds = uses.flatMap((use, other) => (use.kind === kind ? [other] : []));
      const round = rounds.length > 1 ? rounds.indexOf(at) / (rounds.length - 1) : 0.5;
      const last = kind === "chorus" && rounds.length > 1 && at === rounds.at(-1);
      return riseOf(new Set(uses.map((use) => use.kind)).size) * (round - 0.5) + (last ? LAST_CHORUS : 0);
    }
  }
}
