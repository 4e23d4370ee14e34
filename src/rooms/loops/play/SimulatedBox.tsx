"use client";

import { useMemo, useRef, useState } from "react";
import { describePress, heardLayers, recover } from "@/core/loops";
import { add, batch, remove } from "@/core/song/edit";
import { askEngine } from "@/engines/window";
import { actOf, Looper, type LooperView, pieceTimes, scoreOfLoops } from "@/performance/loops";
import type { Way } from "@/performance/runner";
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
import type { Loops, ShownPlan } from "../use-loops";
import { pedalOf } from "./pedal-of";
import { Rope } from "./Rope";
import { marksOf } from "./rope-marks";
import { SongLine } from "./SongLine";

const WAYS: readonly WayToRun<Way>[] = [
  { way: "show", label: "Show me", said: "The plan runs by itself: watch which pedal goes when." },
  {
    way: "feet",
    label: "My own feet",
    said: "Every layer is on the box. Press when it is due; each press is judged.",
  },
  {
    way: "free",
    label: "Empty box",
    said: "Nothing is recorded. A press records the next layer of the build, another one closes the pass.",
  },
];

/** The stand-in for a looper: ropes that burn, pedals, and the answer to one's feet. */
export function SimulatedBox({ loops, shown }: { loops: Loops; shown: ShownPlan }) {
  const act = useAct();
  const current = useCurrentVersion();
  const [from, setFrom] = useState(0);
  const [hints, setHints] = useState(true);
  const ropes = useRef<(HTMLDivElement | null)[]>([]);
  const [isUnsaved, setIsUnsaved] = useState(false);
  const { song, plan } = shown;
  const { box } = song;

  const burn = (view: LooperView | null) => {
    for (const [track, rope] of ropes.current.entries()) {
      if (!rope) continue;
      const share = view?.shares[track] ?? null;
      rope.dataset.runs = String(share !== null);
      rope.style.setProperty("--burnt", String(share ?? 0));
    }
  };
  const { answer, onEnd, clear } = useAnswer((judged) => {
    const { run, gone } = keepRun(Object.values(current().loopRuns), judged, makeId);
    act(batch("Keep a run", [...gone.map((old) => remove("loopRuns", old)), add("loopRuns", run)]));
  });
  const times = useMemo(() => pieceTimes(shown), [shown]);
  const { view, running, start, stop, press, clicks, setClicks } = useRunner<LooperView, Looper>({
    score: (way, place) => scoreOfLoops(shown, way, place),
    device: (context, way, place, songStart) =>
      new Looper(context, shown, way, place, songStart + (times[place] ?? 0), heardLayers(loops.body, song)),
    onEnd,
    onFrame: burn,
  });
  const at = view ? times.findLastIndex((end) => end <= view.place + 1e-6) : 0;
  const piece = Math.max(0, Math.min(song.asked!.sections.length - 1, at));
  const pedals = usePedals(box.pedals, press);
  const nameOf = (id: string) => song.layers.find((layer) => layer.id === id)?.name ?? id;
  const marks = useMemo(() => plan.tracks.map((ids) => marksOf(shown, ids)), [plan, shown]);
  const next = view && running !== "free" ? shown.presses[nextPress(shown, view.seconds)] : undefined;
  const pedal = next ? pedalOf(box, actOf(next)) : null;
  const isSoon =
    next !== undefined &&
    view !== null &&
    secondsOf(shown, next.tick) - view.seconds < 60 / song.asked!.tempo;
  const off =
    view && running === "feet" && view.seconds > 0
      ? recover(
          song.asked!,
          plan,
          piece,
          view.sounding.filter((track) => (plan.tracks[track]?.length ?? 0) > 0),
        )
      : null;
  const save = async () => {
    const layers = heardLayers(loops.body, song);
    const sound = await askEngine("loop-sound", { asked: song.asked!, way: plan, layers }).catch(() => null);
    setIsUnsaved(!sound?.ok);
    if (!sound?.ok) return;
    const link = document.createElement("a");
    link.href = URL.createObjectURL(new Blob([sound.value.slice()], { type: "audio/wav" }));
    link.download = "loops.wav";
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  };
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
        places={song.pieces.map(({ span }) => span.label)}
        from={from}
        onFrom={setFrom}
        clicks={clicks}
        onClicks={setClicks}
        hints={hints}
        onHints={setHints}
        idle="A stand-in for the box on the floor, with the same rules as the plan. Pedals are the digits on the keyboard, the buttons below, or MIDI pedals. Mind the level in headphones."
      />
      <SongLine shown={shown} seconds={view?.seconds ?? null} piece={piece} />
      <p className="mb-3 min-h-8 text-lg" aria-live="polite">
        {running && hints && next && (
          <>
            Next: <strong>{describePress(next)}</strong>{" "}
            {next.word ? `after “${next.word}”` : `in bar ${next.bar}`}
            {next.late ? ", straight after the one before" : ""}
            {pedal ? `: pedal “${box.pedals[pedal.at]!.name}”${pedal.how}` : ": no pedal does that"}
          </>
        )}
        {running === "free" &&
          (view?.recording
            ? `Recording ${nameOf(view.recording.layer)} on track ${view.recording.track + 1}…`
            : "Press a pedal to record.")}
      </p>
      <ol className="mb-4 flex flex-col gap-2" aria-label="Tracks">
        {plan.tracks.map((ids, track) => {
          const holds = view?.holds[track] ?? (running === "free" ? [] : ids);
          const sounds = view?.sounding.includes(track) ?? false;
          return (
            <li key={track} className="grid grid-cols-[9rem_1fr] items-center gap-3 max-sm:grid-cols-1">
              <span className="text-sm">
                <strong>Track {track + 1}</strong> {sounds ? "sounds" : "silent"}
                <span className="block truncate">
                  {holds.length === 0 ? "empty" : holds.map(nameOf).join(", ")}
                </span>
              </span>
              <Rope
                ref={(element) => {
                  ropes.current[track] = element;
                }}
                marks={marks[track]!}
              />
            </li>
          );
        })}
      </ol>
      <PedalRow
        names={box.pedals.map(({ name }) => name)}
        pedals={pedals}
        due={isSoon && hints ? (pedal?.at ?? null) : null}
      />
      {off && running === "feet" && off.now.length > 0 && (
        <p className="mt-3" aria-live="polite">
          Not as planned. {off.advice === "now" ? "Now: " : "Wait for the next section, then: "}
          <strong>
            {(off.advice === "now" ? off.now : off.atBoundary.presses).map(describePress).join(", ") ||
              "nothing, it comes right by itself"}
          </strong>
        </p>
      )}
      {view !== null && view.waiting > 0 && <p className="mt-2 text-sm">The box waits for the loop point.</p>}
      {answer && (
        <Answer answer={answer} nameOf={(due) => describePress(shown.presses[answer.skipped + due]!)} />
      )}
      <div className="mt-6 flex flex-wrap gap-3">
        <button type="button" className="btn btn-sm" onClick={() => void save()}>
          Save the loops as a sound file (WAV)
        </button>
        {isUnsaved && (
          <span role="alert" className="self-center text-sm text-error">
            The sound could not be worked out: no file was saved. Try again.
          </span>
        )}
        <button
          type="button"
          className="btn btn-sm"
          disabled={pedals.midi.state === "on"}
          onClick={pedals.midi.start}
        >
          Use MIDI pedals
        </button>
        <span className="self-center text-sm">
          {pedals.midi.state === "on" &&
            `Press your pedals once each, in the order of the buttons: ${pedals.midi.learned} of ${box.pedals.length} known.`}
          {pedals.midi.state === "none" && "No MIDI pedals are there, or this browser has no MIDI."}
          {pedals.midi.state === "refused" && "The browser did not allow MIDI."}
        </span>
      </div>
      <RunLog runs={Object.values(loops.body.loopRuns)} />
    </>
  );
}

/** Seconds of the loops' clock at a tick of the song. */
const secondsOf = (shown: ShownPlan, tick: number): number =>
  ((tick - shown.song.pieces[0]!.from) * 60) / shown.song.asked!.tempo / shown.song.beatTicks;

const nextPress = (shown: ShownPlan, seconds: number): number =>
  shown.presses.findIndex(({ tick }) => secondsOf(shown, tick) > seconds - 0.3);
