import { type LoopCase, wantOf } from "./loop-case";
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

/** What sounds just before the first section: where the build ends with a pass to listen, everything. */
export const soundingBefore = (
  asked: Pick<LoopCase, "startFrom" | "listen">,
  recorded: Sounding,
): Sounding => (asked.startFrom === "running" || asked.listen ? recorded : 0);

/** Layers that are not as wanted in a section, by id, in list order. */
export function wrongLayers(
  { sections, layers }: Pick<LoopCase, "sections" | "layers">,
  { tracks, states }: Pick<LoopWay, "tracks" | "states">,
  at: number,
): { readonly silent: string[]; readonly sounding: string[] } {
  const on = new Set(states[at]!.flatMap((track) => tracks[track]!));
  const ids = layers.map(({ id }) => id);
  return {
    silent: ids.filter((id) => wantOf(sections[at]!, id) === "on" && !on.has(id)),
    sounding: ids.filter((id) => wantOf(sections[at]!, id) === "off" && on.has(id)),
  };
}
