import type { LineSum } from "../rhythm";
import { Namer, type Reader, readerOf } from "../song/names";
import {
  barsIn,
  type ChordEvent,
  indexCells,
  outlineOf,
  type Passage,
  passageSum,
  type ResolvedCell,
  resolveCell,
  type TimedLine,
  timelineOf,
} from "../song/read";
import type { Player, VersionBody } from "../song/schema";
import { planRequest } from "./plan-request";
import { chosenAs, planShapes, shapesOfPlan } from "./shape-plan";
import { handOf, requestKey, type Shape, shapeAt } from "./shapes";

/** A chord in a player's own names with the shape they hold. `name` is what they read. */
type PartChord = {
  readonly name: string;
  readonly sounding: string;
  readonly readable: boolean;
  readonly shape: Shape | null;
  /** What a chosen shape really makes, in the player's names, where that is another chord. */
  readonly really: string | null;
};

/** What one player does the one time through a section. */
type PartPassage = {
  readonly passage: Passage;
  readonly cell: ResolvedCell;
  /** Who tells names here. */
  readonly namer: Namer;
  readonly lines: readonly { readonly timed: TimedLine; readonly sum: LineSum | undefined }[];
  /** By written symbol: each chord of the passage once, in the order met. */
  readonly chords: ReadonlyMap<string, PartChord>;
  /** What is held for each chord as it is played; null where nothing is. */
  readonly held: ReadonlyMap<ChordEvent, Shape | null>;
  /** Every shape held in the passage once, in the order met. */
  readonly shapes: readonly PassageShape[];
};

/** A shape of a passage. */
type PassageShape = {
  readonly name: string;
  readonly shape: Shape;
  readonly really: string | null;
  /** Where a chord is held in several shapes: the bar of the passage this one begins in, from 1; else null. */
  readonly fromBar: number | null;
};

export type PlayerPart = { readonly player: Player; readonly passages: readonly PartPassage[] };

/**
 * One player's whole part: the form played out, each passage in the names and shapes of the capo that
 * stands there. A guitar reads shapes; a bass reads what sounds.
 * @param readerAt who reads it behind a capo; the player, when left out
 */
export function playerPart(
  body: VersionBody,
  player: Player,
  readerAt: (capo: number) => Reader = (capo) => readerOf(player, capo),
): PlayerPart {
  const outline = outlineOf(body);
  const namers = new Map<string, Namer>();
  const namerAt = (capo: number, shift: number): Namer => {
    const key = `${capo} ${shift}`;
    const namer = namers.get(key) ?? new Namer(body, readerAt(capo), shift);
    namers.set(key, namer);
    return namer;
  };
  const whole = timelineOf(body, outline);
  const index = indexCells(body, outline, () => whole);
  const timeline = whole.passages;
  const plan = planShapes(planRequest(body, player, outline, whole, index));
  const planned = shapesOfPlan(plan);
  const others = chosenAs(plan);
  const passages = timeline.map((passage, at): PartPassage => {
    const cell = resolveCell(index, passage.use, player);
    const namer = namerAt(cell.capo.value, passage.shift);
    const sum = passageSum(passage, timeline[at + 1]);
    const chords = new Map<string, PartChord>();
    const held = new Map<ChordEvent, Shape | null>();
    const shapes: (Omit<PassageShape, "fromBar"> & { readonly tick: number })[] = [];
    for (const { outline: line, events } of passage.lines) {
      for (const [at, { chord }] of line.chords.entries()) {
        const named = namer.name(chord.symbol);
        const request = { ...handOf(player, cell), symbol: named.sounding };
        const spot = {
          ...request,
          playerId: player.id,
          useId: passage.use.id,
          sectionId: passage.use.sectionId,
          chordId: chord.id,
        };
        const found = named.chord
          ? shapeAt(body, spot, () => planned.get(requestKey(request)) ?? null)
          : null;
        const other = others.get(`${requestKey(request)} ${found?.shape?.frets.join()}`);
        const shape = found?.shape ?? null;
        held.set(events[at]!, shape);
        const really = other === undefined ? null : namer.readSounding(other);
        const { read: name, sounding } = named;
        if (!chords.has(chord.symbol))
          chords.set(chord.symbol, { name, sounding, readable: named.chord !== null, shape, really });
        const isKnown = shapes.some(
          (one) => one.name === name && one.shape.frets.join() === shape?.frets.join(),
        );
        if (shape && !isKnown) shapes.push({ name, shape, really, tick: events[at]!.tick });
      }
    }
    const lines = passage.lines.map((timed, line) => ({ timed, sum: sum.lines[line] }));
    return { passage, cell, namer, lines, chords, held, shapes: withBars(shapes, passage) };
  });
  return { player, passages };
}

/** Says where each of several shapes of one chord begins. */
function withBars(
  shapes: readonly (Omit<PassageShape, "fromBar"> & { readonly tick: number })[],
  passage: Passage,
): PassageShape[] {
  const bars = barsIn(passage);
  return shapes.map(({ tick, ...held }) => {
    const isOneOfSeveral = shapes.filter(({ name }) => name === held.name).length > 1;
    return { ...held, fromBar: isOneOfSeveral ? bars.findLastIndex((one) => one.tick <= tick) + 1 : null };
  });
}
