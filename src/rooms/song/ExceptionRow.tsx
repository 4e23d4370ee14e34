"use client";

import { type BeatUnit, beatsOfTicks, ticksOfBeats } from "@/core/rhythm";
import { batch, removalIn, set } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import { beatUnitOfUse, describeException, type Outline, type OutlineException } from "@/core/song/read";
import type { Exception, ExceptionKind, Use, VersionRow } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { useAct, useCurrentVersion, useNames } from "../open";
import { LineEditor } from "./SungLineEditor";

type RowProps = {
  readonly one: OutlineException;
  readonly use: Use;
  readonly outline: Outline;
  readonly version: VersionRow;
};

const LENGTH_WORDS: Readonly<Partial<Record<ExceptionKind, string>>> = {
  ending: "Replaces the last",
  hold: "Holds for",
  push: "Early by",
  stop: "Silent for",
};

/** One thing that is otherwise at a place of the form, in words and to be changed. */
export function ExceptionRow({ one, use, outline, version }: RowProps) {
  const act = useAct();
  const current = useCurrentVersion();
  const { exception, lines } = one;
  const unit = beatUnitOfUse(version, use);
  const change = (fields: Partial<Exception>) => act(set("exceptions", exception.id, fields));
  const namer = useNames()(null, use.shift);
  const words = describeException(one, use, outline, version, (symbol) => namer.chord(symbol));
  return (
    <li className="border-l-4 border-base-300 pl-3">
      <p className="font-bold first-letter:uppercase">{words}</p>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        <WhereItIs one={one} use={use} outline={outline} namer={namer} change={change} />
        <HowLong exception={exception} unit={unit} change={change} />
        {use.repeat > 1 && (
          <SelectField
            label="Which time"
            className="w-40"
            value={String(exception.round ?? "")}
            options={[
              { value: "", label: "as it falls" },
              ...Array.from({ length: use.repeat }, (_, index) => ({
                value: String(index + 1),
                label: `only time ${index + 1}`,
              })),
            ]}
            onSet={(round) => change({ round: round === "" ? null : Number(round) })}
          />
        )}
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            act(batch("Take an exception away", removalIn(current(), "exceptions", exception.id)))
          }
        >
          As it is written again
        </button>
      </div>
      {lines.map((line, index) => (
        <details key={line.line.id} className="mt-2" open={lines.length === 1}>
          <summary className="cursor-pointer text-sm">
            {lines.length === 1 ? "The line here" : `Line ${index + 1} here`}: {line.text || "no words"}
          </summary>
          <LineEditor
            line={line}
            version={version}
            label={`line ${index + 1} of ${words}`}
            shift={use.shift}
          />
        </details>
      ))}
    </li>
  );
}

type Change = { readonly change: (fields: Partial<Exception>) => void };

/** Which line, which ending, or at which chord. */
function WhereItIs({
  one: { exception },
  use,
  outline,
  namer,
  change,
}: Omit<RowProps, "version"> & Change & { readonly namer: Namer }) {
  const section = outline.byId.get(use.sectionId)!;
  const chords = [
    ...section.lines,
    ...(outline.exceptions.get(use.id) ?? []).flatMap((other) => other.lines),
  ].flatMap((line) => line.chords.map(({ chord }) => chord));
  const atChord = exception.kind === "hold" || exception.kind === "push" || exception.kind === "stop";
  return (
    <>
      {exception.kind === "line" && (
        <SelectField
          label="Instead of"
          className="w-56"
          value={exception.lineId ?? ""}
          options={section.lines.map((line, index) => ({
            value: line.line.id,
            label: `line ${index + 1}: ${line.text.slice(0, 24)}`,
          }))}
          onSet={(lineId) => change({ lineId })}
        />
      )}
      {exception.kind === "ending" && (
        <SelectField
          label="When this follows"
          className="w-40"
          value={exception.followedBy ?? ""}
          options={[
            { value: "", label: "anything" },
            ...outline.sections.map((other) => ({ value: other.section.id, label: other.section.label })),
          ]}
          onSet={(followedBy) => change({ followedBy: followedBy || null })}
        />
      )}
      {atChord && (
        <SelectField
          label="At"
          className="w-44"
          value={exception.chordId ?? ""}
          options={[
            { value: "", label: exception.kind === "push" ? "the first chord" : "the last chord" },
            ...chords.map((chord, index) => ({
              value: chord.id,
              label: `${index + 1}. ${namer.chord(chord.symbol)}`,
            })),
          ]}
          onSet={(chordId) => change({ chordId: chordId || null })}
        />
      )}
    </>
  );
}

/** How many beats it takes, or until whose sign. */
function HowLong({ exception, unit, change }: { exception: Exception; unit: BeatUnit } & Change) {
  const length = LENGTH_WORDS[exception.kind];
  return (
    <>
      {length && (
        <NumberField
          label={length}
          unit="beats"
          value={beatsOfTicks(exception.ticks, unit)}
          least={0}
          most={128}
          whole={false}
          onSet={(beats) => change({ ticks: ticksOfBeats(beats, unit) ?? exception.ticks })}
        />
      )}
      {exception.kind === "hold" && (
        <label className="flex items-center gap-2 pb-1 text-sm">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={exception.cued}
            onChange={(event) => change({ cued: event.target.checked })}
          />
          until somebody gives the sign
        </label>
      )}
    </>
  );
}
