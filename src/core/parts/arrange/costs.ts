import { techniqueOf } from "../../song/read";
import { isTwice, sharedOnsets, sharedSemitones } from "../split";
import {
  type ArrangeCase,
  type ArrangeCell,
  type ArrangePlayer,
  type ArrangeSchool,
  type ArrangeUse,
  type ArrangeWeights,
  isThere,
  plays,
} from "./case";
import { type Hand, ideaOf } from "./ideas";
import { schoolDislike } from "./schools";
import { tasteGap } from "./tastes";
import type { Want } from "./wants";

/** What counts in a use, by bar: a number for each term that is not nothing. */
type Values = Partial<Record<keyof ArrangeWeights, number>>;

export function weigh(values: Values, weights: ArrangeWeights): number {
  let sum = 0;
  // One of the few things done a hundred thousand times: no list is made of it.
  for (const name in values) {
    const value = values[name as keyof ArrangeWeights];
    if (value) sum += value * weights[name as keyof ArrangeWeights];
  }
  return sum;
}

/** How full what an instrument does has to be: a bass may stay plain, a drum and a voice may not decide it alone. */
const FULL_SHARE: Readonly<Record<ArrangePlayer["instrument"], number>> = Object.freeze({
  guitar: 1,
  bass: 0.5,
  keys: 1,
  drums: 0.75,
  voice: 0.25,
});

/** What a player's doing costs in each bar of a use by itself. */
export function ownValues(
  asked: ArrangeCase,
  school: ArrangeSchool,
  want: Want,
  at: number,
  who: number,
  cell: ArrangeCell,
): Values {
  const use = asked.uses[at]!;
  const player = asked.players[who]!;
  const dislike = schoolDislike(school, asked, at, who, cell);
  const idea = plays(cell) ? ideaOf(cell.idea) : null;
  if (!idea) return { school: dislike, full: voiceMissed(player, use, want) };
  const sings = player.instrument === "voice" && cell.role === "carry";
  // Voices go together in their register.
  const inside =
    use.voice && cell.role !== "bass" && player.instrument !== "voice" ? sharedSemitones(cell, use.voice) : 0;
  const others = sings && singersOf(asked)[0] !== who;
  const turn = takesBass(asked, player, cell) || others ? 1 : 0;
  const taste = tasteGap(asked, use.kind, cell.idea);
  const full = (FULL_SHARE[player.instrument] * Math.abs(idea.full - want.full)) / 4;
  return { voice: inside, full, school: dislike, taste, role: turn };
}

/** Whether somebody has the bass while a bass player is there. */
const takesBass = ({ players }: ArrangeCase, player: ArrangePlayer, cell: ArrangeCell): boolean =>
  cell.role === "bass" &&
  player.instrument !== "bass" &&
  players.some((one) => isThere(one) && one.instrument === "bass");

/** Where a song is full, voices are missed: 1 at its fullest. */
const voiceMissed = (player: ArrangePlayer, use: ArrangeUse, want: Want): number =>
  player.instrument === "voice" && isThere(player) && use.voice !== null ? Math.max(0, want.full - 2) / 2 : 0;

/** What two cost each other in each bar in which both play. */
export function pairValues(
  a: ArrangeCell,
  b: ArrangeCell,
  playerA: ArrangePlayer,
  playerB: ArrangePlayer,
): Values {
  if (!plays(a) || !plays(b)) return {};
  // A bass and drums are meant to strike with the others; who carries is not disturbed by what goes along.
  const apart = [a, b].every(({ role, low }) => role !== "carry" && role !== "bass" && low !== null);
  return {
    register: playerA.instrument === "voice" && playerB.instrument === "voice" ? 0 : sharedSemitones(a, b),
    rhythm: apart ? sharedOnsets(a.onsets, b.onsets) : 0,
    contrast: areGuitars(playerA, playerB) ? likeness(a, b) : 0,
    role: a.role === "bass" && b.role === "bass" ? 2 : 0,
  };
}

const areGuitars = (a: Pick<ArrangePlayer, "instrument">, b: Pick<ArrangePlayer, "instrument">) =>
  a.instrument === "guitar" && b.instrument === "guitar";

/** What two guitars have in common: technique, hand, strings and how long they hold, a quarter each. */
function likeness(a: ArrangeCell, b: ArrangeCell): number {
  const [one, other] = [ideaOf(a.idea), ideaOf(b.idea)];
  if (!one || !other) return 0;
  const long = (cell: ArrangeCell) => cell.onsets.length <= 2;
  return (
    (Number(a.technique === b.technique) +
      Number(one.hand === other.hand) +
      Number(a.strings.join() === b.strings.join()) +
      Number(long(a) === long(b))) /
    4
  );
}

/** A lead that its singer does not sing counts so many times nobody carrying. */
export const UNSUNG = 6;

/** What all of them together cost in each bar of a use. */
export function togetherValues(
  asked: ArrangeCase,
  want: Want,
  at: number,
  cells: readonly ArrangeCell[],
): Values {
  const use = asked.uses[at]!;
  const playing = cells.filter(
    (cell, who) => plays(cell) && asked.players[who]!.instrument !== "voice",
  ).length;
  const lead = cells.some((cell, who) => cell.role === "carry" && asked.players[who]!.instrument === "voice");
  const carried = cells.some(({ role }) => role === "carry");
  return {
    crowd: Math.abs(playing - want.players),
    bass: missesBass(use, cells) ? use.chordBars.length / use.bars : 0,
    role: (carried ? 0 : 1) + (use.voice && singersOf(asked).length > 0 && !lead ? UNSUNG : 0),
  };
}

export const singersOf = ({ players }: ArrangeCase): readonly number[] =>
  players.flatMap((player, who) => (player.instrument === "voice" && isThere(player) ? [who] : []));

export const missesBass = (use: ArrangeUse, cells: readonly ArrangeCell[]): boolean =>
  use.bass === "needed" && use.chordBars.length > 0 && !cells.some(({ role }) => role === "bass");

/** What changes for a player from one use to the next: technique, strings, place, sound 1 each, role ½. */
export function changeValue(before: ArrangeCell, after: ArrangeCell): number {
  if (!plays(before) || !plays(after) || before === after) return 0;
  const place = (cell: ArrangeCell) => ideaOf(cell.idea)?.place;
  return (
    Number(before.technique !== after.technique) +
    Number(before.strings.join() !== after.strings.join()) +
    Number(place(before) !== place(after)) +
    Number(before.colour !== after.colour) +
    (before.role === after.role ? 0 : 0.5)
  );
}

/** How far an idea that is had in another section already counts, by instrument: a bass may walk through a song. */
export const SAME_SHARE: Readonly<Record<ArrangePlayer["instrument"], number>> = Object.freeze({
  guitar: 1,
  bass: 0.25,
  keys: 0.5,
  drums: 0.25,
  voice: 0,
});

/** Whether a colour is one more than a player's box has sounds for, after those had before. */
export const isOneTooMany = (
  { sounds }: ArrangePlayer,
  { colour }: Pick<ArrangeCell, "colour">,
  had: ReadonlySet<ArrangeCell["colour"]>,
): boolean => sounds !== null && colour !== null && !had.has(colour) && had.size >= sounds;

/** After so many uses out it counts no more. */
const LONGEST_WAIT = 4;

/** Bars out, counted once for the first use and more with every further one in a row. */
export const idleValue = (player: ArrangePlayer, bars: number, waited: number): number =>
  player.instrument === "voice" || !isThere(player) ? 0 : bars * Math.min(LONGEST_WAIT, waited);

/** From so many semitones between their middles two guitars lie apart. */
const APART = 7;

const middleOf = ({ low, high }: ArrangeCell): number => ((low ?? 0) + (high ?? 0)) / 2;

/** Whether two guitars are one guitar twice: one technique in one register. */
const isOneGuitar = (a: ArrangeCell, b: ArrangeCell): boolean =>
  plays(a) && plays(b) && a.technique === b.technique && Math.abs(middleOf(a) - middleOf(b)) < APART;

const handOf = ({ idea }: ArrangeCell): Hand => ideaOf(idea)?.hand ?? "none";
const isPicked = (cell: ArrangeCell): boolean =>
  plays(cell) &&
  (handOf(cell) === "fingers" || cell.technique === "picking" || cell.technique === "thumb-bass");
const isSwept = (cell: ArrangeCell): boolean =>
  plays(cell) &&
  cell.technique !== null &&
  (handOf(cell) === "strum" || techniqueOf(cell.technique).sweeps === true);

/** Whether the fingers of one are lost beside the strum of the other: it covers more than half of their range. */
const drowns = (a: ArrangeCell, b: ArrangeCell): boolean => drownedBy(a, b) || drownedBy(b, a);

function drownedBy(fingers: ArrangeCell, strum: ArrangeCell): boolean {
  if (!isPicked(fingers) || !isSwept(strum)) return false;
  return 2 * sharedSemitones(fingers, strum) > fingers.high! - fingers.low!;
}

/** The laws two break together, by number. */
export function pairLaws(
  a: ArrangeCell,
  b: ArrangeCell,
  playerA: ArrangePlayer,
  playerB: ArrangePlayer,
): readonly (1 | 3 | 4)[] {
  if (!plays(a) || !plays(b)) return [];
  return [
    ...(isTwice(a, b) || (a.role === "carry" && b.role === "carry") ? ([1] as const) : []),
    ...(areGuitars(playerA, playerB) && isOneGuitar(a, b) ? ([3] as const) : []),
    ...(drowns(a, b) ? ([4] as const) : []),
  ];
}
