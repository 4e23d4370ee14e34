import type { Midi } from "../../../base";
import { hasForeignBass, identify, type SoundingChord, toneSemitones } from "../../chord";
import { type Key, pitchClassOf } from "../../pitch";

/**
 * A pitch and whose it is. A passing one is of a line that goes on to others: it can bring a tone a chord needs, and neither
 * is its lowest nor rubs.
 */
export type Voice = { readonly pitch: Midi; readonly playerId: string; readonly passing?: true };

export type SumProblem =
  | { readonly code: "no-third" }
  | { readonly code: "thirds-crowded"; readonly times: number; readonly playerIds: readonly string[] }
  | {
      readonly code: "sus-beside-third";
      readonly sus: Midi;
      readonly third: Midi;
      readonly playerIds: readonly string[];
    }
  | {
      readonly code: "wrong-lowest";
      readonly lowest: Midi;
      readonly wanted: number;
      readonly playerIds: readonly string[];
    }
  | {
      readonly code: "too-close-low";
      readonly low: Midi;
      readonly high: Midi;
      readonly playerIds: readonly string[];
    };

/**
 * How low the lower of two neighbouring pitches may lie for each interval in semitones, before they sound as mud
 * together: a minor second from E3, …, a fifth from B♭1 on. Common practice, no source; values from memory.
 */
export const LOWEST_OF_INTERVAL: readonly (Midi | null)[] = Object.freeze([
  null,
  52,
  51,
  48,
  46,
  46,
  46,
  34,
  43,
  41,
  41,
  41,
  null,
]);

/** A third that sounds so often, and is so much of all that sounds, is crowded. Ours, no source. */
const CROWDED = 4;
const CROWDED_SHARE = 0.4;

/** What all that sounds makes of a chord. */
export type Sum = {
  /** Lowest first. */
  readonly voices: readonly Voice[];
  /** The name it really has, where that is not the chart's; null where it is, or none fits. */
  readonly makes: string | null;
  readonly problems: readonly SumProblem[];
};

/**
 * Judges what all players sound together against the chart's chord.
 * @param bassFree whether the section wants no bass: then any tone may be the lowest
 * @example judgeSum(voices, C, null, false).problems // => [{ code: "no-third" }]
 */
export function judgeSum(
  given: readonly Voice[],
  chord: SoundingChord,
  key: Key | null,
  bassFree: boolean,
): Sum {
  const voices = [...given].sort((a, b) => a.pitch - b.pitch);
  if (voices.length === 0) return { voices, makes: null, problems: [] };
  const held = voices.some(({ passing }) => !passing) ? voices.filter(({ passing }) => !passing) : voices;
  const first = held[0]!;
  const problems: SumProblem[] = [];
  const root = pitchClassOf(chord.root);
  const above = (semitones: number) => (root + semitones) % 12;
  const of = (pitchClass: number) => held.filter(({ pitch }) => pitch % 12 === pitchClass);
  const owners = (some: readonly Voice[]) => [...new Set(some.map(({ playerId }) => playerId))];
  const third = chord.tones.find((tone) => tone.degree === 3);
  const hasPitch = voices.length > 1 || new Set(voices.map(({ playerId }) => playerId)).size > 1;
  if (third && hasPitch) {
    const wanted = above(toneSemitones(third));
    const thirds = of(wanted);
    const isThere = voices.some(({ pitch }) => pitch % 12 === wanted);
    if (!isThere && !chord.free.includes(third)) problems.push({ code: "no-third" });
    if (thirds.length >= CROWDED && thirds.length > CROWDED_SHARE * held.length)
      problems.push({ code: "thirds-crowded", times: thirds.length, playerIds: owners(thirds) });
    // The neighbour a semitone off: the fourth of a major third, the second of a minor one.
    const rub = toneSemitones(third) === 4 ? above(5) : above(2);
    const inChord = chord.tones.some((tone) => above(toneSemitones(tone)) === rub);
    const rubbing = of(rub);
    if (!inChord && thirds.length > 0 && rubbing.length > 0)
      problems.push({
        code: "sus-beside-third",
        sus: rubbing[0]!.pitch,
        third: thirds[0]!.pitch,
        playerIds: owners(rubbing),
      });
  }
  const wanted = pitchClassOf(chord.bass ?? chord.root);
  const asBass = !bassFree || hasForeignBass(chord);
  if (asBass && first.pitch % 12 !== wanted)
    problems.push({
      code: "wrong-lowest",
      lowest: first.pitch,
      wanted,
      playerIds: owners(held.filter(({ pitch }) => pitch === first.pitch)),
    });
  for (const [at, { pitch }] of held.entries()) {
    const next = held.slice(at + 1).find((voice) => voice.pitch > pitch);
    if (!next) continue;
    const least = LOWEST_OF_INTERVAL[next.pitch - pitch];
    if (least === undefined || least === null || pitch >= least) continue;
    const pair = held.filter((voice) => voice.pitch === pitch || voice.pitch === next.pitch);
    // What one hand holds is a chord everybody knows; two players in one low place are mud.
    const alone = owners(pair).some((id) =>
      [pitch, next.pitch].every((one) => pair.some((voice) => voice.playerId === id && voice.pitch === one)),
    );
    if (alone) continue;
    problems.push({ code: "too-close-low", low: pitch, high: next.pitch, playerIds: owners(pair) });
    break;
  }
  const classes = [...new Set(held.map(({ pitch }) => pitch % 12))];
  const own = new Set([...chord.tones.map((tone) => above(toneSemitones(tone))), wanted]);
  const isOther =
    classes.some((one) => !own.has(one)) || problems.some(({ code }) => code === "wrong-lowest");
  const makes = isOther ? (identify(classes, first.pitch % 12, key)[0]?.symbol ?? null) : null;
  return { voices, makes, problems };
}
