import { useRef, useState } from "react";
import { bpmOfTaps, withTap } from "@/core/rhythm";
import type { LeaderAct, LiveItem, LiveState, Place } from "@/core/stage";
import { ACT_WORDS, mainAct } from "./act-words";

/** The leader's hand: everything here moves everybody. */
export function LeadBar({
  state,
  item,
  place,
  press,
  onMark,
  onForm,
}: {
  state: LiveState;
  item: LiveItem | null;
  place: Place | null;
  press: (act: LeaderAct) => void;
  onMark: () => void;
  /** Opens the form, where it does not stand beside the sheet. */
  onForm: () => void;
}) {
  const [countBars, setCountBars] = useState(1);
  // On a phone what is seldom wanted lies folded away.
  const [isMore, setMore] = useState(false);
  const { items } = state;
  const main = mainAct(place, { items, at: items.findIndex(({ id }) => id === item?.id) }, countBars);
  const undone = state.past.at(-1)?.act;
  const isUnderWay = place !== null && !["waiting", "stopped", "ended"].includes(place.phase);
  return (
    <section aria-label="Lead" className="lead-bar flex flex-wrap items-stretch gap-2">
      {main && (
        <button type="button" className="btn btn-lg btn-primary min-w-36" onClick={() => press(main.act)}>
          {main.words}
        </button>
      )}
      {item && item.passages.length > 0 && (
        <button type="button" className="btn btn-lg sm:hidden" onClick={onForm}>
          Form
        </button>
      )}
      {place && isUnderWay && (
        <>
          <button type="button" className="btn btn-lg" onClick={() => press({ type: "repeat" })}>
            Once more
          </button>
          {/* It keeps its place while nothing else is asked for: a button that moved away under a finger would be missed. */}
          <button
            type="button"
            className="btn btn-lg"
            disabled={!place.asked}
            onClick={() => press({ type: "asWritten" })}
          >
            As written
          </button>
        </>
      )}
      <div className="lead-seldom" data-open={isMore}>
        {main?.act.type === "start" && <CountIn bars={countBars} onSet={setCountBars} />}
        {place && isUnderWay && <UnderWay place={place} press={press} />}
        {item && place && <TempoButtons item={item} place={place} state={state} press={press} />}
        {place && place.phase !== "waiting" && (
          <button type="button" className="btn btn-lg" onClick={onMark}>
            Mark this bar
          </button>
        )}
      </div>
      {place && (
        <button
          type="button"
          className="btn btn-lg lead-more"
          aria-expanded={isMore}
          onClick={() => setMore(!isMore)}
        >
          {isMore ? "Less" : "More"}
        </button>
      )}
      <button
        type="button"
        className="btn btn-lg ml-auto h-auto min-h-11 min-w-32 leading-tight"
        disabled={!undone}
        onClick={() => press({ type: "undo" })}
      >
        <span>
          Take back
          {undone && <span className="block text-sm font-normal">{ACT_WORDS[undone]}</span>}
        </span>
      </button>
    </section>
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

function UnderWay({ place, press }: { place: Place; press: (act: LeaderAct) => void }) {
  return (
    <>
      <button
        type="button"
        className="btn btn-lg"
        aria-pressed={place.circles}
        onClick={() => press({ type: "circle" })}
      >
        Round and round
      </button>
      <button
        type="button"
        className="btn btn-lg"
        disabled={place.asked}
        onClick={() => press({ type: "skip" })}
      >
        Leave out next
      </button>
      <button type="button" className="btn btn-lg" onClick={() => press({ type: "stop" })}>
        Stop
      </button>
    </>
  );
}

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
    taps.current = withTap(taps.current, performance.now());
    const tapped = bpmOfTaps(taps.current);
    if (tapped !== null) set(tapped, true);
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
      <span className="w-16 text-center text-lg">
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
