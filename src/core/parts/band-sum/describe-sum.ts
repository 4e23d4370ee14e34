import { assertNever, type Midi } from "../../../base";
import type { SumProblem } from "./judge-sum";

/** Who tells the pitches and notes that sound. */
type Teller = {
  readonly pitch: (midi: Midi) => string;
  readonly noteOf: (pitchClass: number) => string;
};

/**
 * What is not right in a sum of the band, in one sentence. A pitch is called a note, so that it is not taken for a chord.
 * @param nameOf a player's name by id
 * @param teller who tells pitches and notes, in the key of the place
 */
export function describeSumProblem(
  problem: SumProblem,
  nameOf: (playerId: string) => string,
  teller: Teller,
): string {
  const names = (ids: readonly string[]) => ids.map(nameOf).join(" and ");
  const pitch = (midi: Midi) => `the note ${teller.pitch(midi)}`;
  switch (problem.code) {
    case "no-third":
      return "Nobody plays the third: it is neither major nor minor.";
    case "thirds-crowded":
      return `The third sounds ${problem.times} times (${names(problem.playerIds)}): it sticks out.`;
    case "sus-beside-third":
      return `${names(problem.playerIds)} holds ${pitch(problem.sus)} a semitone beside the third, ${teller.pitch(problem.third)}.`;
    case "wrong-lowest":
      return `${names(problem.playerIds)} has ${pitch(problem.lowest)} at the bottom, where ${teller.noteOf(problem.wanted)} belongs.`;
    case "too-close-low":
      return `The notes ${teller.pitch(problem.low)} and ${teller.pitch(problem.high)} (${names(problem.playerIds)}) are too close for how low they are: they blur.`;
    default:
      return assertNever(problem);
  }
}
