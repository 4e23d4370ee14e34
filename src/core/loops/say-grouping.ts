import type { LoopCase } from "./loop-case";
import { divides } from "./loop-case";
import { type LoopProblem, planLoops } from "./plan";

const lengthOf = (bars: number): string => `${bars} ${bars === 1 ? "bar" : "bars"}`;

/** Two layers pinned to one track that can't share it, or null. */
export function pinnedApart({ layers, pins }: Pick<LoopCase, "layers" | "pins">) {
  for (const [at, a] of layers.entries())
    for (const b of layers.slice(at + 1))
      if (
        Object.hasOwn(pins, a.id) &&
        pins[a.id] === pins[b.id] &&
        !divides(a.bars, b.bars) &&
        !divides(b.bars, a.bars)
      )
        return { a, b };
  return null;
}

/**
 * Why layers can't be put on the tracks, and the way out.
 * @example "1 track is too few: pulse (3 bars) and clap (2 bars) can't share one, …"
 */
export function sayLoopProblem(
  problem: LoopProblem,
  asked: LoopCase,
  nameOf: (layer: string) => string = (id) => id,
): string {
  if (problem.code === "no-layers") return "There is no layer yet: add one to plan with.";
  const { pair, tracks } = problem;
  const said = (one: { readonly id: string; readonly bars: number }) =>
    `${nameOf(one.id)} (${lengthOf(one.bars)})`;
  if (isPinsFault(asked)) {
    const apart = pinnedApart(asked);
    return apart
      ? `${said(apart.a)} and ${said(apart.b)} are put on one track, and neither length goes into the other. Let one go to another track.`
      : "The tracks that layers are put on leave no place for the others. Let one of them go.";
  }
  const few = tracks === 1 ? "1 track is" : `${tracks} tracks are`;
  return pair
    ? `${few} too few: ${said(pair.a)} and ${said(pair.b)} can't share one, because neither length goes into the other. Change a length, take a layer out, or use a box with more tracks.`
    : `${few} too few for these layers. Take a layer out, or use a box with more tracks.`;
}

/** Whether the layers would fit if no track were prescribed. */
export const isPinsFault = (asked: LoopCase): boolean =>
  Object.keys(asked.pins).length > 0 && planLoops({ ...asked, pins: {}, budget: 0 }, { trade: false }).ok;
