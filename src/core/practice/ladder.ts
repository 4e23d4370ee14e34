import type { Ticks } from "../../base";
import type { TimedStroke } from "../playing";
import { PLAIN_WEIGHT } from "../rhythm";
import type { LivePassage } from "../stage";
import type { HeardPart } from "./heard-part";
import { beginsOf } from "./run";

/** What of a part is played on a step: one hand first, then both, then with everybody. */
const STEP_KINDS = ["right hand", "left hand", "on the beat", "pattern", "line", "all"] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** A step of the ladder: what is played, and how fast, in hundredths of the tempo written. */
export type LadderStep = { readonly kind: StepKind; readonly percent: number };

/** A part whose strokes are more than so many times its chords has a pattern of its own. Ours, no source. */
const PATTERN_FROM = 1.5;
const FULL = 100;

/**
 * How fast to begin: the harder the hardest change is for the time it has, the slower. Ours, no source.
 * @param load of the hardest change: what it costs the hand, by the second it has
 * @example firstPercent(3) // => 70
 */
export const firstPercent = (load: number): number => (load < 2 ? 80 : load < 4 ? 70 : load < 8 ? 60 : 50);

/** From the first tempo to the full one, in steps of at most 20. */
function climb(first: number): number[] {
  const steps = Math.max(1, Math.ceil((FULL - first) / 20));
  return Array.from(
    { length: steps + 1 },
    (_, at) => Math.round((first + ((FULL - first) * at) / steps) / 5) * 5,
  );
}

/**
 * The steps of a part between two places of a song: the striking hand on damped strings, the other hand alone, both on the beat,
 * then the pattern, the line, and all with the band, from slow to full. What a part does not have is no step.
 * @param load of its hardest change; see {@link firstPercent}
 */
export function ladderOf(part: HeardPart, from: Ticks, to: Ticks, load: number): LadderStep[] {
  const strokes = part.strokes.filter((one) => one.tick >= from && one.tick < to);
  const notes = part.notes.filter((one) => one.tick >= from && one.tick < to);
  const changes = changesOf(strokes).length;
  const struck = strokes.filter(({ stroke }) => stroke.kind !== "choke").length;
  const hasShapes = strokes.some(({ held }) => held !== null);
  const hasPattern = struck > changes * PATTERN_FROM;
  const first = firstPercent(load);
  const slow = (kind: StepKind): LadderStep => ({ kind, percent: first });
  const rising = (kind: StepKind): LadderStep[] => climb(first).map((percent) => ({ kind, percent }));
  const hasDrums = part.drums.some((one) => one.tick >= from && one.tick < to);
  if (struck === 0 && notes.length === 0 && !hasDrums) return [];
  return [
    ...(hasPattern && hasShapes ? [slow("right hand")] : []),
    ...(hasShapes && changes > 1 ? [slow("left hand")] : []),
    ...(hasPattern ? [slow("on the beat"), ...rising("pattern")] : []),
    ...(notes.length > 0 ? rising("line") : []),
    ...rising("all"),
  ];
}

/** The first stroke of each chord. */
const changesOf = (strokes: readonly TimedStroke[]): TimedStroke[] =>
  strokes.filter((one, at) => {
    const before = strokes[at - 1];
    return one.stroke.kind !== "choke" && (!before || handOf(before) !== handOf(one));
  });

const handOf = ({ held, notes }: TimedStroke): string =>
  held ? `${held.capo} ${held.frets.join()}` : notes.join();

/** What a part sounds on a step. */
export function stepPart(part: HeardPart, kind: StepKind, passages: readonly LivePassage[]): HeardPart {
  switch (kind) {
    case "right hand":
      return {
        ...part,
        notes: [],
        strokes: part.strokes.flatMap((one): TimedStroke[] =>
          one.stroke.kind === "choke" ? [] : [{ ...one, stroke: { kind: "dead" } }],
        ),
      };
    case "left hand": {
      const changes = changesOf(part.strokes);
      return {
        ...part,
        notes: [],
        strokes: changes.map((one, at) => ({
          ...one,
          stroke: { kind: "down", weight: PLAIN_WEIGHT },
          until: changes[at + 1]?.tick ?? one.until,
        })),
      };
    }
    case "on the beat":
      return { ...part, notes: [], strokes: onBeats(part.strokes, passages) };
    case "pattern":
      return { ...part, notes: [] };
    case "line":
      return { ...part, strokes: [] };
    case "all":
      return part;
  }
}

/** Each chord struck down on every beat it is held. */
function onBeats(strokes: readonly TimedStroke[], passages: readonly LivePassage[]): TimedStroke[] {
  const begins = beginsOf(passages);
  const beats = passages.flatMap(({ bars, beat, ticks }, at) =>
    bars.flatMap((line, bar) => {
      const end = bars[bar + 1] ?? ticks;
      return Array.from(
        { length: Math.ceil((end - line) / beat) },
        (_, index) => begins[at]! + line + index * beat,
      );
    }),
  );
  let next = 0;
  return beats.flatMap((tick): TimedStroke[] => {
    while (strokes[next + 1] && strokes[next + 1]!.tick <= tick) next++;
    const here = strokes[next];
    if (!here || here.tick > tick || here.until <= tick || here.stroke.kind === "choke") return [];
    return [{ ...here, tick, stroke: { kind: "down", weight: PLAIN_WEIGHT } }];
  });
}
