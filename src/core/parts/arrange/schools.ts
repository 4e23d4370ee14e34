import type { ArrangeCase, ArrangeCell, ArrangePlayer, ArrangeSchool, ArrangeUse } from "./case";
import { isThere, plays } from "./case";
import { type Idea, ideaOf } from "./ideas";

/** What a school looks at when it likes or dislikes what somebody does. */
type Look = {
  readonly cell: ArrangeCell;
  readonly idea: Idea;
  readonly player: ArrangePlayer;
  /** Which of those with this instrument who are there the player is, from 0. */
  readonly nth: number;
  readonly use: ArrangeUse;
  /** Whether the cell carries: by its role, or as what bears a lead that somebody else sings. */
  readonly carries: boolean;
  /** Where the use lies, 0 at the first to 1 at the last. */
  readonly place: number;
};

type SchoolPlan = {
  readonly words: string;
  /** Whether a band can go by it. */
  readonly fits: (asked: ArrangeCase) => boolean;
  /** How many of those who could play it wants, against what energy asks for. */
  readonly share: (use: ArrangeUse, at: number, asked: ArrangeCase) => number;
  /** What it thinks of an idea, 0 well to 1 ill. */
  readonly dislike: (look: Look) => number;
  /** What it thinks of staying out, 0 well to 1 ill. */
  readonly dislikeOut: (look: Omit<Look, "cell" | "idea" | "carries">) => number;
};

const count = (asked: ArrangeCase, instrument: ArrangePlayer["instrument"]): number =>
  asked.players.filter((player) => isThere(player) && player.instrument === instrument).length;

const isHigh = ({ place, strings }: Idea): boolean => place === "high" || strings === "high three";
const hasPitch = ({ instrument }: ArrangePlayer): boolean => instrument === "guitar" || instrument === "keys";

/** Ways to arrange, ours, common practice, no source. */
const SCHOOL_PLANS: Readonly<Record<ArrangeSchool, SchoolPlan>> = Object.freeze({
  "layered build": {
    words: "layer by layer: few begin, one comes in after another, everyone at the end",
    fits: () => true,
    share: (_, at, { uses }) => 0.75 + (0.5 * at) / Math.max(1, uses.length - 1),
    dislike: ({ idea, place }) => Math.max(0, (idea.full - 4 * place - 1.5) / 4),
    dislikeOut: ({ place }) => 0.4 * place,
  },
  "carry and colour": {
    words: "one carries from end to end, the others colour",
    fits: () => true,
    share: () => 1,
    dislike: ({ cell, idea, player, nth, carries }) => {
      if (!hasPitch(player)) return 0;
      if (nth === 0 && player.instrument === "guitar") return carries ? 0 : 0.8;
      return isHigh(idea) || cell.role === "line" ? 0 : 0.4;
    },
    dislikeOut: ({ player, nth }) => (player.instrument === "guitar" && nth === 0 ? 0.8 : 0),
  },
  sparse: {
    words: "few at a time, and each of them little",
    fits: () => true,
    share: () => 0.6,
    dislike: ({ idea }) => Math.max(0, (idea.full - 1) / 3),
    dislikeOut: () => 0,
  },
  "voice and keys first": {
    words: "voice and keys begin, guitars wait and then colour",
    fits: (asked) => count(asked, "keys") > 0 || (count(asked, "voice") > 0 && count(asked, "guitar") > 1),
    share: () => 0.85,
    dislike: ({ idea, player, place, carries }) => {
      if (player.instrument === "keys") return carries ? 0 : 0.4;
      if (player.instrument !== "guitar") return 0;
      return place < 0.4 ? 0.8 : carries && !isHigh(idea) ? 0.6 : Math.max(0, (idea.full - 2) / 4);
    },
    dislikeOut: ({ player, place }) =>
      player.instrument === "keys" ? 0.8 : player.instrument === "guitar" && place > 0.5 ? 0.5 : 0,
  },
  "two guitars in contrast": {
    words: "two guitars that are two instruments: low and open, small and high",
    fits: (asked) => count(asked, "guitar") > 1,
    share: () => 1.1,
    dislike: ({ idea, player, nth, carries }) => {
      if (player.instrument !== "guitar") return 0;
      if (nth % 2 === 0) return isHigh(idea) ? 0.7 : carries ? 0 : 0.2;
      return isHigh(idea) ? 0 : 0.7;
    },
    dislikeOut: ({ player }) => (player.instrument === "guitar" ? 0.4 : 0),
  },
  "one guitar and loops": {
    words: "one guitar lays down layers, and plays over them",
    fits: ({ players }) => players.some((player) => isThere(player) && player.loops),
    share: (_, at, { uses }) => (at < uses.length / 3 ? 0.6 : 1),
    // What goes round are chords and rhythm; lines come over them, and a bass only where it is missed.
    dislike: ({ cell, idea, player, use }) => {
      if (!player.loops) return player.instrument === "guitar" ? 0.3 : 0;
      if (cell.role === "bass") return use.bass === "needed" ? 0.2 : 0.9;
      return idea.line ? 0.5 : 0;
    },
    dislikeOut: ({ player }) => (player.loops ? 0.9 : 0.1),
  },
});

export const schoolWords = (school: ArrangeSchool): string => SCHOOL_PLANS[school].words;

export const schoolFits = (school: ArrangeSchool, asked: ArrangeCase): boolean =>
  SCHOOL_PLANS[school].fits(asked);

export const schoolShare =
  (school: ArrangeSchool, asked: ArrangeCase) =>
  (use: ArrangeUse, at: number): number =>
    SCHOOL_PLANS[school].share(use, at, asked);

/** Which of those there with their instrument a player is, from 0. */
function nthOf({ players }: ArrangeCase, who: number): number {
  let nth = 0;
  for (let before = 0; before < who; before++)
    if (isThere(players[before]!) && players[before]!.instrument === players[who]!.instrument) nth++;
  return nth;
}

/** What every school thinks of an idea that is for once. */
const RARE = 0.5;

/** What a school thinks of what a player does in a use, 0 well to 1 ill. */
export function schoolDislike(
  school: ArrangeSchool,
  asked: ArrangeCase,
  at: number,
  who: number,
  cell: ArrangeCell,
): number {
  const player = asked.players[who]!;
  if (!isThere(player)) return 0;
  const plan = SCHOOL_PLANS[school];
  const look = {
    player,
    nth: nthOf(asked, who),
    use: asked.uses[at]!,
    place: asked.uses.length > 1 ? at / (asked.uses.length - 1) : 0.5,
  };
  const idea = plays(cell) ? ideaOf(cell.idea) : null;
  if (!idea) return plan.dislikeOut(look);
  const sung = look.use.voice !== null && count(asked, "voice") > 0;
  const carries = cell.role === "carry" || (sung && idea.roles.includes("carry"));
  return Math.min(1, plan.dislike({ ...look, cell, idea, carries }) + (idea.rare ? RARE : 0));
}
