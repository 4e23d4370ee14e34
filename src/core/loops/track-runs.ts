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

/** One stretch a track is heard without a break, from the section it starts before to the one it stops before. */
export type Run = {
  readonly track: number;
  readonly from: number;
  readonly to: number;
  /** The section before which its passes began: earlier than `from` where the track was only muted till then. */
  readonly since: number;
};

/**
 * The runs of every track: presses are played through, so that a track that is stopped and started at one boundary
 * begins a new run. On a box that mutes, all tracks go round from where the first one came in after silence.
 */
export function runsOf(asked: LoopCase, way: Pick<LoopWay, "tracks" | "presses">): Run[] {
  const recorded = recordedTracks(way.tracks);
  let sounding = soundingBefore(asked, recorded);
  const since = new Map(bitsOf(sounding).map((track) => [track, 0]));
  const { muted = false } = asked.looper;
  let begun = 0;
  const begins = new Map(bitsOf(sounding).map((track) => [track, 0]));
  const runs: Run[] = [];
  for (let at = 0; at <= asked.sections.length; at++) {
    const before = asked.sections[at]?.id ?? null;
    for (const press of way.presses.filter((one) => one.before === before)) {
      const after = afterPress(sounding, recorded, press) ?? sounding;
      for (const track of bitsOf(sounding & ~after)) {
        const from = since.get(track)!;
        if (from < at) runs.push({ track, from, to: at, since: begins.get(track)! });
        since.delete(track);
      }
      if (sounding === 0) begun = at;
      for (const track of bitsOf(after & ~sounding)) {
        since.set(track, at);
        begins.set(track, muted ? begun : at);
      }
      sounding = after;
    }
  }
  return runs.sort((a, b) => a.from - b.from || a.track - b.track);
}
