import { assertNever } from "../../base";
import {
  LONGEST_SHEET,
  MOST_LINE_CHORDS,
  MOST_SHEET_CHORDS,
  MOST_SHEET_LINES,
  type SheetLoss,
  type SheetProblem,
} from "./sheet";

/** The sentence for a problem: what, where, and what to do. */
export function describeSheetProblem(problem: SheetProblem): string {
  const at = `Line ${problem.line}`;
  const place = `${at}, column ${problem.column}`;
  const quoted = `“${problem.text}”`;
  switch (problem.code) {
    case "empty":
      return "There is nothing here yet. Paste a song, chords over its words.";
    case "too-long":
      return `This text has ${Number(problem.text).toLocaleString("en")} characters; a song sheet may have ${LONGEST_SHEET.toLocaleString("en")}. Paste one song at a time.`;
    case "too-many-lines":
      return `This text has ${Number(problem.text).toLocaleString("en")} lines; a song sheet may have ${MOST_SHEET_LINES.toLocaleString("en")}. Paste one song at a time.`;
    case "too-many-chords":
      return `This holds ${Number(problem.text).toLocaleString("en")} chords; a song may have ${MOST_SHEET_CHORDS.toLocaleString("en")}. Take one song at a time.`;
    case "crowded-line":
      return `One line holds ${problem.text}; a line may have ${MOST_LINE_CHORDS}. Break it where the players breathe.`;
    case "no-chords":
      return "No line of chords was found. The words and headings are kept; put chords under them in the Song room.";
    case "unreadable-chord":
      return `${place}: ${quoted} can't be read as a chord. It is kept as written and marked; correct it in the Song room.`;
    case "bad-key":
      return `${at}: ${quoted} names no major or minor key, such as G or F#m. The key is found from the chords instead.`;
    case "bad-tempo":
      return `${at}: ${quoted} is not a tempo from 1 to 400 beats a minute. Set it in the Song room.`;
    case "bad-meter":
      return `${at}: ${quoted} is not a metre such as 4/4, 3/4 or 6/8. The metre before it goes on; set it in the Song room.`;
    case "bad-capo":
      return `${at}: ${quoted} is not a capo fret from 0 to 12. No capo is taken.`;
    case "capo-or-key":
      return `${at}: with this capo the chords may be shapes or what sounds; both fit the key. They are read as ${problem.text}.`;
    case "capo-against-key":
      return `${at}: ${problem.text} is written as the key. What the capo says is taken.`;
    case "bad-directive":
      return `${at}: ${quoted} is not a complete directive such as {title: …}. It is kept as written.`;
    case "bad-beats":
      return `${at}: the beats ${quoted} do not fit the chords of the next line. They are guessed instead; set them in the Song room.`;
    case "open-section":
      return `${at}: ${quoted} is begun and not ended. It goes on to the next section.`;
    case "empty-heading":
      return `${at}: ${quoted} has no lines under it, and no section of its name comes before. It is left out; write its chords under it, or choose what it plays like.`;
    case "maybe-heading":
      return `${at}: ${quoted} stands alone over chords and is taken as a heading.`;
    case "figures-as-beats":
      return `${at}: the figures behind all chords close the bars, as in ${quoted}; they are read as beats.`;
    case "open-repeat":
      return `${place}: the repeat ${quoted} has no other end in its section. It is played once; write the lines again, or repeat the section in the form.`;
    case "too-many-repeats":
      return `${place}: ${quoted} would repeat more than a song can hold. It is played once.`;
    case "crowded-bar":
      return `${place}: the bar beginning with ${quoted} holds more chords than it has half beats. Check its beats.`;
    case "numbers-without-key":
      return `${at}: ${quoted} looks like chords written as numbers. Give the key (a line “Key: G”) and they are read.`;
    case "both-b-names":
      return `${place}: the sheet writes H and also ${quoted}. H is read as B, and B as B flat; check that one.`;
    case "another-song":
      return `${at}: another song begins here. Only the one before it is read; bring the file in under “Bring many files in”, which takes each song by itself.`;
    case "bad-file":
      return problem.text;
    default:
      return assertNever(problem.code);
  }
}

/** The sentence for something a sheet says that the song does not play. */
export const describeSheetLoss = ({ line, what, text, kept }: SheetLoss): string => {
  const flat = text.replaceAll(/\s*\n\s*/gu, " / ");
  const shown = flat.length > 80 ? `${flat.slice(0, 79)}…` : flat;
  const begun = line > 0 ? `Line ${line}: ${what}` : what.charAt(0).toUpperCase() + what.slice(1);
  return `${begun}${shown === "" ? "" : ` “${shown}”`} ${kept ? "is kept as a note and written back." : "is not taken over."}`;
};
