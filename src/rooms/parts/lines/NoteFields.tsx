"use client";

import { LAST_FRET, NOTE_ARTS, type NoteArt } from "@/core/fretboard";
import type { RiffNote } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { Tick } from "@/ui/Tick";
import type { TabGridModel } from "./use-tab-grid";

const ART_WORDS: Readonly<Record<NoteArt, string>> = {
  plain: "plucked",
  hammer: "hammered on",
  pull: "pulled off",
  slide: "slid to",
  dead: "dead",
};
const BEND_WORDS = [
  "none",
  "a quarter tone",
  "a semitone",
  "three quarter tones",
  "a whole tone",
  "5 quarter tones",
  "3 semitones",
  "7 quarter tones",
  "two whole tones",
];

/** The times round a note can be for. */
const WHICH_TIMES = [
  { round: null, times: "only", label: "every time" },
  ...[1, 2, 3, 4].map((round) => ({ round, times: "only" as const, label: `only time ${round}` })),
  ...[2, 3].map((round) => ({ round, times: "from" as const, label: `from time ${round} on` })),
  { round: 2, times: "every", label: "every other time" },
  { round: 1, times: "last", label: "the last time" },
].map((one) => ({ ...one, value: `${one.times} ${one.round}` })) as readonly (Pick<
  RiffNote,
  "round" | "times"
> & { readonly value: string; readonly label: string })[];

const whichTime = ({ round, times }: Pick<RiffNote, "round" | "times">): string =>
  times === "last" ? "last 1" : `${times} ${round}`;

const STROKES = [
  { value: "", label: "as the line goes" },
  { value: "down", label: "down" },
  { value: "up", label: "up" },
] as const;
const FINGERS = [
  { value: "", label: "the hand’s own" },
  { value: "1", label: "index" },
  { value: "2", label: "middle" },
  { value: "3", label: "ring" },
  { value: "4", label: "little finger" },
] as const;
const WEIGHTS = [
  { value: "1", label: "light" },
  { value: "2", label: "plain" },
  { value: "3", label: "accented" },
] as const;

/** Everything about the note under the cursor, for who uses no keys. */
export function NoteFields({
  model,
  strings: names,
  nameOf,
}: {
  readonly model: TabGridModel;
  /** Names of the strings. */
  readonly strings: readonly string[];
  readonly nameOf: (note: RiffNote) => string;
}) {
  const { cursor, here, inBar, inBeat, putFret, change } = model;
  return (
    <fieldset className="mt-2 flex flex-wrap items-end gap-3">
      <legend className="text-sm">
        {names[cursor.string]} string, bar {Math.floor(cursor.column / inBar) + 1}, beat{" "}
        {Math.floor((cursor.column % inBar) / inBeat) + 1}
        {here ? `: ${nameOf(here)}` : ": nothing"}
      </legend>
      <NumberField label="Fret" value={here?.fret ?? 0} least={0} most={LAST_FRET} onSet={putFret} />
      {here ? (
        <>
          <SelectField
            label="Begun"
            className="w-32"
            value={here.art}
            options={NOTE_ARTS.map((art) => ({ value: art, label: ART_WORDS[art] }))}
            onSet={(art) => change({ art })}
          />
          <SelectField
            label="Bent up"
            className="w-40"
            value={String(here.bend)}
            options={BEND_WORDS.map((label, bend) => ({ value: String(bend), label }))}
            onSet={(bend) => change({ bend: Number(bend) })}
          />
          <SelectField
            label="Which time"
            className="w-40"
            value={whichTime(here)}
            options={WHICH_TIMES.map(({ value, label }) => ({ value, label }))}
            onSet={(value) => {
              const { round, times } = WHICH_TIMES.find((one) => one.value === value)!;
              change({ round, times });
            }}
          />
          <SelectField
            label="Stroke"
            className="w-36"
            value={here.stroke ?? ""}
            options={STROKES}
            onSet={(stroke) => change({ stroke: stroke === "" ? null : stroke })}
          />
          <SelectField
            label="Struck"
            className="w-28"
            value={String(here.weight) as "1" | "2" | "3"}
            options={WEIGHTS}
            onSet={(weight) => change({ weight: Number(weight) as RiffNote["weight"] })}
          />
          <SelectField
            label="Finger"
            className="w-36"
            value={String(here.finger ?? "") as (typeof FINGERS)[number]["value"]}
            options={FINGERS}
            onSet={(finger) =>
              change({ finger: finger === "" ? null : (Number(finger) as RiffNote["finger"]) })
            }
          />
          <Tick label="rings" on={here.ring} onSet={(ring) => change({ ring })} />
          <Tick label="short" on={here.short} onSet={(short) => change({ short })} />
          <Tick label="may be left out" on={here.optional} onSet={(optional) => change({ optional })} />
        </>
      ) : (
        <button type="button" className="btn btn-sm" onClick={() => putFret(0)}>
          Put the open string here
        </button>
      )}
    </fieldset>
  );
}
