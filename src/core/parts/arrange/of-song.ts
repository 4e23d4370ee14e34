import type { Meter } from "../../rhythm";
import { versionRow } from "../../song/read";
import type { Player, VersionBody } from "../../song/schema";
import type { BandSheet, SheetPart, SheetRow } from "../band";
import { splitPlayer, splitSection } from "../split";
import {
  ARRANGE_WEIGHTS,
  type Arc,
  type ArrangeCase,
  type ArrangePlayer,
  type ArrangeUse,
  type ArrangeWeights,
  type Limit,
  type Taste,
} from "./case";
import { isDrawnUp } from "./draw-line";
import { figureIn } from "./figures";
import { IDEAS, type Idea, OUT } from "./ideas";

/** What is sung where words are sung and nobody has said how high; and what a singer reaches of whom nobody has. Ours. */
const USUAL_VOICE = Object.freeze({ low: 57, high: 69 });
const USUAL_REACH = [52, 74] as const;
const DRUMS_RANGE = [0, 127] as const;
const MOST_PLAYERS = 8;
const NO_TASTES: readonly Taste[] = [];

export type ArrangeWishes = {
  readonly away: ReadonlySet<string>;
  readonly arc: Arc;
  readonly weights?: ArrangeWeights;
  readonly limits: readonly Limit[];
  readonly tastes?: readonly Taste[];
  /** Places in the form where a bass and drums drop out on purpose: no bass is missed there. */
  readonly drops?: readonly number[];
};

/** The players of a song an arrangement is made for: the first eight. */
export const arrangedPlayers = ({ players }: BandSheet): readonly Player[] => players.slice(0, MOST_PLAYERS);

/** A song as a case for `arrange`: a use for each use, a player for each of the band, singers too. */
export function arrangeCaseOf(
  body: VersionBody,
  sheet: BandSheet,
  { away, arc, weights = ARRANGE_WEIGHTS, limits, tastes = NO_TASTES, drops = [] }: ArrangeWishes,
): ArrangeCase {
  const version = versionRow(body);
  const players = arrangedPlayers(sheet).map((player) => arrangePlayer(body, player, away.has(player.id)));
  const needsBass = hasBass(players);
  return {
    meter: { beats: version.meterBeats, unit: version.meterUnit },
    uses: sheet.rows.map((row, at) => {
      const use = arrangeUse(row, needsBass);
      return drops.includes(at) ? { ...use, bass: "free" } : use;
    }),
    players,
    arc,
    weights,
    limits: [...limits, ...drops.flatMap((at) => dropLimits(players, at))],
    tastes,
    ideas: null,
  };
}

/** Where a song drops, bass and drums are out. */
const dropLimits = (players: readonly ArrangePlayer[], at: number): Limit[] =>
  players.flatMap(({ instrument, away }, who): Limit[] =>
    !away && (instrument === "bass" || instrument === "drums")
      ? [{ rule: "not in", player: who, uses: [at], idea: null, instrument, number: null, words: "the drop" }]
      : [],
  );

/** The use before the last chorus, where a song may drop; null without one. */
export function dropBefore({ rows }: BandSheet): number | null {
  const last = rows.findLastIndex(({ section }) => section.kind === "chorus");
  return last > 0 ? last - 1 : null;
}

function arrangePlayer(
  { soundBoxes }: Pick<VersionBody, "soundBoxes">,
  player: Player,
  away: boolean,
): ArrangePlayer {
  // What one bank of their box has at hand, without a change of bank.
  const box = Object.values(soundBoxes).find(({ playerId }) => playerId === player.id);
  const own = splitPlayer(player);
  const range =
    player.instrument === "voice"
      ? (player.range ?? USUAL_REACH)
      : player.instrument === "drums"
        ? DRUMS_RANGE
        : own.range;
  return { ...own, range, away, sounds: box?.slots ?? null };
}

/** Whether somebody can have the bass beside whoever carries: where nobody can, it is missed by nobody. */
function hasBass(players: readonly ArrangePlayer[]): boolean {
  const there = players.filter(({ away }) => !away);
  const guitars = there.filter(({ instrument }) => instrument === "guitar");
  return (
    there.some(({ instrument }) => instrument === "bass") ||
    there.some(({ instrument }) => instrument === "keys") ||
    guitars.length > 1
  );
}

function arrangeUse(row: SheetRow, needsBass: boolean): ArrangeUse {
  const own = splitSection(row);
  const isSung = row.vocals && row.passage.lines.some(({ outline }) => outline.text !== "");
  return {
    ...own,
    section: row.section.id,
    kind: row.section.kind,
    voice: isSung ? (own.voice ?? USUAL_VOICE) : null,
    bass: row.bass ?? (needsBass ? "needed" : "free"),
  };
}

/**
 * Limits that hold what the sheet has already: whoever has a line keeps it and is built around; of `all`, everything that is
 * said of a cell. A cell that is like no idea is not touched, and its player only plays there.
 */
export function heldLimits(body: VersionBody, sheet: BandSheet, all: boolean): Limit[] {
  return sheet.rows.flatMap((row, at) =>
    arrangedPlayers(sheet).flatMap((player, who): Limit[] => {
      const part = row.parts.find((one) => one.player.id === player.id);
      if (!part || !isHeld(body, row, part, all)) return [];
      const idea = part.out ? OUT : ideaLike(part, row.passage.meter);
      const held = { player: who, uses: [at], number: null, instrument: player.instrument };
      const words = `what ${player.name} has in ${row.label}`;
      return [{ ...held, rule: idea === null ? "always" : "lock", idea, words }];
    }),
  );
}

/** Whether a part stays as it is: a line that somebody wrote, or all that is said of it. */
export const isHeld = (
  body: Pick<VersionBody, "version" | "riffNotes">,
  row: SheetRow,
  part: SheetPart,
  all: boolean,
): boolean =>
  (part.riff !== null && !part.out && !isDrawnUp(body, row, part)) ||
  (all && (part.technique !== null || part.out));

/** The idea a part is most like: of its technique, with onsets most alike; null where there is none. */
function ideaLike({ cell, onsets, player }: SheetPart, meter: Meter): string | null {
  const own = new Set(onsets);
  const shared = ({ figure }: Idea) => figureIn(figure, meter).onsets.filter((tick) => own.has(tick)).length;
  const alike = IDEAS.filter(
    ({ instrument, technique }) => instrument === player.instrument && technique === cell.technique.value,
  );
  return (
    alike.reduce<Idea | null>((best, idea) => (best && shared(best) >= shared(idea) ? best : idea), null)
      ?.id ?? null
  );
}
