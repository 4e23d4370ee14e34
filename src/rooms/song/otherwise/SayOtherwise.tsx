"use client";

import { type BeatUnit, type Meter, ticksOfBar, ticksOfBeats } from "@/core/rhythm";
import { addException } from "@/core/song/edit";
import {
  describeSaid,
  type ExceptionSaid,
  type Outline,
  type OutlineLine,
  type OutlineSection,
  readException,
} from "@/core/song/read";
import { TextField } from "@/ui/TextField";
import { derive, makeId, useAct, useCurrentVersion } from "../../open";
import type { HomeChoice } from "./homes";
import { usualTicks } from "./use-marks";

/** What is offered while one types; what may follow is offered for each section. */
const OFFERED = [
  "hit on one, then silence",
  "stop on the last chord",
  "hold the last chord",
  "hold the last chord until the sign",
  "push the first chord",
  "voices alone",
  "another ending",
  "an extra last line",
  "line 1: other words",
  "line 1: other chords",
  "line 1 is different",
];

type Place = {
  readonly section: OutlineSection;
  readonly outline: Outline;
  /** Where it may hold; the first is meant where nothing is said of the times. */
  readonly homes: readonly HomeChoice[];
  readonly meter: Meter;
  readonly beatUnit: BeatUnit;
  /** How the chords are called here. */
  readonly nameOf: (symbol: string) => string;
};

/** Says in words what is otherwise: one line, one act. */
export function SayOtherwise({ label, ...place }: Place & { readonly label: string }) {
  const act = useAct();
  const current = useCurrentVersion();
  const follows = place.outline.sections
    .filter(({ section }) => section.id !== place.section.section.id)
    .map(({ section }) => `another ending when ${section.label} follows`);
  const check = (text: string): string | null => {
    if (text.trim() === "") return null;
    const said = readException(text);
    if (!said.ok) return `“${text}” says nothing the sheet knows: write such as “stop on the last chord”.`;
    const found = placeSaid(said.value, place);
    return typeof found === "string" ? found : null;
  };
  return (
    <TextField
      label={label}
      value=""
      clears
      longest={120}
      className="w-80 max-w-full"
      offered={[...OFFERED, ...follows]}
      check={check}
      onSet={(text) => {
        const said = readException(text);
        const found = said.ok ? placeSaid(said.value, place) : "";
        if (!said.ok || typeof found === "string") return;
        act(addException(derive.outline(current()), found.home, said.value.kind, found.fields, makeId));
      }}
    />
  );
}

/** What was said, with its line, chord and section found; a sentence where one of them is not there. */
function placeSaid(said: ExceptionSaid, { section, outline, homes, meter, beatUnit, nameOf }: Place) {
  const { lines } = section;
  const needsLine = said.kind === "line" || said.kind === "words" || said.kind === "chords";
  const line = lines[(said.line ?? 1) - 1];
  if (needsLine && !line) return `There is no line ${said.line ?? 1} here: the section has ${lines.length}.`;
  const chord = chordSaid(said, lines, nameOf);
  if (chord === undefined) return `That chord is not played here. ${describeSaid(said)}`;
  const next = said.followedBy && outline.sections.find((one) => fits(one.section.label, said.followedBy!));
  if (said.followedBy && !next) return `No section is called “${said.followedBy}”.`;
  const usual = usualTicks(said.kind, meter, beatUnit);
  const { length } = said;
  const ticks =
    length === null
      ? usual
      : length.unit === "bar"
        ? length.count * ticksOfBar(meter)
        : ticksOfBeats(length.count, beatUnit);
  const home = homes.find(({ home: one }) => "times" in one && one.times === said.times) ?? homes[0]!;
  return {
    home: home.home,
    fields: {
      ticks: said.kind === "ending" ? Math.min(section.ticks, ticks ?? usual) : (ticks ?? usual),
      cued: said.cued,
      lineId: needsLine ? line!.line.id : null,
      chordId: chord,
      followedBy: next ? next.section.id : null,
    },
  };
}

const fits = (label: string, said: string): boolean =>
  label.toLowerCase() === said || label.toLowerCase() === said.replace(/^the /u, "");

/** The chord that is meant; null for the usual one, undefined where it is not there. */
function chordSaid(
  { at, kind }: ExceptionSaid,
  lines: readonly OutlineLine[],
  nameOf: (symbol: string) => string,
): string | null | undefined {
  const chords = lines.flatMap((line) => line.chords.map(({ chord }) => chord));
  const usual = kind === "hold" || kind === "stop" ? "last" : "first";
  if (at === null || at === usual) return null;
  if (at === "first") return chords[0]?.id;
  if (at === "last") return chords.at(-1)?.id;
  return chords.find(({ symbol }) => nameOf(symbol) === at.chord || symbol === at.chord)?.id;
}
