import { capital } from "@/base";
import { describeList } from "@/core/fretboard";
import { type OwnShape, toneWords } from "@/core/parts";
import type { Namer } from "@/core/song/names";

/** A name with its bass said: "Dsus2 over A". */
const said = (symbol: string): string => symbol.replace(/\/(?=[A-GH♯♭#]|[A-Z][a-zé])/u, " over ");

/**
 * What a shape of one's own is and what it does to the chart, a sentence each.
 * @param name the chart's chord as it is read
 * @example ["Asus4, or Dsus2 over A.", "It leaves out the third.", "D is not in A."]
 */
export function tellOwnShape(shape: OwnShape, name: string, namer: Namer, level: string): string[] {
  const { names, leavesOut, strangers, hasBass, fingering, needs } = shape;
  const called = [...new Set(names.map(({ symbol }) => namer.readSounding(symbol)))];
  const [first, ...others] = called.map(said);
  const isChart = called[0] === name;
  const sentences = [
    first === undefined
      ? "No chord we know a name for has exactly these tones."
      : `${first}${others.length > 0 ? `, or ${others.join(", or ")}` : ""}.`,
  ];
  if (leavesOut.length > 0) sentences.push(`It leaves out the ${describeList(leavesOut.map(toneWords))}.`);
  if (strangers.length > 0) {
    const notes = strangers.map((one) => namer.noteOf(one));
    sentences.push(`${capital(describeList(notes))} ${notes.length > 1 ? "are" : "is"} not in ${name}.`);
  }
  if (!hasBass && !isChart) sentences.push("Another tone than the chart’s bass is lowest.");
  if (fingering === null)
    sentences.push("No hand we know of holds it as it stands: it is kept as you wrote it, without fingers.");
  else if (needs !== level) sentences.push(`It asks for a ${needs} hand.`);
  return sentences;
}
