"use client";

import { useEffect, useEffectEvent, useRef, useState } from "react";
import { type BoxPedal, describePress, layerName } from "@/core/loops";
import { tellMoment } from "@/core/song/moments";
import type { LoopBox, LoopRun } from "@/core/song/schema";
import { costliest } from "@/performance/judged";
import { actsOn } from "@/performance/loops";
import type { Way } from "@/performance/runner";
import { Answer, PedalRow, RunControls, RunLog, usePedals, type WayToRun } from "../../trainer";
import { pedalNamed, tellPedal } from "../pedal-of";
import { tellWayBack } from "../tell-way-back";
import type { Loops, ShownPlan } from "../use-loops";
import { BeatPad } from "./BeatPad";
import { BuildNow, Verdicts } from "./BuildNow";
import { CircleFields } from "./CircleFields";
import { MidiPedals } from "./MidiPedals";
import { SaveSound } from "./SaveSound";
import { SongLine } from "./SongLine";
import { TrackRopes } from "./TrackRopes";
import { useCircle } from "./use-circle";
import { useLoopRun } from "./use-loop-run";

const WAYS: readonly WayToRun<Way>[] = [
  { way: "show", label: "Show me", said: "The plan runs by itself: watch which pedal goes when." },
  {
    way: "feet",
    label: "My own feet",
    said: "Every layer is on the box. Press when it is due; each press is judged.",
  },
  {
    way: "free",
    label: "Build it",
    said: "Nothing is recorded yet. Press on the beat to record each layer and to close it; every close is judged. Tap along with B, and how you hold the tempo inside is told too.",
  },
];

/** The stand-in for a looper: ropes that burn, pedals, and the answer to one's feet. */
export function SimulatedBox({ loops, shown }: { loops: Loops; shown: ShownPlan }) {
  const [from, setFrom] = useState(0);
  const [hints, setHints] = useState(true);
  const ropes = useRef<(HTMLDivElement | null)[]>([]);
  const { song, plan } = shown;
  const { box } = song;
  const circle = useCircle(from);
  const run = useLoopRun(loops, shown, ropes, circle.circled);
  const again = useEffectEvent(() => void run.start("feet", from));
  useEffect(() => {
    if (circle.round > 0) again();
  }, [circle.round]);
  const { view, running, answer, next, off } = run;
  const pedals = usePedals(box.pedals, run.press);
  const runs = Object.values(loops.body.loopRuns);
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
        places={song.pieces.map(({ span }) => span.label)}
        from={from}
        onFrom={setFrom}
        clicks={run.clicks}
        onClicks={run.setClicks}
        hints={hints}
        onHints={setHints}
        idle="A stand-in for the box on the floor, with the same rules as the plan. Pedals are the digits on the keyboard, the buttons below, or MIDI pedals. Mind the level in headphones."
      />
      <CircleFields
        circle={circle}
        places={song.pieces.map(({ span }) => span.label)}
        from={from}
        bpm={song.asked!.tempo}
      />
      <SongLine
        shown={shown}
        seconds={view?.seconds ?? null}
        stamp={view?.stamp}
        piece={run.piece}
        isBuild={running === "free"}
      />
      <p className="mb-3 min-h-8 text-lg" aria-live="polite">
        {running && hints && next && <NextPress press={next} pedals={run.pedals} box={box} />}
        {running === "free" && view && <BuildNow shown={shown} view={view} seconds={view.seconds} />}
      </p>
      <TrackRopes
        shown={shown}
        holds={view?.holds ?? (running === "free" ? null : plan.tracks)}
        sounding={view?.sounding ?? []}
        records={view?.recording?.track ?? null}
        nameOf={(id) => layerName(song, id)}
        ropes={ropes}
      />
      <PedalRow
        names={box.pedals.map(({ name }) => name)}
        pedals={pedals}
        due={run.isSoon && hints ? run.pedals.flatMap((pedal) => pedal?.at ?? []) : []}
      />
      {running === "free" && <BeatPad onTap={run.tap} />}
      <Verdicts takes={run.verdicts} />
      {off && <WayBack lines={tellWayBack(shown, run.piece, off.steps)} />}
      {view !== null && view.waiting > 0 && <p className="mt-2 text-sm">The box waits for the loop point.</p>}
      {answer && (
        <Answer
          answer={answer}
          dueAt={(due) => {
            const { of = 0, act } = answer.due[due]!;
            const press = shown.presses[of]!;
            return { moment: press.moment, press: describePress(press), pedal: told(box, act) };
          }}
          pressed={({ seconds, act }) => ({ moment: run.momentOf(seconds), pedal: told(box, act) })}
        />
      )}
      <div className="mt-6 flex flex-wrap gap-3">
        <SaveSound loops={loops} shown={shown} />
        <MidiPedals midi={pedals.midi} pedals={box.pedals.length} />
      </div>
      <RunLog runs={runs} />
      <Costliest shown={shown} runs={runs} />
    </>
  );
}

/** The pedal of an act by its name, and how it is pressed. */
function told(box: LoopBox, act: string): string | null {
  const pedal = pedalNamed(box, act);
  return pedal && `“${pedal}”`;
}

/** What the feet do next, and on which pedal. */
function NextPress({
  press,
  pedals,
  box,
}: {
  press: ShownPlan["presses"][number];
  pedals: readonly (BoxPedal | null)[];
  box: LoopBox;
}) {
  const names = pedals.map((pedal) => pedal && `“${tellPedal(box, pedal)}”`);
  return (
    <>
      Next: <strong>{describePress(press)}</strong> {tellMoment(press.moment)}
      {press.late ? ", straight after the one before" : ""}
      {names.includes(null)
        ? ": no pedal does that"
        : `: ${names.length > 1 ? "pedals" : "pedal"} ${names.join(" and ")}${names.length > 1 ? " under one foot" : ""}`}
    </>
  );
}

/** How to come back to the plan from where the feet have strayed. */
function WayBack({ lines }: { lines: readonly string[] }) {
  return (
    <div className="mt-3 text-lg" role="status">
      <p>Not as planned.</p>
      <ol>
        {lines.map((line) => (
          <li key={line} className="font-bold">
            {line}
          </li>
        ))}
      </ol>
    </div>
  );
}

/** The presses that go wrong most often, by their places in the song. */
function Costliest({ shown, runs }: { shown: ShownPlan; runs: readonly LoopRun[] }) {
  const worst = costliest(
    runs.filter(({ of }) => of === "song"),
    2,
  ).flatMap(({ where, act, right, all }) => {
    const press = shown.presses.find(
      (one) => (one.before ?? "end") === where && actsOn(shown.song.box, one).includes(act),
    );
    return press ? [`${describePress(press)} ${tellMoment(press.moment)} (${right} of ${all} right)`] : [];
  });
  return worst.length === 0 ? null : (
    <p className="mt-1 text-sm">
      {worst.length === 1 ? "This press costs" : "These presses cost"} you most: {worst.join("; ")}.
    </p>
  );
}
