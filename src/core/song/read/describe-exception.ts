import { assertNever } from "../../../base";
import { describeSemitones } from "../../pitch";
import { beatsOfTicks, countBeats } from "../../rhythm";
import type { Exception, ExceptionTimes, Use } from "../schema/sections";
import type { VersionRow } from "../schema/version";

import { bareWord } from "./bars-text";
import { exceptionsAt, type Outline, type OutlineException, type OutlineLine } from "./outline";
import { beatUnitOfUse } from "./timeline";

/** The times a section's exception is for, in words. */
export const TIMES_WORDS: Readonly<Record<ExceptionTimes, string>> = Object.freeze({
  every: "every time",
  first: "the first time",
  later: "from the second time on",
  last: "the last time",
});

/**
 * How an exception is told beside its use.
 * @param nameOf the chord's name for the reader: it is kept as written
 * @example "hold of 4 beats on G, until the sign"
 */
export function describeException(
  one: OutlineException,
  use: Use,
  outline: Outline,
  version: VersionRow,
  nameOf: (symbol: string) => string = (symbol) => symbol,
): string {
  const { round } = one.exception;
  return `${describeMark(one, use, outline, version, nameOf)}${round === null ? "" : `, time ${round}`}`;
}

/** The same with the times a section's exception is for. @example "D comes half a beat early, every time" */
export function describeShared(
  one: OutlineException,
  use: Use,
  outline: Outline,
  version: VersionRow,
  nameOf?: (symbol: string) => string,
): string {
  const said = describeException(one, use, outline, version, nameOf);
  return one.exception.useId === null ? `${said}, ${TIMES_WORDS[one.exception.times]}` : said;
}

function describeMark(
  { exception, lines }: OutlineException,
  use: Use,
  outline: Outline,
  version: VersionRow,
  nameOf: (symbol: string) => string,
): string {
  const { kind, ticks } = exception;
  const beats = (length: number) => countBeats(beatsOfTicks(length, beatUnitOfUse(version, use)));
  const chord = chordNamed(exception, use, outline, nameOf);
  const asUsual = ticks === 0;
  switch (kind) {
    case "line":
      return `${lineNamed(exception, use, outline)} is different`;
    case "words":
      return `${lineNamed(exception, use, outline)} has other words`;
    case "chords":
      return `${lineNamed(exception, use, outline)} has other chords`;
    case "chord":
      return `${nameOf(exception.symbol ?? "")} instead of ${chord}`;
    case "ending": {
      const next = outline.byId.get(exception.followedBy ?? "")?.section.label;
      return `another ending${next ? ` when ${next} follows` : ""}: its last ${beats(ticks)} replaced`;
    }
    case "extra":
      return lines.length === 1 ? "an extra last line" : `${lines.length} extra lines`;
    case "hold": {
      const sign = exception.cued ? ", until the sign" : "";
      return `${asUsual ? (exception.cued ? "hold" : "no hold") : `hold of ${beats(ticks)}`} on ${chord}${sign}`;
    }
    case "push":
      return asUsual ? `${chord} comes on its beat` : `${chord} comes ${beats(ticks)} early`;
    case "late":
      return asUsual ? `${chord} comes on its beat` : `${chord} comes ${beats(ticks)} late`;
    case "choke":
      return asUsual ? `${chord} rings` : `${chord} is choked after ${beats(ticks)}`;
    case "hit":
      return asUsual ? `${chord} rings` : `hit on ${chord}, then silence`;
    case "stop":
      return asUsual ? `no stop on ${chord}` : `stop on ${chord}: silent for ${beats(ticks)}`;
    case "tacet":
      return "the band is silent: voices alone";
    default:
      return assertNever(kind);
  }
}

/** @example "line 2" */
function lineNamed(exception: Exception, use: Use, outline: Outline): string {
  const lines = outline.byId.get(use.sectionId)?.lines ?? [];
  return `line ${lines.findIndex(({ line }) => line.id === exception.lineId) + 1}`;
}

/** A word of a line without the marks around it; "" where it is not one of its words. */
const wordOf = (line: OutlineLine, wordId: string | null): string =>
  bareWord(line.words.find(({ word }) => word.id === wordId)?.word.text ?? "").toLowerCase();

function chordNamed(
  exception: Exception,
  use: Use,
  outline: Outline,
  nameOf: (symbol: string) => string,
): string {
  const lines = [
    ...(outline.byId.get(use.sectionId)?.lines ?? []),
    ...exceptionsAt(outline, use).flatMap((one) => one.lines),
  ];
  const line = lines.find(({ chords }) => chords.some(({ chord }) => chord.id === exception.chordId));
  const found = line?.chords.find(({ chord }) => chord.id === exception.chordId)?.chord;
  if (line && found) {
    const alike = lines.flatMap((one) =>
      one.chords.flatMap(({ chord }) => (chord.symbol === found.symbol ? [wordOf(one, chord.wordId)] : [])),
    );
    // Of several chords alike the one is told by what is sung, or by its line where that is alike too.
    if (alike.length < 2) return nameOf(found.symbol);
    const word = wordOf(line, found.wordId);
    const isOne = word !== "" && alike.filter((one) => one === word).length === 1;
    return `${nameOf(found.symbol)}${isOne ? ` on “${word}”` : ` in line ${lines.indexOf(line) + 1}`}`;
  }
  return exception.kind === "hold" || exception.kind === "stop" ? "the last chord" : "the first chord";
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
