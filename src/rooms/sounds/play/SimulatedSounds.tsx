"use client";

import { useState } from "react";
import { add, batch, remove } from "@/core/song/edit";
import { describeAct, nameOfAct, orderOfMessage, soundOf } from "@/core/sounds";
import { chanceOf, oddsOf } from "@/performance/judged";
import type { Way } from "@/performance/runner";
import { dueTones, scoreOfTones, type ToneBoxView, ToneDevice } from "@/performance/sounds";
import { describeChance } from "../../loops";
import { makeId, useAct, useCurrentVersion } from "../../open";
import {
  Answer,
  keepRun,
  PedalRow,
  RunControls,
  RunLog,
  useAnswer,
  usePedals,
  useRunner,
  type WayToRun,
} from "../../trainer";
import type { ShownTones, Tones } from "../use-sounds";
import { BoxFace } from "./BoxFace";
import { MidiPanel } from "./MidiPanel";
import { pedalsOf, switchesOf } from "./orders";
import { type ToneRunView, viewOfRun } from "./run-view";
import { TonesLine } from "./SoundsLine";
import { useMidiOut } from "./use-midi-out";

const WAYS: readonly WayToRun<Way>[] = [
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
  const { song, plan, presses } = shown;
  const { box } = song;
  const out = useMidiOut();
  const runs = Object.values(tones.body.soundRuns).filter(({ playerId }) => playerId === song.player.id);

  const { answer, onEnd, clear } = useAnswer((judged) => {
    const kept = Object.values(current().soundRuns).filter(({ playerId }) => playerId === song.player.id);
    const { run, gone } = keepRun(kept, judged, makeId);
    const row = { ...run, playerId: song.player.id };
    act(batch("Keep a run", [...gone.map((old) => remove("soundRuns", old)), add("soundRuns", row)]));
  });
  const run = useRunner<ToneBoxView, ToneDevice>({
    score: (way, place) => scoreOfTones(shown, way, place),
    device: (context, way, place, songStart) =>
      new ToneDevice(context, shown, way, place, songStart, out.send),
    onEnd,
  });
  const { running, start, stop, clicks, setClicks } = run;
  const view = run.view && viewOfRun(song, run.view);
  /** In a judged run a slot that is called up by MIDI counts as its press. */
  const onMessage = (bytes: readonly number[], stamp: number): boolean => {
    const order = orderOfMessage(bytes, box);
    const runner = run.current();
    if (order && runner && runner.way !== "show") {
      const at = runner.momentOf(stamp, performance.now());
      const pressed = runner.device.tell(order, at);
      if (pressed) runner.note(pressed, at);
    }
    return order !== null;
  };
  const switches = switchesOf(box, plan.banks);
  const pedals = usePedals(pedalsOf(switches), run.press, onMessage);
  const next = view && running !== "free" ? nextPress(shown, view) : null;
  const nextAt = next ? switches.findIndex((one) => nameOfAct(one.act) === nameOfAct(next.act)) : -1;
  const isSoon = next !== null && view !== null && next.seconds - view.seconds < 1;
  return (
    <>
      <RunControls
        ways={WAYS}
        running={running}
        onStart={(way) => {
          clear();
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
            Next: <strong>{describeAct(next.act, box)}</strong>{" "}
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
      {answer && (
        <Answer answer={answer} nameOf={(due) => describeAct(presses[answer.skipped + due]!.act, box)} />
      )}
      <MidiPanel tones={tones} shown={shown} pedals={pedals} out={out} />
      <RunLog runs={runs} />
      {runs.length > 0 && presses.length > 0 && (
        <p className="mt-1 text-sm">
          By these runs, every press of the plan is right with a chance of{" "}
          <strong>{describeChance(chanceOf(dueTones(song, presses), oddsOf(runs)))}</strong>.
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
