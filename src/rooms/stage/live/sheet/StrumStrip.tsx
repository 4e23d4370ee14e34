import { Fragment } from "react";
import type { StageStrum } from "@/core/stage";
import { StrumBars } from "@/ui/StrumBars";

/** The width of a place of a strum on stage, px: its counts are read from two metres; and of one on a phone in the hand. */
const STAGE_STEP = 46;
const PHONE_STEP = 31;
/** What fits beside the words at that width. */
const MOST_PLACES = 8;

/**
 * The strum of a section, the bar that is now of it.
 * @param tick where the music is, in ticks of the passage; null where no clock runs
 * @param small for a screen in the hand
 */
export function StrumStrip({
  strum,
  tick = null,
  small = false,
}: {
  strum: StageStrum;
  tick?: number | null;
  small?: boolean;
}) {
  const { patterns, ticks, at, of } = strum;
  const now = tick === null ? -1 : ticks.findLastIndex((one) => one <= tick + 1);
  return (
    <div data-strum className="my-1 flex flex-wrap items-center gap-x-4 text-2xl">
      {patterns.map(({ drawn, when }, index) => (
        <Fragment key={when}>
          {when !== "" && <span className="text-lg">{when}</span>}
          <StrumBars
            drawn={drawn}
            now={of[now] === index ? at[now]! : null}
            oneBar
            step={small ? PHONE_STEP : STAGE_STEP}
            mostPlaces={MOST_PLACES}
          />
        </Fragment>
      ))}
    </div>
  );
}
