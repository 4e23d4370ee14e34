import { parseChord } from "../chord";
import { type Fingering, type Frets, type HandEvent, type Move, voicePath } from "../fretboard";
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
import { type HandRequest, handKey, handOf, optionsOf, requestKey } from "./shapes";

/** A chord of a player's song with where it stands. Neighbours alike are one. */
export type PlanEvent = {
  /** The sounding symbol. */
  readonly symbol: string;
  readonly beats: number;
  /** Frets somebody chose here. */
  readonly lock: Frets | null;
  readonly useId: string;
  readonly chordId: string;
  /** The section it is in, and what its place in the form is called. */
  readonly section: string;
  readonly label: string;
  /** Of its time through the section, from 1; 0 is a pickup before it. */
  readonly bar: number;
};

/** A stretch played by one hand with one capo and voicing, without a silence of the player's own. */
type PlanRun = { readonly hand: HandRequest; readonly events: readonly PlanEvent[] };

/** Everything a plan is made from: plain values, so that equal ones are the same question. */
export type PlanRequest = {
  readonly runs: readonly PlanRun[];
  readonly beatMs: number;
  /** Whether one chord may have several shapes where that is the shorter way. */
  readonly vary: boolean;
};

export type PlannedRun = {
  readonly run: PlanRun;
  /** A fingering an event. */
  readonly path: readonly Fingering[];
  readonly moves: readonly Move[];
};

export type ShapePlan = {
  readonly runs: readonly PlannedRun[];
  readonly cost: number;
  readonly greedyCost: number;
  readonly exact: boolean;
};

/** Pairs of shape and hand looked at for each chord. */
const CANDIDATES = 100;
/**
 * A song's shapes, and the hands for them, are at most so much harder than their chord's easiest: a player would
 * rather lift a finger than learn a thinner chord or an odd barre. Ours, no source.
 */
const WITHIN = 0.15;

/** What a player's hand does through the song, as a question for {@link planShapes}. */
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
        const place = { useId: passage.use.id, chordId: chord.id, symbol: sounding };
        const spot = spotOf(player, hand.capo, place);
        const lock = findChoice(body, spot).choice?.frets ?? null;
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
          useId: passage.use.id,
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

const eventOf = (event: PlanEvent, lock: Frets | null, only: Frets | null): HandEvent[] => {
  const chord = parseChord(event.symbol);
  if (!chord.ok) return [];
  const { beats } = event;
  const held = { ...(lock ? { lock } : {}), ...(only ? { only } : {}) };
  return [{ kind: "chord", chord: chord.value, beats, ...held }];
};

/**
 * The shapes of a song on the hand's shortest way. Without `vary` each chord keeps one shape in a run: the one the
 * way takes for most of its beats; the rest is then planned again around those. Locks hold in any case; a lock no
 * hand can hold is passed over.
 */
export function planShapes({ runs, beatMs, vary }: PlanRequest): ShapePlan {
  const planned: PlannedRun[] = [];
  let [cost, greedyCost, exact] = [0, 0, true];
  for (const run of runs) {
    const options = {
      ...optionsOf(run.hand),
      limit: CANDIDATES,
      within: WITHIN,
      beatMs,
      gaps: "skip" as const,
    };
    const through = (lockOf: (event: PlanEvent) => Frets | null, usual?: ReadonlyMap<string, Frets>) =>
      voicePath(
        run.events.flatMap((event) => eventOf(event, lockOf(event), usual?.get(event.symbol) ?? null)),
        options,
      );
    const own = (event: PlanEvent) => event.lock;
    const held = through(own);
    const locks = held.ok ? own : () => null;
    const first = held.ok ? held : through(locks);
    if (!first.ok) continue;
    const usual = vary ? null : usualShapes(run, first.value.path);
    const second = usual && through(locks, usual);
    const { path, moves, ...sums } = second?.ok ? second.value : first.value;
    planned.push({ run, path, moves });
    cost += sums.cost;
    greedyCost += first.value.greedyCost;
    exact &&= sums.exact;
  }
  return { runs: planned, cost, greedyCost, exact };
}

/** The same song behind one capo throughout, whatever was chosen for the present one. */
export const behindCapo = (request: PlanRequest, capo: number): PlanRequest => ({
  ...request,
  runs: request.runs.map(({ hand, events }) => ({
    hand: { ...hand, capo },
    events: events.map((event) => ({ ...event, lock: null })),
  })),
});

/** By symbol the shape that sounds for most beats of it; of two the one met first. */
function usualShapes(run: PlanRun, path: readonly Fingering[]): Map<string, Frets> {
  const beats = new Map<string, Map<string, { frets: Frets; beats: number }>>();
  for (const [index, event] of run.events.entries()) {
    if (event.lock) continue;
    const shapes = beats.get(event.symbol) ?? new Map<string, { frets: Frets; beats: number }>();
    beats.set(event.symbol, shapes);
    const { frets } = path[index]!;
    const id = frets.join();
    shapes.set(id, { frets, beats: (shapes.get(id)?.beats ?? 0) + event.beats });
  }
  return new Map(
    [...beats].flatMap(([symbol, shapes]): [string, Frets][] => {
      const most = [...shapes.values()].reduce((best, one) => (one.beats > best.beats ? one : best));
      return most.frets.every((fret) => fret === null) ? [] : [[symbol, most.frets]];
    }),
  );
}

/** What chosen shapes really make, as it sounds, where that is another chord: by {@link requestKey} and frets. */
export function chosenAs(plan: ShapePlan): ReadonlyMap<string, string> {
  const made = new Map<string, string>();
  for (const { run, path } of plan.runs)
    for (const [index, { lock, symbol }] of run.events.entries()) {
      const { is, frets } = path[index]!;
      if (lock && is !== symbol) made.set(`${requestKey({ ...run.hand, symbol })} ${frets.join()}`, is);
    }
  return made;
}

/** The planned shape of each chord by {@link requestKey}: where a player's parts, stage and print look them up. */
export function shapesOfPlan(plan: ShapePlan): ReadonlyMap<string, Fingering> {
  const shapes = new Map<string, Fingering>();
  for (const { run, path } of plan.runs) {
    for (const [index, event] of run.events.entries()) {
      const key = requestKey({ ...run.hand, symbol: event.symbol });
      const found = path[index]!;
      if (event.lock || shapes.has(key) || found.frets.every((fret) => fret === null)) continue;
      shapes.set(key, found);
    }
  }
  return shapes;
}
