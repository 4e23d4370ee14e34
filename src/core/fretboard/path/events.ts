import type { Chord } from "../../chord";
import type { Frets, HeldShape } from "../hand";

/** Something the hand does in time: a chord, the chord before left to ring, or a single note of a line. */
export type HandEvent =
  | {
      readonly kind: "chord";
      readonly chord: Chord;
      readonly beats: number;
      /** Frets that must be held here, whatever the plan would like. */
      readonly lock?: Frets;
      /** One of these shapes, held with these fingers if that can be, whatever would be found: as a lock, with a choice left. */
      readonly among?: readonly HeldShape[];
      /** Of the shapes found only this one, held with these fingers if that can be, where it is among them. */
      readonly only?: HeldShape;
      /** A chord put between two others to walk the bass; where no hand holds it the one before rings on. */
      readonly passing?: boolean;
    }
  | { readonly kind: "ring"; readonly beats: number }
  | {
      readonly kind: "note";
      readonly string: number;
      readonly fret: number;
      readonly beats: number;
      /** Whether the chord before stays held under the note. */
      readonly over?: boolean | undefined;
    };
