import { assertNever } from "../../../base";
import { countBeats } from "../../rhythm";
import type { SongLoopProblem } from "./song-loops";

/** The sentence for what stands in the way of a plan. @param nameOf the name of a layer by its id */
export function describeSongLoopProblem(problem: SongLoopProblem, nameOf: (id: string) => string): string {
  switch (problem.code) {
    case "no-form":
      return "The form has no section yet: put one in, in the Song room. Then there is something to loop under.";
    case "too-many-layers":
      return `There are ${problem.layers} layers, and a plan takes ${problem.most}. Remove those that are not used.`;
    case "empty-use":
      return `${problem.label} has no chords and so takes no time; it is left out here. Write its chords in the Song room.`;
    case "layer-beats":
      return `The chords of ${problem.layer} last ${countBeats(problem.beats)}, and its bars ${countBeats(problem.wanted)}. Until they agree, its chords are not compared with the song's.`;
    case "layer-chord":
      return `“${problem.symbol}” in ${problem.layer} is not a chord that can be read. Until it is, its chords are not compared with the song's.`;
    case "other-metre":
      return `${problem.label} has a metre of its own: a loop keeps the one it was recorded in. Cut the ropes there, or give it the song's metre.`;
    case "other-tempo":
      return `${problem.label} has a tempo of its own: a loop keeps the one it was recorded in. Cut the ropes there, or give it the song's tempo.`;
    case "pin-beyond":
      return `${problem.layer} is put on track ${problem.track + 1}, and the box has ${problem.tracks}. It goes where the plan puts it, until there is such a track.`;
    case "no-pedal":
      return problem.act === "track"
        ? `No pedal of the box lets track ${problem.track! + 1} in and out. Give one that act, on the page “Box and levels”, or take the track away.`
        : `The box is said to let all tracks ${problem.act === "start-all" ? "in" : "out"} with one pedal, and no pedal does that. Give one that act, on the page “Box and levels”.`;
    case "shared-length":
      return `${nameOf(problem.layer)} has ${problem.bars} bars, and every track of this box is as long as the longest, ${problem.longest} bars: ${problem.bars} does not go into ${problem.longest}. Change one of the lengths, or use a box with free lengths.`;
    default:
      return assertNever(problem);
  }
}
