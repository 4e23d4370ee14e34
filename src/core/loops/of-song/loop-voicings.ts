import { type Chord, type SoundingChord, toneSemitones } from "../../chord";
import {
  type Fingering,
  type FingeringOptions,
  fingerings,
  type HeldShape,
  pitchesOfFrets,
  type Style,
  tonesOf,
  voicePath,
} from "../../fretboard";
import { usualShapes } from "../../parts";
import { pitchClassOf } from "../../pitch";
import { TICKS_PER_QUARTER, tempoMs } from "../../rhythm";
import { namerByShift, namersFor, readerOf } from "../../song/names";
import { tuningOf, versionRow } from "../../song/read";
import type { LoopLayerRow, LoopPlace, VersionBody } from "../../song/schema";
import { looperPlayer } from "./song-loops";

/** Where on the neck each place lies, frets from the capo. Ours, no source. */
export const PLACE_FRETS: Readonly<Record<LoopPlace, { readonly from: number; readonly to: number }>> =
  Object.freeze({
    low: { from: 1, to: 4 },
    middle: { from: 4, to: 9 },
    high: { from: 8, to: 13 },
  });

/** Small shapes: what goes round leaves room for what is played over it. */
const STYLES: readonly Style[] = ["triad", "shell", "two-string"];
/** Shapes of each style looked at for a chord. */
const CANDIDATES = 24;

/** What a loop holds for a chord; null where no small shape with its root and third lies there. */
export type LoopVoicing = { readonly symbol: string; readonly shape: HeldShape | null };

type Hand = Pick<FingeringOptions, "tuning" | "capo" | "level">;

/** The tones that say which chord it is: root and third, or what stands for the third, or the fifth of a power chord. */
export function tellingTones(chord: SoundingChord): {
  readonly root: number;
  readonly other: readonly number[];
} {
  const root = pitchClassOf(chord.root);
  const thirds = tonesOf(chord, "third");
  const real = thirds.filter(({ degree }) => degree === 3);
  const other = [real, thirds, tonesOf(chord, "fifth")].find((tones) => tones.length > 0) ?? [];
  return { root, other: other.map((tone) => (root + toneSemitones(tone)) % 12) };
}

/** Every small shape at a place that sounds root and third, the best of each style first. */
function smallShapes(chord: SoundingChord, place: LoopPlace, hand: Hand): Fingering[] {
  const { from, to } = PLACE_FRETS[place];
  const { root, other } = tellingTones(chord);
  const { tuning, capo = 0 } = hand;
  const tells = ({ frets }: Fingering): boolean => {
    const heard = new Set(pitchesOfFrets(frets, tuning, capo).map((pitch) => pitch % 12));
    return heard.has(root) && other.some((tone) => heard.has(tone));
  };
  return STYLES.flatMap((style) =>
    fingerings(chord, {
      ...hand,
      style,
      minFret: from,
      maxFret: to,
      open: place === "low",
      inversions: true,
      limit: CANDIDATES,
    }).fingerings.filter(tells),
  );
}

type Sounding = { readonly symbol: string; readonly chord: SoundingChord; readonly beats: number };

/** The hand's shortest way through shapes of each chord, and round into the first again. */
function pathOf(
  events: readonly Sounding[],
  shapes: ReadonlyMap<string, readonly Fingering[]>,
  hand: Hand,
  beatMs: number,
): readonly Fingering[] {
  if (events.length === 0) return [];
  const way = voicePath(
    events.map(({ symbol, chord, beats }) => ({ kind: "chord", chord, beats, among: shapes.get(symbol)! })),
    { ...hand, beatMs, cyclic: events.length > 1, gaps: "skip" },
  );
  return way.ok ? way.value.path : [];
}

/**
 * Small shapes for chords that go round: each sounds its root and its third (of a sus chord what stands for it, of a power
 * chord the fifth), so that whatever is laid over the loop hears which chord it is. They lie at one place of the neck, and
 * of all ways through them the hand takes the shortest, round into the first chord again. A chord that comes more than once
 * keeps the shape it has for most beats.
 * @param chords as they sound, with beats
 * @returns one for each symbol that is a chord, in the order they come
 * @example loopVoicings([{ chord: G, beats: 4 }, { chord: C, beats: 4 }], "middle", { tuning }, 500)
 */
export function loopVoicings(
  chords: readonly { readonly symbol: string; readonly chord: Chord; readonly beats: number }[],
  place: LoopPlace,
  hand: Hand,
  beatMs: number,
): LoopVoicing[] {
  const sounding = chords.flatMap(({ symbol, chord, beats }) =>
    chord.kind === "none" ? [] : [{ symbol, chord, beats }],
  );
  const shapes = new Map<string, readonly Fingering[]>();
  for (const { symbol, chord } of sounding)
    if (!shapes.has(symbol)) shapes.set(symbol, smallShapes(chord, place, hand));
  const events = sounding.filter(({ symbol }) => shapes.get(symbol)!.length > 0);
  const path = pathOf(events, shapes, hand, beatMs);
  const held = usualShapes(events.slice(0, path.length), path);
  return [...shapes.keys()].map((symbol) => ({ symbol, shape: held.get(symbol) ?? null }));
}

/** Whether a layer is played in shapes of chords. */
export const isHeld = ({ plays }: Pick<LoopLayerRow, "plays">): boolean =>
  plays === "chords" || plays === "strum";

/**
 * The shapes of a layer that has a place on the neck, for whoever plays the looper.
 * @returns null where it has none, is not strummed, or nobody there plays a guitar
 */
export function voicingsOfLayer(
  body: Pick<VersionBody, "version" | "players" | "loopBoxes">,
  layer: Pick<LoopLayerRow, "chords" | "voicing" | "plays">,
): LoopVoicing[] | null {
  const player = looperPlayer(body);
  const { voicing } = layer;
  if (voicing === null || player?.instrument !== "guitar" || !isHeld(layer)) return null;
  const namer = namerByShift(body)(0);
  const { bpm, beatUnit } = versionRow(body);
  return loopVoicings(
    layer.chords.flatMap(({ symbol, ticks }) => {
      const { chord } = namer.name(symbol);
      return chord ? [{ symbol, chord, beats: ticks / TICKS_PER_QUARTER }] : [];
    }),
    voicing,
    { tuning: tuningOf(player), capo: player.capo, level: player.level },
    tempoMs(TICKS_PER_QUARTER, { bpm, beatUnit }),
  );
}

/** What a player reads of the small shapes of each layer, in their names, by its id. @example ["Em xxx987", "G xxx787"] */
export function heldShapes(
  body: Pick<VersionBody, "version" | "players" | "loopBoxes" | "loopLayers">,
): ReadonlyMap<string, readonly string[]> {
  const player = looperPlayer(body);
  if (!player) return new Map();
  const namer = namersFor(body, readerOf(player, player.capo))(0);
  return new Map(
    Object.values(body.loopLayers).flatMap((layer) => {
      const shapes = voicingsOfLayer(body, layer) ?? [];
      const told = shapes.flatMap(({ symbol, shape }) =>
        shape ? [`${namer.chord(symbol)} ${writeShape(shape)}`] : [],
      );
      return told.length > 0 ? [[layer.id, told] as const] : [];
    }),
  );
}

/** Frets with spaces where one has two figures. @example "xxx 10 12 10" */
function writeShape({ frets }: HeldShape): string {
  const text = frets.map((fret) => fret ?? "x");
  return text.some((one) => one !== "x" && one > 9) ? text.join(" ") : text.join("");
}
