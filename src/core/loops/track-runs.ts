import type { LoopCase } from "./loop-case";
import { afterPress, bitsOf } from "./press";
import { type LoopWay, recordedTracks, soundingBefore } from "./way";

/** Where each section begins, in beats from the start of the song; the end of the last one too. */
export function sectionBeats({
  sections,
  beatsPerBar,
}: Pick<LoopCase, "sections" | "beatsPerBar">): number[] {
  const starts = [0];
  for (const { bars } of sections) starts.push(starts.at(-1)! + bars * beatsPerBar);
  return starts;
}

/** One stretch a track runs without a break, from the section it starts before to the one it stops before. */
export type Run = { readonly track: number; readonly from: number; readonly to: number };

/**
 * The runs of every track: presses are played through, so that a track that is stopped and started at one boundary
 * begins a new run.
 */
export function runsOf(asked: LoopCase, way: Pick<LoopWay, "tracks" | "presses">): Run[] {
  const recorded = recordedTracks(way.tracks);
  let sounding = soundingBefore(asked, recorded);
  const since = new Map(bitsOf(sounding).map((track) => [track, 0]));
  const runs: Run[] = [];
  for (let at = 0; at <= asked.sections.length; at++) {
    const before = asked.sections[at]?.id ?? null;
    for (const press of way.presses.filter((one) => one.before === before)) {
      const after = afterPress(sounding, recorded, press) ?? sounding;
      for (const track of bitsOf(sounding & ~after)) {
        const from = since.get(track)!;
        if (from < at) runs.push({ track, from, to: at });
        since.delete(track);
      }
      for (const track of bitsOf(after & ~sounding)) since.set(track, at);
      sounding = after;
    }
  }
  return runs.sort((a, b) => a.from - b.from || a.track - b.track);
}
