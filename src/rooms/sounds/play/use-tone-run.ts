"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import type { DuePress, MadePress } from "@/core/loops";
import {
  type BoxOrder,
  dueTones,
  isSilentAt,
  planMessages,
  type TimedMessage,
  type ToneBoxState,
  tellBox,
  toneBoxAt,
} from "@/core/tones";
import type { Finished, PedalAct } from "../../trainer";
import type { ShownTones } from "../use-tones";
import { orderOfName } from "./orders";
import { beatsOfSong } from "./song-beats";

/** Shown: the plan runs by itself. Feet: the feet are judged. Free: the box alone, no song. */
export type ToneRunWay = "show" | "feet" | "free";

/** What the screen shows of a run, told some times a second. */
export type ToneRunView = {
  /** Seconds of the song; below 0 while counting in. */
  readonly seconds: number;
  readonly tick: number;
  /** Index of the stretch that is played, −1 before the first. */
  readonly stretch: number;
  readonly box: ToneBoxState;
  readonly isSilent: boolean;
};

type Going = {
  readonly context: AudioContext;
  readonly way: ToneRunWay;
  /** When the song began on the audio clock. */
  readonly start: number;
  readonly begin: number;
  readonly end: number;
  readonly skipped: number;
  readonly due: readonly DuePress[];
  readonly messages: readonly (TimedMessage & { readonly seconds: number })[];
  next: number;
  clicked: number;
  sent: number;
  box: ToneBoxState;
  made: MadePress[];
};

const COUNT_IN_BEATS = 4;

/** Runs the simulated box on the audio clock. @param send is given MIDI messages, with the moment they are for */
export function useToneRun(
  shown: ShownTones,
  onEnd: (finished: Finished) => void,
  send: (bytes: readonly number[], inSeconds: number) => void,
) {
  const going = useRef<Going | null>(null);
  const [view, setView] = useState<ToneRunView | null>(null);
  const [running, setRunning] = useState<ToneRunWay | null>(null);
  const [clicks, setClicks] = useState(true);
  const latest = useRef({ onEnd, clicks, send, shown });
  latest.current = { onEnd, clicks, send, shown };

  const stop = useCallback(() => {
    const run = going.current;
    if (!run) return;
    going.current = null;
    const now = run.context.currentTime - run.start;
    void run.context.close();
    setRunning(null);
    setView(null);
    if (run.way !== "feet") return;
    const due = run.due.filter(({ seconds }) => seconds < now);
    const isWhole = run.begin === 0 && due.length === run.due.length;
    latest.current.onEnd({ skipped: run.skipped, due, made: run.made, isWhole });
  }, []);

  const starts = useRef(0);
  const start = async (way: ToneRunWay, from: number) => {
    stop();
    const own = ++starts.current;
    const context = new AudioContext({ latencyHint: "interactive" });
    await context.resume();
    if (own !== starts.current) {
      void context.close();
      return;
    }
    const { song, plan, presses } = latest.current.shown;
    const { beats, end } = beatsOfSong(song);
    const stretch = song.stretches[from];
    const begin = way === "free" || from === 0 ? 0 : song.clock.secondsAt(stretch!.span.from);
    const beatSeconds = beats.length > 1 ? beats[1]!.seconds - beats[0]!.seconds : 0.5;
    const all = way === "free" ? [] : dueTones(song, presses);
    const due = all.filter(({ seconds }) => seconds >= begin - 1e-6);
    const place =
      plan.steps.findLast(({ section }) => {
        const at = song.stretches.findIndex(({ span }) => span.use.id === section);
        return at >= 0 && at < Math.max(1, from);
      }) ?? plan.steps[0];
    const countIn = way === "free" ? 0 : COUNT_IN_BEATS * beatSeconds;
    going.current = {
      context,
      way,
      start: context.currentTime + 0.2 + countIn - begin,
      begin,
      end: way === "free" ? Number.POSITIVE_INFINITY : end + 1,
      skipped: all.length - due.length,
      due,
      messages: planMessages(song, plan, presses).map((one) => ({
        ...one,
        seconds: song.clock.secondsAt(one.tick),
      })),
      next: 0,
      clicked: begin - countIn,
      sent: begin - 1e-6,
      box: toneBoxAt(place?.bank ?? 0, place?.slot ?? 0),
      made: [],
    };
    setRunning(way);
  };

  /** Tells the box something at a moment of the audio clock. */
  const tell = (order: BoxOrder, at: number): void => {
    const run = going.current;
    if (!run) return;
    const { song, plan } = latest.current.shown;
    run.box = tellBox(run.box, order, song.box, plan.banks, at);
  };

  /** When something that was stamped by the browser happened, on the audio clock. */
  const momentOf = (run: Going, stamp: number): number =>
    run.context.currentTime - Math.max(0, Math.min(0.2, (performance.now() - stamp) / 1000));

  /** A pedal's act at the moment it happened. */
  const press = ({ act, stamp }: PedalAct) => {
    const run = going.current;
    if (!run || run.way === "show") return null;
    const at = momentOf(run, stamp);
    run.made = [...run.made, { seconds: at - run.start, act }];
    const before = run.box;
    const order = orderOfName(act);
    if (order) tell(order, at);
    return { before, after: run.box };
  };

  /** What arrived by MIDI for the box itself. In a judged run a slot that was called up counts as its press. */
  const arrived = (order: BoxOrder, stamp: number): void => {
    const run = going.current;
    if (!run || run.way === "show") return;
    const at = momentOf(run, stamp);
    if (order.do === "switch")
      run.made = [...run.made, { seconds: at - run.start, act: `pedal-${order.effect}` }];
    if (order.do === "program") {
      const act = run.box.bank === order.bank ? `slot-${order.slot}` : "go";
      run.made = [...run.made, { seconds: at - run.start, act }];
    }
    tell(order, at);
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: the loop reads the present run from its ref
  useEffect(() => {
    if (running === null) return;
    const { song } = latest.current.shown;
    const { beats } = beatsOfSong(song);
    const beatSeconds = beats.length > 1 ? beats[1]!.seconds - beats[0]!.seconds : 0.5;
    const step = () => {
      const run = going.current;
      if (!run) return;
      const now = run.context.currentTime - run.start;
      while (run.way === "show" && run.next < run.due.length && run.due[run.next]!.seconds <= now) {
        const { act, seconds } = run.due[run.next++]!;
        const order = orderOfName(act);
        if (order) tell(order, run.start + seconds);
      }
      const until = now + 0.15;
      const countIn = Array.from({ length: COUNT_IN_BEATS }, (_, at) => ({
        seconds: run.begin - (COUNT_IN_BEATS - at) * beatSeconds,
        isFirst: at === 0,
      }));
      for (const { seconds, isFirst } of run.way === "free" ? [] : [...countIn, ...beats])
        if (seconds >= run.clicked && seconds < until && (seconds >= run.begin || isCountIn(seconds, run)))
          if (latest.current.clicks || seconds < run.begin - 1e-6)
            click(run.context, run.start + seconds, isFirst);
      run.clicked = Math.max(run.clicked, until);
      if (run.way === "show") {
        for (const { seconds, bytes } of run.messages)
          if (seconds >= run.sent && seconds < until) latest.current.send(bytes, Math.max(0, seconds - now));
        run.sent = Math.max(run.sent, until);
      }
      if (now > run.end) stop();
    };
    const timer = setInterval(step, 25);
    let frame = 0;
    let told = Number.NEGATIVE_INFINITY;
    const draw = () => {
      frame = requestAnimationFrame(draw);
      const run = going.current;
      if (!run || run.context.currentTime - told < 0.06) return;
      told = run.context.currentTime;
      const seconds = told - run.start;
      const { song: own } = latest.current.shown;
      const stretch = own.stretches.findLastIndex(
        ({ span }) => own.clock.secondsAt(span.from) <= Math.max(run.begin, seconds) + 1e-6,
      );
      setView({
        seconds,
        tick: tickAt(own, seconds),
        stretch,
        box: run.box,
        isSilent: isSilentAt(run.box, told),
      });
    };
    draw();
    return () => {
      clearInterval(timer);
      cancelAnimationFrame(frame);
    };
  }, [running]);
  useEffect(
    () => () => {
      starts.current++;
      stop();
    },
    [stop],
  );
  return { view, running, start, stop, press, arrived, clicks, setClicks };
}

const isCountIn = (seconds: number, run: Pick<Going, "begin">): boolean => seconds < run.begin;

/** The tick of the song at a second of it. */
function tickAt({ stretches, clock }: ShownTones["song"], seconds: number): number {
  const last = stretches.at(-1)?.span.to ?? 0;
  let [low, high] = [0, last];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (clock.secondsAt(middle) <= seconds) low = middle;
    else high = middle;
  }
  return seconds < 0 ? -1 : low;
}

/** A tap of the count. */
function click(context: AudioContext, at: number, strong: boolean): void {
  const oscillator = context.createOscillator();
  const gain = context.createGain();
  oscillator.frequency.value = strong ? 1600 : 1100;
  gain.gain.setValueAtTime(0.12, at);
  gain.gain.exponentialRampToValueAtTime(0.001, at + 0.04);
  oscillator.connect(gain).connect(context.destination);
  oscillator.start(Math.max(at, context.currentTime));
  oscillator.stop(at + 0.05);
}
