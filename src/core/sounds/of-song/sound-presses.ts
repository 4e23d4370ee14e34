import type { Ticks } from "../../../base";
import type { Moment } from "../../song/moments";
import type { ToneAct, TonePlan, ToneStep } from "../plan";
import type { SongTones, SoundUse } from "./song-sounds";

/** A press in the song, with its moment. */
export type TonePress = {
  readonly act: ToneAct;
  /** The use it leads into. */
  readonly into: SoundUse;
  readonly tick: Ticks;
  readonly seconds: number;
  readonly moment: Moment;
  readonly sung: boolean;
  /** For arming: from when on it may be done, and the easiest bar for it. */
  readonly window: { readonly from: Ticks; readonly opens: Moment; readonly easiest: EasyBar } | null;
  /** Not the first press at its boundary. */
  readonly late: boolean;
};

/** A bar in which a player has a foot free. */
type EasyBar = {
  readonly tick: Ticks;
  readonly moment: Moment;
  /** Whether the player is silent in it, and whether they sing. */
  readonly isSilent: boolean;
  readonly sings: boolean;
};

/** The acts behind the words of a step. */
function actsOf(step: ToneStep, isArmed: boolean): ToneAct[] {
  return step.presses.map((text): ToneAct => {
    if (text === "go") return { do: "go" };
    if (text.startsWith("slot")) return { do: "slot", slot: step.slot };
    return { do: isArmed ? "arm" : "bank", bank: step.bank };
  });
}

/** How near a sung word must be for a press to fall while singing, s. Ours, no source. */
const NEAR_SECONDS = 4;

/** Where a press falls: the first note of its section, with the words around it. */
function placed(song: SongTones, into: SoundUse, tick: Ticks) {
  const { clock } = song;
  const before = clock.words.findLast((word) => word.tick < tick);
  const next = clock.words.find((word) => word.tick >= tick);
  const seconds = clock.secondsAt(tick);
  const near = (word: typeof next): boolean =>
    word !== undefined && Math.abs(clock.secondsAt(word.tick) - seconds) <= NEAR_SECONDS;
  return {
    into,
    tick,
    seconds,
    moment: clock.momentAt(tick),
    sung: near(before) && near(next),
  };
}

/** A press at the change into a section. */
export const pressAt = (song: SongTones, into: SoundUse, act: ToneAct, late: boolean): TonePress => ({
  act,
  ...placed(song, into, changeTick(into)),
  window: null,
  late,
});

/** Every press of a plan with where it falls, in order. */
export function tonePresses(song: SongTones, plan: Pick<TonePlan, "steps">): TonePress[] {
  const byUse = new Map(song.soundUses.map((soundUse) => [soundUse.span.use.id, soundUse]));
  const bars = plan.steps.some(({ armFrom }) => armFrom !== null) ? judgeBars(song) : [];
  return plan.steps.flatMap((step): TonePress[] => {
    const into = byUse.get(step.section);
    if (!into) return [];
    const acts = actsOf(step, step.armFrom !== null);
    const tick = changeTick(into);
    return acts.map((act, at): TonePress => {
      if (act.do !== "arm") return pressAt(song, into, act, at > (step.armFrom === null ? 0 : 1));
      const from = changeTick(byUse.get(step.armFrom!) ?? into);
      const easiest = easiestBar(song, bars, from, tick);
      return {
        act,
        ...placed(song, into, easiest.tick),
        window: { from, opens: song.clock.momentAt(from), easiest },
        late: false,
      };
    });
  });
}

/** When a change is made: in the rest as late as it covers, else on the section's first note. */
export const changeTick = ({ rest, heard }: SoundUse): Ticks =>
  rest.to > rest.from ? rest.from : heard[0]!.from;

type JudgedBar = Omit<EasyBar, "moment"> & { readonly end: Ticks; readonly load: number };

/** Every bar of the song with what the player has to do in it: play, sing, change chords. */
function judgeBars(song: SongTones): JudgedBar[] {
  const heard = song.soundUses.flatMap((soundUse) => soundUse.heard).sort((a, b) => a.from - b.from);
  const { words } = song.clock;
  let [sound, word, ringing] = [0, 0, 0];
  return song.spans
    .flatMap(({ passages }) => passages.flatMap(({ bars }) => bars))
    .map((bar): JudgedBar => {
      const end = bar.tick + bar.ticks;
      let [changes, sung] = [0, 0];
      const isRinging = ringing > bar.tick;
      for (let one = heard[sound]; one && one.from < end; one = heard[++sound]) {
        if (one.from >= bar.tick) changes++;
        ringing = Math.max(ringing, one.to);
      }
      for (let one = words[word]; one && one.tick < end; one = words[++word])
        if (one.tick >= bar.tick) sung++;
      const isSilent = !isRinging && changes === 0;
      const sings = song.player.sings && sung > 0;
      const load = (isSilent ? 0 : 100) + (sings ? 10 + sung : 0) + Math.min(9, changes);
      return { tick: bar.tick, end, isSilent, sings, load };
    });
}

/** The bar of a window in which the player has least to do; of equals the latest. */
function easiestBar(song: SongTones, bars: readonly JudgedBar[], from: Ticks, to: Ticks): EasyBar {
  const inside = bars.filter(({ tick, end }) => tick >= from && end <= to);
  const least = Math.min(...inside.map(({ load }) => load));
  const found = inside.findLast(({ load }) => load === least);
  const tick = found?.tick ?? from;
  const { isSilent, sings } = found ?? { isSilent: false, sings: false };
  return { tick, moment: song.clock.momentAt(tick), isSilent, sings };
}
