import { ticksOfBeatUnit } from "@/core/rhythm";
import {
  type BoxOrder,
  isSilentAt,
  orderOfName,
  planMessages,
  type SongTones,
  slotMessages,
  type ToneBoxState,
  type TonePlan,
  type TonePress,
  tellBox,
  toneBoxAt,
} from "@/core/sounds";
import type { Beat, Device, Score, Way } from "../runner";
import { dueTones } from "./sound-dues";

/** A player's song, the plan of the box, and the presses it takes. */
export type PlannedTones = {
  readonly song: SongTones;
  readonly plan: TonePlan;
  readonly presses: readonly TonePress[];
};

/** What a simulated box of sounds shows. */
export type ToneBoxView = { readonly box: ToneBoxState; readonly isSilent: boolean };

/** Sends a MIDI message so many seconds from now. */
export type SendMidi = (bytes: readonly number[], inSeconds: number) => void;

const COUNT_IN_BEATS = 4;
/** How long a run goes on after the end, s. */
const RING_SECONDS = 1;

/** Every beat of the song in time, and where it ends, s. */
function beatsOfSong(song: SongTones): { readonly beats: readonly Beat[]; readonly end: number } {
  const passages = song.spans.flatMap((span) => span.passages);
  const beats = passages.flatMap((passage) => {
    const beat = ticksOfBeatUnit(passage.tempo.beatUnit) ?? 960;
    return passage.bars.flatMap((bar) =>
      Array.from({ length: Math.ceil(bar.ticks / beat) }, (_, at) => ({
        seconds: song.clock.secondsAt(bar.tick + at * beat),
        isFirst: at === 0,
      })),
    );
  });
  const last = passages.at(-1);
  return { beats, end: last ? song.clock.secondsAt(last.tick + last.ticks) : 0 };
}

/** The song as it is run. @param from the index of the use to begin at */
export function scoreOfTones({ song, presses }: PlannedTones, way: Way, from: number): Score {
  const { beats, end } = beatsOfSong(song);
  if (way === "free")
    return { due: [], begin: 0, countIn: 0, end: Number.POSITIVE_INFINITY, beats: () => [] };
  const begin = from === 0 ? 0 : song.clock.secondsAt(song.soundUses[from]!.span.from);
  const beatSeconds = beats.length > 1 ? beats[1]!.seconds - beats[0]!.seconds : 0.5;
  const countIn = Array.from({ length: COUNT_IN_BEATS }, (_, at) => ({
    seconds: begin - (COUNT_IN_BEATS - at) * beatSeconds,
    isFirst: at === 0,
  }));
  const all = [...countIn, ...beats.filter(({ seconds }) => seconds >= begin - 1e-6)];
  return {
    due: dueTones(song, presses),
    begin,
    countIn: COUNT_IN_BEATS * beatSeconds,
    end: end + RING_SECONDS,
    beats: (start, to) => all.filter(({ seconds }) => seconds >= start && seconds < to),
  };
}

/** A simulated box of sounds, as a device that feet press; real gear is told by MIDI what it does. */
export class ToneDevice implements Device<ToneBoxView> {
  readonly aheadSeconds = 0;
  private box: ToneBoxState;
  private before: ToneBoxState;
  private sent: number;
  private readonly messages: readonly { readonly at: number; readonly bytes: readonly number[] }[];

  /** @param start when the song begins on the audio clock, s */
  constructor(
    private readonly clock: { readonly currentTime: number },
    private readonly planned: PlannedTones,
    private readonly way: Way,
    from: number,
    start: number,
    private readonly send: SendMidi,
  ) {
    const { song, plan, presses } = planned;
    const place =
      plan.steps.findLast(({ section }) => {
        const at = song.soundUses.findIndex(({ span }) => span.use.id === section);
        return at >= 0 && at < Math.max(1, from);
      }) ?? plan.steps[0];
    this.box = toneBoxAt(place?.bank ?? 0, place?.slot ?? 0);
    this.before = this.box;
    this.messages = planMessages(song, plan, presses).map(({ tick, bytes }) => ({
      at: start + song.clock.secondsAt(tick),
      bytes,
    }));
    this.sent = start + (from === 0 ? 0 : song.clock.secondsAt(song.soundUses[from]!.span.from)) - 1e-6;
  }

  readonly press = (act: string, at: number, instead: boolean): void => {
    if (instead) this.box = this.before;
    else this.before = this.box;
    const was = this.box;
    const order = orderOfName(act);
    if (order) this.tell(order, at);
    const { bank, slot } = this.box;
    // A run that is shown sends the messages of the plan; a foot's press goes out as the program the box then stands on.
    if (this.way !== "show" && (was.bank !== bank || was.slot !== slot))
      for (const bytes of slotMessages(this.planned.song.box, bank, slot, false)) this.send(bytes, 0);
  };

  /** Tells the box something, by MIDI say. @returns the act of a pedal it is as good as, or null */
  tell(order: BoxOrder, at: number): string | null {
    const { song, plan } = this.planned;
    const { bank } = this.box;
    this.box = tellBox(this.box, order, song.box, plan.banks, at);
    if (order.do === "switch") return `pedal-${order.effect}`;
    if (order.do === "program") return order.bank === bank ? `slot-${order.slot}` : "go";
    return null;
  }

  readonly tick = (until: number): void => {
    if (this.way !== "show" || until <= this.sent) return;
    for (const { at, bytes } of this.messages)
      if (at >= this.sent && at < until) this.send(bytes, Math.max(0, at - this.clock.currentTime));
    this.sent = until;
  };

  readonly view = (now: number): ToneBoxView => ({ box: this.box, isSilent: isSilentAt(this.box, now) });

  readonly end = (): void => {};
}
