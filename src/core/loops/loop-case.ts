import type { Chord } from "../chord";
import type { Key } from "../pitch";
import type { LOOP_SCHOOLS, LOOP_STARTS, WANTS } from "../song/schema";
import type { PedalPrices } from "./pedal-prices";

export type Want = (typeof WANTS)[number];

/** The most layers a plan takes. */
export const MOST_LAYERS = 16;

export type LoopSchool = (typeof LOOP_SCHOOLS)[number];

/** What a box on the floor can do, as far as a plan depends on it. */
export type Looper = {
  readonly tracks: number;
  /** Whether one press makes every recorded track sound, and one silences all. */
  readonly allStart: boolean;
  readonly allStop: boolean;
  /** Whether one pedal does both: it silences all where anything sounds, and starts all only from silence. */
  readonly toggleAll?: boolean | undefined;
  /** Whether the box waits for the loop point: nothing is late on such a one. */
  readonly quantised: boolean;
  /** Whether a track taken out was only muted: let in again it is where it would be, and begins anew only from silence. */
  readonly muted?: boolean | undefined;
  /** What its pedals cost; all plain when left out. */
  readonly prices?: PedalPrices | undefined;
};

export type ChordBeats = { readonly chord: Chord; readonly beats: number };

export type LoopLayer = {
  readonly id: string;
  readonly kind: "pitched" | "unpitched";
  readonly bars: number;
  /** What sounds over its bars; empty where that is not known. */
  readonly progression: readonly ChordBeats[];
  /** The parts of the body that play it. */
  readonly needs: readonly string[];
  /** Whether a pulse can be heard in it. */
  readonly steady: boolean;
  /** The layer it is recorded in one pass with. */
  readonly recordWith: string | null;
};

/** A stretch of the song between two points where what is wanted may change. */
export type LoopSection = {
  readonly id: string;
  readonly bars: number;
  /** The parts of the body that are busy with something else. */
  readonly busy: readonly string[];
  readonly chords: readonly ChordBeats[];
  /** By layer; a layer that is not named is "off". */
  readonly want: Readonly<Record<string, Want>>;
};

export type LoopCase = {
  readonly looper: Looper;
  /** Beats a minute, and how many of those beats a bar has. */
  readonly tempo: number;
  readonly beatsPerBar: number;
  readonly startFrom: (typeof LOOP_STARTS)[number];
  readonly school: LoopSchool;
  readonly key: Key | null;
  /** Whether everything is heard through once before the song. */
  readonly listen: boolean;
  readonly layers: readonly LoopLayer[];
  readonly sections: readonly LoopSection[];
  /** Whether each pass has a track of its own while tracks last; else as few tracks as may be. */
  readonly spread?: boolean | undefined;
  /** The track of a layer, where somebody has said so. */
  readonly pins: Readonly<Record<string, number>>;
  /** Whether a track once begun is finished before the next, which is so when left out. */
  readonly finish?: boolean | undefined;
  /** The passes of the build in their order, where somebody has said so: every layer once. */
  readonly buildOrder?: readonly (readonly string[])[] | undefined;
  /** The most steps of search; a step is one change between two states looked at. */
  readonly budget?: number | undefined;
};

export const wantOf = (section: LoopSection, layer: string): Want =>
  Object.hasOwn(section.want, layer) ? section.want[layer]! : "off";

/** Whether a loop of `bars` goes into one of `longest` a whole number of times. */
export function divides(bars: number, longest: number): boolean {
  const times = longest / bars;
  return Math.abs(times - Math.round(times)) < 1e-9 * times && Math.round(times) >= 1;
}
