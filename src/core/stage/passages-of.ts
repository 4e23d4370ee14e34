import type { Ticks } from "../../base";
import { tempoMs, ticksOfBar, ticksOfBeatUnit } from "../rhythm";
import { outlineOf, type Passage, timelineOf } from "../song/read";
import type { VersionBody } from "../song/schema";
import { type LivePassage, passageId } from "./score";

// A file of its own: a screen that follows gets the passages made, and needs nothing of what makes them.

/** A version's form as a clock runs through it. */
export function passagesOf(body: VersionBody): LivePassage[] {
  return timelineOf(body, outlineOf(body)).passages.map((passage): LivePassage => {
    const { tick: from, tempo, meter } = passage;
    const beat = ticksOfBeatUnit(tempo.beatUnit) ?? 960;
    return {
      id: passageId(passage),
      label: passage.label,
      kind: passage.section.kind,
      ticks: passage.ticks,
      firstBar: passage.bars.find(({ number }) => number > 0)?.number ?? 0,
      bars: passage.bars.flatMap(({ number, tick }) => (number > 0 ? [tick - from] : [])),
      beat,
      bar: ticksOfBar(meter),
      bpm: 60_000 / tempoMs(beat, tempo),
      signs: signsOf(passage),
    };
  });
}

const signsOf = ({ lines, tick: from }: Passage): Ticks[] =>
  lines.flatMap(({ events }) =>
    events.flatMap(({ cued, tick, ticks }) => (cued ? [tick + ticks - from] : [])),
  );
