import type { Midi, Ticks } from "../../../base";
import type { MakeId } from "../../../document";
import { type Chord, clashesWith, type SoundingChord } from "../../chord";
import { type Harmonised, type HarmonyInterval, harmonise, heardPitch } from "../../fretboard";
import { GUITAR_TUNING, type Key, parsePitch, parseTuning, pitchClassOf, scaleOfKey } from "../../pitch";
import { addRiff, type VersionCommand } from "../../song/edit";
import type { Moment } from "../../song/moments";
import { namerByShift } from "../../song/names";
import { indexCells, neckOfRiff, notesOfRiff, outlineOf, tuningOf } from "../../song/read";
import { HARMONY_INTERVALS, type HarmonyChoice, type RiffNote, type VersionBody } from "../../song/schema";
import type { SongTones, SoundUse } from "./song-sounds";

/** A note of the player, with what the harmony effect adds and the chord under it. */
type HarmonyNote = {
  readonly tick: Ticks;
  readonly moment: Moment;
  readonly note: string;
  readonly harmony: string;
  readonly chord: string;
  /** Whether what the effect adds grates against the chord. */
  readonly clashes: boolean;
};

export type HarmonyView = {
  readonly soundUse: SoundUse;
  readonly choice: HarmonyChoice;
  readonly key: Key;
  /** Whether the notes are those of a written line; else the root of each chord stands for them. */
  readonly isLine: boolean;
  readonly notes: readonly HarmonyNote[];
  /** The same notes on two strings, without the effect. */
  readonly hand: Harmonised;
};

/** Where the root of a chord is taken when no line is written: the octave from middle C. */
const ROOT_OCTAVE: Midi = 60;
/** Notes that are shown of one section. */
const MOST_NOTES = 64;

const isSounding = (chord: Chord): chord is SoundingChord => chord.kind !== "none";

/** The harmony effect in each section whose sound has one, the first time the sound comes with those notes. */
export function harmonyViews(body: VersionBody, song: SongTones): HarmonyView[] {
  const namers = namerByShift(body);
  const seen = new Set<string>();
  return song.soundUses.flatMap((soundUse): HarmonyView[] => {
    const choice = song.settings.get(soundUse.sound ?? "")?.harmony as HarmonyChoice | undefined;
    const interval = choice === undefined ? null : HARMONY_INTERVALS[choice];
    const place = `${soundUse.sound} ${soundUse.span.use.sectionId} ${soundUse.span.use.shift}`;
    if (!interval || seen.has(place)) return [];
    seen.add(place);
    const passage = soundUse.span.passages[0]!;
    const namer = namers(passage.shift);
    const { key } = namer;
    const chords = passage.lines.flatMap(({ outline, events }) =>
      outline.chords.flatMap(({ chord: row }, at) => {
        const { chord } = namer.name(row.symbol);
        const { tick, ticks } = events[at]!;
        return chord && isSounding(chord) ? [{ tick, end: tick + ticks, chord }] : [];
      }),
    );
    const line = lineOf(soundUse, passage.tick + passage.section.pickup, passage.tick + passage.ticks);
    const played = (
      line ?? chords.map(({ tick, chord }) => ({ tick, midi: ROOT_OCTAVE + pitchClassOf(chord.root) }))
    ).slice(0, MOST_NOTES);
    if (played.length === 0) return [];
    const wanted: HarmonyInterval =
      "degrees" in interval ? { ...interval, key, scale: scaleOfKey(key) } : interval;
    const tuning = tuningOf(song.player);
    const guitar = parseTuning(GUITAR_TUNING);
    const hand = harmonise(played, {
      interval: wanted,
      tuning: tuning.length > 1 ? tuning : guitar.ok ? guitar.value : tuning,
      capo: soundUse.part.cell.capo.value,
    });
    const notes = played.map(({ tick }, at): HarmonyNote => {
      const [note, harmony] = hand.sounding[at]!;
      const under = chords.find((one) => one.tick <= tick && tick < one.end);
      const added = parsePitch(harmony);
      const clashes =
        under !== undefined && added.ok && clashesWith([added.value % 12], under.chord, key).length > 0;
      return {
        tick,
        moment: song.clock.momentAt(tick),
        note,
        harmony,
        chord: under?.chord.symbol ?? "",
        clashes,
      };
    });
    return [{ soundUse, choice: choice!, key, isLine: line !== null, notes, hand }];
  });
}

/** The pitches of the line a part plays, once through its section. */
function lineOf({ part }: SoundUse, from: Ticks, to: Ticks): { tick: Ticks; midi: Midi }[] | null {
  const { riff, notes } = part;
  if (!riff || notes.length === 0) return null;
  const neck = neckOfRiff(riff);
  const played: { tick: Ticks; midi: Midi }[] = [];
  for (let round = from; round < to && played.length < MOST_NOTES; round += riff.ticks)
    for (const note of notes) {
      const midi = heardPitch(note, neck);
      if (midi !== null && round + note.tick < to)
        played.push({ tick: round + note.tick, midi: Math.round(midi) });
    }
  return played.length === 0 ? null : played;
}

/** What a way of playing pairs by hand goes by. */
export type HandWay = {
  readonly way: "least moves" | "low" | "open strings" | "one position";
  /** The substitute of each note; null where this way has none. */
  readonly picks: readonly (number | null)[];
  /** The fret its hand stands at, of one position. */
  readonly fret: number | null;
};

/** Frets a hand reaches without moving. Common practice, no source. */
const HAND_FRETS = 4;
const HIGHEST_POSITION = 15;

type Pair = Harmonised["substitutes"][number][number];
const fretsOf = ({ positions }: Pair): number[] => positions.map(({ fret }) => fret);
const fretted = (pair: Pair): number[] => fretsOf(pair).filter((fret) => fret > 0);

/** The pick of each note that costs least; null where no pair is allowed. */
const picksBy = (hand: Harmonised, costOf: (pair: Pair) => number): (number | null)[] =>
  hand.substitutes.map((pairs) => {
    let best: { readonly at: number; readonly cost: number } | null = null;
    for (const [at, pair] of pairs.entries()) {
      const cost = costOf(pair);
      if (Number.isFinite(cost) && (best === null || cost < best.cost)) best = { at, cost };
    }
    return best?.at ?? null;
  });

const inPosition = (hand: Harmonised, fret: number): (number | null)[] =>
  picksBy(hand, (pair) =>
    fretted(pair).every((one) => one >= fret && one < fret + HAND_FRETS)
      ? pair.difficulty
      : Number.POSITIVE_INFINITY,
  );

/**
 * Several ways to play the pairs of a harmony by hand: with the fewest moves along the neck, as low as it goes, with open strings
 * where there are any, and without leaving one position (the lowest that gives the most pairs). A way that is as another is left
 * out.
 * @example handWays(view.hand).map(({ way }) => way) // => ["least moves", "open strings", "one position"]
 */
export function handWays(hand: Harmonised): HandWay[] {
  const positions = Array.from({ length: HIGHEST_POSITION }, (_, at) => at + 1).map((fret) => {
    const picks = inPosition(hand, fret);
    return { fret, picks, given: picks.filter((pick) => pick !== null).length };
  });
  const best = positions.reduce((a, b) => (b.given > a.given ? b : a));
  const ways: HandWay[] = [
    { way: "least moves", picks: hand.route, fret: null },
    { way: "low", picks: picksBy(hand, (pair) => Math.max(...fretsOf(pair))), fret: null },
    {
      way: "open strings",
      picks: picksBy(hand, (pair) => Math.max(...fretsOf(pair)) + 20 * fretted(pair).length),
      fret: null,
    },
    { way: "one position", picks: best.picks, fret: best.fret },
  ];
  const saidOf = ({ picks }: HandWay) => picks.join();
  return ways.filter((way, at) => ways.findIndex((other) => saidOf(other) === saidOf(way)) === at);
}

/**
 * The line of a part with the second voice of its harmony, as a line of its own, given to the part instead.
 * @returns null where no line is written, or nothing of it can be given on two strings
 */
export function takeByHand(
  body: VersionBody,
  { soundUse: { part, span }, hand, isLine }: HarmonyView,
  { picks, way }: HandWay,
  makeId: MakeId,
): VersionCommand | null {
  const { riff, notes } = part;
  if (!riff || !isLine || !picks.some((pick) => pick !== null)) return null;
  const neck = neckOfRiff(riff);
  const placeOf = ({ tick, string, fret }: Pick<RiffNote, "tick" | "string" | "fret">) =>
    `${tick} ${string} ${fret}`;
  const heard = notes.filter((note) => heardPitch(note, neck) !== null).map(placeOf);
  const pairs = notesOfRiff(body, riff.id).flatMap(({ id: _id, riffId: _riff, ...note }) => {
    const at = heard.indexOf(placeOf(note));
    const pick = picks[at] ?? null;
    const pair = pick === null ? undefined : hand.substitutes[at]?.[pick];
    return pair
      ? pair.positions.map(({ string, fret }) => ({ ...note, string, fret, finger: null }))
      : [note];
  });
  const { originId: _origin, order: _order, ...settings } = riff;
  const name = `${riff.name}, ${way} by hand`.slice(0, 80);
  const places = [{ useId: span.use.id, playerId: part.player.id }];
  return addRiff(
    body,
    indexCells(body, outlineOf(body)),
    { ...settings, id: makeId(), name },
    pairs,
    places,
    makeId,
  );
}

/** Pairs as tab, a column a note: one row a string, from the one nearest the floor. */
export function handTab(
  hand: Harmonised,
  strings: number,
  picks: readonly (number | null)[] = hand.route,
): string[] {
  const columns = hand.substitutes.map((pairs, at) => {
    const pick = picks[at];
    const pair = pick === null || pick === undefined ? null : pairs[pick];
    const frets = Array.from(
      { length: strings },
      (_, string) => pair?.positions.find((position) => position.string === string)?.fret ?? null,
    );
    const width = Math.max(1, ...frets.map((fret) => String(fret ?? "-").length));
    return frets.map((fret) => String(fret ?? "-").padStart(width, "-"));
  });
  return Array.from({ length: strings }, (_, row) =>
    columns.map((column) => column[strings - 1 - row]!).join("--"),
  );
}
