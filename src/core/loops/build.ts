import { type LoopCase, type LoopLayer, type LoopSchool, wantOf } from "./loop-case";
import { sectionBeats } from "./track-runs";
import type { LoopWay } from "./way";

/** A press of the build: of a pass's own pedal as it starts and closes, and of the pedal that goes on to the next pass. */
type BuildPress = {
  /** A first pass on a track is recorded with its pedal; one on top of what is there is overdubbed. */
  readonly press: "track" | "overdub";
  readonly track: number;
  readonly at: "start" | "close" | "next";
};

/** One pass of the build and what the foot does for it. */
type BuildPass = {
  readonly layers: readonly string[];
  readonly track: number;
  /** The bar in which it begins, counted from 0 at the count-in. */
  readonly fromBar: number;
  readonly bars: number;
  readonly presses: readonly BuildPress[];
};

/** How the layers are recorded before the song: passes in order, each with the layers it takes in. */
export type Build = {
  /** Pass by pass what the feet do; nothing where it is not known which track each is on. */
  readonly passes: readonly BuildPass[];
  readonly order: readonly (readonly string[])[];
  readonly countInBars: number;
  /** The count-in, the passes and the listening pass together. */
  readonly bars: number;
  readonly seconds: number;
  readonly why: string;
};

/** A layer that can wait: where to record it while the song runs, bars of the section counted from 0. */
export type Later = {
  readonly layer: string;
  readonly section: string;
  readonly bar: number;
  readonly savesSeconds: number;
};

const COUNT_IN_BARS = 1;
/** A build longer than this loses the room. Rule of thumb, no source. */
export const LONGEST_BUILD_SECONDS = 45;

/** Layers recorded in one pass. */
type Pass = readonly LoopLayer[];

/** Layers recorded in one pass, in list order of their first ones. */
export function passesOf<Layer extends Pick<LoopLayer, "id" | "recordWith">>(
  layers: readonly Layer[],
): Layer[][] {
  const home = new Map(layers.map(({ id }) => [id, id]));
  const root = (id: string): string => {
    const up = home.get(id)!;
    return up === id ? id : root(up);
  };
  for (const { id, recordWith } of layers)
    if (recordWith !== null && home.has(recordWith) && root(id) !== root(recordWith))
      home.set(root(id), root(recordWith));
  const passes = new Map<string, Layer[]>();
  for (const layer of layers) {
    const own = root(layer.id);
    passes.set(own, [...(passes.get(own) ?? []), layer]);
  }
  return [...passes.values()];
}

const barsOfPass = (pass: Pass): number => Math.max(...pass.map(({ bars }) => bars));
const isOfSchool = (school: LoopSchool) => (layer: LoopLayer) =>
  layer.kind === (school === "chords-first" ? "pitched" : "unpitched");

const SCHOOL_WORDS: Readonly<Record<LoopSchool, string>> = Object.freeze({
  "chords-first": "chords first",
  "beat-first": "the beat first",
});

/** Which pass comes first, and why: it fixes length and tempo, so it should carry a steady pulse. */
function firstPass(
  passes: readonly Pass[],
  school: LoopSchool,
): { readonly at: number; readonly why: string } {
  const find = (fits: (layer: LoopLayer) => boolean) => passes.findIndex((pass) => pass.some(fits));
  const said = SCHOOL_WORDS[school];
  const ofSchool = isOfSchool(school);
  const both = find((layer) => layer.steady && ofSchool(layer));
  const named = (at: number, fits: (layer: LoopLayer) => boolean) => passes[at]!.find(fits)!.id;
  if (both >= 0)
    return {
      at: both,
      why: `${named(both, (layer) => layer.steady && ofSchool(layer))} comes first: the first layer fixes length and tempo, it has a steady pulse, and the school is ${said}`,
    };
  const steady = find((layer) => layer.steady);
  if (steady >= 0)
    return {
      at: steady,
      why: `${named(steady, (layer) => layer.steady)} comes first: the first layer fixes length and tempo, and nothing with a steady pulse fits ${said}`,
    };
  const plain = Math.max(0, find(ofSchool));
  return {
    at: plain,
    why: `${passes[plain]![0]!.id} comes first by ${said}; no layer has a steady pulse, so count along while it is recorded`,
  };
}

/** Whether a track once begun is finished before the next: after each pass the others of its track. */
function byTrack(passes: readonly Pass[], tracks: Tracks): Pass[] {
  const trackOf = (pass: Pass): number => trackOfPass(pass, tracks);
  const left = [...passes];
  const order: Pass[] = [];
  while (left.length > 0) {
    const [next] = left;
    const own = left.filter(
      (pass) => pass === next || (trackOf(pass) >= 0 && trackOf(pass) === trackOf(next!)),
    );
    order.push(...own);
    for (const pass of own) left.splice(left.indexOf(pass), 1);
  }
  return order;
}

type Tracks = LoopWay["tracks"];

/** The track a pass is recorded on: that of its first layer; -1 where that is not known. */
const trackOfPass = ([first]: Pass, tracks: Tracks): number =>
  tracks.findIndex((ids) => first !== undefined && ids.includes(first.id));

/** The passes in the order somebody has said, or else by school and track. */
function orderOf(
  asked: Pick<LoopCase, "layers" | "school" | "buildOrder" | "finish">,
  tracks: Tracks,
): { readonly order: readonly Pass[]; readonly why: string } {
  if (asked.buildOrder) {
    const byId = new Map(asked.layers.map((layer) => [layer.id, layer]));
    const order = asked.buildOrder.map((ids) => ids.flatMap((id) => byId.get(id) ?? []));
    return { order, why: `${order[0]?.[0]?.id ?? "nothing"} comes first, as somebody has said` };
  }
  const passes = passesOf(asked.layers);
  const { at, why } = firstPass(passes, asked.school);
  const listed = [passes[at]!, ...passes.filter((_, index) => index !== at)];
  return { order: asked.finish === false ? listed : byTrack(listed, tracks), why };
}

/** What the foot does pass by pass, straight on after the count-in. */
function feetOf(order: readonly Pass[], tracks: Tracks): BuildPass[] {
  const begun = new Set<number>();
  let fromBar = COUNT_IN_BARS;
  const placed = order.map((pass) => {
    const track = trackOfPass(pass, tracks);
    const press = begun.has(track) ? ("overdub" as const) : ("track" as const);
    begun.add(track);
    const bars = barsOfPass(pass);
    const one = { layers: pass.map(({ id }) => id), track, press, fromBar, bars };
    fromBar += bars;
    return one;
  });
  if (placed.some(({ track }) => track < 0)) return [];
  return placed.map(({ press, ...pass }, at): BuildPass => {
    const next = placed[at + 1];
    const start: BuildPress[] = at === 0 ? [{ press, track: pass.track, at: "start" }] : [];
    const close: BuildPress = { press, track: pass.track, at: "close" };
    const on: BuildPress[] = next ? [{ press: next.press, track: next.track, at: "next" }] : [];
    return { ...pass, presses: [...start, close, ...on] };
  });
}

/**
 * The build: a bar of count-in, then one pass for each layer straight on (those recorded together share one), then one
 * pass to listen, if asked. The first pass goes by school, the others in list order, a track once begun finished before the
 * next; or all as somebody has said.
 * @param tracks the layers of each track, where they are known
 */
export function buildOf(
  asked: Pick<LoopCase, "layers" | "school" | "listen" | "tempo" | "beatsPerBar" | "buildOrder" | "finish">,
  tracks: Tracks = [],
): Build {
  const { order, why } = orderOf(asked, tracks);
  const recorded = order.reduce((sum, pass) => sum + barsOfPass(pass), 0);
  const listening = asked.listen ? Math.max(...order.map(barsOfPass)) : 0;
  const bars = COUNT_IN_BARS + recorded + listening;
  return {
    passes: feetOf(order, tracks),
    order: order.map((pass) => pass.map(({ id }) => id)),
    countInBars: COUNT_IN_BARS,
    bars,
    seconds: secondsOfBars(asked, bars),
    why,
  };
}

const secondsOfBars = (
  { tempo, beatsPerBar }: Pick<LoopCase, "tempo" | "beatsPerBar">,
  bars: number,
): number => (bars * beatsPerBar * 60) / tempo;

/**
 * Passes that can wait until the song runs. A pass can be recorded where nobody minds that it is heard (all its layers
 * wanted or free), what plays it is not busy for the whole of it, what shares its track sounds there too, and no layer of
 * it was wanted before. The first pass can't wait: it fixes length and tempo.
 */
export function laterOf(asked: LoopCase, way: Pick<LoopWay, "tracks" | "states">): Later[] {
  const starts = sectionBeats(asked);
  const [, ...others] = buildOf(asked, way.tracks).order;
  const byId = new Map(asked.layers.map((layer) => [layer.id, layer]));
  return others.flatMap((ids): Later[] => {
    const pass = ids.map((id) => byId.get(id)!);
    const place = placeFor(asked, way, pass, starts);
    if (!place) return [];
    const saved = secondsOfBars(asked, barsOfPass(pass));
    return pass.map(({ id }, index) => ({ layer: id, ...place, savesSeconds: index === 0 ? saved : 0 }));
  });
}

function placeFor(
  asked: LoopCase,
  way: Pick<LoopWay, "tracks" | "states">,
  pass: Pass,
  starts: readonly number[],
): { readonly section: string; readonly bar: number } | null {
  const { sections, beatsPerBar } = asked;
  const needs = new Set(pass.flatMap((layer) => layer.needs));
  const ids = new Set(pass.map(({ id }) => id));
  const shared = way.tracks.flatMap((layers, track) =>
    layers.some((id) => ids.has(id)) && layers.some((id) => !ids.has(id)) ? [track] : [],
  );
  const fits = sections.map(
    (section, at) =>
      !section.busy.some((part) => needs.has(part)) &&
      pass.every(({ id }) => wantOf(section, id) !== "off") &&
      shared.every((track) => way.states[at]!.includes(track)),
  );
  const firstWanted = sections.findIndex((section) => pass.some(({ id }) => wantOf(section, id) === "on"));
  const length = barsOfPass(pass) * beatsPerBar;
  for (let at = 0; at < sections.length; at++) {
    const isFirst = at === firstWanted;
    for (let beat = starts[at]!; beat < starts[at + 1]! - 1e-6; beat += beatsPerBar) {
      // From the first bar it is wanted in, only that bar itself: played along while it is recorded.
      if (firstWanted >= 0 && (at > firstWanted || (isFirst && beat > starts[at]! + 1e-6))) return null;
      const end = beat + length;
      if (end > starts.at(-1)! + 1e-6) return null;
      const free = sections.every(
        (_, other) => starts[other]! >= end - 1e-6 || starts[other + 1]! <= beat + 1e-6 || fits[other]!,
      );
      if (free) return { section: sections[at]!.id, bar: Math.round((beat - starts[at]!) / beatsPerBar) };
    }
  }
  return null;
}
