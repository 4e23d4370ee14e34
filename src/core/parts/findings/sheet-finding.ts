import type { Finding, Fixing } from "../../findings";
import type { Level, LineProblem, LineWayName } from "../../fretboard";
import type { Cell, Role, TechniqueId } from "../../song/schema";

/** Fields of one cell that a fix would set. */
export type CellFix = {
  readonly useId: string;
  readonly playerId: string;
  readonly fields: Partial<Omit<Cell, "id" | "useId" | "playerId">>;
};

/** What could be done, as a change of the sheet. `code` says what it is in words. */
export type Fix = {
  readonly code:
    | { readonly do: "role"; readonly player: string; readonly role: Role }
    | { readonly do: "technique"; readonly player: string; readonly technique: TechniqueId }
    | { readonly do: "light"; readonly player: string; readonly light: number }
    | { readonly do: "double"; readonly player: string; readonly of: string }
    | { readonly do: "carry-bars"; readonly player: string; readonly bars: readonly number[] }
    | { readonly do: "as-before" }
    | { readonly do: "choruses-brighter" }
    | { readonly do: "let-in"; readonly player: string; readonly technique: TechniqueId }
    | { readonly do: "no-strum"; readonly player: string }
    | {
        readonly do: "line-way";
        readonly player: string;
        readonly how: LineWayName;
        readonly capo?: number;
        readonly lost: number;
      }
    | { readonly do: "one-chord"; readonly player: string; readonly chord: string; readonly capo: number };
  readonly cells: readonly CellFix[];
};

type Facts =
  | { readonly kind: "no-bass" }
  | { readonly kind: "bass-late"; readonly bar: number }
  | { readonly kind: "one-guitar-twice"; readonly semitones: number; readonly shared: number }
  | { readonly kind: "picked-under-strum" }
  | { readonly kind: "in-the-voice"; readonly semitones: number }
  | { readonly kind: "nobody-carries"; readonly bars: readonly number[] }
  | { readonly kind: "two-carry"; readonly bars: readonly number[] }
  | { readonly kind: "light-flat"; readonly light: number }
  | { readonly kind: "light-drops"; readonly from: number; readonly to: number }
  | { readonly kind: "above-level"; readonly needs: Level; readonly level: Level }
  | { readonly kind: "too-fast"; readonly swings: number; readonly most: number; readonly bpm: number }
  | {
      readonly kind: "quick-change";
      /** As they sound. */
      readonly from: string;
      readonly to: string;
      readonly capo: number;
      readonly ms: number;
      readonly needs: number;
    }
  | { readonly kind: "line-and-chords"; readonly bars: readonly number[] }
  | {
      readonly kind: "line-outside";
      readonly line: string;
      /** Each note once with the chord it stays over, both as they sound. */
      readonly notes: readonly { readonly note: string; readonly over: string }[];
      readonly bars: readonly number[];
    }
  | { readonly kind: "line-cant"; readonly line: string; readonly problems: readonly LineProblem[] }
  | {
      readonly kind: "line-left";
      readonly line: string;
      /** Chords it has no place for, as they sound. */
      readonly chords: readonly string[];
    }
  | {
      readonly kind: "line-moved";
      readonly line: string;
      /** Semitones it sounds higher here than it was written. */
      readonly by: number;
      /** Notes with no place in the way that is shown. */
      readonly lost: number;
    }
  | { readonly kind: "idle" }
  | {
      readonly kind: "one-chord";
      /** As it sounds. */
      readonly chord: string;
      readonly capo: number;
      readonly share: number;
    };

export type FindingKind = Facts["kind"];

/** Something on the sheet that may go wrong. Wording lives in `describe-finding.ts`. */
export type SheetFinding = Finding<Facts & { /** By name. */ readonly players: readonly string[] }, Fix>;

/** The same change of the sheet in two places is one. */
export const SHEET_FIXING: Fixing<Fix> = {
  code: ({ code }) => code,
  join: ({ code, cells }, other) => ({ code, cells: [...cells, ...other.cells] }),
};
