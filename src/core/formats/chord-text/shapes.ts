import { keyFit } from "../../chord";
import { formatKey, type Key, moveKey, parseKey, pitchClassOf } from "../../pitch";
import { weighedChords } from "../draft";
import type { ChordSheet, SheetProblem } from "../sheet";

/** What a sheet says of its key and its capo. */
export type Said = {
  /** The key that is written: of what sounds, or of the shapes. */
  readonly key: string | null;
  readonly capo: number;
  /** The key of the shapes, where it is said with the capo: "Capo 3, G shapes". */
  readonly shapeKey: string | null;
  /** The line that names the capo, from 1. */
  readonly capoLine: number;
};

/** The key the chords are written in, and whether they are shapes behind the capo or what sounds. */
export type Shapes = {
  readonly key: string | null;
  readonly keySure: boolean;
  readonly shapes: boolean;
  readonly problem: SheetProblem | null;
};

/** Two keys whose own chords cover shares of the song no further apart than this fit about as well. */
const AS_WELL = 0.15;

/**
 * Decides between shapes and what sounds. Where a key and a capo are both written, the chords tell: if they fit that key they
 * sound as written, if they fit it less the capo they are shapes ("Capo: 3" under "Key: Bb" over G, C and D). With a capo and no
 * key they are shapes.
 * @param guessed the key the chords are in by themselves
 * @param asked what somebody decided by hand
 */
export function readShapes(
  sheet: Pick<ChordSheet, "sections" | "form">,
  { key, capo, shapeKey, capoLine }: Said,
  guessed: { readonly key: string; readonly sure: boolean } | null,
  asked: boolean | undefined,
): Shapes {
  const found = (own: string | null, shapes: boolean, problem: SheetProblem | null = null): Shapes => ({
    key: own ?? guessed?.key ?? null,
    keySure: own !== null || ((capo === 0 || !shapes) && (guessed?.sure ?? false)),
    shapes,
    problem,
  });
  const written = key === null ? null : parseKey(key);
  if (capo === 0) return found(key, false);
  if (shapeKey !== null && asked !== false)
    return found(shapeKey, true, contradiction(key, capo, shapeKey, capoLine));
  if (!written?.ok) return found(null, asked ?? true);
  const below = moveKey(written.value, -capo);
  const chords = weighedChords(sheet);
  const [asWritten, asShapes] = [keyFit(written.value, chords), keyFit(below, chords)];
  const isClose = Math.abs(asWritten.share - asShapes.share) < AS_WELL;
  const isNear = isClose ? asShapes.ends > asWritten.ends : asShapes.share > asWritten.share;
  // Shapes whose key is written, as the hand calls it: who says so by hand is taken at their word.
  if (asked === true) return found(isNear ? formatKey(below) : key, true);
  if (asked === false) return found(key, false);
  const taken = isNear ? formatKey(below) : key!;
  const problem = isClose ? doubt(key!, formatKey(below), capo, isNear, capoLine) : null;
  return found(taken, isNear, problem);
}

function doubt(key: string, below: string, capo: number, areShapes: boolean, line: number): SheetProblem {
  const shapes = `shapes in ${below} behind capo ${capo}, sounding in ${key}`;
  const sounding = `what sounds, in ${key}`;
  return {
    code: "capo-or-key",
    line,
    column: 1,
    text: areShapes ? shapes : sounding,
    suggestions: [areShapes ? sounding : shapes],
  };
}

/** A key that is written beside a capo and the key of its shapes, and is neither. */
function contradiction(
  key: string | null,
  capo: number,
  shapeKey: string,
  line: number,
): SheetProblem | null {
  const [written, shapes] = [key === null ? null : parseKey(key), parseKey(shapeKey)];
  if (!written?.ok || !shapes.ok || isSame(written.value, shapes.value)) return null;
  const sounding = moveKey(shapes.value, capo);
  return isSame(written.value, sounding)
    ? null
    : {
        code: "capo-against-key",
        line,
        column: 1,
        text: `capo ${capo} over ${shapeKey} shapes sounds in ${formatKey(sounding)}, and ${key}`,
        suggestions: [`key ${formatKey(sounding)}`],
      };
}

/** Whether two keys are the same, or relatives: their chords are. */
const isSame = (a: Key, b: Key): boolean => majorOf(a) === majorOf(b);

const majorOf = ({ tonic, mode }: Key): number => (pitchClassOf(tonic) + (mode === "minor" ? 3 : 0)) % 12;
