import type { DuePress, MadePress } from "../judged";
import { DOUBLE_MS, type PedalAct } from "../pedals";
import type { Device, Finished, Score, Way } from "./device";

/** How far ahead clicks and sounds are handed to the audio clock, s. */
const AHEAD = 0.15;
/** Between the start and the first beat of the count-in, s. */
const LEAD = 0.2;
/** A press is taken to be at most so late in being heard of, s: a page that stood still makes no press older. */
const MOST_LATE = 0.2;

/**
 * One run of a device through a song on the audio clock: presses of the plan or of the feet, the count, and what was made
 * when. It has no timer: it is told to step some times a second.
 */
export class Runner<View, Own extends Device<View> = Device<View>> {
  /** When the song began, or will begin, on the audio clock, s. */
  readonly start: number;
  private readonly due: readonly DuePress[];
  private readonly skipped: number;
  private next = 0;
  private counted: number;
  private made: MadePress[] = [];
  private wasMade = false;

  /**
   * @param make makes the device, which is told when the song begins on the audio clock
   * @param count makes a tap of the count at a moment of the audio clock
   */
  constructor(
    private readonly clock: { readonly currentTime: number },
    readonly way: Way,
    private readonly score: Score,
    make: (start: number) => Own,
    private readonly count: (at: number, strong: boolean) => void,
  ) {
    const { begin, countIn, due } = score;
    this.start = clock.currentTime + LEAD + countIn - begin;
    this.counted = begin - countIn;
    this.due = way === "free" ? [] : due.filter(({ seconds }) => seconds >= begin - 1e-6);
    this.skipped = way === "free" ? 0 : due.length - this.due.length;
    this.device = make(this.start);
  }

  readonly device: Own;

  /** Where in the song it begins, s: what comes before is the count-in. */
  get begin(): number {
    return this.score.begin;
  }

  /** Seconds of the song; below where it begins while counting in. */
  get seconds(): number {
    return this.clock.currentTime - this.start;
  }

  /** When something with a stamp happened, on the audio clock. @param now the browser's clock, ms */
  momentOf(stamp: number, now: number, mostLate = MOST_LATE): number {
    return this.clock.currentTime - Math.max(0, Math.min(mostLate, (now - stamp) / 1000));
  }

  /** A press by foot, at the moment it counts from. */
  press({ act, instead, stamp }: PedalAct, now: number): void {
    if (this.way === "show") return;
    const at = this.momentOf(stamp, now, MOST_LATE + (instead ? DOUBLE_MS / 1000 : 0));
    if (instead && this.wasMade) this.made.pop();
    this.wasMade = act !== "none";
    if (this.wasMade) this.note(act, at);
    this.device.press(act, at, instead);
  }

  /** Something counts as a press that did not come from a pedal. */
  note(act: string, at: number): void {
    if (this.way !== "show") this.made.push({ seconds: at - this.start, act });
  }

  /** @param isCounted whether beats after the count-in are tapped too. @returns whether the run is over */
  step(isCounted: boolean): boolean {
    const { begin, beats, end } = this.score;
    while (
      this.way === "show" &&
      this.next < this.due.length &&
      this.due[this.next]!.seconds <= this.seconds + this.device.aheadSeconds
    ) {
      const { act, seconds } = this.due[this.next++]!;
      this.device.press(act, this.start + seconds, false);
    }
    const until = this.seconds + AHEAD;
    if (until > this.counted) {
      for (const { seconds, isFirst } of beats(this.counted, until))
        if (isCounted || seconds < begin - 1e-6) this.count(this.start + seconds, isFirst);
      this.counted = until;
    }
    this.device.tick(this.start + until);
    return this.seconds > end;
  }

  /** What feet made of it so far; null where nobody is judged. */
  finished(): Finished | null {
    if (this.way !== "feet") return null;
    const due = this.due.filter(({ seconds }) => seconds < this.seconds);
    const { begin, isPart = false } = this.score;
    const isWhole = begin === 0 && !isPart && due.length === this.due.length;
    const isOver = this.seconds > this.score.end;
    return { skipped: this.skipped, due, made: [...this.made], isWhole, isOver };
  }
}
