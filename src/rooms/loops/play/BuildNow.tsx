import { capital } from "@/base";
import { type BuildSheet, buildSheet } from "@/core/loops";
import type { LooperView } from "@/performance/loops";
import type { ShownPlan } from "../use-loops";
import { type JudgedTake, passOfTake } from "./judged-takes";

/** What is recorded now, or what comes next, with its pedal. */
export function BuildNow({
  shown,
  view,
  seconds,
}: {
  shown: ShownPlan;
  view: LooperView;
  /** Seconds of the run; below 0 while counting in. */
  seconds: number;
}) {
  const sheet = buildSheet(shown.song, shown.plan);
  if (!sheet) return null;
  const { passes } = shown.plan.build;
  const { tempo, beatsPerBar } = shown.song.asked!;
  const { recording } = view;
  const now = recording ? passOfTake(passes, { layers: [recording.layer] }) : -1;
  if (recording && now >= 0) {
    const bar = Math.floor(((seconds - recording.since) * tempo) / 60 / beatsPerBar) + 1;
    const step = sheet.steps[now]!;
    return (
      <>
        Recording <strong>{step.layers}</strong> on track {recording.track + 1}, bar {Math.max(1, bar)} of{" "}
        {step.bars}
        {bar > step.bars ? ": it is full, close it" : ""}. Then <strong>{step.closes}</strong>.
      </>
    );
  }
  return <Next sheet={sheet} shown={shown} view={view} />;
}

function Next({ sheet, shown, view }: { sheet: BuildSheet; shown: ShownPlan; view: LooperView }) {
  const held = new Set(view.holds.flat());
  const { passes } = shown.plan.build;
  const next = passes.findIndex(({ layers }) => !layers.some((layer) => held.has(layer)));
  const step = sheet.steps[next];
  if (!step) return <>All is recorded. {sheet.before}</>;
  const before = sheet.steps[next - 1];
  return (
    <>
      Next <strong>{step.layers}</strong> on track {step.track + 1}:{" "}
      {next === 0 ? (
        <>
          on 1 press <strong>{sheet.begins}</strong>.
        </>
      ) : (
        <>it begins with what closes {before?.layers}, or where a round begins.</>
      )}
    </>
  );
}

/** The verdict of each take, as it was closed. */
export const Verdicts = ({ takes }: { takes: readonly JudgedTake[] }) =>
  takes.length === 0 ? null : (
    <ol aria-label="Takes of the build" className="mt-3 flex flex-col gap-2" aria-live="polite">
      {takes.map(({ id, layers, words, drift, again, verdict }) => (
        <li key={id} className={`border-l-4 pl-3 ${verdict.isClean ? "border-success" : "border-error"}`}>
          <strong>{layers}</strong>: {words}.{drift && ` ${capital(drift)}.`}
          {again && <span className="block text-sm">{again}</span>}
        </li>
      ))}
    </ol>
  );
