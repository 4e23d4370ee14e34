import { fail, modulo, ok, type Result, type Semitones } from "../../base";
import { NAMINGS, toLetters } from "../chord";
import { parseNoteName, parseTuning, pitchClassOf, type Tuning, type TuningProblem } from "../pitch";

/** A tuning as it was said, and strings that move unlike the others: they are asked about. */
export type SaidTuning = {
  readonly tuning: Tuning;
  /** Strings, from the player's face, that lie otherwise from the usual tuning than most do; named note by note only. */
  readonly unlike: readonly number[];
  /** Semitones most strings lie from the usual tuning. */
  readonly by: Semitones;
};

/** By how much people say they tune, in six languages. Common practice, no source. */
const STEPS: readonly (readonly [RegExp, Semitones])[] = Object.freeze([
  [/(?:one and a half|1 ?½|1\.5|three half) (?:steps?|tones?)/iu, 3],
  [
    /(?:half|1\/2|½)[ -]?(?:a )?(?:steps?|tones?)|semi[ -]?tones?|demi[ -]?ton|halb(?:er |en )?ton|medio tono|meio tom|mezzo tono|semitono/iu,
    1,
  ],
  [
    /(?:whole|full|one|1|a)[ -](?:steps?|tones?)|ganz(?:er |en )?ton|un ton|un tono|um tom|two semitones/iu,
    2,
  ],
] as const);

const DOWN = /down|lower|flat|tiefer|runter|bas|abajo|abaixo|sotto|giù|basso/iu;
const UP = /up|higher|sharp|höher|hoch|haut|arriba|acima|sopra|su\b/iu;
const USUAL = /^(?:standard|normal|usual|estándar|padrão)(?: tuning| e)?$/iu;
const DROP = /^drop(?:ped)?[ -]?([A-G][#b♯♭]?)$/iu;

/**
 * Reads a tuning as people say it: "half step down", "Drop D", names with or without octaves, from either end, in letters,
 * syllables or with H.
 * @param usual the tuning of as many strings that people start from
 * @example readTuningWords("half step down", E A D G) // => Eb1 Ab1 Db2 Gb2
 * @example readTuningWords("Solb Réb Lab Mib", E A D G) // => the same: it was read from the highest string
 */
export function readTuningWords(text: string, usual: Tuning): Result<SaidTuning, TuningProblem> {
  const said = text.trim().replaceAll("♭", "b").replaceAll("♯", "#");
  if (USUAL.test(said)) return ok({ tuning: usual, unlike: [], by: 0 });
  const dropped = DROP.exec(said)?.[1];
  if (dropped !== undefined) return readDrop(dropped, usual);
  const step = STEPS.find(([pattern]) => pattern.test(said))?.[1];
  if (step !== undefined && (DOWN.test(said) || UP.test(said))) {
    const by = DOWN.test(said) ? -step : step;
    return ok({ tuning: usual.map((midi) => midi + by), unlike: [], by });
  }
  const names = said.split(/[\s,;–-]+(?!\d)/u).filter((part) => part !== "");
  if (names.length === 0 || names.some((name) => /\d/u.test(name))) {
    const parsed = parseTuning(names);
    return parsed.ok ? ok(judged(parsed.value, usual)) : parsed;
  }
  return readNames(names, usual);
}

/** "Drop D": the lowest string goes to that note, the others so that the next is a fifth above. */
function readDrop(text: string, usual: Tuning): Result<SaidTuning, TuningProblem> {
  const name = parseNoteName(text[0]!.toUpperCase() + text.slice(1));
  if (!name.ok || usual.length < 2) return fail({ code: "not-a-pitch", text, string: 0 });
  const low = nearest(pitchClassOf(name.value), usual[0]! - 2);
  const by = low + 7 - usual[1]!;
  return ok({ tuning: usual.map((midi, string) => (string === 0 ? low : midi + by)), unlike: [], by });
}

/** Notes without octaves: each the nearest to the usual string, from the end that moves the strings least. */
function readNames(names: readonly string[], usual: Tuning): Result<SaidTuning, TuningProblem> {
  if (names.length !== usual.length) return fail({ code: "string-count", count: names.length });
  const classes: number[] = [];
  for (const [string, text] of names.entries()) {
    const found = classOf(text);
    if (found === null) return fail({ code: "not-a-pitch", text, string });
    classes.push(found);
  }
  const from = (order: readonly number[]) => order.map((one, string) => nearest(one, usual[string]!));
  const [up, down] = [from(classes), from([...classes].reverse())];
  return ok(judged(moved(down, usual) < moved(up, usual) ? down : up, usual));
}

function classOf(text: string): number | null {
  for (const naming of NAMINGS) {
    const letters = naming === "degrees" ? null : toLetters(text[0]!.toUpperCase() + text.slice(1), naming);
    const name = letters === null ? null : parseNoteName(letters);
    if (name?.ok) return pitchClassOf(name.value);
  }
  return null;
}

const nearest = (pitchClass: number, to: number): number => to + modulo(pitchClass - to + 6, 12) - 6;

const moved = (tuning: Tuning, usual: Tuning): number =>
  tuning.reduce((sum, midi, string) => sum + Math.abs(midi - usual[string]!), 0);

/** Finds the strings that move unlike most; where no move is most strings' own, none is unlike. */
function judged(tuning: Tuning, usual: Tuning): SaidTuning {
  if (tuning.length !== usual.length) return { tuning, unlike: [], by: 0 };
  const moves = tuning.map((midi, string) => midi - usual[string]!);
  const counts = new Map<number, number>();
  for (const move of moves) counts.set(move, (counts.get(move) ?? 0) + 1);
  const [common] = [...counts].sort((a, b) => b[1] - a[1])[0]!;
  const unlike = moves.flatMap((move, string) => (move === common ? [] : [string]));
  return { tuning, unlike: 2 * unlike.length < tuning.length ? unlike : [], by: common! };
}
