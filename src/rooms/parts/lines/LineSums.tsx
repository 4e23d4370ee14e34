"use client";

import { describeLineProblem, lineProblems, quickestMs, rangeOfLine } from "@/core/fretboard";
import type { SheetRow } from "@/core/parts";
import { beatsOfTicks, beatUnitOf, countBeats, paceOf, ticksOfBar } from "@/core/rhythm";
import type { Namer } from "@/core/song/names";
import type { neckOfRiff } from "@/core/song/read";
import type { Player, Riff, RiffNote } from "@/core/song/schema";

/** A line as it is judged: its notes in order, on its neck, and who tells their names. */
export type OpenLine = {
  readonly riff: Riff;
  readonly row: SheetRow;
  readonly player: Player;
  readonly notes: readonly RiffNote[];
  readonly neck: ReturnType<typeof neckOfRiff>;
  readonly namer: Namer;
};

/** What a line amounts to: its notes and range, how quick it is, and what the picking hand makes of it. */
export function LineSums({
  line: { riff, row, player, notes, neck, namer },
  nameOf,
  outside,
}: {
  line: OpenLine;
  nameOf: (note: RiffNote) => string;
  outside: readonly RiffNote[];
}) {
  const beatUnit = beatUnitOf(row.passage.meter);
  const range = rangeOfLine(notes, neck);
  const quick = quickestMs(notes, row.tempo);
  const struck = [...new Set(notes.filter((note) => note.art === "plain").map((note) => note.tick))];
  const byTurns = paceOf(struck, "alternate", row.tempo, player.level);
  const allDown = paceOf(struck, "down", row.tempo, player.level);
  return (
    <div>
      <h2>What it amounts to</h2>
      <p>
        {notes.length === 0
          ? "Nothing yet: go to a place on the grid and type a fret."
          : `${notes.length} ${notes.length === 1 ? "note" : "notes"} in ${countBeats(beatsOfTicks(riff.ticks, beatUnit))}${
              range
                ? `, from ${namer.pitch(Math.floor(range.low))} to ${namer.pitch(Math.ceil(range.high))}`
                : ""
            }.`}{" "}
        {quick !== null && `The quickest two are ${Math.round(quick)} ms apart.`}
      </p>
      {notes.length > 0 && (
        <p className="text-sm">
          {notes
            .slice(0, 48)
            .map((note) => (note.art === "dead" ? "dead" : nameOf(note)))
            .join(" ")}
          {notes.length > 48 && " …"}
        </p>
      )}
      {byTurns && allDown && (
        <p className={`mt-1 text-sm ${byTurns.tooFast ? "text-warning" : ""}`}>
          Struck down and up by turns the hand swings {byTurns.swingsASecond.toFixed(1)} times a second, all
          down {allDown.swingsASecond.toFixed(1)}; {player.name}’s does {byTurns.most}.
          {byTurns.tooFast
            ? ` Too fast: up to ${Math.floor(byTurns.bpmUpTo)} a minute it would do.`
            : allDown.tooFast
              ? " All down is too fast here."
              : ""}
        </p>
      )}
      {outside.length > 0 && (
        <p className="mt-1 text-sm">
          Outside chord and scale in {row.label}: {outside.map(nameOf).join(", ")}. On the grid they have a
          dashed frame; a passing note may be meant so.
        </p>
      )}
    </div>
  );
}

/** What of a line can't be played as it stands. */
export function CantBe({ line: { riff, row, notes, neck } }: { line: OpenLine }) {
  const problems = lineProblems(notes, neck, { ticks: riff.ticks, bar: ticksOfBar(row.passage.meter) });
  return (
    <div>
      <h2>What can’t be</h2>
      {problems.length === 0 ? (
        <p>Everything adds up.</p>
      ) : (
        <ul className="list-disc pl-5">
          {problems.map((problem) => (
            <li key={`${problem.code} ${"note" in problem ? problem.note : ""}`}>
              {describeLineProblem(problem)}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
