import { hasStrings, indexCells, isOut, outlineOf, resolveCell, timelineOf } from "../song/read";
import type { Instrument, Player, VersionBody } from "../song/schema";
import { bankNumber, hasSoundBox, playerTones } from "../sounds";

/** What one person has in hands and at their feet at a moment. */
export type PlayerState = {
  /** The person through the evening: the band's player, or the name where there is none. */
  readonly person: string;
  readonly name: string;
  readonly instrument: Instrument;
  readonly tuning: readonly string[];
  readonly capo: number;
  /** The bank of the box that is on, as the box numbers it; null without one. */
  readonly bank: number | null;
};

/** A song of an evening: how long it lasts, and how everybody goes into it and comes out. */
export type SongEdges = {
  readonly seconds: number;
  readonly starts: readonly PlayerState[];
  readonly ends: readonly PlayerState[];
};

/** Who a player is through an evening: the band's player, or the name where there is none. */
export const personOf = ({ bandPlayerId, name }: Player): string => bandPlayerId ?? `name ${name}`;

/** Search steps for the banks of one player. */
const BUDGET = 4000;

/** Reads how a version begins and ends for everybody who plays in it. */
export function songEdges(body: VersionBody): SongEdges {
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const index = indexCells(body, outline);
  const [starts, ends]: [PlayerState[], PlayerState[]] = [[], []];
  /** Only who has a sound named has a bank to be on. */
  const changers = new Set(
    Object.values(body.cells).flatMap(({ playerId, sound }) => (sound ? [playerId] : [])),
  );
  for (const player of Object.values(body.players)) {
    const cells = outline.form.map((use) => resolveCell(index, use, player)).filter((cell) => !isOut(cell));
    const [first, last] = [cells[0], cells.at(-1)];
    if (!first || !last) continue;
    const isPlanned = hasStrings(player) && changers.has(player.id) && hasSoundBox(body, player.id);
    const plan = isPlanned ? playerTones(body, player.id, BUDGET) : null;
    const bankAt = (at: number): number | null => {
      const step = plan?.plan?.steps.at(at);
      return step && plan?.song.box.kind === "banks" ? bankNumber(plan.song.box, step.bank) : null;
    };
    const state = {
      person: personOf(player),
      name: player.name,
      instrument: player.instrument,
      tuning: player.tuning,
    };
    starts.push({ ...state, capo: first.capo.value, bank: bankAt(0) });
    ends.push({ ...state, capo: last.capo.value, bank: bankAt(-1) });
  }
  return { seconds: timeline.seconds, starts, ends };
}
