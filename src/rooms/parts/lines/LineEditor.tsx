"use client";

import { useMemo, useState } from "react";
import {
  describeLineProblem,
  fitsOf,
  heardPitch,
  lineProblems,
  quickestMs,
  rangeOfLine,
  stoppedPitch,
} from "@/core/fretboard";
import { chordsOfRow, type SheetRow, scaleOfRow } from "@/core/parts";
import { formatPitchIn } from "@/core/pitch";
import { beatsOfTicks, beatUnitOf, countBeats, paceOf, ticksOfBar, ticksOfBeatUnit } from "@/core/rhythm";
import { set, setCell } from "@/core/song/edit";
import { neckOfRiff, notesOfRiff } from "@/core/song/read";
import type { Player, Riff, RiffNote } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { describeCapo, pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { derive, makeId, useAct, useCurrentVersion, useRows } from "../../open";
import { Elsewhere } from "./Elsewhere";
import { OneHandPlan } from "./OneHandPlan";
import { TabGrid } from "./TabGrid";

const STEPS = [
  { value: 2, label: "2 a beat" },
  { value: 3, label: "3 a beat" },
  { value: 4, label: "4 a beat" },
  { value: 8, label: "8 a beat" },
] as const;

/** One line opened: the grid, what it amounts to, what can't be, and where else it could be played. */
export function LineEditor({ riff, row, player }: { riff: Riff; row: SheetRow; player: Player }) {
  const body = useRows("version", "riffNotes");
  const current = useCurrentVersion();
  const act = useAct();
  const { meter } = row.passage;
  const [parts, setParts] = useState(meter.unit === 8 ? 3 : 2);
  const beat = ticksOfBeatUnit(beatUnitOf(meter))!;
  const bar = ticksOfBar(meter);
  const { riffNotes } = body;
  const notes = useMemo(() => notesOfRiff({ riffNotes }, riff.id), [riffNotes, riff.id]);
  const neck = useMemo(() => neckOfRiff(riff), [riff]);
  const { key, scale } = scaleOfRow(body, row);
  const chords = chordsOfRow(body, row);
  const fits = fitsOf(notes, neck, chords, scale);
  const problems = lineProblems(notes, neck, { ticks: riff.ticks, bar });
  const range = rangeOfLine(notes, neck);
  const quick = quickestMs(notes, row.tempo);
  const struck = [...new Set(notes.filter((note) => note.art === "plain").map((note) => note.tick))];
  const byTurns = paceOf(struck, "alternate", row.tempo, player.level);
  const allDown = paceOf(struck, "down", row.tempo, player.level);
  const outside = notes.filter((_, at) => fits[at] === "outside");
  const change = (fields: Partial<Riff>) => act(set("riffs", riff.id, fields));
  const nameOf = (note: RiffNote) => {
    const [heard, stopped] = [heardPitch(note, neck), stoppedPitch(note, neck)];
    const pitch = heard !== null && Number.isInteger(heard) ? heard : stopped;
    return pitch === null ? "?" : pretty(formatPitchIn(pitch, key));
  };
  const part = row.parts.find((one) => one.player.id === player.id);
  const plays = part?.cell.riffId.value === riff.id;
  return (
    <section aria-label={riff.name}>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <TextField
          label="Name"
          className="w-44"
          value={riff.name}
          required
          longest={80}
          onSet={(name) => change({ name })}
        />
        <NumberField
          label="Bars"
          value={riff.ticks / bar}
          least={1}
          most={64}
          whole={false}
          onSet={(bars) => change({ ticks: Math.max(1, Math.round(bars * bar)) })}
        />
        <SelectField
          label="Grid"
          className="w-32"
          value={String(parts)}
          options={STEPS.map(({ value, label }) => ({ value: String(value), label }))}
          onSet={(value) => setParts(Number(value))}
        />
        <p className="pb-1 text-sm">
          {riff.tuning.map(pretty).join(" ")}, {describeCapo(riff.capo)}; frets count from the capo.
        </p>
        {!plays && part && !part.out && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() =>
              act(setCell(derive.cellIndex(current()), row.use.id, player.id, { riffId: riff.id }, makeId))
            }
          >
            Give it to {player.name} in {row.label}
          </button>
        )}
      </div>
      <TabGrid
        riff={riff}
        notes={notes}
        fits={fits}
        meter={meter}
        step={beat / parts}
        chords={chords}
        nameOf={nameOf}
      />
      <div className="mt-3 grid gap-4 md:grid-cols-2">
        <div>
          <h2>What it amounts to</h2>
          <p>
            {notes.length === 0
              ? "Nothing yet: go to a place on the grid and type a fret."
              : `${notes.length} ${notes.length === 1 ? "note" : "notes"} in ${countBeats(beatsOfTicks(riff.ticks, beatUnitOf(meter)))}${
                  range
                    ? `, from ${pretty(formatPitchIn(Math.floor(range.low), key))} to ${pretty(formatPitchIn(Math.ceil(range.high), key))}`
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
              Struck down and up by turns the hand swings {byTurns.swingsASecond.toFixed(1)} times a second,
              all down {allDown.swingsASecond.toFixed(1)}; {player.name}’s does {byTurns.most}.
              {byTurns.tooFast
                ? ` Too fast: up to ${Math.floor(byTurns.bpmUpTo)} a minute it would do.`
                : allDown.tooFast
                  ? " All down is too fast here."
                  : ""}
            </p>
          )}
          {outside.length > 0 && (
            <p className="mt-1 text-sm">
              Outside chord and scale in {row.label}: {outside.map(nameOf).join(", ")}. On the grid they have
              a dashed frame; a passing note may be meant so.
            </p>
          )}
        </div>
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
      </div>
      {notes.length > 0 && (
        <>
          <Elsewhere riff={riff} notes={notes} neck={neck} player={player} row={row} />
          <OneHandPlan notes={notes} riff={riff} row={row} player={player} />
        </>
      )}
    </section>
  );
}
