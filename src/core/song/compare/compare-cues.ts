import { type MakeId, type Pair, pairRows } from "../../../document";
import type { CueRow } from "../schema/cues";
import type { Use } from "../schema/sections";
import { rowDifferences, tellFields } from "./compare-rows";
import { type Difference, namedMates, type Side } from "./side";

const cuesAt = (side: Side, useId: string): CueRow[] =>
  Object.values(side.body.cues)
    .filter((cue) => cue.useId === useId)
    .sort((one, two) => one.tick - two.tick);

/** Cues of one's own in uses that both versions have; those of the same words in one use are the same cue. */
export function cueDifferences(
  a: Side,
  b: Side,
  uses: readonly Pair<Use, Use>[],
  makeId: MakeId,
): Difference[] {
  const mates = namedMates(a, b);
  return uses.flatMap(({ a: mine, b: theirs }): Difference[] => {
    if (!mine || !theirs) return [];
    const where = `Cues, ${mine.label ?? a.outline.byId.get(mine.sectionId)?.section.label ?? ""}`;
    const told = ({ text }: CueRow, how: string) => ({
      where,
      words: `“${text}”${how.includes(":") ? "," : ""} ${how}`,
    });
    return rowDifferences(
      a,
      pairRows(cuesAt(a, mine.id), cuesAt(b, theirs.id), [(one, two) => one.text === two.text]),
      { ...mates, uses: new Map([[theirs.id, mine.id]]) },
      {
        table: "cues",
        noun: "cue",
        label: "Take a cue over",
        onlyHere: (cue) => told(cue, "only here"),
        onlyThere: (cue) => told(cue, "only there"),
        otherwise: (own, there, fields) =>
          told(own, tellFields(a, b, "cues", own, there, Object.keys(fields), "everybody").join("; ")),
        // A word here is not the word there: the place alone comes over.
        along: (fields) => ("tick" in fields ? { wordId: null } : {}),
      },
      makeId,
    );
  });
}
