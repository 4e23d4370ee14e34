"use client";

import { useState } from "react";
import { patternOfRow } from "@/core/parts";
import {
  ANCHORS,
  type Anchor,
  checkMeter,
  formatMeter,
  formatStrokes,
  gateSpans,
  isCompound,
  PATTERN_KINDS,
  type PatternKind,
  paceOfPattern,
  readCounts,
  readGate,
  readMeter,
  readPattern,
  readSpoken,
  SUBDIVISIONS,
  type Subdivision,
  sayGateProblem,
  sayPatternProblem,
  saySpokenProblem,
  ticksOfPattern,
} from "@/core/rhythm";
import { set } from "@/core/song/edit";
import { versionRow } from "@/core/song/read";
import type { StrumRow } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { StrumRow as StrumPicture } from "@/ui/StrumRow";
import { TextField } from "@/ui/TextField";
import { useAct, useRows } from "../../open";
import { FittedChords } from "./FittedChords";
import { TapPad } from "./TapPad";

const KIND_WORDS: Readonly<Record<PatternKind, string>> = {
  strum: "strokes: D U",
  fingers: "fingers: p i m a",
  zones: "zones of strings: L M H",
};
const ANCHOR_WORDS: Readonly<Record<Anchor, string>> = {
  chord: "begins again with each chord",
  section: "runs on through the section",
};
const PARTS_WORDS: Readonly<Record<Subdivision, string>> = {
  2: "2 a beat",
  3: "3 a beat",
  4: "4 a beat",
  6: "6 a beat",
};

/** One pattern of the song: typed, spoken, counted or tapped, and how it lies under the chords. */
export function PatternEditor({ row }: { row: StrumRow }) {
  const act = useAct();
  const change = (fields: Partial<StrumRow>) => act(set("strums", row.id, fields));
  const [way, setWay] = useState<"type" | "speak" | "count" | "tap">("type");
  const meter = { beats: row.meterBeats, unit: row.meterUnit };
  const pattern = patternOfRow(row);
  const { bpm, beatUnit } = versionRow(useRows("version"));
  const tempo = { bpm, beatUnit };
  const readAs = (fields: Partial<StrumRow>) => {
    const next = { ...row, ...fields };
    return readPattern({
      meter: { beats: next.meterBeats, unit: next.meterUnit },
      subdivision: next.subdivision,
      swing: next.swing,
      text: next.pattern,
      kind: next.kind,
    });
  };
  const problemOf = (fields: Partial<StrumRow>): string | null => {
    const read = readAs(fields);
    return read.ok ? null : sayPatternProblem(read.problem);
  };
  const gate = pattern && row.gate !== "" ? readGate(row.gate, pattern) : null;
  const pace = pattern && paceOfPattern(pattern, tempo, "fluent");
  return (
    <section aria-label={`Change ${row.name}`} className="mt-4 rounded-box bg-base-200 p-4">
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <TextField label="Name" value={row.name} required longest={80} onSet={(name) => change({ name })} />
        <TextField
          label="Metre"
          value={formatMeter(meter)}
          check={(text) => {
            const read = readMeter(text);
            if (!read || !checkMeter(read).ok) return "Write a metre such as 4/4 or 6/8.";
            return null;
          }}
          onSet={(text) => {
            const read = readMeter(text);
            if (read) change({ meterBeats: read.beats, meterUnit: read.unit as StrumRow["meterUnit"] });
          }}
        />
        <SelectField
          label="Strokes"
          value={String(row.subdivision)}
          options={SUBDIVISIONS.filter((parts) => parts !== 6 || isCompound(meter)).map((parts) => ({
            value: String(parts),
            label: PARTS_WORDS[parts],
          }))}
          onSet={(parts) =>
            change({ subdivision: Number(parts) as Subdivision, ...(parts === "3" ? { swing: 0.5 } : {}) })
          }
        />
        <NumberField
          label="Swing (0.5 is even)"
          value={row.swing}
          least={0.5}
          most={0.75}
          whole={false}
          onSet={(swing) => change({ swing })}
        />
        <SelectField
          label="Written with"
          value={row.kind}
          options={PATTERN_KINDS.map((kind) => ({ value: kind, label: KIND_WORDS[kind] }))}
          onSet={(kind) => change({ kind: kind as PatternKind })}
        />
        <SelectField
          label="Under the chords it"
          value={row.anchor}
          options={ANCHORS.map((anchor) => ({ value: anchor, label: ANCHOR_WORDS[anchor] }))}
          onSet={(anchor) => change({ anchor: anchor as Anchor })}
        />
      </div>
      <fieldset className="mt-3 flex flex-wrap gap-2">
        <legend className="sr-only">How to put it in</legend>
        {(
          [
            ["type", "Type"],
            ["speak", "Speak"],
            ["count", "Count"],
            ["tap", "Tap"],
          ] as const
        ).map(([value, label]) => (
          <button
            key={value}
            type="button"
            className={`btn btn-sm ${way === value ? "btn-primary" : ""}`}
            aria-pressed={way === value}
            disabled={value !== "type" && row.kind !== "strum"}
            onClick={() => setWay(value)}
          >
            {label}
          </button>
        ))}
      </fieldset>
      <div className="mt-2">
        {way === "type" && (
          <>
            <TextField
              label="Strokes, one each subdivision"
              longest={20_000}
              value={row.pattern}
              check={(text) => problemOf({ pattern: text })}
              onSet={(text) => change({ pattern: text.trim().replaceAll(/\s+/gu, " ") })}
            />
            <p className="mt-1 text-sm">
              D down, U up, each with a weight 1 to 3 (D3); x dead, . rings on, - chokes.
            </p>
          </>
        )}
        {way === "speak" && (
          <Written
            label="Say it as you hear it"
            hint="dum or ba is down, ta or ka up, chk dead; ~ rings on, a lone - chokes; LOUD is accented, (ta) light. Such as: DUM~ dum ta~ ta dum ta"
            read={(text) => {
              const spoken = readSpoken(text);
              if (!spoken.ok) return { problem: saySpokenProblem(spoken.problem) };
              const strokes = formatStrokes(spoken.value);
              return { text: strokes, problem: problemOf({ pattern: strokes }) };
            }}
            onSet={(strokes) => change({ pattern: strokes })}
          />
        )}
        {way === "count" && (
          <Written
            label="Counts that are struck"
            hint="Down on the beat, up between; ! accents. Such as: 1, 2, 2&, 3&, 4, 4&"
            read={(text) => {
              const counted = readCounts(text, meter, row.subdivision);
              if (!counted.ok) return { problem: saySpokenProblem(counted.problem) };
              return { text: formatStrokes(counted.value), problem: null };
            }}
            onSet={(strokes) => change({ pattern: strokes })}
          />
        )}
        {way === "tap" && (
          <TapPad
            meter={meter}
            subdivision={row.subdivision}
            tempo={tempo}
            onTapped={(strokes) => change({ pattern: strokes })}
          />
        )}
      </div>
      {pattern ? (
        <StrumPicture pattern={pattern} className="mt-3" />
      ) : (
        <p role="alert" className="mt-3 text-sm text-error">
          {problemOf({})}
        </p>
      )}
      {pace && (
        <p className="text-sm">
          At the song’s tempo the hand swings {pace.swingsASecond.toFixed(1)} times a second
          {pace.tooFast ? `: too fast even for a fluent hand (${pace.most}).` : "."}
          {pace.alternateHelps && " Down and up by turns would do."}
        </p>
      )}
      {pattern && (
        <div className="mt-3">
          <TextField
            label="On–off row for a stuttered sound: 1 lets through, 0 cuts"
            value={row.gate}
            longest={20_000}
            check={(text) => {
              if (text.trim() === "") return null;
              const read = readGate(text, pattern);
              return read.ok ? null : sayGateProblem(read.problem);
            }}
            onSet={(text) => change({ gate: text.trim().replaceAll(/\s+/gu, " ") })}
          />
          {gate?.ok && (
            <svg
              viewBox="0 0 100 6"
              preserveAspectRatio="none"
              role="img"
              aria-label="What is let through"
              className="mt-1 h-3 w-full max-w-md"
            >
              {gateSpans(gate.value, pattern).map(({ from, to }) => (
                <rect
                  key={from}
                  x={(100 * from) / ticksOfPattern(pattern)}
                  width={(100 * (to - from)) / ticksOfPattern(pattern)}
                  y="0"
                  height="6"
                  className="fill-base-content"
                />
              ))}
            </svg>
          )}
          {gate && !gate.ok && <p className="text-sm text-error">{sayGateProblem(gate.problem)}</p>}
        </div>
      )}
      {pattern && <FittedChords pattern={pattern} anchor={row.anchor} />}
    </section>
  );
}

type Read = { readonly text?: string; readonly problem: string | null };

/** A text that stands for strokes; what it makes is shown before it is taken. */
function Written({
  label,
  hint,
  read,
  onSet,
}: {
  label: string;
  hint: string;
  read: (text: string) => Read;
  onSet: (strokes: string) => void;
}) {
  const [text, setText] = useState("");
  const found = text.trim() === "" ? null : read(text);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (found?.text && !found.problem) onSet(found.text);
      }}
    >
      <label className="flex flex-col gap-1 text-sm">
        {label}
        <input
          className="input input-sm w-full"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <p className="mt-1 text-sm">{hint}</p>
      {found?.problem && (
        <p role="alert" className="text-sm text-error">
          {found.problem}
        </p>
      )}
      <p className="mt-1 flex flex-wrap items-center gap-3">
        <button type="submit" className="btn btn-sm" disabled={!found?.text || found.problem !== null}>
          Take these strokes
        </button>
        {found?.text && <span className="font-mono">{found.text}</span>}
      </p>
    </form>
  );
}
