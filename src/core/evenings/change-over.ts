import { parseTuning, tuningMoves } from "../pitch";
import type { PlayerState } from "./player-states";

/** Something a person must do between two songs, and the seconds it needs. */
export type Change = {
  readonly person: string;
  readonly name: string;
  readonly seconds: number;
} & (
  | { readonly code: "instrument"; readonly from: string; readonly to: string }
  | { readonly code: "retune"; readonly strings: number; readonly mayBreak: boolean }
  | { readonly code: "capo"; readonly from: number; readonly to: number }
  | { readonly code: "bank"; readonly from: number | null; readonly to: number }
  /** The loops of the next song are recorded, those of the last cleared first where there are any. */
  | { readonly code: "loops"; readonly clears: boolean }
);

/** How long each thing takes, s. Ours, no source: a calm hand in fair light. */
const CHANGE_SECONDS = Object.freeze({
  instrument: 25,
  /** Each string, tuner and all. */
  string: 12,
  capoOn: 8,
  capoMove: 8,
  capoOff: 4,
  bank: 3,
  /** A looper emptied of the last song. */
  clear: 5,
});

export type ChangeOver = {
  readonly changes: readonly Change[];
  /** As long as the person with most to do needs: all work at once. */
  readonly seconds: number;
  /** Who plays now and did not before, and who did and does not now, by name. */
  readonly comes: readonly string[];
  readonly goes: readonly string[];
};

/** The loops a song is built on can be recorded only when the one before is over. */
function loopsOf(from: PlayerState | undefined, { person, name, build }: PlayerState): Change[] {
  if (build === null) return [];
  const clears = from !== undefined && from.build !== null;
  const seconds = Math.ceil(build) + (clears ? CHANGE_SECONDS.clear : 0);
  return [{ person, name, code: "loops", clears, seconds }];
}

/** What one person changes. Another instrument lies ready, tuned and with its capo. */
function changesOf(from: PlayerState, to: PlayerState): Change[] {
  const who = { person: to.person, name: to.name };
  const bank: Change[] =
    to.bank !== null && from.bank !== to.bank
      ? [{ ...who, code: "bank", from: from.bank, to: to.bank, seconds: CHANGE_SECONDS.bank }]
      : [];
  if (from.instrument !== to.instrument || from.tuning.length !== to.tuning.length)
    return [
      {
        ...who,
        code: "instrument",
        from: from.instrument,
        to: to.instrument,
        seconds: CHANGE_SECONDS.instrument,
      },
      ...bank,
    ];
  const [before, after] = [parseTuning(from.tuning), parseTuning(to.tuning)];
  const moved =
    before.ok && after.ok
      ? (tuningMoves(before.value, after.value) ?? []).filter(({ semitones }) => semitones !== 0)
      : [];
  const retune: Change[] =
    moved.length === 0
      ? []
      : [
          {
            ...who,
            code: "retune",
            strings: moved.length,
            mayBreak: moved.some(({ mayBreak }) => mayBreak),
            seconds: moved.length * CHANGE_SECONDS.string,
          },
        ];
  const seconds =
    to.capo === 0
      ? CHANGE_SECONDS.capoOff
      : from.capo === 0
        ? CHANGE_SECONDS.capoOn
        : CHANGE_SECONDS.capoMove;
  const capo: Change[] =
    from.capo === to.capo ? [] : [{ ...who, code: "capo", from: from.capo, to: to.capo, seconds }];
  return [...retune, ...capo, ...bank];
}

/**
 * What everybody changes between two songs. Who does not play in the first has had its time to get ready: nothing is
 * counted for them.
 */
export function changeOver(ends: readonly PlayerState[], starts: readonly PlayerState[]): ChangeOver {
  const before = new Map(ends.map((state) => [state.person, state]));
  const each = starts.map((to) => {
    const from = before.get(to.person);
    return [...(from ? changesOf(from, to) : []), ...loopsOf(from, to)];
  });
  const seconds = each.map((changes) => changes.reduce((sum, change) => sum + change.seconds, 0));
  const present = new Set(starts.map(({ person }) => person));
  return {
    changes: each.flat(),
    seconds: Math.max(0, ...seconds),
    comes: starts.flatMap(({ person, name }) => (before.has(person) ? [] : [name])),
    goes: ends.flatMap(({ person, name }) => (present.has(person) ? [] : [name])),
  };
}

/** A change in words. @example describeChange(change) // => "Tobin: capo from 2 to 4" */
export const describeChange = (change: Change): string => `${change.name}: ${describeOwnChange(change)}`;

/** A change as whoever makes it reads it. @example describeOwnChange(change) // => "capo from 2 to 4" */
export function describeOwnChange(change: Change): string {
  switch (change.code) {
    case "instrument":
      return `from ${change.from} to ${change.to}`;
    case "retune":
      return `${change.strings === 1 ? "a string" : `${change.strings} strings`} tuned otherwise${change.mayBreak ? " (one goes high: protect the eyes)" : ""}`;
    case "capo":
      if (change.to === 0) return "capo off";
      return `capo ${change.from === 0 ? "on" : `from ${change.from} to`} ${change.to}`;
    case "bank":
      return `box to bank ${change.to}`;
    case "loops":
      return `${change.clears ? "clears the looper and " : ""}builds the loops, ${change.seconds} s`;
  }
}
