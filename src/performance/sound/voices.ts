import type { Midi } from "@/base";

/** A voice of the bank: its program as General MIDI numbers them from 0, and the range over which it is in tune and sounds right. */
type Voice = { readonly program: number; readonly low: Midi; readonly high: Midi };

/** The voices of `public/sounds.sf3`, as `scripts/cut-bank.mjs` keeps them. */
export const VOICES = Object.freeze({
  steel: { program: 25, low: 40, high: 88 },
  nylon: { program: 24, low: 40, high: 83 },
  clean: { program: 27, low: 40, high: 88 },
  driven: { program: 29, low: 40, high: 88 },
  muted: { program: 28, low: 40, high: 76 },
  finger: { program: 33, low: 28, high: 67 },
  plectrum: { program: 34, low: 28, high: 67 },
  piano: { program: 0, low: 28, high: 83 },
  organ: { program: 20, low: 36, high: 96 },
  pad: { program: 51, low: 36, high: 81 },
  melody: { program: 71, low: 50, high: 90 },
} as const satisfies Readonly<Record<string, Voice>>);

export type VoiceName = keyof typeof VOICES;
