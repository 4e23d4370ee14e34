"use client";

import { useMemo, useState } from "react";
import {
  beatsOfTicks,
  METER_UNITS,
  MOST_BEATS_IN_A_BAR,
  MOST_BPM,
  sayOpenSection,
  ticksOfBeats,
} from "@/core/rhythm";
import {
  addException,
  type Body,
  batch,
  beatUnitOfUse,
  type Exception,
  type ExceptionKind,
  isPlainUse,
  Namer,
  type Outline,
  type OutlineException,
  passageSum,
  removalOf,
  sayException,
  set,
  timedChords,
  type Use,
  unfold,
  type VersionRow,
} from "@/core/song";
import { NumberField } from "@/ui/NumberField";
import { pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { derive, makeId, useAct, useCurrentVersion, useVersion } from "../document";
import { LineEditor } from "./LineEditor";

/** One place in the form opened: what is otherwise there than where the section is written. */
export function UsePanel({ use, version, onClose }: { use: Use; version: VersionRow; onClose: () => void }) {
  const body = useVersion();
  const act = useAct();
  const current = useCurrentVersion();
  const outline = derive.outline(body);
  const section = outline.byId.get(use.sectionId);
  if (!section) return null;
  const label = use.label ?? section.section.label;
  const change = (fields: Partial<Use>) => act(set("uses", use.id, fields));
  const exceptions = outline.exceptions.get(use.id) ?? [];
  return (
    <section
      aria-label={`${label} here`}
      className="mb-4 rounded-box border-2 border-base-content/60 bg-base-100 p-4"
    >
      <header className="mb-2 flex flex-wrap items-center gap-3">
        <h2>{label}, at this place in the form</h2>
        <button type="button" className="link ml-auto text-sm" onClick={onClose}>
          Close
        </button>
      </header>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-3">
        <TextField
          label="Its name here"
          value={use.label ?? ""}
          longest={80}
          className="w-40"
          onSet={(text) => change({ label: text.trim() === "" ? null : text.trim() })}
        />
        <NumberField
          label="Times"
          value={use.repeat}
          least={1}
          most={32}
          onSet={(repeat) => change({ repeat })}
        />
        <NumberField
          label="Key"
          unit="semitones up"
          value={use.shift}
          least={-11}
          most={11}
          onSet={(shift) => change({ shift })}
        />
        <NumberField
          label={use.bpm === null ? "Tempo (the song’s)" : "Tempo here"}
          unit="a minute"
          value={use.bpm ?? version.bpm}
          least={1}
          most={MOST_BPM}
          whole={false}
          onSet={(bpm) => change({ bpm: bpm === version.bpm ? null : bpm })}
        />
        <NumberField
          label={use.meterBeats === null ? "Metre (the song’s)" : "Metre here"}
          unit="beats"
          value={use.meterBeats ?? version.meterBeats}
          least={1}
          most={MOST_BEATS_IN_A_BAR}
          onSet={(beats) => change({ meterBeats: beats === version.meterBeats ? null : beats })}
        />
        <SelectField
          label="of a note of"
          className="w-24"
          value={String(use.meterUnit ?? version.meterUnit)}
          options={METER_UNITS.map((unit) => ({ value: String(unit), label: `1/${unit}` }))}
          onSet={(text) => {
            const unit = Number(text) as VersionRow["meterUnit"];
            change({ meterUnit: unit === version.meterUnit ? null : unit });
          }}
        />
        <label className="flex items-center gap-2 pb-1 text-sm">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={!use.vocals}
            onChange={(event) => change({ vocals: !event.target.checked })}
          />
          no vocals
        </label>
      </div>
      <OpenHere use={use} version={version} />
      {exceptions.length > 0 && (
        <ul className="mt-3 flex flex-col gap-3">
          {exceptions.map((one) => (
            <ExceptionRow key={one.exception.id} one={one} use={use} outline={outline} version={version} />
          ))}
        </ul>
      )}
      <NewException use={use} outline={outline} version={version} />
      {!isPlainUse(use, outline) && exceptions.length > 0 && (
        <p className="mt-3 text-sm">
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => act(unfold(current(), derive.outline(current()), use.id, makeId))}
          >
            Make a section of its own
          </button>{" "}
          All that is different here is then written out; nothing that sounds changes.
        </p>
      )}
    </section>
  );
}

/** Bars that do not close with what is otherwise here. */
function OpenHere({ use, version }: { use: Use; version: VersionRow }) {
  const body = useVersion();
  const { passages } = derive.timeline(body);
  const at = passages.findIndex((passage) => passage.use.id === use.id);
  const passage = passages[at];
  const sum = passage && passageSum(passage, passages[at + 1]);
  if (!passage || !sum?.open) return null;
  const bar = (passage.meter.beats * 4 * 960) / passage.meter.unit;
  const lines = passage.lines.map(({ outline }) => timedChords(outline));
  return (
    <p role="note" className="mt-3 rounded-field border-2 border-warning px-3 py-2">
      <strong>Does not close here.</strong>{" "}
      {sayOpenSection(sum.open, lines, bar, beatUnitOfUse(version, use)).message}
    </p>
  );
}

const KINDS: readonly { value: ExceptionKind; label: string }[] = [
  { value: "line", label: "a line is different" },
  { value: "ending", label: "another ending" },
  { value: "extra", label: "an extra last line" },
  { value: "hold", label: "a hold" },
  { value: "push", label: "a push: a chord comes early" },
  { value: "stop", label: "a stop" },
];

function NewException({ use, outline, version }: { use: Use; outline: Outline; version: VersionRow }) {
  const act = useAct();
  const [kind, setKind] = useState<ExceptionKind>("hold");
  const section = outline.byId.get(use.sectionId)!;
  const bar = (version.meterBeats * 4 * 960) / version.meterUnit;
  const beat = ticksOfBeats(1, beatUnitOfUse(version, use)) ?? 960;
  const next = outline.form[outline.form.findIndex((one) => one.id === use.id) + 1];
  const put = () => {
    const fields = {
      line: { lineId: section.lines[0]?.line.id ?? null },
      ending: { followedBy: next?.sectionId ?? null, ticks: Math.min(bar * 2, section.ticks) },
      extra: {},
      hold: { ticks: bar },
      push: { ticks: Math.min(480, beat / 2) },
      stop: { ticks: beat },
    }[kind];
    act(addException(outline, use, kind, fields, makeId));
  };
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <SelectField
        label="Otherwise here"
        className="w-60"
        value={kind}
        options={KINDS}
        onSet={(value) => setKind(value as ExceptionKind)}
      />
      <button
        type="button"
        className="btn btn-sm"
        disabled={kind === "line" && section.lines.length === 0}
        onClick={put}
      >
        Put it here
      </button>
    </div>
  );
}

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

function ExceptionRow({ one, use, outline, version }: RowProps) {
  const act = useAct();
  const current = useCurrentVersion();
  const { exception, lines } = one;
  const unit = beatUnitOfUse(version, use);
  const section = outline.byId.get(use.sectionId)!;
  const change = (fields: Partial<Exception>) => act(set("exceptions", exception.id, fields));
  const namer = useMemo(
    () => new Namer({ version: { [version.id]: version } }, null, use.shift),
    [version, use.shift],
  );
  const words = sayException(one, use, outline, version, (symbol) => pretty(namer.name(symbol).sounding));
  const length = LENGTH_WORDS[exception.kind];
  const chords = [
    ...section.lines,
    ...(outline.exceptions.get(use.id) ?? []).flatMap((other) => other.lines),
  ].flatMap((line) => line.chords.map(({ chord }) => chord));
  const atChord = exception.kind === "hold" || exception.kind === "push" || exception.kind === "stop";
  return (
    <li className="border-l-4 border-base-300 pl-3">
      <p className="font-bold first-letter:uppercase">{words}</p>
      <div className="mt-1 flex flex-wrap items-end gap-3">
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
              ...chords.map((chord, index) => ({ value: chord.id, label: `${index + 1}. ${chord.symbol}` })),
            ]}
            onSet={(chordId) => change({ chordId: chordId || null })}
          />
        )}
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
            act(
              batch(
                "Take an exception away",
                removalOf(current() as unknown as Body, "exceptions", exception.id),
              ),
            )
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
          <LineEditor line={line} version={version} label={`line ${index + 1} of ${words}`} />
        </details>
      ))}
    </li>
  );
}
