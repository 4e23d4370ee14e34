/**
 * Branded numbers: a unit travels with its value, and one maker a unit stands here.
 */
declare const unit: unique symbol;
type Branded<Unit extends string> = number & { readonly [unit]?: Unit };

/** Integer ticks, 960 a quarter note. The only time the document stores. */
export type Ticks = Branded<"ticks">;
/** A MIDI note number; 60 is middle C, called C4 (MIDI 1.0 specification). */
export type Midi = Branded<"midi">;
/** Equal-tempered semitones. */
export type Semitones = Branded<"semitones">;
/** A fret counted from the capo; 0 is the open string. */
export type Fret = Branded<"fret">;
/** Millimetres along the neck. */
export type Millimetres = Branded<"mm">;

/** The remainder that is never negative. @example modulo(-1, 12) // => 11 */
export const modulo = (value: number, by: number): number => ((value % by) + by) % by;
