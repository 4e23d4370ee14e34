import {
  type Click,
  layRun,
  msOfTick,
  placeInRun,
  type Run,
  type RunPlace,
  type RunWish,
} from "@/core/practice";
import type { Mix } from "./render";
import { RunFeed, type VoicedPart } from "./run-feed";
import type { Running, Sound } from "./sounder";

/**
 * So much is told ahead of what sounds, ms, a few bars at a time; it is looked whether more is due after so long while enough has
 * been told, and so soon again while not: between two times the window can do other things.
 */
const AHEAD_MS = 8000;
const LOOK_MS = 400;
const SOON_MS = 40;
/** What was struck last rings so long, ms. */
const TAIL_MS = 800;

/** How a run is heard. */
type RunWay = { readonly click: Click; readonly mix: Mix };

/** A run that sounds: it says where it is, and takes up other speeds, clicks and parts under way. */
export class RunSound {
  private timer: ReturnType<typeof setTimeout> | undefined;

  private constructor(
    private readonly running: Running,
    readonly run: Run,
    private readonly feed: RunFeed,
    private readonly onOver: () => void,
  ) {
    this.look();
  }

  /**
   * Begins a run.
   * @param from where in the run, ms; 0 is its count-in
   * @param onHeard when its first sound is made
   * @param onOver when it has come to its end
   */
  static async begin(
    sound: Sound,
    run: Run,
    parts: readonly VoicedPart[],
    { click, mix }: RunWay,
    { from = 0, onHeard, onOver }: { from?: number; onHeard?: () => void; onOver: () => void },
  ): Promise<RunSound> {
    const feed = new RunFeed(run, parts, click, from);
    const events = [...feed.next(), ...(feed.until < LOOK_MS ? feed.next() : [])];
    const running = await sound.begin({ channels: feed.channels, events }, mix, onHeard);
    return new RunSound(running, run, feed, onOver);
  }

  /** Where in the run it was begun, ms. */
  get from(): number {
    return this.feed.skipMs;
  }

  /** Where it is heard now, ms from the run's begin. */
  position(): number {
    return this.running.position() + this.feed.skipMs;
  }

  place(): RunPlace {
    return placeInRun(this.run, this.position());
  }

  mix(mix: Mix): void {
    this.running.mix(mix);
  }

  /** Other parts, as many as before, from the bars on that have not been told yet. */
  take(parts: readonly VoicedPart[]): void {
    this.feed.take(parts);
  }

  /** Tells nothing more: whoever ends the sound itself says so first. */
  leave(): void {
    clearTimeout(this.timer);
  }

  private look(): void {
    const { run, feed } = this;
    const isDue = (): boolean => !feed.isOver && feed.until < this.running.position() + AHEAD_MS;
    if (isDue()) this.running.add(feed.next());
    if (run.wish.circles || this.position() < run.countMs + run.soundMs + TAIL_MS)
      this.timer = setTimeout(() => this.look(), isDue() ? SOON_MS : LOOK_MS);
    else this.onOver();
  }
}

/**
 * A run at another wish, and where in it what sounds now is gone on with: the same place of the song where the new stretch has it,
 * else its begin, without counting in anew.
 */
export function goneOnIn(
  run: Run,
  position: number,
  wish: RunWish,
): { readonly run: Run; readonly from: number } {
  const next = layRun(run.passages, wish);
  const place = placeInRun(run, position);
  if (place.phase === "count") return { run: next, from: 0 };
  const tick = run.begins[place.passage]! + place.tick;
  const isInside = tick >= wish.from && tick < wish.to;
  const round = wish.circles ? place.round : 0;
  return {
    run: next,
    from: next.countMs + round * next.roundMs + (isInside ? msOfTick(next, tick) : 0),
  };
}
