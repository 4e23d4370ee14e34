import type { Mix } from "./render";
import type { SoundEvent, SoundScore } from "./score";

/** What the window tells the thread that sounds. */
export type ToSound =
  /** The bank of sounds, once. */
  | { readonly type: "bank"; readonly bank: ArrayBuffer }
  /** Plays a score from its beginning, in place of what sounds. One that is open waits for more when it is through. */
  | {
      readonly type: "play";
      /** Which it is: what is said of it says so too. */
      readonly id: number;
      readonly score: SoundScore;
      readonly mix: Mix;
      readonly isOpen: boolean;
    }
  /** What comes later in an open score. */
  | { readonly type: "more"; readonly events: readonly SoundEvent[] }
  | { readonly type: "mix"; readonly mix: Mix }
  /** Lets nothing begin any more, and ends what rings. */
  | { readonly type: "stop" };

/** What that thread tells the window. */
export type FromSound =
  /** The bank is there: it can sound. */
  | { readonly type: "ready" }
  /** The bank can't be read. */
  | { readonly type: "failed"; readonly reason: string }
  /** A score has begun. @param at by the audio context's clock, s */
  | { readonly type: "began"; readonly id: number; readonly at: number }
  /** The first sample of a score that is not silence has been made. */
  | { readonly type: "sounding" };
