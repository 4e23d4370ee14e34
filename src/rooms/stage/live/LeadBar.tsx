import { useEffect, useRef, useState } from "react";
import { tellBars } from "@/core/song/moments";
import type { LeaderAct, LiveItem, LiveState, Place } from "@/core/stage";
import { SectionTag } from "@/ui/SectionTag";
import { ACT_WORDS, mainAct } from "./act-words";

type When = "end" | "bar" | "now";
const WHEN_WORDS: Readonly<Record<When, string>> = {
  end: "when this one ends",
  bar: "at the next bar",
  now: "at once",
};

/** The leader's hand: everything here moves everybody. */
export function LeadBar({
  state,
  item,
  place,
  press,
  onMark,
}: {
  state: LiveState;
  item: LiveItem | null;
  place: Place | null;
  press: (act: LeaderAct) => void;
  onMark: () => void;
}) {
  const [when, setWhen] = useState<When>("end");
  const [countBars, setCountBars] = useState(1);
  const isLast = state.items.at(-1)?.id === item?.id;
  const main = mainAct(place, isLast, countBars);
  const undone = state.past.at(-1)?.act;
  const isUnderWay = place !== null && !["waiting", "stopped", "ended"].includes(place.phase);
  const queued = state.transport.after;
  const row = useRef<HTMLDivElement>(null);
  const index = place?.index ?? -1;
  // The section that is now stays in sight of a row that is longer than the screen.
  useEffect(() => {
    const here = row.current?.querySelectorAll<HTMLElement>(".lead-section")[index];
    if (row.current && here)
      row.current.scrollTo({ left: here.offsetLeft - row.current.clientWidth / 2, behavior: "instant" });
  }, [index]);
  const onSection = (passage: string) =>
    press(isUnderWay ? { type: "jump", passage, when } : { type: "jump", passage, when: "now" });
  return (
    <section aria-label="Lead" className="lead-bar">
      <div ref={row} className="flex items-stretch gap-2 overflow-x-auto pb-1">
        <SongChoice state={state} press={press} />
        <WhenItComes when={when} disabled={!isUnderWay} onSet={setWhen} />
        {item?.passages.map((passage, at) => (
          <button
            key={passage.id}
            type="button"
            className="lead-section"
            aria-current={place?.index === at}
            data-queued={queued === passage.id}
            onClick={() => onSection(passage.id)}
          >
            <SectionTag label={passage.label} kind={passage.kind} />
            <span className="text-sm">
              {queued === passage.id
                ? "comes next"
                : `from ${tellBars(String(passage.firstBar), "the song")}`}
            </span>
          </button>
        ))}
      </div>
      <div className="flex flex-wrap items-stretch gap-2">
        {main && (
          <button type="button" className="btn btn-lg btn-primary min-w-40" onClick={() => press(main.act)}>
            {main.words}
          </button>
        )}
        {main?.act.type === "start" && <CountIn bars={countBars} onSet={setCountBars} />}
        {isUnderWay && <UnderWay press={press} />}
        {item && place && <TempoButtons item={item} place={place} state={state} press={press} />}
        {place && place.phase !== "waiting" && (
          <button type="button" className="btn btn-lg" onClick={onMark}>
            Mark this bar
          </button>
        )}
        <button
          type="button"
          className="btn btn-lg ml-auto"
          disabled={!undone}
          onClick={() => press({ type: "undo" })}
        >
          {undone ? `Take back: ${ACT_WORDS[undone]}` : "Take back"}
        </button>
      </div>
    </section>
  );
}

function WhenItComes({
  when,
  disabled,
  onSet,
}: {
  when: When;
  disabled: boolean;
  onSet: (when: When) => void;
}) {
  return (
    <label className="flex shrink-0 items-center gap-2 text-base whitespace-nowrap">
      <span className="sr-only">A section comes</span>
      <select
        className="select w-44"
        disabled={disabled}
        value={when}
        onChange={(event) => onSet(event.target.value as When)}
      >
        {Object.entries(WHEN_WORDS).map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

function CountIn({ bars, onSet }: { bars: number; onSet: (bars: number) => void }) {
  return (
    <label className="flex items-center">
      <span className="sr-only">How long it is counted in</span>
      <select
        className="select h-full w-32"
        value={bars}
        onChange={(event) => onSet(Number(event.target.value))}
      >
        <option value={1}>one bar</option>
        <option value={2}>two bars</option>
        <option value={0}>at once</option>
      </select>
    </label>
  );
}

function UnderWay({ press }: { press: (act: LeaderAct) => void }) {
  return (
    <>
      <button type="button" className="btn btn-lg" onClick={() => press({ type: "repeat" })}>
        Once more
      </button>
      <button type="button" className="btn btn-lg" onClick={() => press({ type: "skip" })}>
        Leave out next
      </button>
      <button type="button" className="btn btn-lg" onClick={() => press({ type: "stop" })}>
        Stop
      </button>
    </>
  );
}

function SongChoice({ state, press }: { state: LiveState; press: (act: LeaderAct) => void }) {
  return (
    <label className="flex shrink-0 items-center">
      <span className="sr-only">Go to</span>
      <select
        className="select w-48 text-base"
        value={state.transport.itemId ?? ""}
        onChange={(event) => press({ type: "open", itemId: event.target.value })}
      >
        {state.items.map(({ id, title, kind }, at) => (
          <option key={id} value={id}>
            {at + 1}. {title || kind}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Taps farther apart than this begin anew, ms. */
const TAP_PAUSE_MS = 2500;
const LEAST_TAPS = 3;
const STEP = 0.02;

/** The tempo now, a little slower or faster, or tapped by the leader. */
function TempoButtons({
  item,
  place,
  state,
  press,
}: {
  item: LiveItem;
  place: Place;
  state: LiveState;
  press: (act: LeaderAct) => void;
}) {
  const taps = useRef<number[]>([]);
  const bpm = (item.passages[place.index]?.bpm ?? 60) / state.transport.stretch;
  const set = (to: number, snap: boolean) =>
    press({ type: "tempo", bpm: Math.min(320, Math.max(20, Math.round(to * 10) / 10)), snap });
  const tap = () => {
    const now = performance.now();
    const kept = now - (taps.current.at(-1) ?? 0) < TAP_PAUSE_MS ? taps.current.slice(-7) : [];
    taps.current = [...kept, now];
    if (taps.current.length < LEAST_TAPS) return;
    set((60_000 * (taps.current.length - 1)) / (now - taps.current[0]!), true);
  };
  return (
    <fieldset className="flex items-center gap-1" aria-label="Tempo">
      <button
        type="button"
        className="btn btn-lg px-3"
        aria-label="Slower"
        onClick={() => set(bpm * (1 - STEP), false)}
      >
        −
      </button>
      <span className="w-24 text-center text-lg max-sm:w-16">
        <strong>{Math.round(bpm * 10) / 10}</strong>
        <span className="block text-sm">a minute</span>
      </span>
      <button
        type="button"
        className="btn btn-lg px-3"
        aria-label="Faster"
        onClick={() => set(bpm * (1 + STEP), false)}
      >
        +
      </button>
      <button type="button" className="btn btn-lg" onClick={tap}>
        Tap
      </button>
    </fieldset>
  );
}
