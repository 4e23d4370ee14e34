"use client";

import {
  ANCHORS,
  type Anchor,
  checkMeter,
  formatMeter,
  isCompound,
  PATTERN_KINDS,
  type PatternKind,
  readMeter,
  SUBDIVISIONS,
  type Subdivision,
} from "@/core/rhythm";
import type { StrumRow } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import type { EditedPattern } from "./use-pattern";

const KIND_WORDS: Readonly<Record<PatternKind, string>> = {
  strum: "strokes: D U",
  fingers: "fingers: p i m a",
  zones: "zones of strings: L M H",
  free: "free: any stroke on the swing",
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

/** What a pattern is counted in and written with, and how it lies under the chords. */
export function PatternSettings({ edited }: { readonly edited: EditedPattern }) {
  const { row, meter, change } = edited;
  return (
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
        onSet={(kind) => change({ kind })}
      />
      <SelectField
        label="Under the chords it"
        value={row.anchor}
        options={ANCHORS.map((anchor) => ({ value: anchor, label: ANCHOR_WORDS[anchor] }))}
        onSet={(anchor) => change({ anchor })}
      />
    </div>
  );
}
