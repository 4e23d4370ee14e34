import type { Midi } from "@/base";
import { type Drum, velocityOf } from "@/core/playing";
import type { ClickAt, HeardOnsets } from "@/core/practice";
import type { PartVoice } from "./channels";
import type { Hit, PartSounds } from "./score";

/** Keys of the kit of the bank, as General MIDI numbers them: a drum set, and a box played with the hands. */
const KIT: Readonly<Record<Drum, Midi>> = Object.freeze({ low: 36, high: 38, time: 42, shaker: 82 });
const BOX: Readonly<Record<Drum, Midi>> = Object.freeze({ low: 64, high: 62, time: 70, shaker: 82 });
const CLICK: Midi = 33;
const FIRST_CLICK: Midi = 34;

/** What is heard of a part, as its voice strikes it. */
export const soundsOf = ({ strokes, line, drums, levels }: HeardOnsets, voice: PartVoice): PartSounds => ({
  onsets: strokes,
  line,
  levels,
  hits: drums.map(({ ms, drum, weight, loud }): Hit => {
    const keys = voice === "box" ? BOX : KIT;
    return { ms, key: keys[drum], velocity: velocityOf(weight, loud) };
  }),
});

/** Clicks as the kit strikes them, the first of a bar higher. */
export const soundsOfClicks = (clicks: readonly ClickAt[]): PartSounds => ({
  onsets: [],
  hits: clicks.map(({ ms, first }) => ({ ms, key: first ? FIRST_CLICK : CLICK, velocity: first ? 110 : 85 })),
});
