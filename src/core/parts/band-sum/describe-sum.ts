import { assertNever } from "../../../base";
import { formatNoteName, formatPitchIn, type Key, nameInKey } from "../../pitch";
import type { SumProblem } from "./judge-sum";

/**
 * What is not right in a sum of the band, in one sentence.
 * @param nameOf a player's name by id
 * @param write how pitches and notes are written; as they are when left out
 */
export function describeSumProblem(
  problem: SumProblem,
  key: Key,
  nameOf: (playerId: string) => string,
  write: (text: string) => string = (text) => text,
): string {
  const names = (ids: readonly string[]) => ids.map(nameOf).join(" and ");
  const pitch = (midi: number) => write(formatPitchIn(midi, key));
  switch (problem.code) {
    case "no-third":
      return "Nobody plays the third: it is neither major nor minor.";
    case "thirds-crowded":
      return `The third sounds ${problem.times} times (${names(problem.playerIds)}): it sticks out.`;
    case "sus-beside-third":
      return `${names(problem.playerIds)} holds ${pitch(problem.sus)} a semitone beside the third, ${pitch(problem.third)}.`;
    case "wrong-lowest":
      return `${names(problem.playerIds)} has ${pitch(problem.lowest)} at the bottom, where ${write(formatNoteName(nameInKey(problem.wanted, key)))} belongs.`;
    case "too-close-low":
      return `${pitch(problem.low)} and ${pitch(problem.high)} (${names(problem.playerIds)}) are too close for how low they are: they blur.`;
    default:
      return assertNever(problem);
  }
}
