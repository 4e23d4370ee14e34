import { groupBy, type Ticks } from "../../../base";
import type { Finding, Fixing } from "../../findings";
import type { TimedPart } from "../../playing";
import { type Moment, tellBar } from "../../song/moments";
import type { LayerSound } from "../../song/schema";
import { LONGEST_BUILD_SECONDS } from "../build";
import type { ClashReason } from "../clashes";
import type { LoopPlan } from "../plan";
import { runsOf, sectionBeats } from "../track-runs";
import { wrongLayers } from "../way";
import { crowdedIn, type Register } from "./crowded";
import { type FootPress, footPresses } from "./foot";
import { layerName, type Piece, type SongLoops } from "./song-loops";

/** More presses than this in one sung bar are too many. Ours, no source. */
const MOST_SUNG_PRESSES = 1;

/** What could be done about a finding of the loops; wording and edits are made elsewhere. */
export type LoopFix =
  | { readonly do: "mute"; readonly layerId: string; readonly pieces: readonly string[] }
  | { readonly do: "second-layer"; readonly layerId: string; readonly pieces: readonly string[] }
  /** A whole track: what shares it goes along. */
  | {
      readonly do: "mute-track";
      readonly layerId: string;
      readonly layerIds: readonly string[];
      readonly pieces: readonly string[];
    }
  /** Its track comes in earlier or later by what lies between two ticks of the song. */
  | {
      readonly do: "move-entry";
      readonly layerId: string;
      readonly layerIds: readonly string[];
      readonly from: Ticks;
      readonly to: Ticks;
      readonly bars: number;
    }
  | { readonly do: "damp"; readonly layerId: string }
  /** Struck where its chords change, or in its plain rhythm, without its pattern. */
  | { readonly do: "thin"; readonly layerId: string; readonly plays: LayerSound }
  | { readonly do: "loosen"; readonly layerId: string; readonly pieces: readonly string[] }
  | { readonly do: "part-passes"; readonly layerId: string };

type Facts =
  | { readonly kind: "two-starts"; readonly starts: number; readonly moment: Moment }
  | { readonly kind: "nothing-sounds"; readonly layers: readonly string[]; readonly bars: number }
  | { readonly kind: "sounds-unwanted"; readonly layers: readonly string[]; readonly bars: number }
  | {
      readonly kind: "loop-clash";
      readonly layer: string;
      readonly beats: number;
      readonly reason: ClashReason;
      /** Other reasons beside it. */
      readonly more: number;
      /** By how many bars its entry must move to cure it, above 0 later; null where no move does. */
      readonly shift: number | null;
    }
  | {
      readonly kind: "loop-cut";
      readonly layers: readonly string[];
      readonly bar: number;
      readonly bars: number;
    }
  | {
      readonly kind: "crowded";
      readonly layers: readonly string[];
      readonly register: Register;
      readonly onsets: number;
    }
  | { readonly kind: "waits-past"; readonly beats: number; readonly track: number }
  | { readonly kind: "long-build"; readonly seconds: number; readonly saves: number }
  | { readonly kind: "many-presses"; readonly moment: Moment; readonly presses: number }
  | { readonly kind: "one-body"; readonly layers: readonly string[]; readonly part: string };

/** Something about the loops that may go wrong. Wording lives in `describe-loops.ts`. */
export type LoopFinding = Finding<Facts, LoopFix>;

/** The same change of the loops in two places is one. */
export const LOOP_FIXING: Fixing<LoopFix> = {
  code: (fix) => [fix.do, fix.layerId],
  join: (a, b) => ("pieces" in a && "pieces" in b ? { ...a, pieces: [...a.pieces, ...b.pieces] } : a),
};

/**
 * Everything about a plan that asks for a second look, in the order of the song.
 * @param passes what each layer sounds in one pass, where it shall be told that too much sounds at once; see `layerPasses`
 */
export function loopFindings(
  song: SongLoops,
  plan: LoopPlan,
  passes: ReadonlyMap<string, TimedPart> = new Map(),
): LoopFinding[] {
  const presses = footPresses(song, plan);
  const pressesAt = groupBy(presses, ({ before }) => before ?? "");
  const clashesAt = groupBy(plan.clashes, ({ section }) => section);
  const cutsAt = groupBy(plan.cuts, ({ section }) => section);
  const waits = waitsOf(song, plan);
  const placed = song.pieces.flatMap((piece, at) => [
    ...waitFindings(piece, waits.get(at), pressesAt.get(piece.id) ?? []),
    ...wrongFindings(song, plan, piece, at),
    ...startFindings(piece, pressesAt.get(piece.id) ?? []),
    ...clashFindings(song, plan, clashesAt.get(piece.id) ?? [], piece, at),
    ...cutFindings(song, cutsAt.get(piece.id) ?? [], piece),
  ]);
  const crowds = crowdFindings(song, plan, passes);
  return [...buildFindings(song, plan), ...placed, ...crowds, ...pressFindings(song, presses)];
}

const placed = ({ span }: Piece) => ({ useId: span.use.id, label: span.label, playerIds: [] });

function buildFindings(song: SongLoops, plan: LoopPlan): LoopFinding[] {
  const found: LoopFinding[] = [];
  const whole = { useId: null, label: "The build", playerIds: [] };
  const { seconds, order } = plan.build;
  if (seconds > LONGEST_BUILD_SECONDS) {
    const saves = plan.later.reduce((sum, one) => sum + one.savesSeconds, 0);
    found.push({ ...whole, id: "loops long-build", kind: "long-build", seconds, saves, fixes: [] });
  }
  for (const pass of order) {
    const rows = song.layers.filter(({ id }) => pass.includes(id));
    for (const part of ["hands", "mouth"] as const) {
      const users = rows.filter(({ needs }) => needs.includes(part));
      // One pair of hands can thump, chop and play a bass by the thumb at once; two other parts, or two of one mouth, can't.
      const apart = users.filter(({ pitch, plays }) => pitch === "pitched" && plays !== "thumb bass");
      const tooMany = part === "mouth" ? users.length > 1 : apart.length > 1;
      const joined = users.find(({ recordWithId }) => recordWithId !== null);
      if (tooMany && joined)
        found.push({
          ...whole,
          id: `loops one-body ${part} ${joined.id}`,
          kind: "one-body",
          part,
          layers: users.map(({ name }) => name),
          fixes: [{ do: "part-passes", layerId: joined.id }],
        });
    }
  }
  return found;
}

function wrongFindings(song: SongLoops, plan: LoopPlan, piece: Piece, at: number): LoopFinding[] {
  const { silent, sounding } = wrongLayers(song.asked!, plan, at);
  const bars = song.asked!.sections[at]!.bars;
  const found: LoopFinding[] = [];
  const names = (ids: readonly string[]) => ids.map((id) => layerName(song, id));
  if (silent.length > 0) {
    const fixes = silent
      .slice(0, 2)
      .map((layerId): LoopFix => ({ do: "loosen", layerId, pieces: [piece.id] }));
    const id = `loops nothing-sounds ${piece.id}`;
    found.push({ ...placed(piece), id, kind: "nothing-sounds", layers: names(silent), bars, fixes });
  }
  if (sounding.length > 0) {
    const fixes = sounding
      .slice(0, 2)
      .map((layerId): LoopFix => ({ do: "loosen", layerId, pieces: [piece.id] }));
    const id = `loops sounds-unwanted ${piece.id}`;
    found.push({ ...placed(piece), id, kind: "sounds-unwanted", layers: names(sounding), bars, fixes });
  }
  return found;
}

function startFindings(piece: Piece, here: readonly FootPress[]): LoopFinding[] {
  const starts = here.filter(({ effect }) => effect === "start");
  if (!starts.some(({ late }) => late)) return [];
  const id = `loops two-starts ${piece.id}`;
  return [
    { ...placed(piece), id, kind: "two-starts", starts: starts.length, moment: here[0]!.moment, fixes: [] },
  ];
}

/** How long a box that waits makes presses of a boundary wait: until its first running track comes round. */
function waitsOf(
  song: SongLoops,
  plan: LoopPlan,
): ReadonlyMap<number, { readonly beats: number; readonly track: number }> {
  const asked = song.asked!;
  const waits = new Map<number, { readonly beats: number; readonly track: number }>();
  if (!asked.looper.quantised) return waits;
  const starts = sectionBeats(asked);
  const lengths = new Map(asked.layers.map(({ id, bars }) => [id, bars * asked.beatsPerBar]));
  const runs = runsOf(asked, plan);
  for (const at of asked.sections.keys()) {
    const first = runs.filter(({ from, to }) => from < at && at <= to).sort((a, b) => a.track - b.track)[0];
    if (!first) continue;
    const pass = Math.max(...plan.tracks[first.track]!.map((id) => lengths.get(id)!));
    const over = (starts[at]! - starts[first.since]!) % pass;
    if (over > 1e-6 && pass - over > 1e-6) waits.set(at, { beats: pass - over, track: first.track });
  }
  return waits;
}

function waitFindings(
  piece: Piece,
  wait: { readonly beats: number; readonly track: number } | undefined,
  here: readonly FootPress[],
): LoopFinding[] {
  if (!wait || here.length === 0) return [];
  return [{ ...placed(piece), id: `loops waits-past ${piece.id}`, kind: "waits-past", ...wait, fixes: [] }];
}

function clashFindings(
  song: SongLoops,
  plan: LoopPlan,
  clashes: LoopPlan["clashes"],
  piece: Piece,
  at: number,
): LoopFinding[] {
  return clashes.map(({ layer, beats, reason, more, shift = null }): LoopFinding => {
    const pieces = [piece.id];
    const track = plan.tracks.find((ids) => ids.includes(layer)) ?? [];
    const entry = shift === null ? null : movedEntry(song, plan, layer, at, shift);
    return {
      ...placed(piece),
      id: `loops clash ${layer} ${piece.id}`,
      kind: "loop-clash",
      layer: layerName(song, layer),
      beats: beats.length,
      reason,
      more,
      shift,
      fixes: [
        ...(entry ? [entry] : []),
        { do: "mute", layerId: layer, pieces },
        ...(track.length > 1 ? [{ do: "mute-track" as const, layerId: layer, layerIds: track, pieces }] : []),
        { do: "second-layer", layerId: layer, pieces },
        { do: "damp", layerId: layer },
      ],
    };
  });
}

/** The entry of a layer's track so many bars later, or earlier; null where the song has no room for it. */
function movedEntry(
  song: SongLoops,
  plan: LoopPlan,
  layerId: string,
  at: number,
  bars: number,
): LoopFix | null {
  const track = plan.tracks.findIndex((ids) => ids.includes(layerId));
  const run = runsOf(song.asked!, plan).find((one) => one.track === track && one.from <= at && at < one.to);
  const start = run && song.pieces[run.from]!.from;
  if (start === undefined) return null;
  const moved = start + bars * song.barTicks;
  const [from, to] = [Math.min(start, moved), Math.max(start, moved)];
  if (from < song.pieces[0]!.from || to >= song.pieces.at(-1)!.to) return null;
  return { do: "move-entry", layerId, layerIds: plan.tracks[track]!, from, to, bars };
}

/** Layers that strike too often in one register while they sound together, each set told once, where it first does. */
function crowdFindings(
  song: SongLoops,
  plan: LoopPlan,
  passes: ReadonlyMap<string, TimedPart>,
): LoopFinding[] {
  const told = new Set<string>();
  return song.pieces.flatMap((piece, at): LoopFinding[] => {
    const on = new Set(plan.states[at]!.flatMap((track) => plan.tracks[track]!));
    const heard = song.layers.filter(({ id }) => on.has(id));
    return crowdedIn(heard, passes, song.barTicks).flatMap(({ register, layers, onsets }): LoopFinding[] => {
      const key = `${register} ${layers.map(({ id }) => id).join(" ")}`;
      if (told.has(key)) return [];
      told.add(key);
      const busiest = layers.find(({ strumId, plays }) => strumId !== null || plays === "strum");
      return [
        {
          ...placed(piece),
          id: `loops crowded ${key}`,
          kind: "crowded",
          layers: layers.map(({ name }) => name),
          register,
          onsets,
          fixes: busiest
            ? [
                {
                  do: "thin",
                  layerId: busiest.id,
                  plays: busiest.plays === "strum" ? "chords" : busiest.plays,
                },
              ]
            : [],
        },
      ];
    });
  });
}

/** Layers that are stopped together at one bar are one finding. */
function cutFindings(song: SongLoops, cuts: LoopPlan["cuts"], piece: Piece): LoopFinding[] {
  const groups = new Map<
    string,
    { readonly bar: number; readonly bars: number; readonly layers: string[] }
  >();
  for (const { layer, bar } of cuts) {
    const { bars } = song.asked!.layers.find(({ id }) => id === layer)!;
    const group = groups.get(`${bar} ${bars}`) ?? { bar, bars, layers: [] };
    group.layers.push(layerName(song, layer));
    groups.set(`${bar} ${bars}`, group);
  }
  return [...groups].map(
    ([key, group]): LoopFinding => ({
      ...placed(piece),
      id: `loops cut ${key} ${piece.id}`,
      kind: "loop-cut",
      ...group,
      fixes: [],
    }),
  );
}

function pressFindings(song: SongLoops, presses: readonly FootPress[]): LoopFinding[] {
  const byBar = new Map<string, FootPress[]>();
  for (const press of presses.filter(({ sung }) => sung))
    byBar.set(tellBar(press.moment, "song"), [...(byBar.get(tellBar(press.moment, "song")) ?? []), press]);
  return [...byBar.values()].flatMap((own): LoopFinding[] => {
    if (own.length <= MOST_SUNG_PRESSES) return [];
    const piece = song.pieces.find(({ id }) => id === own[0]!.before);
    return [
      {
        id: `loops many-presses ${own[0]!.before ?? "end"}`,
        useId: piece?.span.use.id ?? null,
        label: piece?.span.label ?? "The end",
        playerIds: [],
        kind: "many-presses",
        moment: own[0]!.moment,
        presses: own.length,
        fixes: [],
      },
    ];
  });
}
