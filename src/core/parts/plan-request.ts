import type { Fingering, Frets, HeldShape } from "../fretboard";
import { beatsOfTicks } from "../rhythm";
import { namerByShift } from "../song/names";
import {
  barsIn,
  type CellIndex,
  findChoice,
  hasStrings,
  indexCells,
  isOut,
  type Outline,
  outlineOf,
  resolveCell,
  spotOf,
  type Timeline,
  timelineOf,
  versionRow,
} from "../song/read";
import type { Player, VersionBody } from "../song/schema";
import { keptShapes } from "./shape-book";
import { type HandRequest, handKey, handOf } from "./shapes";

/** Whether somebody's shape says its fingers. */
const isHeld = ({ fingers }: HeldShape): boolean => fingers.some((finger) => finger !== null);

/** A chord of a player's song with where it stands. Neighbours alike are one. */
export type PlanEvent = {
  /** The sounding symbol. */
  readonly symbol: string;
  readonly beats: number;
  /** Frets somebody chose here. */
  readonly lock: Frets | null;
  /** The fingers they chose with it; null is whichever are easiest. */
  readonly fingers: Fingering["fingers"] | null;
  /** Shapes of the player's book, one of which is held unless somebody chose here. */
  readonly book: readonly HeldShape[];
  readonly useId: string;
  readonly sectionId: string;
  readonly chordId: string;
  /** The section it is in, and what its place in the form is called. */
  readonly section: string;
  readonly label: string;
  /** Of its time through the section, from 1; 0 is a pickup before it. */
  readonly bar: number;
};

/** A stretch played by one hand with one capo and voicing, without a silence of the player's own. */
export type PlanRun = { readonly hand: HandRequest; readonly events: readonly PlanEvent[] };

/** Everything a plan is made from: plain values, so that equal ones are the same question. */
export type PlanRequest = {
  readonly runs: readonly PlanRun[];
  readonly beatMs: number;
  /** Whether one chord may have several shapes where that is the shorter way. */
  readonly vary: boolean;
};

/** What a player's hand does through the song, as a question for `planShapes`. */
export function planRequest(
  body: VersionBody,
  player: Player,
  outline: Outline = outlineOf(body),
  timeline: Timeline = timelineOf(body, outline),
  index: CellIndex = indexCells(body, outline, () => timeline),
): PlanRequest {
  const version = versionRow(body);
  const runs: { hand: HandRequest; events: PlanEvent[] }[] = [];
  if (!hasStrings(player)) return { runs, beatMs: 60000 / version.bpm, vary: false };
  const namerAt = namerByShift(body);
  const own = Object.values(body.bookShapes).filter((one) => one.playerId === player.id);
  let open: (typeof runs)[number] | null = null;
  for (const passage of timeline.passages) {
    const cell = resolveCell(index, passage.use, player);
    if (isOut(cell)) {
      open = null;
      continue;
    }
    const hand = handOf(player, cell);
    if (!open || handKey(open.hand) !== handKey(hand)) {
      open = { hand, events: [] };
      runs.push(open);
    }
    const namer = namerAt(passage.shift);
    const barsInTime = barsIn(passage);
    for (const line of passage.lines) {
      for (const [at, { chord }] of line.outline.chords.entries()) {
        const { sounding, chord: readable } = namer.name(chord.symbol);
        const event = line.events[at]!;
        if (!readable || event.ticks <= 0) continue;
        const { id: useId, sectionId } = passage.use;
        const spot = spotOf(player, hand, { useId, sectionId, chordId: chord.id, symbol: sounding });
        const { choice } = findChoice(body, spot);
        const lock = choice?.frets ?? null;
        const kept = lock ? [] : keptShapes(own, { ...hand, symbol: sounding });
        const beats = beatsOfTicks(event.ticks, version.beatUnit);
        const last = open.events.at(-1);
        if (last && last.symbol === sounding && last.lock?.join() === lock?.join()) {
          open.events[open.events.length - 1] = { ...last, beats: last.beats + beats };
          continue;
        }
        const bar = barsInTime.findLastIndex((one) => one.tick <= event.tick) + 1;
        open.events.push({
          symbol: sounding,
          beats,
          lock,
          fingers: choice && isHeld(choice) ? choice.fingers : null,
          book: kept.map(({ frets, fingers }) => ({ frets, fingers })),
          useId,
          sectionId,
          chordId: chord.id,
          section: passage.section.label,
          label: passage.label,
          bar,
        });
      }
    }
  }
  return { runs: runs.filter((run) => run.events.length > 0), beatMs: 60000 / version.bpm, vary: false };
}

/** The same song behind one capo throughout, whatever was chosen for the present one. */
export const behindCapo = (request: PlanRequest, capo: number): PlanRequest => ({
  ...request,
  runs: request.runs.map(({ hand, events }) => ({
    hand: { ...hand, capo },
    events: events.map((event) => ({ ...event, lock: null, fingers: null, book: [] })),
  })),
});
