import { type Mates, type Pair, pairRows } from "../../../document";
import type { VersionCommand } from "../edit/edits";
import type { Outline, OutlineLine, OutlineSection } from "../read/outline";
import { outlineOf } from "../read/outline";
import { versionRow } from "../read/timeline";
import type { VersionBody } from "../schema/documents";
import type { VersionRow } from "../schema/version";

/** What two versions do not share, in words; `take` makes the first as the second there. */
export type Difference = {
  readonly id: string;
  /** "Verse 2", "Key", "Form". */
  readonly where: string;
  readonly words: string;
  readonly take: VersionCommand | null;
};

export type LinePair = Pair<OutlineLine, OutlineLine> & { readonly same: boolean; readonly words: string };
export type SectionPair = Pair<OutlineSection, OutlineSection> & { readonly lines: readonly LinePair[] };

export type Comparison = {
  readonly differences: readonly Difference[];
  readonly sections: readonly SectionPair[];
  /** The second version as it was compared: its chords written in the key of the first. */
  readonly theirs: VersionBody;
};

/** How a chord is named for who reads: it is kept, and compared, as written. */
export type NameOf = (symbol: string) => string;
export const asWritten: NameOf = (symbol) => symbol;

/** A version to be compared, with what is read of it once. */
export type Side = {
  readonly body: VersionBody;
  readonly outline: Outline;
  readonly version: VersionRow;
  readonly nameOf: NameOf;
};

export const sideOf = (body: VersionBody, nameOf: NameOf): Side => ({
  body,
  outline: outlineOf(body),
  version: versionRow(body),
  nameOf,
});

/** Rows that began as one another, or as the same third one. */
export const areKin = (
  a: { readonly id: string; readonly originId: string | null },
  b: { readonly id: string; readonly originId: string | null },
): boolean =>
  a.originId === b.id || b.originId === a.id || (a.originId !== null && a.originId === b.originId);

const SAME_NAME = (a: { readonly name: string }, b: { readonly name: string }): boolean => a.name === b.name;

/** Ids there to ids here, of rows that stand in pairs. */
export const matesOf = (
  pairs: readonly Pair<{ readonly id: string }, { readonly id: string }>[],
): ReadonlyMap<string, string> => new Map(pairs.flatMap(({ a, b }) => (a && b ? [[b.id, a.id]] : [])));

/** Players, patterns and lines are the same by name. */
export const namedMates = (a: Side, b: Side): Mates => {
  const named = (table: "players" | "strums" | "riffs") =>
    matesOf(
      pairRows<{ readonly id: string; readonly name: string }>(
        Object.values(a.body[table]),
        Object.values(b.body[table]),
        [SAME_NAME],
      ),
    );
  return { players: named("players"), strums: named("strums"), riffs: named("riffs") };
};

/** Pairs rows that began as one another, then those of equal names. */
export const pairKin = <
  Row extends { readonly id: string; readonly originId: string | null; readonly name: string },
>(
  mine: readonly Row[],
  theirs: readonly Row[],
): Pair<Row, Row>[] => pairRows(mine, theirs, [areKin, SAME_NAME]);
