"use client";

import { useEffect, useState } from "react";
import { useStore } from "zustand";
import { call, type HistoryStep, readHistory } from "@/api";
import type { NamesChoice } from "@/core/song/names";
import type { VersionBody } from "@/core/song/schema";
import { editBetween } from "@/document";
import { saidOf, windowNames } from "../names";
import { useAct, useOpenSong } from "../open";

const describeWhen = (at: string): string =>
  new Date(at).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });

/** The steps of a version in the names that are chosen; null where the server doesn't answer. */
async function fetchSteps(id: string, choice: NamesChoice): Promise<readonly HistoryStep[] | null> {
  const read = await call(readHistory, { params: { id }, sent: saidOf(choice) });
  return read.ok && "steps" in read.answer ? read.answer.steps : null;
}

/** What was done to this version and when; any step can be gone back to, which is a step of its own. */
export function History() {
  const { version } = useOpenSong();
  const act = useAct();
  const choice = useStore(windowNames);
  const revision = useStore(version.state, (state) => state.replica.revision);
  const [steps, setSteps] = useState<readonly HistoryStep[]>([]);
  const [problem, setProblem] = useState("");
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new revision is a new step
  useEffect(() => {
    // An answer in names that were chosen before may come after the one that was asked for since.
    let isAsked = true;
    void fetchSteps(version.id, choice).then((fetched) => {
      if (!isAsked) return;
      setProblem(fetched ? "" : "The history can’t be fetched: the server doesn’t answer.");
      if (fetched) setSteps(fetched);
    });
    return () => {
      isAsked = false;
    };
  }, [version.id, choice, revision]);
  const goBack = async (to: number) => {
    setProblem("");
    const read = await call(readHistory, { params: { id: version.id }, sent: { at: to } });
    if (!read.ok || !("body" in read.answer))
      return setProblem("That step can’t be fetched: the server doesn’t answer. Nothing was changed.");
    const { view } = version.state.getState().replica;
    // The log of a version gives a version.
    const edit = editBetween(view, read.answer.body as VersionBody, `Go back to step ${to}`);
    if (edit) act(edit);
  };
  return (
    <section aria-label="History" className="rounded-box bg-base-200 p-4">
      <h2 className="mb-1">History of this version</h2>
      <p className="mb-2 text-sm">Going back is a new step, so it can be taken back too.</p>
      {problem && (
        <p role="alert" className="text-error">
          {problem}
        </p>
      )}
      <ol className="flex max-h-144 flex-col overflow-y-auto">
        {steps.map((step, index) => (
          <li key={step.revision} className="border-b border-base-300 py-2 text-sm">
            <span className="block">{step.words}</span>
            <span className="flex flex-wrap items-center gap-x-3">
              <time dateTime={step.at}>{describeWhen(step.at)}</time>
              {step.changes > 1 && <span>{step.changes} changes</span>}
              {index > 0 && (
                <button type="button" className="link ml-auto" onClick={() => goBack(step.revision)}>
                  Go back to here
                </button>
              )}
            </span>
          </li>
        ))}
        <li className="py-2 text-sm">
          <span className="block">The beginning: as it was made</span>
          {steps.length > 0 && (
            <button type="button" className="link" onClick={() => goBack(0)}>
              Go back to the beginning
            </button>
          )}
        </li>
      </ol>
    </section>
  );
}
