import { assertNever } from "../../../base";
import { describeSemitones } from "../../pitch";
import { beatsOfTicks, countBeats } from "../../rhythm";
import type { Exception, Use } from "../schema/sections";
import type { VersionRow } from "../schema/version";

import type { Outline, OutlineException } from "./outline";
import { beatUnitOfUse } from "./timeline";

/**
 * How an exception is told beside its use.
 * @param nameOf the chord's name for the reader: it is kept as written
 * @example "hold of 4 beats on G, until the sign"
 */
export function describeException(
  { exception, lines }: OutlineException,
  use: Use,
  outline: Outline,
  version: VersionRow,
  nameOf: (symbol: string) => string = (symbol) => symbol,
): string {
  const section = outline.byId.get(use.sectionId);
  const beats = (ticks: number) => countBeats(beatsOfTicks(ticks, beatUnitOfUse(version, use)));
  const chord = chordNamed(exception, use, outline, nameOf);
  const round = exception.round === null ? "" : `, time ${exception.round}`;
  switch (exception.kind) {
    case "line": {
      const index = section?.lines.findIndex((line) => line.line.id === exception.lineId) ?? -1;
      return `line ${index + 1} is different${round}`;
    }
    case "ending": {
      const next = outline.byId.get(exception.followedBy ?? "")?.section.label;
      return `another ending${next ? ` when ${next} follows` : ""}: its last ${beats(exception.ticks)} replaced${round}`;
    }
    case "extra":
      return `${lines.length === 1 ? "an extra last line" : `${lines.length} extra lines`}${round}`;
    case "hold": {
      const length = exception.ticks === 0 ? "hold" : `hold of ${beats(exception.ticks)}`;
      return `${length} on ${chord}${exception.cued ? ", until the sign" : ""}${round}`;
    }
    case "push":
      return `${chord} comes ${beats(exception.ticks)} early${round}`;
    case "stop":
      return `stop on ${chord}: silent for ${beats(exception.ticks)}${round}`;
    default:
      return assertNever(exception.kind);
  }
}

function chordNamed(
  exception: Exception,
  use: Use,
  outline: Outline,
  nameOf: (symbol: string) => string,
): string {
  const lines = [
    ...(outline.byId.get(use.sectionId)?.lines ?? []),
    ...(outline.exceptions.get(use.id) ?? []).flatMap((one) => one.lines),
  ];
  const found = lines.flatMap((line) => line.chords).find(({ chord }) => chord.id === exception.chordId);
  if (found) return nameOf(found.chord.symbol);
  return exception.kind === "push" ? "the first chord" : "the last chord";
}

/**
 * What is otherwise at a use beside its exceptions: times, key, tempo, metre, voice.
 * @param key the key it sounds in, as its reader calls it
 * @example describeUse({ …, shift: 2 }, "B") // => ["2 semitones up, in B"]
 */
export function describeUse(use: Use, key: string): string[] {
  const { shift } = use;
  const metre = use.meterBeats !== null || use.meterUnit !== null;
  return [
    ...(shift === 0 ? [] : [`${describeSemitones(Math.abs(shift))} ${shift > 0 ? "up" : "down"}, in ${key}`]),
    ...(use.bpm === null ? [] : [`${use.bpm} a minute`]),
    ...(metre ? [`in ${use.meterBeats ?? "the same"}/${use.meterUnit ?? "same"}`] : []),
    ...(use.vocals ? [] : ["no vocals"]),
    ...(use.octaveDown && use.vocals ? ["sung an octave lower"] : []),
  ];
}
