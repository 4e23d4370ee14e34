import type { SoundScore } from "./score";

/** What the window tells the thread that sounds. */
export type ToSound =
  /** The bank of sounds, once. */
  | { readonly type: "bank"; readonly bank: ArrayBuffer }
  /** Plays a score from its beginning, in place of what sounds. */
  | { readonly type: "play"; readonly score: SoundScore }
  /** Lets nothing begin any more, and ends what rings. */
  | { readonly type: "stop" };

/** What that thread tells the window. */
export type FromSound =
  /** The bank is there: it can sound. */
  | { readonly type: "ready" }
  /** The bank can't be read. */
  | { readonly type: "failed"; readonly reason: string }
  /** The first sample of a score that is not silence has been made. */
  | { readonly type: "sounding" };
