import {
  type Chord,
  COLOURS,
  clashesWith,
  identify,
  isMinorChord,
  parseChord,
  pitchClassesOf,
  type SoundingChord,
} from "../chord";
import {
  formatNoteName,
  type Key,
  type NoteName,
  parsePitch,
  pitchClassOf,
  scaleClasses,
  scaleOfKey,
} from "../pitch";
import { describeList } from "./finger-words";
import { type Fingering, type FingeringOptions, fingerings } from "./fingerings";

/** An easier shape offered in place of a chord, called by what it really is. */
export type StandIn = {
  readonly fingering: Fingering;
  /** The chord it really makes, complete but for a fifth. */
  readonly is: string;
  /** Tones of the chart's chord it does without. */
  readonly givesUp: readonly string[];
  /** Tones it adds that the chart doesn't have. */
  readonly adds: readonly string[];
  /** How much less it asks of the hand than the chord's own easiest shape; null where this hand can't hold the chord at all. */
  readonly easierBy: number | null;
  /** The chart's slash bass, where somebody else has to play it. */
  readonly leavesBass: NoteName | null;
  /** The whole in letters, as it sounds. */
  readonly words: string;
};

const OFFERED = 6;
/** How much easier a stand-in must be to be worth another chord: more than half a finger. */
const WORTH = 1;

/**
 * Easier stand-ins for a chord: shapes whose own name is another chord on the same root, that this hand holds more
 * easily, and that stay consonant with the section. No tone added may lie a semitone from a tone of the chart's
 * chord, and each must belong to the key.
 * @param options the hand and the neck; `level` is the player's
 * @example standIns(Am, A minor, { tuning, level: "beginner" })[0].words // => "A7sus4 for Am: without the third …"
 */
export function standIns(chord: Chord, key: Key, options: FingeringOptions): StandIn[] {
  if (chord.kind === "none") return [];
  const own = fingerings(chord, { ...options, limit: 1 }).fingerings[0];
  const found = new Map<string, StandIn>();
  for (const source of sourcesOf(chord)) {
    const shapes = fingerings(source, { ...options, allow: COLOURS, limit: 400 }).fingerings;
    for (const fingering of shapes) {
      const easierBy = own ? Math.round((own.difficulty - fingering.difficulty) * 1000) / 1000 : null;
      if (easierBy !== null && easierBy < WORTH) continue;
      const standIn = describe(fingering, chord, key, easierBy);
      if (!standIn) continue;
      const known = found.get(standIn.is);
      if (!known || known.fingering.price > fingering.price) found.set(standIn.is, standIn);
    }
  }
  return [...found.values()].sort((a, b) => a.fingering.price - b.fingering.price).slice(0, OFFERED);
}

/** The chord, its plain triad, and what is left of it without the third: where stand-ins are looked for. */
function sourcesOf(chord: SoundingChord): Chord[] {
  const root = chord.symbol.slice(0, chord.symbol.length - chord.quality.length - bassLength(chord));
  const texts = [chord.symbol, `${root}${isMinorChord(chord) ? "m" : ""}`, `${root}7sus4`, `${root}5`];
  return [...new Set(texts)].flatMap((text) => {
    const read = parseChord(text);
    return read.ok && read.value.kind === "chord" ? [read.value] : [];
  });
}

const bassLength = (chord: SoundingChord): number =>
  chord.bass === null ? 0 : chord.symbol.length - chord.symbol.lastIndexOf("/");

function describe(
  fingering: Fingering,
  chord: SoundingChord,
  key: Key,
  easierBy: number | null,
): StandIn | null {
  const classes = fingering.pitches.flatMap((text) => {
    const pitch = parsePitch(text);
    return pitch.ok ? [pitch.value % 12] : [];
  });
  const heard = new Set(classes);
  const root = pitchClassOf(chord.root);
  if (!heard.has(root)) return null;
  const asked = pitchClassesOf(chord);
  const missing = asked.filter((one) => !heard.has(one));
  const added = [...heard].filter((one) => !asked.includes(one));
  if (missing.length === 0 && added.length === 0) return null;
  const foreign = added.filter((one) => !scaleClasses(key.tonic, scaleOfKey(key)).includes(one));
  if (foreign.length > 0 || clashesWith(added, chord, key).length > 0) return null;
  const names = identify([...heard], root, key).filter(({ symbol }) => !symbol.includes("/"));
  const name = names.find((one) => one.omits.every((tone) => tone === "5"));
  if (!name || name.symbol === chord.symbol) return null;
  const written = parseChord(name.symbol);
  if (!written.ok || written.value.kind === "none") return null;
  const givesUp = missing.map((one) => degreeOf(one, root));
  const adds = added.map((one) => degreeOf(one, root));
  const leavesBass =
    chord.bass !== null && pitchClassOf(chord.bass) !== lowestOf(fingering) ? chord.bass : null;
  const standIn = { fingering, is: name.symbol, givesUp, adds, easierBy, leavesBass };
  return { ...standIn, words: describeStandIn(standIn, chord.symbol) };
}

const DEGREE_WORDS = [
  "root",
  "flat ninth",
  "second",
  "minor third",
  "third",
  "fourth",
  "flat fifth",
  "fifth",
  "sharp fifth",
  "sixth",
  "seventh",
  "major seventh",
] as const;

const degreeOf = (pitchClass: number, root: number): string => DEGREE_WORDS[(pitchClass - root + 12) % 12]!;

/** The pitch class that sounds lowest. */
function lowestOf({ pitches }: Fingering): number {
  const midis = pitches.flatMap((text) => {
    const pitch = parsePitch(text);
    return pitch.ok ? [pitch.value] : [];
  });
  return Math.min(...midis) % 12;
}

/**
 * What a stand-in is, and what it changes.
 * @param chord the chart's chord as it sounds
 * @param nameOf how chords are told, and notes
 * @example "A7sus4, for Am: gives up the minor third; adds the fourth and seventh"
 */
export function describeStandIn(
  { is, givesUp, adds, leavesBass }: Omit<StandIn, "words">,
  chord: string,
  nameOf: { readonly chord: (symbol: string) => string; readonly note: (name: NoteName) => string } = {
    chord: (symbol) => symbol,
    note: formatNoteName,
  },
): string {
  const parts = [
    givesUp.length > 0 ? `gives up the ${describeList(givesUp)}` : "",
    adds.length > 0 ? `adds the ${describeList(adds)}` : "",
    leavesBass === null ? "" : `leaves the bass ${nameOf.note(leavesBass)} to somebody else`,
  ].filter((part) => part !== "");
  return `${nameOf.chord(is)}, for ${nameOf.chord(chord)}: ${parts.join("; ")}`;
}
