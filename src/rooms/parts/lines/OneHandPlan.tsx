"use client";

import { useMemo, useState } from "react";
import { FINGER_WORDS, GRADES, type Grade } from "@/core/fretboard";
import {
  chordsOfRow,
  handOf,
  oneHand,
  oneHandLine,
  type SheetPart,
  type SheetRow,
  scaleOfRow,
} from "@/core/parts";
import { beatsOfTicks, formatBeats, type Tempo, tempoMs, ticksOfBeatUnit } from "@/core/rhythm";
import { addRiff } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import type { Player, Riff, RiffNote } from "@/core/song/schema";
import { writeFrets } from "@/ui/ChordDiagram";
import { SelectField } from "@/ui/SelectField";
import { derive, makeId, useAct, useCurrentVersion, useNames, useRows } from "../../open";
import { plain } from "./Elsewhere";
import { newLine } from "./new-line";

const GRADE_WORDS: Readonly<Record<Grade, string>> = {
  none: "no walking bass",
  one: "one bass note before the next chord",
  every: "every step between the basses",
};

type Props = {
  /** The line between the chords, if there is one. */
  readonly riff: Riff | null;
  readonly notes: readonly RiffNote[];
  readonly row: SheetRow;
  readonly player: Player;
};

/** The line and the chords in one hand, planned together: what is held, which finger plays each note, what stays. */
export function OneHandPlan({ riff, notes, row, player }: Props) {
  const body = useRows("version");
  const names = useNames();
  const [shown, setShown] = useState(false);
  const [grade, setGrade] = useState<Grade>("none");
  const [said, setSaid] = useState("");
  const current = useCurrentVersion();
  const act = useAct();
  const part = row.parts.find((one) => one.player.id === player.id);
  const fits =
    part !== undefined &&
    (riff === null || (riff.tuning.join() === player.tuning.join() && riff.capo === part.cell.capo.value));
  const plan = useMemo(
    () => (shown && part && fits ? planOf(body, { riff, notes, row, player }, part, grade) : null),
    [shown, part, fits, row, riff, notes, player, body, grade],
  );
  const namer = names({ player, capo: part?.cell.capo.value ?? player.capo }, row.passage.shift);
  const keep = (found: Plan) => {
    const capo = part!.cell.capo.value;
    const name = `${riff ? `${riff.name} and chords` : "Chords"}, ${row.label}`.slice(0, 80);
    const line = newLine(current(), row, {
      name,
      tuning: [...player.tuning],
      capo,
      ticks: row.passage.ticks,
    });
    const own = oneHandLine(found, laidThrough({ riff, notes, row, player }), row.passage.ticks);
    const places = [{ useId: row.use.id, playerId: player.id }];
    act(addRiff(current(), derive.cellIndex(current()), line, own.map(plain), places, makeId));
    setSaid(`“${name}” is ${player.name}’s line in ${row.label} now, on stage and on paper.`);
  };
  const title = riff ? "Line and chords in one hand" : "Chords with a walking bass";
  return (
    <section aria-label={title} className="mt-6">
      <h2>{title}</h2>
      <p className="text-sm">
        {riff
          ? "For one player who holds the chords and plays the line between them: chord, ring and notes planned together, so that the finger that ends the line begins the next chord."
          : "The chords of the section on the hand’s shortest way, with a bass that walks between them if it is asked for."}
      </p>
      {!fits ? (
        <p className="mt-1">
          The line is written for another neck than {player.name}’s here; take it over there first, above.
        </p>
      ) : (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <button type="button" className="btn btn-sm" aria-expanded={shown} onClick={() => setShown(!shown)}>
            {shown ? "Put the plan away" : `Plan it for ${player.name} in ${row.label}`}
          </button>
          {shown && (
            <SelectField
              label="The bass between chords"
              className="w-64"
              value={grade}
              options={GRADES.map((value) => ({ value, label: GRADE_WORDS[value] }))}
              onSet={(value) => setGrade(value)}
            />
          )}
        </div>
      )}
      {plan && !plan.ok && (
        <p className="mt-2">No hand of this level can hold all of it. Move the line, or let it ring less.</p>
      )}
      {plan?.ok && (
        <>
          <p className="mt-2 text-sm">
            It costs the hand {plan.value.cost.toFixed(1)}; taking always the cheapest next step would cost{" "}
            {plan.value.greedyCost.toFixed(1)}.
          </p>
          {grade === "none" && (
            <button type="button" className="btn btn-sm mt-2" onClick={() => keep(plan.value)}>
              Keep it as a line of {player.name}’s
            </button>
          )}
          <p role="status" className="text-sm">
            {said}
          </p>
          <Steps plan={plan.value} tempo={row.tempo} namer={namer} />
        </>
      )}
    </section>
  );
}

/** A line laid round and round over its section. */
function laidThrough({ riff, notes, row }: Props): RiffNote[] {
  const length = riff?.ticks ?? row.passage.ticks;
  const rounds = Math.max(1, Math.floor(row.passage.ticks / length));
  return Array.from({ length: rounds }, (_, round) =>
    notes.map((note) => ({ ...note, tick: note.tick + round * length })),
  ).flat();
}

/** Chords and line in one hand; the line is laid round and round over the section. */
function planOf(
  body: Parameters<typeof chordsOfRow>[0] & Parameters<typeof scaleOfRow>[0],
  { riff, notes, row, player }: Props,
  part: SheetPart,
  grade: Grade,
) {
  const laid = laidThrough({ riff, notes, row, player });
  const unit = row.tempo.beatUnit;
  const ms = tempoMs(ticksOfBeatUnit(unit) ?? 960, row.tempo);
  const hand = { ...handOf(player, part.cell), style: "full" as const, strings: null };
  return oneHand(chordsOfRow(body, row), laid, hand, { ms, unit }, { grade, key: scaleOfRow(body, row).key });
}

type Plan = Extract<ReturnType<typeof oneHand>, { ok: true }>["value"];

/** Step by step: the chord that is held or the note that is struck, its finger, and what stays. */
function Steps({ plan, tempo, namer }: { plan: Plan; tempo: Tempo; namer: Namer }) {
  const strings = namer.strings();
  return (
    <ol className="mt-2 flex flex-col gap-1">
      {plan.steps.slice(0, 64).map((step, at) => {
        const { event, fingering, move } = step;
        const beat = formatBeats(beatsOfTicks(step.tick, tempo.beatUnit) + 1);
        const finger = event.kind === "note" ? fingering.fingers[event.string] : null;
        return (
          <li key={at} className="text-sm">
            beat {beat}:{" "}
            {event.kind === "note" ? (
              <>
                {strings[event.string]} {event.fret}
                {finger ? `, ${FINGER_WORDS[finger]}` : ", open"}
              </>
            ) : (
              <>
                <strong className="font-mono">{namer.readSounding(step.symbol)}</strong>{" "}
                <span className="font-mono">{writeFrets(fingering.frets)}</span>
              </>
            )}
            {move && move.kept.length > 0 && (
              <>
                {" "}
                ({move.kept.map((one) => FINGER_WORDS[one]).join(", ")}{" "}
                {move.kept.length === 1 ? "stays" : "stay"})
              </>
            )}
          </li>
        );
      })}
    </ol>
  );
}
