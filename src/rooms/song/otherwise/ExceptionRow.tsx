"use client";

import { type BeatUnit, beatsOfTicks, ticksOfBeats } from "@/core/rhythm";
import { batch, homeFields, removalIn, set, setEndingLength, setWords } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import {
  beatUnitOfUse,
  describeShared,
  exceptionsAt,
  MARKS,
  type Outline,
  type OutlineException,
  type OutlineLine,
  type OutlineSection,
} from "@/core/song/read";
import type { Exception, ExceptionKind, Use, VersionRow } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { makeId, useAct, useCurrentVersion, useNames } from "../../open";
import { checkSymbol } from "../check-symbol";
import { LineEditor } from "../SungLineEditor";
import { type HomeChoice, homeOf } from "./homes";

type RowProps = {
  readonly one: OutlineException;
  readonly section: OutlineSection;
  /** The use it is seen from. */
  readonly use: Use;
  readonly outline: Outline;
  readonly version: VersionRow;
  /** The times it may be for. */
  readonly homes: readonly HomeChoice[];
  /** The line it has other chords in, as it is sung: other chords keep the words. */
  readonly sung?: OutlineLine | undefined;
};

const LENGTH_WORDS: Readonly<Partial<Record<ExceptionKind, string>>> = {
  ending: "Replaces the last",
  hold: "Holds for",
  push: "Early by",
  late: "Late by",
  choke: "Rings for",
  hit: "Rings for",
  stop: "Silent for",
};

/** One thing that is otherwise, in words and to be changed: where, how long, at which times. */
export function ExceptionRow(props: RowProps) {
  const { one, section, use, outline, version, homes, sung } = props;
  const act = useAct();
  const current = useCurrentVersion();
  const { exception } = one;
  const change = (fields: Partial<Exception>) => act(set("exceptions", exception.id, fields));
  const namer = useNames()(null, use.shift);
  const words = describeShared(one, use, outline, version, (symbol) => namer.chord(symbol));
  const setLength = (ticks: number) =>
    act(
      exception.kind === "ending"
        ? setEndingLength(current(), section, one, ticks, makeId)
        : set("exceptions", exception.id, { ticks }),
    );
  return (
    <li className="border-l-4 border-base-300 pl-3">
      <p className="font-bold first-letter:uppercase">{words}</p>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        <WhereItIs {...props} namer={namer} change={change} />
        <HowLong
          exception={exception}
          unit={beatUnitOfUse(version, use)}
          change={change}
          onLength={setLength}
        />
        {homes.length > 1 && (
          <SelectField
            label="When"
            className="w-52"
            value={homeOf(exception)}
            options={homes.map(({ value, label }) => ({ value, label }))}
            onSet={(value) => {
              const chosen = homes.find((home) => home.value === value);
              if (chosen) change(homeFields(chosen.home));
            }}
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
      <OwnLines one={one} use={use} version={version} words={words} sung={sung} />
    </li>
  );
}

/** The lines an exception brings: words alone, chords alone, or both. */
function OwnLines({
  one: { exception, lines },
  use,
  version,
  words,
  sung,
}: Pick<RowProps, "one" | "use" | "version" | "sung"> & { readonly words: string }) {
  const act = useAct();
  if (exception.kind === "words")
    return lines.map((line) => (
      <TextField
        key={line.line.id}
        label="Words here"
        className="mt-2"
        value={line.text}
        longest={2000}
        onSet={(text) => act(setWords(line, text, makeId))}
      />
    ));
  return lines.map((line, index) => (
    <details key={line.line.id} className="mt-2" open={lines.length === 1}>
      <summary className="cursor-pointer text-sm">
        {lines.length === 1 ? "The line here" : `Line ${index + 1} here`}:{" "}
        {line.text || (exception.kind === "chords" ? "other chords, the same words" : "no words")}
      </summary>
      <LineEditor
        line={exception.kind === "chords" && sung ? { ...sung, line: line.line } : line}
        version={version}
        label={`line ${index + 1} of ${words}`}
        shift={use.shift}
        words={exception.kind !== "chords"}
      />
    </details>
  ));
}

type Change = { readonly change: (fields: Partial<Exception>) => void };

/** Which line, which ending, at which chord, or which chord instead. */
function WhereItIs({
  one: { exception },
  section,
  use,
  outline,
  namer,
  change,
}: Omit<RowProps, "version"> & Change & { readonly namer: Namer }) {
  const { kind } = exception;
  const chords = [
    ...section.lines,
    ...exceptionsAt(outline, use).flatMap((other) => (other.exception.kind === "words" ? [] : other.lines)),
  ].flatMap((line) => line.chords.map(({ chord }) => chord));
  const isOfLine = kind === "line" || kind === "words" || kind === "chords";
  return (
    <>
      {isOfLine && (
        <SelectField
          label={kind === "line" ? "Instead of" : "In"}
          className="w-56"
          value={exception.lineId ?? ""}
          options={section.lines.map((line, index) => ({
            value: line.line.id,
            label: `line ${index + 1}: ${line.text.slice(0, 24)}`,
          }))}
          onSet={(lineId) => change({ lineId })}
        />
      )}
      {kind === "ending" && (
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
      {kind === "chord" && (
        <TextField
          label="Chord instead"
          className="w-28"
          value={exception.symbol === null ? "" : namer.chord(exception.symbol)}
          longest={40}
          check={(text) => checkSymbol(text, namer)}
          onSet={(text) => change({ symbol: namer.toWritten(text) ?? text.trim() })}
        />
      )}
      {MARKS.has(kind) && kind !== "tacet" && (
        <SelectField
          label="At"
          className="w-44"
          value={exception.chordId ?? ""}
          options={[
            { value: "", label: kind === "hold" || kind === "stop" ? "the last chord" : "the first chord" },
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
function HowLong({
  exception,
  unit,
  change,
  onLength,
}: { exception: Exception; unit: BeatUnit; onLength: (ticks: number) => void } & Change) {
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
          onSet={(beats) => onLength(ticksOfBeats(beats, unit) ?? exception.ticks)}
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
