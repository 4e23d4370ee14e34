import { createStore } from "zustand/vanilla";
import {
  barLinesOf,
  type HeardSong,
  layRun,
  type Run,
  type RunPlace,
  type RunWish,
  SPEEDS,
  wholeOf,
} from "@/core/practice";
import { bpmOfTaps, withTap } from "@/core/rhythm";
import { tellStretch } from "@/core/song/moments";
import { goneOnIn, RunSound, type VoicedPart } from "@/performance/sound";
import { begin, hush, usualVoice } from "../hear";
import { isHeard, loadWay, mixOf, type PartWay, PLAIN_WAY, saveWay, type Way, wayOf } from "./settings";

export type Rehearsing = {
  readonly song: HeardSong | null;
  readonly way: Way;
  /** Whether it sounds, is about to, or not. */
  readonly phase: "silent" | "opening" | "running";
  /** What was gone through last, until it is kept or let go; null where that was nothing much. */
  readonly last: GoneThrough | null;
};

/** What was gone through from Play to Stop. */
export type GoneThrough = {
  /** A section, or bars; "" is the whole song. */
  readonly what: string;
  readonly minutes: number;
  /** The tempo at its end, in hundredths of the one written. */
  readonly percent: number;
  /** Rounds that came to their end. */
  readonly rounds: number;
};

/** The name of its button, for what else sounds in this window. */
export const REHEARSAL = "rehearsal";
/** Less than this is not worth keeping, ms. */
const LEAST_KEPT_MS = 12_000;

/** A song gone through with the sound of the band, in one window. */
export class Rehearsal {
  readonly store = createStore<Rehearsing>(() => ({
    song: null,
    way: PLAIN_WAY,
    phase: "silent",
    last: null,
  }));
  private sounding: RunSound | null = null;
  private taps: number[] = [];
  /** Counts begins and ends: what was begun before an end does not go on. */
  private begun = 0;
  /** What has been gone through since Play, over changes of tempo and stretch, ms and rounds. */
  private gone = { ms: 0, rounds: 0 };

  /** @param keeps whether this window keeps how the song is gone through */
  constructor(
    readonly versionId: string,
    private readonly keeps = true,
  ) {}

  /** Takes up what this window kept. */
  open(): void {
    if (this.keeps) this.store.setState({ way: loadWay(this.versionId) });
  }

  close(): void {
    if (this.store.getState().phase !== "silent") hush();
  }

  /** The song as it stands now; what sounds goes on in it where its form is the same. */
  take(song: HeardSong): void {
    const before = this.store.getState().song;
    this.store.setState({ song });
    if (!this.sounding || !before) return;
    const isSame = JSON.stringify(before.passages) === JSON.stringify(song.passages);
    if (isSame && before.parts.length === song.parts.length) this.sounding.take(this.voiced());
    else hush();
  }

  /** Where it is heard now; null in silence. */
  place(): RunPlace | null {
    return this.sounding?.place() ?? null;
  }

  /** How far it is heard now, ms from the run's begin; null in silence. */
  position(): number | null {
    return this.sounding?.position() ?? null;
  }

  /** The run that sounds, or was heard last. */
  lastRun: Run | null = null;

  async toggle(): Promise<void> {
    if (this.store.getState().phase === "silent") await this.start();
    else hush();
  }

  async start(): Promise<void> {
    const { song, way } = this.store.getState();
    if (!song || song.passages.length === 0) return;
    const run = layRun(song.passages, wishOf(song, way));
    this.gone = { ms: 0, rounds: 0 };
    this.store.setState({ last: null });
    await this.begin(run, 0);
  }

  private async begin(run: Run, from: number): Promise<void> {
    const { song, way } = this.store.getState();
    let mine = 0;
    const beginning = begin(
      REHEARSAL,
      async (sound, onHeard) => {
        const begun = await RunSound.begin(
          sound,
          run,
          this.voiced(),
          { click: way.click, mix: mixOf(way, song!.parts) },
          { from, onHeard, onOver: hush },
        );
        if (mine !== this.begun) begun.leave();
        return begun;
      },
      () => this.ended(),
    );
    // What sounded before has been ended by now.
    mine = ++this.begun;
    this.store.setState({ phase: "opening" });
    const sounding = await beginning;
    if (mine !== this.begun || !sounding) return;
    this.sounding = sounding;
    this.lastRun = sounding.run;
    this.store.setState({ phase: "running" });
    // What was changed meanwhile is taken up.
    this.follow(way);
  }

  private ended(): void {
    this.begun++;
    if (this.sounding) this.count(this.sounding);
    this.sounding?.leave();
    this.sounding = null;
    this.store.setState({ phase: "silent" });
    // What goes on in another way has begun again by then.
    queueMicrotask(() => this.sum());
  }

  private count(sounding: RunSound): void {
    const { run } = sounding;
    const position = sounding.position();
    const { phase, round } = sounding.place();
    const done = phase === "over" ? 1 : phase === "gap" ? round + 1 : round;
    const from = Math.max(0, sounding.from - run.countMs);
    this.gone = {
      ms: this.gone.ms + Math.max(0, position - run.countMs - from),
      rounds: this.gone.rounds + Math.max(0, done - Math.floor(from / run.roundMs)),
    };
  }

  /** Says what was gone through, where that was more than a moment. */
  private sum(): void {
    const { song, way, phase } = this.store.getState();
    const { ms, rounds } = this.gone;
    if (phase !== "silent" || !song || ms < LEAST_KEPT_MS) return;
    this.gone = { ms: 0, rounds: 0 };
    const minutes = Math.max(0.1, Math.round(ms / 6000) / 10);
    const percent = Math.round(way.speed * 100);
    this.store.setState({ last: { what: tellWhat(song, way), minutes, percent, rounds } });
  }

  /** What was gone through is kept, or let go. */
  letGo(): void {
    this.store.setState({ last: null });
  }

  /** Changes how it is gone through; what sounds goes on where it is. */
  change(fields: Partial<Way>): void {
    const { way: before } = this.store.getState();
    const way = { ...before, ...fields };
    this.store.setState({ way });
    if (this.keeps) saveWay(this.versionId, way);
    this.follow(before);
  }

  /** What sounds goes on in the way that is wanted now. @param before the way it sounds in */
  private follow(before: Way): void {
    const { way, song } = this.store.getState();
    const { sounding } = this;
    if (!sounding || !song || way === before) return;
    const isOther = (["speed", "stretch", "circles", "gapBars", "click"] as const).some(
      (field) => way[field] !== before[field],
    );
    const isRevoiced = song.parts.some(
      ({ player: { id } }) => wayOf(way, id).voice !== wayOf(before, id).voice,
    );
    if (isOther || isRevoiced) {
      const gone = goneOnIn(sounding.run, sounding.position(), wishOf(song, way));
      void this.begin(gone.run, gone.from);
    } else sounding.mix(mixOf(way, song.parts));
  }

  changePart(id: string, fields: Partial<PartWay>): void {
    const { way } = this.store.getState();
    this.change({ parts: { ...way.parts, [id]: { ...wayOf(way, id), ...fields } } });
  }

  /** Everybody is heard, but for one. @param id null for everybody */
  allBut(id: string | null): void {
    this.changeAll((one) => ({ on: one !== id, alone: false }));
  }

  /** One is heard alone. @param id null for everybody */
  aloneOrAll(id: string | null): void {
    this.changeAll((one) => ({ on: true, alone: one === id }));
  }

  private changeAll(fieldsOf: (id: string) => Partial<PartWay>): void {
    const { way, song } = this.store.getState();
    const ids = (song?.parts ?? []).map(({ player }) => player.id);
    const parts = ids.map((id) => [id, { ...wayOf(way, id), ...fieldsOf(id) }]);
    this.change({ parts: { ...way.parts, ...Object.fromEntries(parts) } });
  }

  /** Whether everybody but one is heard. */
  isAllBut(id: string): boolean {
    const { way, song } = this.store.getState();
    return (
      song?.parts.every(({ player }) => isHeard(way, song.parts, player.id) === (player.id !== id)) ?? false
    );
  }

  /** So much faster, in hundredths of the tempo written. */
  faster(by: number): void {
    const { speed } = this.store.getState().way;
    this.setSpeed(Math.round(speed * 100 + by) / 100);
  }

  setSpeed(speed: number): void {
    this.change({ speed: Math.min(SPEEDS.most, Math.max(SPEEDS.least, speed)) });
  }

  /** The tempo as it is tapped. @param bpm of the song where it begins */
  tap(bpm: number): void {
    this.taps = withTap(this.taps, performance.now());
    const tapped = bpmOfTaps(this.taps);
    if (tapped !== null) this.setSpeed(Math.round((tapped / bpm) * 100) / 100);
  }

  private voiced(): VoicedPart[] {
    const { song, way } = this.store.getState();
    return (song?.parts ?? []).map((part) => ({
      part,
      voice: wayOf(way, part.player.id).voice ?? usualVoice(part.player),
    }));
  }
}

/** The stretch of a song that is gone through, between its bar lines, and how many bars the song has. */
export function stretchOf({ passages }: Pick<HeardSong, "passages">, { stretch }: Pick<Way, "stretch">) {
  const lines = barLinesOf(passages);
  const bars = lines.length - 1;
  const whole = wholeOf(passages);
  if (!stretch || stretch.from >= bars) return { ...whole, first: 0, last: bars, bars };
  const to = Math.min(bars, stretch.to);
  return { from: lines[stretch.from]!, to: lines[to]!, first: stretch.from, last: to, bars };
}

/** What is gone through, in words: a section, bars of it; "" for the whole song. */
export function tellWhat({ passages }: Pick<HeardSong, "passages">, way: Pick<Way, "stretch">): string {
  const { first, last } = stretchOf({ passages }, way);
  const bars = passages.flatMap(({ label, bars }, passage) =>
    bars.map((_, at) => ({ passage, label, bar: at + 1 })),
  );
  const [from, to] = [bars[first], bars[last - 1]];
  if (!from || !to || (first === 0 && last === bars.length)) return "";
  const isSection =
    from.passage === to.passage && from.bar === 1 && to.bar === passages[to.passage]!.bars.length;
  return isSection ? from.label : tellStretch(from, to);
}

const wishOf = (song: HeardSong, way: Way): RunWish => {
  const { from, to } = stretchOf(song, way);
  const { speed, countBars, gapBars, circles } = way;
  return { from, to, speed, countBars, gapBars, circles };
};
