"use client";

import { useState } from "react";
import { costOfPresses, describePress, recover, type WaitingPress } from "@/core/loops";
import { tellBars } from "@/core/song/moments";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import type { Loops, ShownPlan } from "../use-loops";

/** Presses in words, each start with the bar in which its pass begins. @param inside the piece in whose bars they are told */
const describePresses = (
  presses: readonly WaitingPress[],
  piece: ShownPlan["song"]["pieces"][number] | undefined,
): string =>
  presses.length === 0
    ? "nothing to press"
    : presses
        .map(({ bar, ...press }) => {
          const where =
            bar === undefined || !piece ? "" : ` at ${tellBars(String(piece.bar + bar), piece.span.label)}`;
          return `${describePress(press)}${where}${press.late ? " (late)" : ""}`;
        })
        .join(", then ");

/** The way back: from what sounds by mistake to the plan, with the fewest presses. */
export function WayBack({ loops }: { loops: Loops }) {
  const { shown } = loops;
  const [at, setAt] = useState(0);
  const [bar, setBar] = useState(1);
  const [wrong, setWrong] = useState<readonly number[]>([]);
  if (!shown?.song.asked) return null;
  const { plan, song } = shown;
  const here = Math.min(at, song.pieces.length - 1);
  const tracks = plan.tracks.flatMap((ids, track) => (ids.length > 0 ? [track] : []));
  const sounding = wrong.filter((track) => tracks.includes(track));
  const asked = shown.song.asked!;
  const { bars } = asked.sections[here]!;
  const inBar = Math.min(bar, Math.max(1, Math.floor(bars)));
  const way = recover(asked, plan, here, sounding, {
    section: (inBar - 1) * asked.beatsPerBar,
    tracks: plan.tracks.map(() => null),
  });
  const planned = plan.states[here]!;
  const next = song.pieces.find(({ id }) => id === way.atBoundary.before);
  const nameOf = (index: number) => {
    const piece = song.pieces[index]!;
    return `${index + 1}. ${piece.bar > 1 ? `from ${tellBars(String(piece.bar), piece.span.label)}` : piece.span.label}`;
  };
  const isRight = planned.length === sounding.length && planned.every((track) => sounding.includes(track));
  return (
    <section aria-labelledby="back-title" className="mb-8">
      <h2 id="back-title" className="mb-1">
        The way back
      </h2>
      <div className="flex flex-wrap items-end gap-4">
        <SelectField
          label="You are in"
          value={String(here)}
          className="w-56"
          options={song.pieces.map((_, index) => ({ value: String(index), label: nameOf(index) }))}
          onSet={(value) => setAt(Number(value))}
        />
        <NumberField
          label="In its bar"
          value={inBar}
          least={1}
          most={Math.max(1, Math.floor(bars))}
          onSet={setBar}
        />
        <fieldset>
          <legend className="text-sm">and this sounds</legend>
          <div className="flex flex-wrap gap-3">
            {tracks.map((track) => (
              <label key={track} className="flex h-8 items-center gap-1">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={sounding.includes(track)}
                  onChange={(event) =>
                    setWrong(event.target.checked ? [...wrong, track] : wrong.filter((one) => one !== track))
                  }
                />
                track {track + 1}
              </label>
            ))}
          </div>
        </fieldset>
      </div>
      <div className="mt-2" aria-live="polite">
        {isRight ? (
          <p>That is as planned.</p>
        ) : (
          <dl className="grid grid-cols-[auto_1fr] gap-x-4">
            <dt className={way.advice === "now" ? "font-bold" : ""}>
              at once{way.advice === "now" && " (better)"}
            </dt>
            <dd>
              {describePresses(way.now, song.pieces[here])}; foot cost {costOfPresses(way.now)}
            </dd>
            <dt className={way.advice === "atBoundary" ? "font-bold" : ""}>
              or wait for {next ? next.span.label : "the end"}
              {way.advice === "atBoundary" && " (better)"}
            </dt>
            <dd>
              {describePresses(way.atBoundary.presses, next)}; foot cost{" "}
              {costOfPresses(way.atBoundary.presses)}
            </dd>
          </dl>
        )}
      </div>
    </section>
  );
}
