"use client";

import { type Adjustments, type ChordSheet, canJoin, DEFAULT_TEMPO } from "@/core/formats";
import { formatKey, moveKey, parseKey } from "@/core/pitch";
import {
  beatsOfBar,
  beatUnitOf,
  COMMON_TIME,
  METER_UNITS,
  MOST_BEATS_IN_A_BAR,
  MOST_BPM,
} from "@/core/rhythm";
import { SECTION_KINDS, type SectionKind } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { optionsOf } from "@/ui/options";
import { describeKey, pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { keyChoices } from "../song";

const NAMING_WORDS = {
  letters: "letters: C, D, E",
  syllables: "syllables: Do, Ré, Mi",
  german: "with H and B",
  degrees: "numbers: 1, 4, 5",
} as const;

type Change = (fields: Partial<Adjustments>) => void;

/** What was guessed of the whole song, each to be put right here. */
export function Guesses({
  sheet,
  adjustments,
  onChange,
}: {
  sheet: ChordSheet;
  adjustments: Adjustments;
  onChange: Change;
}) {
  const key = sheet.key ?? "C";
  const other = key.endsWith("m") ? key.slice(0, -1) : `${key}m`;
  const meter = sheet.meter ?? COMMON_TIME;
  const unit = beatUnitOf(meter);
  const bar = beatsOfBar(meter, unit);
  const guessed = sheet.sections.some((section) =>
    section.lines.some((line) => line.chords.some((chord) => chord.guessed)),
  );
  const setMeter = (fields: { beats?: number; unit?: number }) =>
    onChange({ meter: { ...meter, ...fields } as NonNullable<Adjustments["meter"]> });
  return (
    <fieldset className="rounded-box bg-base-200 p-3">
      <legend className="sr-only">What was guessed</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-3">
        <SelectField
          label={`${sheet.shapes ? "Key of the shapes" : "Key"}${sheet.keySure ? "" : " (a guess)"}`}
          className="w-36"
          value={key}
          options={[...new Set([...keyChoices(key), ...keyChoices(other)])].map((value) => ({
            value,
            label: describeKey(value),
          }))}
          onSet={(value) => onChange({ key: value, ...(sheet.capo > 0 && { shapes: sheet.shapes }) })}
        />
        <NumberField
          label={sheet.tempo === null ? "Tempo (none is given)" : "Tempo"}
          value={sheet.tempo ?? DEFAULT_TEMPO}
          least={1}
          most={MOST_BPM}
          whole={false}
          unit="a minute"
          onSet={(tempo) => onChange({ tempo })}
        />
        <NumberField
          label={sheet.meter === null ? "Metre (none is given)" : "Metre"}
          value={meter.beats}
          least={1}
          most={MOST_BEATS_IN_A_BAR}
          unit="beats"
          onSet={(beats) => setMeter({ beats })}
        />
        <SelectField
          label="of a note of"
          className="w-24"
          value={String(meter.unit)}
          options={METER_UNITS.map((value) => ({ value: String(value), label: `1/${value}` }))}
          onSet={(value) => setMeter({ unit: Number(value) })}
        />
        <SelectField
          label={guessed ? "Beats of a chord (a guess)" : "Beats of a chord"}
          className="w-56"
          value={String(adjustments.beatsPerChord ?? "")}
          options={[
            { value: "", label: guessed ? "by the whole song" : "as written" },
            ...[...new Set([1, 2, 3, bar, bar * 2])].map((beats) => ({
              value: String(beats),
              label: beats === 1 ? "1 beat each" : `${beats} beats each`,
            })),
          ]}
          onSet={(value) => onChange({ beatsPerChord: value === "" ? undefined : Number(value) })}
        />
        <SelectField
          label="Chords are written"
          className="w-48"
          value={adjustments.naming ?? sheet.naming}
          options={optionsOf(NAMING_WORDS)}
          onSet={(naming) => onChange({ naming })}
        />
        {sheet.capo > 0 && (
          <SelectField
            label={`With capo ${sheet.capo} the chords are`}
            className="w-64"
            value={sheet.shapes ? "shapes" : "sounding"}
            options={[
              { value: "shapes", label: `shapes, sounding in ${pretty(above(key, sheet.capo))}` },
              { value: "sounding", label: "what sounds" },
            ]}
            onSet={(value) => onChange({ shapes: value === "shapes" })}
          />
        )}
      </div>
    </fieldset>
  );
}

/** The key so many frets above one. */
function above(key: string, capo: number): string {
  const parsed = parseKey(key);
  return parsed.ok ? formatKey(moveKey(parsed.value, capo)) : key;
}

/** Name and kind of one section, and whether it goes on from the one before. */
export function SectionGuess({
  sheet,
  index,
  adjustments,
  onChange,
}: {
  sheet: ChordSheet;
  index: number;
  adjustments: Adjustments;
  onChange: Change;
}) {
  const own = adjustments.sections?.find((one) => one.section === index);
  const section = sheet.sections[index]!;
  const change = (fields: { label?: string; kind?: SectionKind; join?: boolean }) =>
    onChange({
      sections: [
        ...(adjustments.sections ?? []).filter((one) => one.section !== index),
        { ...own, ...fields, section: index },
      ],
    });
  return (
    <div className="flex flex-wrap items-end gap-3">
      <TextField
        label={`Name of section ${index + 1}`}
        hideLabel
        value={own?.label ?? section.label}
        required
        longest={80}
        className="w-44"
        onSet={(label) => change({ label })}
      />
      <SelectField
        label={`Kind of section ${index + 1}`}
        hideLabel
        className="w-36"
        value={own?.kind ?? section.kind}
        options={SECTION_KINDS.map((kind) => ({ value: kind, label: kind }))}
        onSet={(kind) => change({ kind })}
      />
      {(own?.join || canJoin(sheet, index)) && (
        <label className="flex items-center gap-2 pb-1 text-sm">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={own?.join ?? false}
            onChange={(event) => change({ join: event.target.checked })}
          />
          goes on from the one before
        </label>
      )}
    </div>
  );
}
