"use client";

import { type ComponentType, Suspense, useCallback, useEffect, useState } from "react";
import type { LeaderAct } from "@/core/stage";
import { stageKeyAct } from "@/ui/keys/stage";
import { useKeepLit } from "../keep-lit";
import { isTyping } from "../page-keys";
import type { BetweenProps } from "./BetweenSongs";
import { OnStage } from "./OnStage";
import { ThisScreen, WhoAreYou } from "./seldom";
import type { StageSettings } from "./settings";
import { type Live, StageLine } from "./stage-line";
import { useLine } from "./use-live";
import { useStageWorker } from "./use-stage-worker";

type Props = {
  readonly line: StageLine;
  readonly settings: StageSettings;
  readonly change: (fields: Partial<StageSettings>) => void;
  /** What stands between the songs and at the end: an evening has it from the beginning on, a song of its own seldom wants it. */
  readonly between: ComponentType<BetweenProps>;
};

/** One screen on stage: who it is for, where everybody is, and for whoever leads what moves them. */
export function StageScreen({ line, settings, change, between }: Props) {
  const live = useLine(line);
  const { shows, writing, accidentals, lines } = settings;
  useEffect(
    () => line.tellNames({ shows, writing, accidentals, lines }),
    [line, shows, writing, accidentals, lines],
  );
  const [isOpen, setOpen] = useState(false);
  const lit = useKeepLit();
  useStageWorker();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (stageKeyAct("everywhere", event) === "help" && !isTyping(event)) setOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  const press = useCallback((act: LeaderAct, ago?: number) => void line.press(act, ago), [line]);
  const choose = (person: string) => void line.choose(person);
  const state = StageLine.stateOf(live);
  return (
    <main
      data-theme={settings.light ? "lamplight" : "stage"}
      data-line={live.line}
      data-event={live.follower.state.lastId}
      className="live-stage flex h-dvh flex-col overflow-hidden bg-base-100 px-4 py-2 text-base-content"
    >
      <LineWords line={live.line} role={live.role} />
      {live.out !== null ? (
        <section className="flex-1 pt-10 text-2xl">
          <h1 className="mb-4 text-3xl">This screen is out</h1>
          <p className="mb-6">{live.out}</p>
          <a className="btn btn-lg btn-primary" href="/join">
            Join again
          </a>
        </section>
      ) : state.items.length === 0 ? (
        <p className="flex-1 pt-10 text-2xl" role="status">
          {live.line === "opening"
            ? "Looking for the evening…"
            : live.line === "alone"
              ? "The server does not answer, and nothing of this evening is kept on this device yet. It is tried again by itself."
              : "Nothing is in the running order yet."}
        </p>
      ) : live.person === null ? (
        <Suspense fallback={null}>
          <WhoAreYou people={live.people} role={live.role} onChoose={choose} />
        </Suspense>
      ) : (
        <OnStage
          line={line}
          live={live}
          state={state}
          settings={settings}
          change={change}
          press={press}
          onOpen={() => setOpen(true)}
          between={between}
        />
      )}
      {isOpen && (
        <Suspense fallback={null}>
          <ThisScreen
            settings={settings}
            change={change}
            people={live.people}
            person={live.person}
            role={live.role}
            isOwn={live.line === "own"}
            rehearse={live.line === "own" ? `/song/${line.id}/rehearse` : `/live/${line.id}/rehearse`}
            lit={lit}
            within={line.clockWithin}
            onChoose={choose}
            onClose={() => setOpen(false)}
          />
        </Suspense>
      )}
      <Said text={live.said.text} count={live.said.count} />
    </main>
  );
}

/** How the line stands, said where it can't be missed. */
function LineWords({ line, role }: { line: Live["line"]; role: string }) {
  if (line !== "alone") return null;
  return (
    <p role="status" className="bg-primary px-3 py-1 text-lg font-bold text-primary-content">
      On your own: the network is gone. The clock here runs on; On and Back move this screen alone
      {role === "leader" ? ", and what you press reaches nobody" : ""}. It falls back in step by itself.
    </p>
  );
}

const SHOWN_MS = 5000;

/** What could not be done, for a few seconds. */
function Said({ text, count }: { text: string; count: number }) {
  const [shown, setShown] = useState(0);
  useEffect(() => {
    if (count === 0) return;
    setShown(count);
    const timer = setTimeout(() => setShown(0), SHOWN_MS);
    return () => clearTimeout(timer);
  }, [count]);
  return (
    <div role="status" className="pointer-events-none fixed inset-x-0 top-16 z-20 flex justify-center">
      {shown !== 0 && shown === count && (
        <p className="rounded-box border-2 border-base-content bg-base-200 px-4 py-2 text-xl">{text}</p>
      )}
    </div>
  );
}
