import { fail, ok, type Result } from "../../../base";
import { beatsOfBar, type Meter } from "../meter";
import { countsOf } from "./counts";
import { PLAIN_WEIGHT, type Stroke, type Subdivision, type Weight } from "./pattern";

export type SpokenProblem =
  | { readonly code: "empty" }
  | { readonly code: "syllable"; readonly at: number; readonly text: string }
  | { readonly code: "count"; readonly at: number; readonly text: string };

/**
 * Reads strokes from syllables as they are spoken: one beginning with d or b is down, with t or k up, with x, ch or s
 * dead; `~` behind a syllable lets it ring one subdivision longer; a lone `.` lets ring, a lone `-` chokes. In
 * CAPITALS it is accented, in (brackets) light. The syllables are ours.
 * @example readSpoken("DUM~ dum ta~ ta dum ta") // => D3 . D U . U D U
 */
export function readSpoken(text: string): Result<readonly Stroke[], SpokenProblem> {
  const strokes: Stroke[] = [];
  const words = text.split(/\s+/u).flatMap((word) => (word === "-" ? [word] : word.split(/-(?=\S)/u)));
  for (const [at, word] of words.filter((one) => one !== "").entries()) {
    const match = /^(\()?([\p{L}]+|\.|-)\)?(~*)$/u.exec(word);
    if (!match) return fail({ code: "syllable", at, text: word });
    const [, bracket, syllable, rings] = match as unknown as [string, string | undefined, string, string];
    const stroke = strokeOf(syllable, bracket !== undefined);
    if (!stroke) return fail({ code: "syllable", at, text: word });
    strokes.push(stroke, ...Array.from({ length: rings.length }, (): Stroke => ({ kind: "ring" })));
  }
  return strokes.length === 0 ? fail({ code: "empty" }) : ok(strokes);
}

function strokeOf(syllable: string, light: boolean): Stroke | null {
  if (syllable === ".") return { kind: "ring" };
  if (syllable === "-") return { kind: "choke" };
  const loud = syllable.length > 1 && syllable === syllable.toUpperCase();
  const weight: Weight = light ? 1 : loud ? 3 : PLAIN_WEIGHT;
  if (/^[db]/iu.test(syllable)) return { kind: "down", weight };
  if (/^[tk]/iu.test(syllable)) return { kind: "up", weight };
  return /^(?:x|ch|s)/iu.test(syllable) ? { kind: "dead" } : null;
}

/**
 * Reads strokes from counts, down where the hand goes down and up between: "1, 2, 2&, 3&, 4, 4&". A bar is filled,
 * or as many as the counts reach: a count that is not higher than the one before begins the next bar. `!` accents.
 */
export function readCounts(
  text: string,
  meter: Meter,
  subdivision: Subdivision,
): Result<readonly Stroke[], SpokenProblem> {
  const items = text.split(/[\s,]+/u).filter((item) => item !== "");
  if (items.length === 0) return fail({ code: "empty" });
  const inBar = beatsOfBar(meter) * subdivision;
  const blank = Array.from({ length: inBar }, (): Stroke => ({ kind: "ring" }));
  const said = countsOf({ meter, subdivision, swing: 0.5, strokes: blank });
  const names = said.map((count, at) => {
    const number = said.slice(0, at + 1).findLast((one) => /^\d/u.test(one))!;
    return count === number ? number : `${number}${count}`;
  });
  const strokes: Stroke[] = [];
  let last = inBar;
  for (const [at, item] of items.entries()) {
    const loud = item.endsWith("!");
    const place = names.indexOf(loud ? item.slice(0, -1) : item);
    if (place < 0) return fail({ code: "count", at, text: item });
    if (place <= last) {
      if (at > 0 || last === inBar) strokes.push(...blank);
      last = -1;
    }
    const down = (place % subdivision) % 2 === 0;
    strokes[strokes.length - inBar + place] = { kind: down ? "down" : "up", weight: loud ? 3 : PLAIN_WEIGHT };
    last = place;
  }
  return ok(strokes);
}
