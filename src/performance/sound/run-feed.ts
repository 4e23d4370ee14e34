import type { Ticks } from "@/base";
import {
  type Click,
  clicksOfRun,
  countIn,
  type HeardPart,
  heardOnsets,
  msOfTick,
  type Run,
} from "@/core/practice";
import { channelsFor, type PartChannels, type PartVoice, type SoundChannel } from "./channels";
import { soundsOf, soundsOfClicks } from "./drums";
import { eventsOf, inTime, type SoundEvent, withLoudest } from "./score";

/** A part, and the voice it is heard with. */
export type VoicedPart = { readonly part: HeardPart; readonly voice: PartVoice };

/** So many bars are told at once: a moment's work. */
const BARS_AT_ONCE = 2;

type Piece = { readonly from: Ticks; readonly to: Ticks };

/**
 * A run as a synthesizer is told it, a few bars at a time and round after round: what comes is worked out while the rest sounds.
 * The click is the part after all others.
 */
export class RunFeed {
  readonly channels: readonly SoundChannel[];
  private readonly places: readonly PartChannels[];
  private readonly pieces: readonly Piece[];
  /** How many pieces have been told, in all rounds; -1 before the count-in. */
  private told = -1;

  /** @param skipMs how much of the run is passed over: it begins there */
  constructor(
    private readonly run: Run,
    private parts: readonly VoicedPart[],
    private readonly click: Click,
    readonly skipMs = 0,
  ) {
    const { parts: places, channels } = channelsFor([...parts.map(({ voice }) => voice), "click"]);
    this.places = places;
    this.channels = withLoudest(
      channels,
      parts.map(({ part }) => part.sound?.levels ?? []),
    );
    this.pieces = cutAtBars(run);
    const { countMs, roundMs } = run;
    if (skipMs < countMs) return;
    const round = run.wish.circles ? Math.floor((skipMs - countMs) / roundMs) : 0;
    const inRound = skipMs - countMs - round * roundMs;
    const begun = this.pieces.findLastIndex(({ from }) => msOfTick(run, from) <= inRound);
    this.told = round * this.pieces.length + Math.max(0, begun);
  }

  /** Until when all has been told, ms from where it begins. */
  get until(): number {
    if (this.told < 0) return 0;
    const { run, pieces } = this;
    const round = Math.floor(this.told / pieces.length);
    return (
      run.countMs + round * run.roundMs + msOfTick(run, pieces[this.told % pieces.length]!.from) - this.skipMs
    );
  }

  /** Whether all of it has been told; what goes round never is. */
  get isOver(): boolean {
    return !this.run.wish.circles && this.told >= this.pieces.length;
  }

  /** Other parts in place of those there are, as many as before: what has been told stays. */
  take(parts: readonly VoicedPart[]): void {
    this.parts = parts;
  }

  /** What comes next: the count-in, or a few bars; in the order of time, none of it before 0. */
  next(): SoundEvent[] {
    if (this.isOver) return [];
    const { run, pieces } = this;
    const at = this.told++;
    if (at < 0) return this.begun(eventsOf(this.places.at(-1)!, soundsOfClicks(countIn(run))), 0);
    const piece = pieces[at % pieces.length]!;
    const base = run.countMs + Math.floor(at / pieces.length) * run.roundMs;
    const msOf = (tick: Ticks) => msOfTick(run, tick);
    const [from, to] = [msOf(piece.from), piece.to >= run.wish.to ? run.soundMs : msOf(piece.to)];
    const clicks = clicksOfRun(run, this.click).filter(({ ms }) => ms >= from && ms < to);
    const sounds = this.parts.flatMap(({ part, voice }, index) => {
      const onsets = heardOnsets(part, piece.from, piece.to, msOf, run.wish.to);
      return eventsOf(this.places[index]!, soundsOf(onsets, voice));
    });
    return this.begun([...sounds, ...eventsOf(this.places.at(-1)!, soundsOfClicks(clicks))], base);
  }

  /** Events so much later, without those of notes that began before where the run begins. */
  private begun(events: readonly SoundEvent[], later: number): SoundEvent[] {
    const by = later - this.skipMs;
    const moved = events.map(
      (event): SoundEvent =>
        event.type === "off"
          ? { ...event, ms: event.ms + by, of: event.of + by }
          : // As loud as it has become by then it is from the begin.
            { ...event, ms: event.type === "level" ? Math.max(0, event.ms + by) : event.ms + by },
    );
    return inTime(moved.filter((event) => (event.type === "off" ? event.of : event.ms) >= 0));
  }
}

/** A run in pieces of a few whole bars, each within one time through a section. */
function cutAtBars({ pieces, passages, begins }: Run): Piece[] {
  return pieces.flatMap(({ passage, from, to }): Piece[] => {
    const lines = passages[passage]!.bars.map((tick) => begins[passage]! + tick).filter(
      (tick, at) => at % BARS_AT_ONCE === 0 && tick > from && tick < to,
    );
    const begun = [from, ...lines];
    return begun.map((begin, at) => ({ from: begin, to: begun[at + 1] ?? to }));
  });
}
