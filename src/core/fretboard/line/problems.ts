import type { Fret, Ticks } from "../../../base";
import { LAST_FRET } from "../neck";
import { inOrder, type LineNeck, notesOfRound, type TabNote } from "./note";

/** What can't be played as it is written. `note` is an index of the notes given. */
export type LineProblem =
  | { readonly code: "no-string"; readonly note: number; readonly string: number }
  | { readonly code: "off-neck"; readonly note: number; readonly fret: Fret }
  | { readonly code: "string-twice"; readonly note: number; readonly other: number }
  | { readonly code: "overlap"; readonly note: number; readonly other: number }
  | { readonly code: "past-end"; readonly note: number; readonly by: Ticks }
  | { readonly code: "from-nothing"; readonly note: number }
  | { readonly code: "wrong-way"; readonly note: number }
  | { readonly code: "bend-open"; readonly note: number }
  | { readonly code: "whole-bars"; readonly ticks: Ticks; readonly bar: Ticks };

/**
 * Everything a hand or a sum can't do in a line of so many ticks.
 * @param bar ticks in a bar, or null where the line need not fill bars
 */
export function lineProblems(
  notes: readonly TabNote[],
  neck: LineNeck,
  line: { readonly ticks: Ticks; readonly bar: Ticks | null },
): LineProblem[] {
  const problems: LineProblem[] = [];
  const placeOf = new Map(notes.map((note, at) => [note, at]));
  const at = (note: TabNote) => placeOf.get(note)!;
  for (const note of notes) {
    if (note.string >= neck.tuning.length)
      problems.push({ code: "no-string", note: at(note), string: note.string });
    if (note.fret + neck.capo > LAST_FRET)
      problems.push({ code: "off-neck", note: at(note), fret: note.fret });
    if (note.tick + note.ticks > line.ticks)
      problems.push({ code: "past-end", note: at(note), by: note.tick + note.ticks - line.ticks });
    if (note.bend > 0 && note.fret === 0) problems.push({ code: "bend-open", note: at(note) });
  }
  // So many times round that every kind of ending comes apart from the last, which may be an even or an odd one.
  const most = Math.max(1, ...notes.map(({ round }) => round ?? 1));
  const rounds = [most + 1, most + 2].flatMap((of) =>
    Array.from({ length: of }, (_, at) => ({ time: at + 1, of })),
  );
  const told = new Set<string>();
  const tell = (problem: LineProblem & { readonly note: number }) => {
    const key = `${problem.code} ${problem.note}`;
    if (!told.has(key)) problems.push(problem);
    told.add(key);
  };
  for (const { time, of } of rounds) {
    const last = new Map<number, TabNote>();
    for (const note of inOrder(notesOfRound(notes, time, of))) {
      const before = last.get(note.string);
      if (before && before.tick === note.tick)
        tell({ code: "string-twice", note: at(note), other: at(before) });
      else if (before && before.tick + before.ticks > note.tick && !before.ring)
        tell({ code: "overlap", note: at(note), other: at(before) });
      if (note.art === "hammer" || note.art === "pull" || note.art === "slide") {
        if (!before || before.art === "dead") tell({ code: "from-nothing", note: at(note) });
        else if (
          (note.art === "hammer" && note.fret <= before.fret) ||
          (note.art === "pull" && note.fret >= before.fret) ||
          (note.art === "slide" && note.fret === before.fret)
        )
          tell({ code: "wrong-way", note: at(note) });
      }
      last.set(note.string, note);
    }
  }
  if (line.bar !== null && line.ticks % line.bar !== 0)
    problems.push({ code: "whole-bars", ticks: line.ticks, bar: line.bar });
  return problems;
}
