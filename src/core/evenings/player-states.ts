import { buildOf, hasLoopBox, looperPlayer, songLoops } from "../loops";
import {
  hasStrings,
  indexCells,
  isOut,
  type Outline,
  outlineOf,
  resolveCell,
  type Timeline,
  timelineOf,
} from "../song/read";
import type { Instrument, Player, VersionBody } from "../song/schema";
import { bankNumber, hasSoundBox, playerTones, slotStates } from "../sounds";

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
  /** How long the loops they play the song with are recorded before it, s; null without a looper. */
  readonly build: number | null;
};

/** What one person brings for a song. */
export type Packed = Pick<PlayerState, "person" | "name" | "instrument" | "tuning"> & {
  readonly capo: boolean;
  /** Boxes and loopers, by name; single pedals by what they do. */
  readonly gear: readonly string[];
  /** Sounds that the box does not hold as they are now. */
  readonly toSave: readonly string[];
};

/** A song of an evening: how long it lasts, and how everybody goes into it and comes out. */
export type SongEdges = {
  readonly seconds: number;
  readonly starts: readonly PlayerState[];
  readonly ends: readonly PlayerState[];
  readonly packs: readonly Packed[];
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
  const packs: Packed[] = [];
  const looper = looperOf(body, outline, timeline);
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
    const build = looper?.playerId === player.id ? looper.seconds : null;
    starts.push({ ...state, capo: first.capo.value, bank: bankAt(0), build });
    ends.push({ ...state, capo: last.capo.value, bank: bankAt(-1), build });
    const box = isPlanned ? plan?.song.box : null;
    packs.push({
      ...state,
      capo: cells.some(({ capo }) => capo.value > 0),
      gear: [
        ...(box ? (box.kind === "pedals" ? box.pedals.map(({ effect }) => effect) : [box.name]) : []),
        ...(build === null ? [] : [looper!.name]),
      ],
      toSave: plan?.plan && box?.kind === "banks" ? unsaved(body, plan.song, plan.plan.banks) : [],
    });
  }
  return { seconds: timeline.seconds, starts, ends, packs };
}

/** Sounds of a plan that stand in no slot of the real box as they are now. */
const unsaved = (
  body: VersionBody,
  song: Parameters<typeof slotStates>[1],
  banks: Parameters<typeof slotStates>[2],
): string[] => [
  ...new Set(
    slotStates(body, song, banks).flatMap(({ sound, state }) => (state.is === "saved" ? [] : [sound])),
  ),
];

/** Whose feet a described looper stands at, and how long its loops are built; null where the song has none. */
function looperOf(body: VersionBody, outline: Outline, timeline: Timeline) {
  if (!hasLoopBox(body)) return null;
  const { asked, box } = songLoops(body, outline, timeline);
  const playerId = looperPlayer(body)?.id;
  return asked && playerId !== undefined
    ? { playerId, name: box.name, seconds: buildOf(asked).seconds }
    : null;
}
