import type { LoopCase } from "./loop-case";
import { maskOf, type Press, type Sounding } from "./press";

/** A press with where it comes: before a section, or after the last (null). */
export type PlacedPress = Press & { readonly before: string | null };

/** Tracks, what sounds where, what the feet do for it, and what that costs. */
export type LoopWay = {
  /** Layers by track; tracks without are not recorded. */
  readonly tracks: readonly (readonly string[])[];
  /** The tracks that sound in each section. */
  readonly states: readonly (readonly number[])[];
  readonly presses: readonly PlacedPress[];
  readonly wrongBars: number;
  readonly footCost: number;
};

/** The tracks that hold layers. */
export const recordedTracks = (tracks: readonly (readonly unknown[])[]): Sounding =>
  maskOf(tracks.flatMap((layers, track) => (layers.length > 0 ? [track] : [])));

/** What sounds just before the first section. */
export const soundingBefore = (asked: Pick<LoopCase, "startFrom">, recorded: Sounding): Sounding =>
  asked.startFrom === "running" ? recorded : 0;
