import {
  actOfPedal,
  type BoxSettings,
  type BoxState,
  bitsOf,
  emptyBox,
  type HeardLayer,
  type LoopPlan,
  maskOf,
  type SongLoops,
  sectionBeats,
  shareOf,
  soundingBefore,
  soundingOf,
  type Take,
} from "@/core/loops";
import type { Device, Score, Way } from "../runner";
import { duePresses } from "./loop-dues";
import { LoopPlayer } from "./loop-player";

/** What a simulated looper shows. */
export type LooperView = {
  readonly sounding: readonly number[];
  /** What is being recorded, with when that began; s from where the run did. */
  readonly recording: {
    readonly track: number;
    readonly layer: string;
    readonly also: readonly string[];
    readonly since: number;
    readonly over: boolean;
  } | null;
  /** What was recorded in this run; s from where it began. */
  readonly takes: readonly Take[];
  /** Presses that wait for the loop point. */
  readonly waiting: number;
  /** The layers each track holds. */
  readonly holds: readonly (readonly string[])[];
  /** How far each track is through its pass, 0 to 1; null while it is silent. */
  readonly shares: readonly (number | null)[];
};

/** A looper's song and its plan. */
export type PlannedLoops = { readonly song: SongLoops; readonly plan: LoopPlan };

/** Planned presses are told a little before their time, so that they sound at it, s. */
const AHEAD_SECONDS = 0.1;
/** A beat tapped so long before a take was opened belongs to it, s. */
const TAP_BEFORE_SECONDS = 0.15;
/** How long a circled place is waited for behind its end, for a late press, s. */
const BEHIND_SECONDS = 0.4;
/** How long the last loop may ring after the end, s. */
const RING_SECONDS = 1.5;

const beatSecondsOf = ({ song }: PlannedLoops): number => 60 / song.asked!.tempo;

/** Where each piece ends, and the first begins, s of the loops' own clock. */
export const pieceTimes = (planned: PlannedLoops): number[] =>
  sectionBeats(planned.song.asked!).map((beat) => beat * beatSecondsOf(planned));

/**
 * The song as it is run.
 * @param from the piece to begin at
 * @param until the last piece that is run; to the end when left out
 */
export function scoreOfLoops(planned: PlannedLoops, way: Way, from: number, until?: number): Score {
  const { beatsPerBar } = planned.song.asked!;
  const beat = beatSecondsOf(planned);
  const times = pieceTimes(planned);
  const last = Math.round(times.at(-1)! / beat);
  const stop = until === undefined ? undefined : times[until + 1];
  const due = duePresses(planned.song, planned.plan);
  return {
    due: stop === undefined ? due : due.filter(({ seconds }) => seconds < stop - 1e-6),
    begin: times[from] ?? 0,
    isPart: stop !== undefined,
    countIn: beatsPerBar * beat,
    end:
      way === "free"
        ? Number.POSITIVE_INFINITY
        : (stop ?? times.at(-1)!) + (stop === undefined ? RING_SECONDS : BEHIND_SECONDS),
    beats: (start, to) => {
      const first = Math.ceil(start / beat - 1e-9);
      const most = way === "free" ? Number.POSITIVE_INFINITY : last;
      const count = Math.max(0, Math.min(most, Math.ceil(to / beat - 1e-9)) - first);
      return Array.from({ length: count }, (_, at) => ({
        seconds: (first + at) * beat,
        isFirst: (((first + at) % beatsPerBar) + beatsPerBar) % beatsPerBar === 0,
      }));
    },
  };
}

/** The box as it stands where a run begins: every layer recorded, and what the plan has sounding there. */
function loadedBox(planned: PlannedLoops, from: number, at: number): BoxState {
  const { song, plan } = planned;
  const asked = song.asked!;
  const beat = beatSecondsOf(planned);
  const lengths = new Map(asked.layers.map(({ id, bars }) => [id, bars * asked.beatsPerBar * beat]));
  const recorded = maskOf(plan.tracks.flatMap((ids, track) => (ids.length > 0 ? [track] : [])));
  const sounding = from > 0 ? maskOf(plan.states[from - 1] ?? []) : soundingBefore(asked, recorded);
  return {
    ...emptyBox(asked.looper.tracks),
    tracks: plan.tracks.map((ids, track) => ({
      recorded: ids.map((layer) => ({ layer, seconds: lengths.get(layer)! })),
      runs: (sounding & (1 << track)) !== 0,
      since: at,
    })),
    order: plan.build.order.flat().flatMap((layer) => {
      const track = plan.tracks.findIndex((ids) => ids.includes(layer));
      return track < 0 ? [] : [{ track, layer }];
    }),
  };
}

/** A simulated looper on an audio clock, as a device that feet press. */
export class Looper implements Device<LooperView> {
  readonly aheadSeconds = AHEAD_SECONDS;
  private readonly player: LoopPlayer;
  private readonly heard: Map<string, HeardLayer & { readonly beatSeconds: number }>;
  /** Beats that were tapped while something was recorded, on the audio clock. */
  private readonly taps: number[] = [];
  /** The box before the last press: it comes back when that press was the beginning of another. */
  private before: BoxState;

  /** @param begin when what it begins at begins, on the audio clock, s */
  constructor(
    context: AudioContext,
    private readonly planned: PlannedLoops,
    private readonly way: Way,
    from: number,
    private readonly begin: number,
    layers: readonly HeardLayer[],
  ) {
    const { song } = planned;
    const box = way === "free" ? emptyBox(song.asked!.looper.tracks) : loadedBox(planned, from, begin);
    const settings: BoxSettings = { ...song.box, ...(way === "show" ? { quantised: false } : {}) };
    const beatSeconds = beatSecondsOf(planned);
    this.heard = new Map(layers.map((layer) => [layer.id, { ...layer, beatSeconds }] as const));
    this.player = new LoopPlayer(context, settings, this.heard, box);
    this.before = box;
  }

  readonly press = (act: string, at: number, instead: boolean): void => {
    // A press that closed a recording has closed it, also where the pedal then stays down for one more layer.
    if (instead && !(this.before.recording && act.startsWith("overdub")))
      this.player.restore(this.before, at);
    else if (!instead) this.before = this.player.state;
    const doing = actOfPedal(act, this.way === "show" ? () => [] : this.nextLayers);
    if (doing) this.player.press(doing, at);
  };

  /** What a recording on a track would take in: the next pass of the build that the plan has there, else the next one. */
  private readonly nextLayers = (track: number): readonly string[] => {
    const { plan } = this.planned;
    const { tracks, recording } = this.player.state;
    const held = new Set([
      ...tracks.flatMap(({ recorded }) => recorded.map(({ layer }) => layer)),
      ...(recording ? [recording.layer, ...recording.also] : []),
    ]);
    const order = plan.build.order.filter((layers) => !layers.some((layer) => held.has(layer)));
    return order.find(([layer]) => plan.tracks[track]?.includes(layer!)) ?? order[0] ?? [];
  };

  /** Where one layer on top follows another on its track, the box goes straight on at the end of the bars. */
  private goOn(until: number): void {
    const { recording } = this.player.state;
    if (this.way !== "free" || !recording?.over) return;
    const { passes } = this.planned.plan.build;
    const at = passes.findIndex(({ layers }) => layers.includes(recording.layer));
    const next = passes[at + 1];
    const { beatsPerBar } = this.planned.song.asked!;
    const end = recording.since + (passes[at]?.bars ?? 0) * beatsPerBar * beatSecondsOf(this.planned);
    if (next?.track !== recording.track || end > until) return;
    const layers = this.nextLayers(recording.track);
    const act = actOfPedal(`overdub-${recording.track}`, () => layers);
    if (!act) return;
    this.player.press(act, end);
    this.player.press(act, end);
  }

  readonly tick = (until: number): void => {
    this.goOn(until - AHEAD_SECONDS);
    this.player.tick(until);
  };

  /** A beat of what is being recorded: from its close on the layer is heard as it was tapped, drift and all. */
  tap(at: number): void {
    const { recording } = this.player.state;
    if (!recording) return;
    this.taps.push(at);
    const { layer, since } = recording;
    const known = this.heard.get(layer);
    const inside = this.taps.filter((tap) => tap >= since - TAP_BEFORE_SECONDS);
    if (!known || inside.length < 2) return;
    const hits = inside.map((tap) => ({
      beat: Math.max(0, tap - since) / known.beatSeconds,
      beats: 1,
      hz: [],
      share: 1,
    }));
    this.heard.set(layer, { ...known, hits });
  }

  readonly view = (now: number): LooperView => {
    const { tracks, recording, waiting, takes } = this.player.state;
    const fromBegin = (at: number) => at - this.begin;
    return {
      takes: takes.map((take) => ({
        ...take,
        since: fromBegin(take.since),
        until: fromBegin(take.until),
      })),
      sounding: bitsOf(soundingOf(this.player.state)),
      recording: recording && { ...recording, since: fromBegin(recording.since) },
      waiting: waiting.length,
      holds: tracks.map(({ recorded }) => recorded.map(({ layer }) => layer)),
      shares: tracks.map((track) => (now < track.since ? null : shareOf(track, now))),
    };
  };

  readonly end = (): void => this.player.silence();
}
