import type { Ticks } from "../../../base";
import { byOrder } from "../../../document";
import { type Chord, parseChord } from "../../chord";
import { ticksOfBar, ticksOfBeatUnit } from "../../rhythm";
import { namerByShift } from "../../song/names";
import {
  indexCells,
  isOut,
  meterOf,
  type Outline,
  resolveCell,
  spansOfForm,
  type Timeline,
  type UseSpan,
  versionRow,
} from "../../song/read";
import type { LoopBox, LoopHabit, LoopLayerRow, Player, VersionBody } from "../../song/schema";
import { passesOf } from "../build";
import type { ChordBeats, LoopCase, LoopLayer, LoopSection } from "../loop-case";
import { divides, MOST_LAYERS } from "../loop-case";
import { hasOwnPedal, looperOfBox, pedalFor } from "./box-pedals";
import { boxOf } from "./loop-boxes";
import { wantAt, wantsOf } from "./wanted-spans";

/** A stretch of the song between two points where wants may change; `id` is made here and never stored. */
export type Piece = {
  readonly id: string;
  /** The use it is a piece of. */
  readonly span: UseSpan;
  /** The bar of that use in which it begins, counted from 1. */
  readonly bar: number;
  readonly from: Ticks;
  readonly to: Ticks;
};

/** What stands in the way of a plan, or of a part of it, and what to do; nothing is changed by it. */
export type SongLoopProblem =
  | { readonly code: "no-form" }
  | { readonly code: "too-many-layers"; readonly layers: number; readonly most: number }
  | { readonly code: "empty-use"; readonly label: string }
  | { readonly code: "layer-beats"; readonly layer: string; readonly beats: number; readonly wanted: number }
  | { readonly code: "layer-chord"; readonly layer: string; readonly symbol: string }
  | { readonly code: "other-metre"; readonly label: string }
  | { readonly code: "other-tempo"; readonly label: string }
  | { readonly code: "pin-beyond"; readonly layer: string; readonly track: number; readonly tracks: number }
  | {
      readonly code: "no-pedal";
      readonly act: "track" | "start-all" | "stop-all";
      readonly track: number | null;
    }
  | {
      readonly code: "shared-length";
      readonly layer: string;
      readonly bars: number;
      readonly longest: number;
    };

/** A version as the looper sees it. */
export type SongLoops = {
  readonly box: LoopBox;
  readonly layers: readonly LoopLayerRow[];
  readonly spans: readonly UseSpan[];
  readonly pieces: readonly Piece[];
  /** Null without layers or without a form. */
  readonly asked: LoopCase | null;
  readonly problems: readonly SongLoopProblem[];
  readonly beatTicks: Ticks;
  readonly barTicks: Ticks;
};

/** What a layer is called; its id where it is gone. */
export const layerName = ({ layers }: Pick<SongLoops, "layers">, id: string): string =>
  layers.find((layer) => layer.id === id)?.name ?? id;

/** Whose feet the box stands at: the one named, else the first with a looper, else the first who sings. */
export function looperPlayer(body: Pick<VersionBody, "players" | "loopBoxes">): Player | null {
  const players = Object.values(body.players).sort(byOrder);
  const named = boxOf(body).playerId;
  return (
    players.find(({ id }) => id === named) ??
    players.find(({ loops }) => loops) ??
    players.find(({ sings }) => sings) ??
    players[0] ??
    null
  );
}

const NO_CHORD: Chord = Object.freeze({ kind: "none", symbol: "N.C." });
const chordOf = (symbol: string): Chord | null => {
  const chord = parseChord(symbol);
  return chord.ok ? chord.value : null;
};

/**
 * Reads a version as a case for the planner: a piece for each stretch in which what is wanted stays the same, with the
 * chords that sound there, and what hands and mouth are busy with.
 * @param habits tracks a band always gives to a sound; a track said in the song comes before
 */
export function songLoops(
  body: VersionBody,
  outline: Outline,
  timeline: Timeline,
  habits: readonly Pick<LoopHabit, "plays" | "track">[] = [],
): SongLoops {
  const version = versionRow(body);
  const box = boxOf(body);
  const layers = Object.values(body.loopLayers).sort(byOrder);
  const barTicks = ticksOfBar(meterOf(body));
  const beatTicks = ticksOfBeatUnit(version.beatUnit) ?? 960;
  const problems: SongLoopProblem[] = [];
  const spans = spansOfForm(timeline).filter((span) => {
    if (span.to > span.from) return true;
    problems.push({ code: "empty-use", label: span.label });
    return false;
  });
  for (const { use, label } of spans) {
    if (use.meterBeats !== null || use.meterUnit !== null) problems.push({ code: "other-metre", label });
    else if (use.bpm !== null && use.bpm !== version.bpm) problems.push({ code: "other-tempo", label });
  }
  if (spans.length === 0) problems.push({ code: "no-form" });
  if (layers.length > 0) problems.push(...missingPedals(box));
  const wants = wantsOf(body, outline);
  const pieces = spans.flatMap((span) => piecesOf(span, layers, wants, barTicks));
  const shared = { box, layers, spans, pieces, problems, beatTicks, barTicks };
  if (layers.length > MOST_LAYERS)
    problems.push({ code: "too-many-layers", layers: layers.length, most: MOST_LAYERS });
  if (layers.length === 0 || layers.length > MOST_LAYERS || pieces.length === 0)
    return { ...shared, asked: null };
  const busy = busyIn(body, outline);
  const namers = namerByShift(body);
  const chordsIn = chordReader(spans, (symbol, shift) => namers(shift).name(symbol).chord, beatTicks);
  const beatsPerBar = barTicks / beatTicks;
  const asked: LoopCase = {
    looper: looperOfBox(box),
    tempo: version.bpm,
    beatsPerBar,
    startFrom: box.startFrom,
    school: box.school,
    key: namers(0).key,
    listen: box.listen,
    layers: withLengths(
      box,
      layers.map((layer) =>
        layerOf(layer, beatTicks, barTicks, (symbol) => namers(0).name(symbol).chord, problems),
      ),
      problems,
    ),
    sections: pieces.map(
      ({ id, span, from, to }): LoopSection => ({
        id,
        bars: (to - from) / barTicks,
        busy: busy(span),
        chords: chordsIn(from, to),
        want: Object.fromEntries(
          layers.map((layer) => [layer.id, wantAt(wants(layer.id, span.use.id).spans, from - span.from)]),
        ),
      }),
    ),
    pins: pinsOf(layers, box, habits, problems),
    spread: box.spread,
    finish: box.finish,
    buildOrder: ownOrder(layers),
  };
  return { ...shared, asked };
}

function piecesOf(
  span: UseSpan,
  layers: readonly LoopLayerRow[],
  wants: ReturnType<typeof wantsOf>,
  barTicks: Ticks,
): Piece[] {
  const { use, from, to } = span;
  const points = new Set([from, to]);
  for (const { id } of layers)
    for (const wanted of wants(id, use.id).spans)
      for (const tick of [wanted.from, wanted.to ?? to - from])
        if (tick > 0 && from + tick < to) points.add(from + tick);
  const sorted = [...points].sort((a, b) => a - b);
  return sorted.slice(0, -1).map((tick, at) => ({
    id: at === 0 ? use.id : `${use.id}@${tick - from}`,
    span,
    bar: Math.floor((tick - from) / barTicks) + 1,
    from: tick,
    to: sorted[at + 1]!,
  }));
}

/** What hands and mouth do while the song runs: who has the box sings where words are, and plays where they have a part. */
function busyIn(body: VersionBody, outline: Outline): (span: UseSpan) => string[] {
  const player = looperPlayer(body);
  const index = indexCells(body, outline);
  return ({ use, passages }) => {
    if (!player) return [];
    const sung =
      use.vocals && passages.some(({ lines }) => lines.some(({ outline: line }) => line.words.length > 0));
    const plays = !isOut(resolveCell(index, use, player));
    return [...(plays ? ["hands"] : []), ...(sung && player.sings ? ["mouth"] : [])];
  };
}

/** The sounding chords between two ticks, in beats; what can't be read is silence. */
function chordReader(
  spans: readonly UseSpan[],
  nameOf: (symbol: string, shift: number) => Chord | null,
  beatTicks: Ticks,
): (from: Ticks, to: Ticks) => ChordBeats[] {
  const events = spans
    .flatMap(({ passages }) =>
      passages.flatMap((passage) =>
        passage.lines.flatMap(({ outline, events: timed }) =>
          outline.chords.map(({ chord }, at) => ({
            tick: timed[at]!.tick,
            end: timed[at]!.tick + timed[at]!.ticks,
            chord: nameOf(chord.symbol, passage.shift) ?? NO_CHORD,
          })),
        ),
      ),
    )
    .sort((a, b) => a.tick - b.tick);
  return (from, to) => {
    const found: ChordBeats[] = [];
    let at = from;
    const silent = (until: Ticks) => {
      if (until > at) found.push({ chord: NO_CHORD, beats: (until - at) / beatTicks });
      at = Math.max(at, until);
    };
    for (const { tick, end, chord } of events) {
      const [start, stop] = [Math.max(tick, at), Math.min(end, to)];
      if (stop <= start) continue;
      silent(start);
      found.push({ chord, beats: (stop - start) / beatTicks });
      at = stop;
    }
    silent(to);
    return found;
  };
}

function layerOf(
  row: LoopLayerRow,
  beatTicks: Ticks,
  barTicks: Ticks,
  nameOf: (symbol: string) => Chord | null,
  problems: SongLoopProblem[],
): LoopLayer {
  const sum = row.chords.reduce((ticks, chord) => ticks + chord.ticks, 0);
  const wanted = row.bars * barTicks;
  const unread = row.chords.find(({ symbol }) => !nameOf(symbol) && !chordOf(symbol));
  if (unread) problems.push({ code: "layer-chord", layer: row.name, symbol: unread.symbol });
  else if (row.chords.length > 0 && sum !== wanted)
    problems.push({
      code: "layer-beats",
      layer: row.name,
      beats: sum / beatTicks,
      wanted: wanted / beatTicks,
    });
  const fits = !unread && sum === wanted;
  return {
    id: row.id,
    kind: row.pitch === "pitched" ? "pitched" : "unpitched",
    bars: row.bars,
    progression: fits
      ? row.chords.map(({ symbol, ticks }) => ({
          chord: nameOf(symbol) ?? NO_CHORD,
          beats: ticks / beatTicks,
        }))
      : [],
    needs: row.needs,
    steady: row.steady,
    recordWith: row.recordWithId === row.id ? null : row.recordWithId,
  };
}

/** On a box with one length for all, a shorter layer is recorded round and round until the longest is full. */
function withLengths(box: LoopBox, layers: readonly LoopLayer[], problems: SongLoopProblem[]): LoopLayer[] {
  if (!box.sharedLength) return [...layers];
  const longest = Math.max(...layers.map(({ bars }) => bars));
  return layers.map((layer) => {
    if (!divides(layer.bars, longest)) {
      problems.push({ code: "shared-length", layer: layer.id, bars: layer.bars, longest });
      return layer;
    }
    const rounds = Math.round(longest / layer.bars);
    return {
      ...layer,
      bars: longest,
      progression: Array.from({ length: rounds }, () => layer.progression).flat(),
    };
  });
}

/** The passes in the order somebody has put them in, those without a place after them; undefined where nobody has. */
function ownOrder(layers: readonly LoopLayerRow[]): string[][] | undefined {
  if (layers.every(({ buildPlace }) => buildPlace === null)) return undefined;
  const recorded = layers.map(({ id, recordWithId }) => ({
    id,
    recordWith: recordWithId === id ? null : recordWithId,
  }));
  const places = new Map(layers.map(({ id, buildPlace }) => [id, buildPlace]));
  const placeOf = (ids: readonly string[]): string | null =>
    ids.flatMap((id) => places.get(id) ?? []).sort()[0] ?? null;
  const passes = passesOf(recorded).map((pass) => pass.map(({ id }) => id));
  const placed = passes.flatMap((ids) => {
    const place = placeOf(ids);
    return place === null ? [] : [{ ids, place }];
  });
  return [
    ...placed.sort((a, b) => (a.place < b.place ? -1 : a.place > b.place ? 1 : 0)).map(({ ids }) => ids),
    ...passes.filter((ids) => placeOf(ids) === null),
  ];
}

/** Tracks and acts of a box that none of its pedals reaches. */
function missingPedals(box: LoopBox): SongLoopProblem[] {
  const tracks = Array.from({ length: box.tracks }, (_, track) => track).filter(
    (track) => !hasOwnPedal(box, track),
  );
  const { allStart, allStop } = looperOfBox(box);
  const all = (
    [
      ["start-all", allStart],
      ["stop-all", allStop],
    ] as const
  ).filter(([act, has]) => has && pedalFor(box, act) === null);
  return [
    ...tracks.map((track): SongLoopProblem => ({ code: "no-pedal", act: "track", track })),
    ...all.map(([act]): SongLoopProblem => ({ code: "no-pedal", act, track: null })),
  ];
}

function pinsOf(
  layers: readonly LoopLayerRow[],
  box: LoopBox,
  habits: readonly Pick<LoopHabit, "plays" | "track">[],
  problems: SongLoopProblem[],
): Record<string, number> {
  const pins: Record<string, number> = {};
  for (const { id, name, plays, track } of layers) {
    const pin = track ?? habits.find((habit) => habit.plays === plays)?.track ?? null;
    if (pin === null) continue;
    if (pin < box.tracks) pins[id] = pin;
    else if (track !== null) problems.push({ code: "pin-beyond", layer: name, track, tracks: box.tracks });
  }
  return pins;
}
