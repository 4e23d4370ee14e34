"use client";

import { useEffect, useState } from "react";
import { sayToneProblem, songPedals, type ToneCase, type TonePlan } from "@/core/tones";
import { tonePlanOf } from "@/workers";
import type { Tones } from "../use-tones";

const SIZES = [3, 4, 8] as const;

type Answer = { readonly plan: TonePlan } | { readonly problem: string };

/** The same song on other boxes: single pedals, and banks of three, four and eight slots. */
export function Compared({ tones }: { tones: Tones }) {
  const { song } = tones;
  const { asked } = song;
  const [answers, setAnswers] = useState<readonly (readonly [ToneCase, ...Answer[]])[]>([]);
  useEffect(() => {
    if (!asked) return;
    let isCurrent = true;
    const cases = SIZES.map(
      (slotsPerBank): ToneCase => ({ ...asked, board: { ...asked.board, slotsPerBank }, pins: [] }),
    );
    void Promise.all(cases.map(tonePlanOf)).then((found) => {
      if (!isCurrent) return;
      const told = found.map(
        (one): Answer => (one.ok ? { plan: one.value } : { problem: sayToneProblem(one.problem) }),
      );
      setAnswers([[asked, ...told]]);
    });
    return () => {
      isCurrent = false;
    };
  }, [asked]);
  if (!asked) return null;
  const pedals = songPedals({ ...song, box: { ...song.box, kind: "banks", pedals: [] } });
  const [known] = answers;
  return (
    <section aria-labelledby="compared-title" className="mb-8">
      <h2 id="compared-title" className="mb-1">
        The same song on other boxes
      </h2>
      <p className="mb-2 max-w-3xl text-sm">
        With the gap, landing and number of banks of this box, and no pins. Single pedals have no gap and no
        memory.
      </p>
      <div className="overflow-x-auto">
        <table className="table table-sm w-auto">
          <thead>
            <tr className="text-base-content">
              <th scope="col">Box</th>
              <th scope="col">Changes heard</th>
              <th scope="col">Bank changes</th>
              <th scope="col">Presses</th>
              <th scope="col">Banks</th>
              <th scope="col">Beside that</th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">
                single pedals, {pedals.plan.boundaries.length === 0 ? "none used" : "one an effect"}
              </th>
              <td>none</td>
              <td>none</td>
              <td>{pedals.plan.presses}</td>
              <td>none</td>
              <td>
                {pedals.plan.crowded.length === 0
                  ? "never more than two presses at once"
                  : `${pedals.plan.crowded.length} times more than two presses at once`}
                {pedals.turned.length > 0 && `; ${pedals.turned.length} times a setting turned by hand`}
              </td>
            </tr>
            {SIZES.map((size, at) => {
              const answer = known?.[0] === asked ? (known[at + 1] as Answer | undefined) : undefined;
              return (
                <tr key={size}>
                  <th scope="row">banks of {size}</th>
                  {answer === undefined ? (
                    <td colSpan={5}>being worked out…</td>
                  ) : "problem" in answer ? (
                    <td colSpan={5}>{answer.problem}</td>
                  ) : (
                    <>
                      <td>{answer.plan.exposed}</td>
                      <td>{answer.plan.bankChanges}</td>
                      <td>{answer.plan.presses}</td>
                      <td>{answer.plan.bankCount}</td>
                      <td>
                        {answer.plan.filled} slots filled{answer.plan.exact ? "" : ", the best plan found"}
                      </td>
                    </>
                  )}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
