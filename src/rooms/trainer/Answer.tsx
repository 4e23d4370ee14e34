"use client";

import dynamic from "next/dynamic";
import type { Moment } from "@/core/song/moments";
import type { LoopRun } from "@/core/song/schema";
import { describeRun, type MadePress } from "@/performance/judged";
import { MomentTold } from "@/ui/MomentTold";
import type { RunAnswer } from "./use-answer";

const Histogram = dynamic(() => import("./Histogram").then((own) => own.Histogram), {
  ssr: false,
  loading: () => <p className="text-sm">The histogram is coming…</p>,
});

/** A press in the words of the floor. */
export type ToldPress = {
  readonly moment: Moment;
  readonly press: string;
  /** The pedal that does it; null where none does. */
  readonly pedal: string | null;
};

/** The answer to one's feet: one sentence, a histogram, and every press by its bar, word and pedal. */
export function Answer({
  answer: { judged },
  dueAt,
  pressed,
}: {
  answer: RunAnswer;
  /** A press that was due, by its index. */
  dueAt: (due: number) => ToldPress;
  /** A press that was made: when, and on which pedal. */
  pressed: (made: MadePress) => Pick<ToldPress, "moment" | "pedal">;
}) {
  return (
    <section aria-labelledby="answer-title" className="mt-6">
      <h2 id="answer-title">The answer</h2>
      <p className="mb-2 text-lg" aria-live="polite">
        {judged.length === 0 ? "No press was due." : describeRun(judged)}
      </p>
      {judged.some(({ ms, judged: word }) => ms !== null && word !== "wrong") && (
        <Histogram judged={judged} />
      )}
      <div className="overflow-x-auto">
        <table className="table table-sm mt-2 w-auto">
          <thead>
            <tr className="text-base-content">
              <th scope="col">Where</th>
              <th scope="col">Press</th>
              <th scope="col">Pedal</th>
              <th scope="col">Answer</th>
            </tr>
          </thead>
          <tbody>
            {judged.map((one, at) => {
              const due = one.due === null ? null : dueAt(one.due);
              const made = one.made && pressed(one.made);
              const moment = (due ?? made)?.moment;
              return (
                <tr key={at}>
                  <th scope="row">{moment && <MomentTold moment={moment} />}</th>
                  <td className="font-bold">{due?.press ?? "nothing"}</td>
                  <td>{due ? due.pedal : made?.pedal}</td>
                  <td>
                    {due === null
                      ? "not asked for"
                      : one.judged === "wrong"
                        ? `wrong pedal${made?.pedal ? `: ${made.pedal}` : ""}`
                        : one.judged}
                    {one.ms !== null && one.judged !== "wrong"
                      ? `, ${Math.abs(one.ms)} ms ${one.ms < 0 ? "early" : "late"}`
                      : ""}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Runs so far, the last one first. */
export function RunLog({ runs: kept }: { runs: readonly LoopRun[] }) {
  const runs = kept.toSorted((a, b) => (a.order < b.order ? 1 : -1));
  if (runs.length === 0) return null;
  return (
    <section aria-labelledby="log-title" className="mt-6">
      <h2 id="log-title">Runs so far</h2>
      <ul className="text-sm">
        {runs.slice(0, 8).map(({ id, day, presses, of, whole }) => {
          const right = presses.filter(({ judged }) => judged === "right").length;
          return (
            <li key={id}>
              {day}: {of === "build" ? "the build, " : ""}
              {right} of {presses.length} {of === "build" ? "clean" : "right"}
              {whole ? (right === presses.length ? ", a clean run" : "") : ", cut short"}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
