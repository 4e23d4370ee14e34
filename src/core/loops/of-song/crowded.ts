import type { Midi, Ticks } from "../../../base";
import { onsetsOf, type TimedPart } from "../../playing";
import type { LoopLayerRow } from "../../song/schema";

/** Where notes lie, as far as they get in each other's way. */
export type Register = "low" | "middle" | "high";

/** Below the first a note is low, from the second on it is high, MIDI: E3 and G4. Ours, no source. */
const MIDDLE_FROM: Midi = 52;
const HIGH_FROM: Midi = 67;
/** More onsets of several layers in a bar of one register are too many. Ours, no source. */
const MOST_ONSETS = 12;

const registerOf = (pitch: Midi): Register =>
  pitch < MIDDLE_FROM ? "low" : pitch < HIGH_FROM ? "middle" : "high";

/** Onsets of a pass by register: of notes struck together the middle one counts, knocks by their drum. */
function onsetsByRegister(pass: TimedPart, length: Ticks): ReadonlyMap<Register, number> {
  // Ticks stand for milliseconds: only what begins together matters here.
  const { strokes, line, drums } = onsetsOf(pass, 0, length, (tick) => tick, length, 0);
  const struck = new Map<number, Midi[]>();
  for (const { ms, pitch } of [...strokes, ...line])
    struck.set(ms, [...(struck.get(ms) ?? []), pitch ?? MIDDLE_FROM]);
  const counts = new Map<Register, number>();
  const count = (register: Register) => counts.set(register, (counts.get(register) ?? 0) + 1);
  for (const pitches of struck.values()) {
    const sorted = pitches.toSorted((a, b) => a - b);
    count(registerOf(sorted[Math.floor(sorted.length / 2)]!));
  }
  for (const { drum } of drums) count(drum === "low" ? "low" : "high");
  return counts;
}

/** Layers that get in each other's way, the busiest first. */
export type Crowd = {
  readonly register: Register;
  readonly layers: readonly LoopLayerRow[];
  /** Of all of them together in a bar, rounded. */
  readonly onsets: number;
};

/**
 * Where layers that sound together strike too often in one register: two or more, with more than {@link MOST_ONSETS} in a bar.
 * @param passes what each layer sounds in one pass, by its id; one that is not known is left out
 * @example crowdedIn([strum, line], passes, 3840) // => [{ register: "middle", layers: [strum, line], onsets: 16 }]
 */
export function crowdedIn(
  layers: readonly LoopLayerRow[],
  passes: ReadonlyMap<string, TimedPart>,
  barTicks: Ticks,
): Crowd[] {
  const counted = layers.flatMap((layer) => {
    const pass = passes.get(layer.id);
    if (!pass) return [];
    const onsets = onsetsByRegister(pass, layer.bars * barTicks);
    return [{ layer, of: (register: Register) => (onsets.get(register) ?? 0) / layer.bars }];
  });
  return (["low", "middle", "high"] as const).flatMap((register): Crowd[] => {
    const own = counted
      .map(({ layer, of }) => ({ layer, onsets: of(register) }))
      .filter(({ onsets }) => onsets > 0)
      .sort((a, b) => b.onsets - a.onsets);
    const onsets = own.reduce((sum, one) => sum + one.onsets, 0);
    return own.length < 2 || onsets <= MOST_ONSETS
      ? []
      : [{ register, layers: own.map(({ layer }) => layer), onsets: Math.round(onsets) }];
  });
}
