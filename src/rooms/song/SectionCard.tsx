"use client";

import { memo, useState } from "react";
import {
  type BarSum,
  beatsOfBar,
  beatsOfTicks,
  describeOpenSection,
  ticksOfBar,
  ticksOfBeats,
} from "@/core/rhythm";
import type { Similarity } from "@/core/song/compare";
import { addLine, batch, type FoldProblem, fold, removeSection, set } from "@/core/song/edit";
import {
  describeOddLengths,
  type Note,
  type OutlineSection,
  oddLengths,
  timedChords,
} from "@/core/song/read";
import { SECTION_KINDS, type VersionRow } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { SectionTag } from "@/ui/SectionTag";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { derive, makeId, type Sketch, useAct, useCurrentVersion, useNameOf, useNames } from "../open";
import { CardLine, nextIn } from "./CardLine";
import { describeFormOf } from "./describe-form-of";
import { KeptNotes } from "./KeptNotes";
import type { HomeChoice, SungOver } from "./otherwise/homes";
import { SectionOtherwise } from "./otherwise/SectionOtherwise";
import { useMarks } from "./otherwise/use-marks";
import { TapSection } from "./TapSection";

type Props = {
  readonly outline: OutlineSection;
  readonly sum: BarSum | undefined;
  readonly version: VersionRow;
  /** The earlier section this one goes like. */
  readonly alike?: Similarity | undefined;
  /** What the sheet says beside its lines, by the line it stands before. */
  readonly notes?: ReadonlyMap<string | null, readonly Note[]> | undefined;
  /** The section as it is played every time. */
  readonly sketch?: Sketch | undefined;
  /** Where its chords may be otherwise. */
  readonly homes: readonly HomeChoice[];
  /** Places of the form where other words are sung over its chords. */
  readonly sungOver: readonly SungOver[];
  readonly onOpen: (useId: string) => void;
};

type Told = Pick<Props, "outline" | "sum" | "version">;

/** One section: its lines with chords, words and time; what does not close, with a fix to accept. */
export const SectionCard = memo(function SectionCard({
  outline,
  sum,
  version,
  alike,
  notes,
  sketch,
  homes,
  sungOver,
  onOpen,
}: Props) {
  const { section, lines } = outline;
  const [opened, setOpened] = useState<string | null>(null);
  const [settings, setSettings] = useState(false);
  const [tapping, setTapping] = useState(false);
  const meter = { beats: version.meterBeats, unit: version.meterUnit };
  const marks = useMarks(homes, meter, version.beatUnit);
  const nameOf = useNameOf();
  const current = useCurrentVersion();
  const act = useAct();
  const bars = sum?.bars.length ?? 0;
  const guessed = lines.flatMap((line) => line.chords).filter(({ chord }) => chord.guessed);
  const accept = () =>
    act(
      batch(
        "Accept the guessed beats",
        guessed.map(({ chord }) => set("chords", chord.id, { guessed: false })),
      ),
    );
  return (
    <section
      id={`section-${section.id}`}
      aria-label={section.label}
      className="border-l-4 border-base-300 pl-4"
    >
      <header className="mb-2 flex flex-wrap items-center gap-3">
        <h2>
          <SectionTag label={section.label} kind={section.kind} />
        </h2>
        <span className="text-sm">{bars === 1 ? "1 bar" : `${bars} bars`}</span>
        {guessed.length > 0 && (
          <span className="text-sm">
            Beats are guessed where the line is dotted.{" "}
            <button type="button" className="link font-bold" onClick={accept}>
              They are right
            </button>
          </span>
        )}
        {lines.some((line) => line.chords.length > 0) && (
          <button
            type="button"
            className="link ml-auto text-sm"
            aria-expanded={tapping}
            onClick={() => setTapping(!tapping)}
          >
            Tap the beats
          </button>
        )}
        <button
          type="button"
          className="link text-sm"
          aria-expanded={settings}
          onClick={() => setSettings(!settings)}
        >
          {settings ? "Close" : "Name and kind"}
        </button>
      </header>
      {alike && <Alike outline={outline} alike={alike} />}
      {settings && <SectionSettings outline={outline} version={version} />}
      <OpenEnd outline={outline} sum={sum} version={version} />
      <OddLengths outline={outline} sum={sum} version={version} />
      {tapping && <TapSection outline={outline} version={version} onLeave={() => setTapping(false)} />}
      {lines.length === 0 && <p className="text-sm">No lines yet.</p>}
      <ol data-marks className="flex flex-col gap-1">
        {lines.map((line, index) => {
          return (
            <CardLine
              key={line.line.id}
              line={line}
              below={lines.slice(index)}
              sum={sum?.lines[index]}
              version={version}
              label={`line ${index + 1} of ${section.label}`}
              notes={notes?.get(line.line.id)}
              timed={sketch?.lines[index]}
              next={nextIn(sketch?.lines, index, nameOf)}
              marks={marks}
              isOpen={opened === line.line.id}
              onOpen={(opens) => setOpened(opens ? line.line.id : null)}
            />
          );
        })}
      </ol>
      <KeptNotes notes={notes?.get(null)} />
      {sungOver.map(({ useId, label, opening }) => (
        <p key={useId} className="text-sm">
          <button type="button" className="link font-bold" onClick={() => onOpen(useId)}>
            {label}
          </button>
          , over the same chords: <i>{opening}</i>
        </p>
      ))}
      <SectionOtherwise section={outline} shared={sketch?.shared ?? []} version={version} />
      <button
        type="button"
        className="link mt-1 text-sm"
        onClick={() => act(addLine(derive.outline(current()), section.id, makeId))}
      >
        Add a line
      </button>
    </section>
  );
});

/** A section told as an earlier one, with its difference as a difference, and the offer to fold it in. */
function Alike({ outline, alike }: { outline: OutlineSection; alike: Similarity }) {
  const act = useAct();
  const current = useCurrentVersion();
  const [problem, setProblem] = useState("");
  const join = (from: string, into: string) => {
    const body = current();
    const folded = fold(body, derive.outline(body), from, into, makeId);
    setProblem(folded.ok ? "" : FOLD_WORDS[folded.problem.code]);
    if (folded.ok) act(folded.value);
  };
  return (
    <p className="mb-2 text-sm">
      {alike.differences.length === 0
        ? `The chords go as in ${alike.label}.`
        : `The chords go as in ${alike.label}, but ${alike.differences.join("; ")}.`}{" "}
      <button type="button" className="link" onClick={() => join(outline.section.id, alike.like)}>
        Fold it into {alike.label}
      </button>{" "}
      or{" "}
      <button type="button" className="link" onClick={() => join(alike.like, outline.section.id)}>
        {alike.label} into it
      </button>
      {problem && (
        <span role="alert" className="block text-error">
          {problem}
        </span>
      )}
    </p>
  );
}

const FOLD_WORDS: Readonly<Record<FoldProblem["code"], string>> = {
  "lines-differ": "The two have different numbers of lines, so they stay two sections. Nothing was changed.",
  "pickups-differ": "The two have different pickups, so they stay two sections. Nothing was changed.",
  "same-section": "This is the same section. Nothing was changed.",
};

/** Why a section does not close, and what would close it. */
function OpenEnd({ outline, sum, version }: Told) {
  const act = useAct();
  const nameOf = useNameOf();
  if (!sum?.open) return null;
  const bar = ticksOfBar({ beats: version.meterBeats, unit: version.meterUnit });
  const lines = outline.lines.map((line) =>
    timedChords(line).map((chord) => ({
      ...chord,
      symbol: nameOf(chord.symbol).name,
    })),
  );
  const said = describeOpenSection(sum.open, lines, bar, version.beatUnit);
  return (
    <div role="note" className="mb-2 rounded-field border-2 border-warning bg-base-200 px-3 py-2">
      <p>
        <strong>Does not close.</strong> {said.message}
      </p>
      <p className="mt-1 flex flex-wrap items-center gap-2">
        {said.fixes.map((fix) => (
          <button
            key={`${fix.line} ${fix.at} ${fix.ticks}`}
            type="button"
            className="btn btn-sm"
            onClick={() =>
              act(
                set("chords", outline.lines[fix.line]!.chords[fix.at]!.chord.id, {
                  ticks: fix.ticks,
                  guessed: false,
                }),
              )
            }
          >
            {fix.words}
          </button>
        ))}
      </p>
    </div>
  );
}

/** Lengths that are unusual here, and a form it goes by: said, and left to who knows the song. */
function OddLengths({ outline, sum, version }: Told) {
  const bar = ticksOfBar({ beats: version.meterBeats, unit: version.meterUnit });
  const namer = useNames()();
  if (sum?.open) return null;
  const form = describeFormOf(sum, namer);
  return [
    ...describeOddLengths(oddLengths(outline, bar, sum?.nextPickup), outline.section.label),
    ...(form ? [form] : []),
  ].map((said) => (
    <p key={said} role="note" className="mb-2 text-sm">
      {said}
    </p>
  ));
}

function SectionSettings({ outline, version }: Omit<Told, "sum">) {
  const { section } = outline;
  const current = useCurrentVersion();
  const act = useAct();
  const bar = beatsOfBar({ beats: version.meterBeats, unit: version.meterUnit }, version.beatUnit);
  const firstLine = beatsOfTicks(outline.lines[0]?.ticks ?? 0, version.beatUnit);
  return (
    <div className="mb-3 flex flex-wrap items-end gap-3 rounded-field bg-base-200 p-3">
      <TextField
        label="Name"
        value={section.label}
        required
        longest={80}
        className="w-44"
        onSet={(label) => act(set("sections", section.id, { label }))}
      />
      <SelectField
        label="Kind"
        className="w-36"
        value={section.kind}
        options={SECTION_KINDS.map((kind) => ({ value: kind, label: kind }))}
        onSet={(kind) => act(set("sections", section.id, { kind: kind }))}
      />
      <NumberField
        label="Pickup"
        unit="beats"
        value={beatsOfTicks(section.pickup, version.beatUnit)}
        least={0}
        most={Math.max(0, Math.min(bar - 0.25, firstLine))}
        whole={false}
        onSet={(beats) =>
          act(set("sections", section.id, { pickup: ticksOfBeats(beats, version.beatUnit) ?? 0 }))
        }
      />
      <button type="button" className="btn btn-sm" onClick={() => act(removeSection(current(), section.id))}>
        Remove {section.label}
      </button>
    </div>
  );
}
