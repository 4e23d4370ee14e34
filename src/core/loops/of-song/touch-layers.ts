import type { Ticks } from "../../../base";
import { byOrder, type MakeId } from "../../../document";
import type { SheetRow } from "../../parts";
import type { Meter, TappedRhythm } from "../../rhythm";
import { add, batch, set, strumRow, type VersionCommand } from "../../song/edit";
import type { LoopLayerRow, VersionBody } from "../../song/schema";
import { chordsOfRow, shortestRound } from "./layer-round";
import type { NewLayer } from "./loop-commands";

/** What a layer may be, added with one touch. */
export const TOUCH_LAYERS = [
  "bass line",
  "chords",
  "strum",
  "riff",
  "mouth beat",
  "clap",
  "thump",
  "voice",
] as const;
export type TouchLayer = (typeof TOUCH_LAYERS)[number];

/** What each kind begins with: what plays it, whether a pulse is heard in it, and its usual length where it has no chords. */
const DEFAULTS: Readonly<Record<TouchLayer, Partial<NewLayer> & Pick<NewLayer, "name" | "plays" | "pitch">>> =
  Object.freeze({
    "bass line": { name: "Bass line", plays: "thumb bass", pitch: "pitched", steady: true, level: -10 },
    chords: { name: "Chords", plays: "chords", pitch: "pitched", steady: false, level: -14 },
    strum: { name: "Strum", plays: "strum", pitch: "pitched", steady: true, level: -14 },
    riff: { name: "Riff", plays: "line", pitch: "pitched", steady: true, level: -12 },
    "mouth beat": { name: "Mouth beat", plays: "thump", pitch: "unpitched", needs: ["mouth"], steady: true },
    clap: { name: "Clap", plays: "clap", pitch: "unpitched", steady: false },
    thump: { name: "Thump", plays: "thump", pitch: "unpitched", steady: true },
    voice: { name: "Voice", plays: "voice", pitch: "pitched", needs: ["mouth"], steady: false, level: -14 },
  });

/** Bars of a beat: two are told apart from one, and go into most loops. Ours, no source. */
const BEAT_BARS = 2;

/**
 * A layer of a kind for a section: what has pitches takes the shortest run of the section's chords that comes round, a riff its line
 * with it, a beat two bars where they go into that.
 * @param row the first time through the section; null where the song has none yet
 */
export function layerOfKind(
  body: Pick<VersionBody, "riffs">,
  kind: TouchLayer,
  row: Pick<SheetRow, "passage" | "section"> | null,
  barTicks: Ticks,
): Partial<NewLayer> {
  const plain = DEFAULTS[kind];
  const found = row && chordsOfRow(row, barTicks);
  const round = found ? shortestRound(found.chords, found.bars, barTicks) : { bars: 4, chords: [] };
  if (plain.pitch !== "pitched")
    return { ...plain, bars: round.bars % BEAT_BARS === 0 ? BEAT_BARS : round.bars };
  const riff = kind === "riff" ? riffOf(body, row, round.bars, barTicks) : null;
  const from = { fromSectionId: found ? row.section.id : null };
  return { ...plain, ...round, ...from, ...(riff ? { riffId: riff.id, name: riff.name.slice(0, 60) } : {}) };
}

/** The first line of the song that goes into a round, or the round into it, a whole number of times. */
const riffOf = (
  body: Pick<VersionBody, "riffs">,
  row: Pick<SheetRow, "passage"> | null,
  bars: number,
  barTicks: Ticks,
) =>
  row &&
  Object.values(body.riffs)
    .sort(byOrder)
    .find(({ ticks }) => {
      const own = ticks / barTicks;
      return Number.isInteger(own) && own > 0 && (bars % own === 0 || own % bars === 0);
    });

/** Gives a layer a rhythm that was tapped: a pattern of the song's own, in place of one that was tapped before. */
export function setTapped(
  body: VersionBody,
  layer: Pick<LoopLayerRow, "id" | "name" | "strumId">,
  { subdivision, pattern }: TappedRhythm,
  meter: Meter,
  makeId: MakeId,
): VersionCommand {
  const name = `${layer.name}, tapped`.slice(0, 80);
  const old = layer.strumId ? body.strums[layer.strumId] : undefined;
  if (old?.name === name) return batch("Tap a rhythm", [set("strums", old.id, { subdivision, pattern })]);
  const row = {
    ...strumRow(body, { name, kind: "strum", meter, subdivision, swing: 0.5, text: pattern }, makeId),
    anchor: "section" as const,
  };
  return batch("Tap a rhythm", [add("strums", row), set("loopLayers", layer.id, { strumId: row.id })]);
}
