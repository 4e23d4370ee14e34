import { assertNever } from "../../base";
import { LONGEST_SHEET, type SheetProblem } from "./sheet";

/** The sentence for a problem: what, where, and what to do. */
export function saySheetProblem(problem: SheetProblem): string {
  const at = `Line ${problem.line}`;
  const quoted = `“${problem.text}”`;
  switch (problem.code) {
    case "empty":
      return "There is nothing here yet. Paste a song, chords over its words.";
    case "too-long":
      return `This text has ${Number(problem.text).toLocaleString("en")} characters; a song sheet may have ${LONGEST_SHEET.toLocaleString("en")}. Paste one song at a time.`;
    case "no-chords":
      return "No line of chords was found. The words and headings are kept; put chords under them in the Song room.";
    case "unreadable-chord":
      return `${at}, column ${problem.column}: ${quoted} can't be read as a chord. It is kept as written and marked; correct it in the Song room.`;
    case "bad-key":
      return `${at}: ${quoted} names no major or minor key, such as G or F#m. The key is found from the chords instead.`;
    case "bad-tempo":
      return `${at}: ${quoted} is not a tempo from 1 to 400 beats a minute. Set it in the Song room.`;
    case "bad-meter":
      return `${at}: ${quoted} is not a metre such as 4/4, 3/4 or 6/8. 4/4 is taken; set it in the Song room.`;
    case "bad-capo":
      return `${at}: ${quoted} is not a capo fret from 0 to 12. No capo is taken.`;
    case "repeat-in-line":
      return `${at}, column ${problem.column}: the repeat mark ${quoted} is not played out. Write the line again, or put the section twice in the form.`;
    case "crowded-bar":
      return `${at}, column ${problem.column}: the bar beginning with ${quoted} holds more chords than it has half beats. Check its beats.`;
    default:
      return assertNever(problem.code);
  }
}
