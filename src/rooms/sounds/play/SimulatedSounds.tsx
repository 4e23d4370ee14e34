"use client";

import { useState } from "react";
import { tellMoment } from "@/core/song/moments";
import { describeAct, nameOfAct, soundOf } from "@/core/sounds";
import { chanceOf, oddsOf } from "@/performance/judged";
import type { Way } from "@/performance/runner";
import { dueTones } from "@/performance/sounds";
import { describeChance } from "../../loops";
import { Answer, PedalRow, RunControls, RunLog, type WayToRun } from "../../trainer";
import type { ShownTones, Tones } from "../use-sounds";
import { BoxFace } from "./BoxFace";
import { MidiPanel } from "./MidiPanel";
import { TonesLine } from "./SoundsLine";
import { useMidiOut } from "./use-midi-out";
import { useSoundRun } from "./use-sound-run";

const WAYS: readonly WayToRun<Way>[] = [
  { way: "show", label: "Show me", said: "The plan runs by itself: watch which switch goes when." },
  { way: "feet", label: "My own feet", said: "Press when it is due; each press is judged." },
  { way: "free", label: "The box alone", said: "No song: press what you like and see where the box goes." },
];

/** The stand-in for the box on the floor: it takes the same presses and MIDI messages, and has the gap. */
export function SimulatedTones({ tones, shown }: { tones: Tones; shown: ShownTones }) {
  const [from, setFrom] = useState(0);
  const [hints, setHints] = useState(true);
  const { song, plan, presses } = shown;
  const { box } = song;
  const out = useMidiOut();
  const runs = Object.values(tones.body.soundRuns).filter(({ playerId }) => playerId === song.player.id);

  const run = useSoundRun(shown, out.send);
  const { view, running, answer, next } = run;
  return (
    <>
      <RunControls
        ways={WAYS}
        running={running}
        onStart={(way) => {
          run.clear();
          void run.start(way, way === "free" ? 0 : from);
        }}
        onStop={run.stop}
        places={song.soundUses.map(({ span }) => span.label)}
        from={from}
        onFrom={setFrom}
        clicks={run.clicks}
        onClicks={run.setClicks}
        hints={hints}
        onHints={setHints}
        idle="A stand-in for the box on the floor, with the same rules as the plan. Switches are the digits on the keyboard, the buttons below, or MIDI. Mind the level in headphones."
      />
      <TonesLine song={song} view={running === "free" ? null : view} />
      <p className="mb-3 min-h-8 text-lg" aria-live="polite">
        {running && hints && next && (
          <>
            Next: <strong>{describeAct(next.act, box)}</strong>{" "}
            {next.window ? `any time now, into ${next.into.span.label}` : tellMoment(next.moment)}
            {next.late ? ", straight after the one before" : ""}
          </>
        )}
      </p>
      <BoxFace song={song} plan={plan} view={view} running={running} />
      <PedalRow
        names={run.switches.map(({ name }) => name)}
        pedals={run.pedals}
        due={hints && run.due !== null ? [run.due] : []}
      />
      {answer && (
        <Answer
          answer={answer}
          dueAt={(due) => {
            const { moment, act } = presses[answer.skipped + due]!;
            return { moment, press: describeAct(act, box), pedal: run.switchOf(nameOfAct(act)) };
          }}
          pressed={({ seconds, act }) => ({
            moment: song.clock.momentAt(song.clock.tickAt(seconds)),
            pedal: run.switchOf(act),
          })}
        />
      )}
      <MidiPanel tones={tones} shown={shown} pedals={run.pedals} out={out} />
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
