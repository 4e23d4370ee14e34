import type { Ticks } from "../../../base";
import type { TabNote } from "../../fretboard";
import type { Tuning } from "../../pitch";

/** A line as plain text tab holds it. */
export type TabLine = {
  readonly tuning: Tuning;
  readonly capo: number;
  readonly ticks: Ticks;
  /** Ticks between bar lines. */
  readonly bar: Ticks;
  readonly notes: readonly TabNote[];
};

export type TabProblem =
  | { readonly code: "no-tab" }
  | { readonly code: "tuning"; readonly line: number; readonly text: string }
  | { readonly code: "strings"; readonly line: number; readonly found: number; readonly wanted: number }
  | { readonly code: "bars"; readonly line: number; readonly found: number; readonly wanted: number }
  | { readonly code: "sign"; readonly line: number; readonly column: number; readonly text: string }
  | { readonly code: "fret"; readonly line: number; readonly column: number; readonly fret: number };

/** What text tab can't hold. `note` is an index. */
export type TabLoss =
  | { readonly code: "off-grid"; readonly note: number }
  | { readonly code: "length"; readonly note: number }
  | { readonly code: "dead-fret"; readonly note: number };
