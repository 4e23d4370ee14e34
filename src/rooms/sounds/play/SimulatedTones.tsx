"use client";

import { useState } from "react";
import { chanceOfDue, type DuePress, type JudgedPress, judgePresses, oddsOf } from "@/core/loops";
import { add, batch, remove } from "@/core/song/edit";
import { dueTones, nameOfAct, orderOfMessage, sayAct, slotMessages, soundOf } from "@/core/tones";
import { sayChance } from "../../loops";
import { makeId, useAct, useCurrentVersion } from "../../open";
import type { Finished } from "../../trainer";
import {
  Answer,
  keepRun,
  type PedalAct,
  PedalRow,
  RunControls,
  RunLog,
  usePedals,
  type WayToRun,
} from "../../trainer";
import type { ShownTones, Tones } from "../use-tones";
import { BoxFace } from "./BoxFace";
import { MidiPanel } from "./MidiPanel";
import { pedalsOf, switchesOf } from "./orders";
import { TonesLine } from "./TonesLine";
import { useMidiOut } from "./use-midi-out";
import { type ToneRunView, type ToneRunWay, useToneRun } from "./use-tone-run";

const WAYS: readonly WayToRun<ToneRunWay>[] = [
  { way: "show", label: "Show me", said: "The plan runs by itself: watch which switch goes when." },
  { way: "feet", label: "My own feet", said: "Press when it is due; each press is judged." },
  { way: "free", label: "The box alone", said: "No song: press what you like and see where the box goes." },
];

/** The stand-in for the box on the floor: it takes the same presses and MIDI messages, and has the gap. */
export function SimulatedTones({ tones, shown }: { tones: Tones; shown: ShownTones }) {
  const act = useAct();
  const current = useCurrentVersion();
  const [from, setFrom] = useState(0);
  const [hints, setHints] = useState(true);
  const [judged, setJudged] = useState<readonly JudgedPress[] | null>(null);
  const [due, setDue] = useState<{ readonly skipped: number; readonly presses: readonly DuePress[] }>({
    skipped: 0,
    presses: [],
  });
  const { song, plan, presses } = shown;
  const { box } = song;
  const out = useMidiOut();
  const runs = Object.values(tones.body.soundRuns).filter(({ playerId }) => playerId === song.player.id);

  const onEnd = ({ skipped, due: asked, made, isWhole }: Finished) => {
    const found = judgePresses(asked, made);
    setJudged(found);
    setDue({ skipped, presses: asked });
    if (!isWhole || asked.length === 0) return;
    const kept = Object.values(current().soundRuns).filter(({ playerId }) => playerId === song.player.id);
    const { run, gone } = keepRun(kept, found, makeId);
    const row = { ...run, playerId: song.player.id };
    act(batch("Keep a run", [...gone.map((old) => remove("soundRuns", old)), add("soundRuns", row)]));
  };
  const { view, running, start, stop, press, arrived, clicks, setClicks } = useToneRun(
    shown,
    onEnd,
    out.send,
  );
  /** A press goes out to real gear as the program the box then stands on. */
  const onPress = (pedal: PedalAct) => {
    const told = press(pedal);
    if (!told) return;
    const { before, after } = told;
    if (before.bank !== after.bank || before.slot !== after.slot)
      for (const bytes of slotMessages(box, after.bank, after.slot, false)) out.send(bytes, 0);
  };
  const onMessage = (bytes: readonly number[], stamp: number): boolean => {
    const order = orderOfMessage(bytes, box);
    if (order) arrived(order, stamp);
    return order !== null;
  };
  const switches = switchesOf(box, plan.banks);
  const pedals = usePedals(pedalsOf(switches), onPress, onMessage);
  const next = view && running !== "free" ? nextPress(shown, view) : null;
  const nextAt = next ? switches.findIndex((one) => nameOfAct(one.act) === nameOfAct(next.act)) : -1;
  const isSoon = next !== null && view !== null && next.seconds - view.seconds < 1;
  return (
    <>
      <RunControls
        ways={WAYS}
        running={running}
        onStart={(way) => {
          setJudged(null);
          void start(way, way === "free" ? 0 : from);
        }}
        onStop={stop}
        places={song.stretches.map(({ span }) => span.label)}
        from={from}
        onFrom={setFrom}
        clicks={clicks}
        onClicks={setClicks}
        hints={hints}
        onHints={setHints}
        idle="A stand-in for the box on the floor, with the same rules as the plan. Switches are the digits on the keyboard, the buttons below, or MIDI. Mind the level in headphones."
      />
      <TonesLine song={song} view={running === "free" ? null : view} />
      <p className="mb-3 min-h-8 text-lg" aria-live="polite">
        {running && hints && next && (
          <>
            Next: <strong>{sayAct(next.act, box)}</strong>{" "}
            {next.window
              ? `any time now, into ${next.into.span.label}`
              : next.nextWord
                ? `before “${next.nextWord}”`
                : `in bar ${next.bar}`}
            {next.late ? ", straight after the one before" : ""}
          </>
        )}
      </p>
      <BoxFace song={song} plan={plan} view={view} running={running} />
      <PedalRow
        names={switches.map(({ name }) => name)}
        pedals={pedals}
        due={isSoon && hints && nextAt >= 0 ? nextAt : null}
      />
      {judged && (
        <Answer
          judged={judged}
          due={due.presses}
          nameOf={(at) => sayAct(presses[due.skipped + at]!.act, box)}
        />
      )}
      <MidiPanel tones={tones} shown={shown} pedals={pedals} out={out} />
      <RunLog runs={runs} />
      {runs.length > 0 && presses.length > 0 && (
        <p className="mt-1 text-sm">
          By these runs, every press of the plan is right with a chance of{" "}
          <strong>{sayChance(chanceOfDue(dueTones(song, presses), oddsOf(runs)))}</strong>.
        </p>
      )}
      <p className="sr-only" aria-live="polite">
        {view && running ? `The box stands on ${soundOf(view.box, plan.banks) ?? "an empty slot"}.` : ""}
      </p>
    </>
  );
}

/** The press that comes next: an armed bank is asked for as soon as it may be. */
function nextPress({ presses, song }: ShownTones, view: ToneRunView) {
  return (
    presses.find((press) => {
      const latest = press.act.do === "arm" ? song.clock.secondsAt(press.into.rest.from) : press.seconds;
      if (press.act.do === "arm" && view.box.armed === press.act.bank) return false;
      return latest > view.seconds - 0.3;
    }) ?? null
  );
}
