import { assertNever } from "../../base";
import type { LoopProblem } from "./plan";

const lengthOf = (bars: number): string => `${bars} ${bars === 1 ? "bar" : "bars"}`;

/**
 * Why layers can't be put on the tracks, and the way out.
 * @example "1 track is too few: pulse (3 bars) and clap (2 bars) can't share one, …"
 */
export function describeLoopProblem(
  problem: LoopProblem,
  nameOf: (layer: string) => string = (id) => id,
): string {
  const said = (one: { readonly id: string; readonly bars: number }) =>
    `${nameOf(one.id)} (${lengthOf(one.bars)})`;
  switch (problem.code) {
    case "no-layers":
      return "There is no layer yet: add one to plan with.";
    case "pins-apart":
      return `${said(problem.pair.a)} and ${said(problem.pair.b)} are put on one track, and neither length goes into the other. Let one go to another track.`;
    case "pins":
      return "The tracks that layers are put on leave no place for the others. Let one of them go.";
    case "no-grouping": {
      const { pair, tracks } = problem;
      const few = tracks === 1 ? "1 track is" : `${tracks} tracks are`;
      return pair
        ? `${few} too few: ${said(pair.a)} and ${said(pair.b)} can't share one, because neither length goes into the other. Change a length, take a layer out, or use a box with more tracks.`
        : `${few} too few for these layers. Take a layer out, or use a box with more tracks.`;
    }
    default:
      return assertNever(problem);
  }
}
