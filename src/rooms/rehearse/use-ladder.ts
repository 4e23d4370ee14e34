import { useEffect, useEffectEvent, useRef, useState } from "react";
import { onsetsOf } from "@/core/playing";
import {
  describeTaps,
  type HeardSong,
  isInTime,
  judgeTaps,
  type LadderStep,
  msOfTick,
  stepPart,
  type Tapped,
} from "@/core/practice";
import { hush } from "../hear";
import type { Rehearsal, Rehearsing } from "./rehearsal";
import { useRehearsal } from "./use-rehearsal";

type Section = {
  readonly from: number;
  readonly to: number;
  readonly stretch: { readonly from: number; readonly to: number };
};

/** How the last step went that was tapped along with. */
type StepAnswer = {
  readonly step: LadderStep;
  readonly tapped: Tapped;
  readonly words: string;
  readonly inTime: boolean;
};

export type LadderNow = {
  readonly rehearsal: Rehearsal;
  readonly phase: Rehearsing["phase"];
  /** The step that sounds; null in silence. */
  readonly step: LadderStep | null;
  readonly answer: StepAnswer | null;
  readonly play: (step: LadderStep) => void;
  readonly stop: () => void;
  /** How long the last step was gone through, minutes. */
  readonly minutes: () => number;
};

/** What taps a stroke: any letter, and what a page pedal sends. */
const isTap = ({ key, repeat, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean =>
  !repeat &&
  !ctrlKey &&
  !metaKey &&
  !altKey &&
  (/^[a-z]$/iu.test(key) || key === "PageDown" || key === "PageUp");

/** Plays steps of a ladder in one section, and judges taps beside them. */
export function useLadder(heard: HeardSong, playerId: string, section: Section): LadderNow {
  const { rehearsal, now } = useRehearsal(heard.versionId, heard, false);
  const [step, setStep] = useState<LadderStep | null>(null);
  const [answer, setAnswer] = useState<StepAnswer | null>(null);
  const taps = useRef<number[]>([]);
  const reached = useRef(0);
  const { phase } = now;
  const isRunning = phase === "running";
  const onTap = useEffectEvent((event: KeyboardEvent) => {
    const position = rehearsal.position();
    if (position === null || !isTap(event)) return;
    event.preventDefault();
    taps.current.push(position - (performance.now() - event.timeStamp));
  });
  const sum = useEffectEvent(() => {
    if (!step) return;
    const part = heard.parts.find(({ player }) => player.id === playerId);
    if (taps.current.length > 0 && part) setAnswer(judge(step, part));
  });

  function judge(of: LadderStep, part: HeardSong["parts"][number]): StepAnswer {
    const run = rehearsal.lastRun!;
    const own = stepPart(part, of.kind, heard.passages);
    const { strokes, line, drums } = onsetsOf(own, section.from, section.to, (tick) => msOfTick(run, tick));
    const round = [...new Set([...strokes, ...line, ...drums].map(({ ms }) => Math.round(ms)))]
      .toSorted((a, b) => a - b)
      // The strings of one stroke are one tap.
      .filter((ms, at, all) => at === 0 || ms - all[at - 1]! > STROKE_MS);
    const until = reached.current - run.countMs;
    const rounds = Math.ceil(until / run.roundMs);
    const due = Array.from({ length: Math.max(0, rounds) }, (_, at) =>
      round.map((ms) => ms + at * run.roundMs),
    )
      .flat()
      .filter((ms) => ms <= until);
    // Who joins in later is judged from then on.
    const made = taps.current.map((ms) => ms - run.countMs);
    const first = made[0]! - STROKE_MS * 5;
    const tapped = judgeTaps(
      due.filter((ms) => ms >= first),
      made,
    );
    return { step: of, tapped, words: describeTaps(tapped), inTime: isInTime(tapped) };
  }

  useEffect(() => {
    if (!isRunning) return;
    const listen = (event: KeyboardEvent) => onTap(event);
    window.addEventListener("keydown", listen);
    const timer = setInterval(() => {
      reached.current = rehearsal.position() ?? reached.current;
    }, 50);
    return () => {
      window.removeEventListener("keydown", listen);
      clearInterval(timer);
      sum();
    };
  }, [isRunning, rehearsal]);

  const play = (to: LadderStep) => {
    if (phase !== "silent") hush();
    taps.current = [];
    reached.current = 0;
    setAnswer(null);
    setStep(to);
    const parts = heard.parts.map((part) =>
      part.player.id === playerId ? stepPart(part, to.kind, heard.passages) : part,
    );
    rehearsal.take({ ...heard, parts });
    rehearsal.change({
      stretch: section.stretch,
      speed: to.percent / 100,
      click: "beats",
      circles: true,
      countBars: 1,
    });
    // With the band on the last steps, else the part alone.
    rehearsal.aloneOrAll(to.kind === "all" ? null : playerId);
    void rehearsal.start();
  };
  return {
    rehearsal,
    phase,
    step: phase === "silent" ? null : step,
    answer,
    play,
    stop: () => phase !== "silent" && hush(),
    minutes: () => Math.max(0.1, Math.round(reached.current / 6000) / 10),
  };
}

/** Onsets nearer than this are strings of one stroke, ms. */
const STROKE_MS = 30;
