import { capital } from "../../../base";
import type { LoopBox } from "../../song/schema";
import { type Build, buildOf } from "../build";
import type { LoopPlan } from "../plan";
import { describePress, type Press } from "../press";
import { actsOfPress, type BoxPedal, pedalFor } from "./box-pedals";
import { layerName, type SongLoops } from "./song-loops";

/** One pass of the build as a player reads it. */
export type BuildStep = {
  /** The layers it takes in, by their ids, and by their names. */
  readonly ids: readonly string[];
  readonly layers: string;
  readonly track: number;
  /** The bar in which it begins, counted from 1 after the count-in. */
  readonly bar: number;
  readonly bars: number;
  /** Whether it comes on top of what its track holds. */
  readonly over: boolean;
  /** What the foot does, one sentence each: to begin, and to close and go on. */
  readonly feet: readonly string[];
  /** The small shapes its chords are held in, where they have a place on the neck. */
  readonly held: readonly string[];
  /** What it presses when the pass is full, in few words: "“Track 2”, at once “Track 1”". */
  readonly closes: string;
};

/** The build as a section before the first. */
export type BuildSheet = {
  readonly countInBars: number;
  readonly seconds: number;
  /** What is pressed on 1 after the count-in, in few words. */
  readonly begins: string;
  readonly steps: readonly BuildStep[];
  /** The bars in which everything is heard once; 0 where it is not. */
  readonly listenBars: number;
  /** What is silenced, or let in, before the first section. */
  readonly before: string;
};

/** What a foot does with a pedal. @example "hold “Left”" */
function footOn(box: Pick<LoopBox, "pedals">, pedal: BoxPedal | null, track: number): string {
  if (!pedal) return `press a pedal for track ${track + 1}, which the box lacks`;
  const name = `“${box.pedals[pedal.at]!.name}”`;
  return pedal.way === "hold" ? `hold ${name}` : `press ${name}${pedal.way === "double" ? " twice" : ""}`;
}

type BuildPress = Build["passes"][number]["presses"][number];

const pedalOf = (box: LoopBox, { press, track, at }: BuildPress): BoxPedal | null =>
  pedalFor(box, `${press}-${track}`, press === "track" && at !== "close" ? "start" : undefined);

/** A pedal in few words. @example "hold “Left”" */
function shortly(box: Pick<LoopBox, "pedals">, pedal: BoxPedal | null): string {
  if (!pedal) return "no pedal";
  const name = `“${box.pedals[pedal.at]!.name}”`;
  return pedal.way === "hold" ? `hold ${name}` : pedal.way === "double" ? `${name} twice` : name;
}

/** What the foot does where a pass is full: its own pedal, and the one that goes on to the next pass, where there is one. */
type Seam = {
  readonly own: BoxPedal | null;
  readonly track: number;
  readonly next: { readonly pedal: BoxPedal | null; readonly track: number } | null;
  /**
   * Whether both are pressed one after the other; or one pedal closes and then stays down for the next; or the same pedal would
   * close one layer on top and begin another, where the box goes on recording and nothing is pressed.
   */
  readonly how: "both" | "kept down" | "left";
};

function seamOf(presses: readonly BuildPress[], box: LoopBox): Seam {
  const close = presses.find(({ at }) => at === "close")!;
  const next = presses.find(({ at }) => at === "next");
  const own = pedalOf(box, close);
  const on = next ? pedalOf(box, next) : null;
  const isLeft = next?.press === "overdub" && close.press === "overdub" && next.track === close.track;
  const isKept = own?.way === "press" && on?.way === "hold" && own.at === on.at;
  return {
    own,
    track: close.track,
    next: next ? { pedal: on, track: next.track } : null,
    how: isLeft ? "left" : isKept ? "kept down" : "both",
  };
}

/** What closes a pass and begins the next, in few words. */
function tellClose({ own, next, how }: Seam, box: LoopBox): string {
  if (!next) return shortly(box, own);
  if (how === "left") return "leave it on";
  return how === "kept down"
    ? `${shortly(box, own)}, and keep it down`
    : `${shortly(box, own)}, at once ${shortly(box, next.pedal)}`;
}

/** What the foot does for a pass, by the names of the box's pedals. */
function tellPassFeet(
  { presses, bars }: Pick<Build["passes"][number], "presses" | "bars">,
  { own, track, next, how }: Seam,
  box: LoopBox,
): string[] {
  const start = presses.find(({ at }) => at === "start");
  const begins = start
    ? [`on 1 after the count-in ${footOn(box, pedalOf(box, start), start.track)}: it records`]
    : [];
  const after = `on 1 after ${bars} ${bars === 1 ? "bar" : "bars"}`;
  const foot = `${after} ${footOn(box, own, track)}`;
  if (!next) return [...begins, `${foot}: it goes round`];
  if (how === "left") return [...begins, `${after} leave the pedal: the next layer goes straight on top`];
  return [
    ...begins,
    how === "kept down"
      ? `${foot} and keep it down: it goes round, and the next one records`
      : `${foot}: it goes round, and at once ${footOn(box, next.pedal, next.track)}: the next one records`,
  ];
}

/**
 * The build of a plan, pass by pass, in the names of the box's pedals; null where nothing is recorded before the song.
 * @param held the small shapes of layers as their player reads them, by their ids
 * @example buildSheet(song, plan)!.steps[0]!.feet[0] // => "on 1 after the count-in press “Track 1”: it records"
 */
export function buildSheet(
  song: SongLoops,
  plan: Pick<LoopPlan, "build" | "presses">,
  held: ReadonlyMap<string, readonly string[]> = new Map(),
): BuildSheet | null {
  const { asked, box, pieces } = song;
  const { passes, countInBars, seconds } = plan.build;
  if (!asked || passes.length === 0) return null;
  const recorded = passes.reduce((sum, { bars }) => sum + bars, 0);
  const begun = new Set<number>();
  const first = plan.presses.filter(({ before }) => before === pieces[0]?.id);
  return {
    countInBars,
    seconds,
    begins: shortly(box, pedalOf(box, passes[0]!.presses[0]!)),
    steps: passes.map((pass): BuildStep => {
      const over = begun.has(pass.track);
      begun.add(pass.track);
      const seam = seamOf(pass.presses, box);
      return {
        ids: pass.layers,
        layers: pass.layers.map((id) => layerName(song, id)).join(" with "),
        track: pass.track,
        bar: pass.fromBar - countInBars + 1,
        bars: pass.bars,
        over,
        held: pass.layers.flatMap((id) => held.get(id) ?? []),
        feet: tellPassFeet(pass, seam, box),
        closes: tellClose(seam, box),
      };
    }),
    listenBars: plan.build.bars - countInBars - recorded,
    before: tellBefore(box, first, asked.listen || asked.startFrom === "running"),
  };
}

/** What is pressed on the first downbeat of the song. @param runs whether everything still sounds then */
function tellBefore(box: LoopBox, presses: readonly Press[], runs: boolean): string {
  const said = presses
    .map((press) => {
      const feet = actsOfPress(press).map(({ act, effect }) =>
        footOn(box, pedalFor(box, act, effect), press.press === "track" ? press.track : 0),
      );
      return `${feet.join(" and ")} (${describePress(press)})`;
    })
    .join(", then ");
  const all = pedalFor(box, "stop-all", "stop");
  const silence = all
    ? `${capital(footOn(box, all, 0))}: all is silent.`
    : "Take every track out: all is silent.";
  const first = presses.length === 0 ? "" : `As the first section begins ${said}.`;
  if (runs) return first || "Everything runs on into the first section.";
  return `${silence}${first && ` ${first}`}`;
}

/** What an order of passes costs the player. */
export type BuildPrice = {
  readonly seconds: number;
  /** Presses of the foot, and how often it goes from one pedal to another at a seam. */
  readonly presses: number;
  readonly moves: number;
  /** Whether a pulse can be heard in what is recorded first. */
  readonly isSteady: boolean;
};

/** What a build costs on a box. @example buildPrice(song, plan.build) // => { seconds: 28, presses: 5, moves: 1, isSteady: true } */
export function buildPrice(song: Pick<SongLoops, "box" | "asked">, build: Build): BuildPrice {
  const { box, asked } = song;
  let [presses, moves] = [0, 0];
  for (const pass of build.passes) {
    const { own, next, how } = seamOf(pass.presses, box);
    presses += pass.presses.length - (how === "left" ? 2 : 0);
    if (next && how !== "left" && next.pedal?.at !== own?.at) moves++;
  }
  const first = new Set(build.order[0]);
  return {
    seconds: build.seconds,
    presses,
    moves,
    isSteady: asked?.layers.some(({ id, steady }) => first.has(id) && steady) ?? false,
  };
}

/** The build as it would be without an order of one's own. */
export const plainBuild = (asked: NonNullable<SongLoops["asked"]>, tracks: LoopPlan["tracks"]): Build =>
  buildOf({ ...asked, buildOrder: undefined }, tracks);
