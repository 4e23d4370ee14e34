"use client";

import { useCallback, useEffect, useState } from "react";
import { useStore } from "zustand";
import type { VersionBody } from "@/core/song/schema";
import { editBetween } from "@/document";
import { useAct, useOpenSong } from "../open";

type Step = {
  readonly revision: number;
  readonly at: string;
  readonly words: string;
  readonly changes: number;
};

const sayWhen = (at: string): string =>
  new Date(at).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });

/** What was done to this version and when; any step can be gone back to, which is a step of its own. */
export function History() {
  const { version } = useOpenSong();
  const act = useAct();
  const revision = useStore(version.state, (state) => state.replica.revision);
  const [steps, setSteps] = useState<readonly Step[]>([]);
  const [problem, setProblem] = useState("");
  const fetchSteps = useCallback(async () => {
    try {
      const response = await fetch(`/api/documents/${version.id}/history`, { cache: "no-store" });
      if (!response.ok) throw new Error(String(response.status));
      setSteps(((await response.json()) as { steps: Step[] }).steps);
      setProblem("");
    } catch {
      setProblem("The history can’t be fetched: the server doesn’t answer.");
    }
  }, [version.id]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new revision is a new step
  useEffect(() => void fetchSteps(), [fetchSteps, revision]);
  const goBack = async (to: number) => {
    setProblem("");
    try {
      const response = await fetch(`/api/documents/${version.id}/history?at=${to}`, { cache: "no-store" });
      if (!response.ok) throw new Error(String(response.status));
      const { body } = (await response.json()) as { body: VersionBody };
      const edit = editBetween(version.state.getState().replica.view, body, `Go back to step ${to}`);
      if (edit) act(edit);
    } catch {
      setProblem("That step can’t be fetched: the server doesn’t answer. Nothing was changed.");
    }
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
              <time dateTime={step.at}>{sayWhen(step.at)}</time>
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
