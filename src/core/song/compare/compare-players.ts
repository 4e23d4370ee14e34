import { type MakeId, pairRows } from "../../../document";
import { orderAtEnd } from "../edit/commands";
import { rowDifferences, tellFields } from "./compare-rows";
import type { Difference, Side } from "./side";

/** Players by their names. One who plays only here stays: their parts would go with them. */
export function playerDifferences(a: Side, b: Side, makeId: MakeId): Difference[] {
  const [mine, theirs] = [Object.values(a.body.players), Object.values(b.body.players)];
  const pairs = pairRows(mine, theirs, [(one, two) => one.name === two.name]);
  return rowDifferences(
    a,
    pairs,
    {},
    {
      table: "players",
      noun: "player",
      label: "Take a player over",
      onlyHere: ({ name }) => ({ where: "Players", words: `${name} plays only here` }),
      onlyThere: ({ name }) => ({ where: "Players", words: `${name} plays only there` }),
      otherwise: (own, there, fields) => ({
        where: own.name,
        words: tellFields(a, b, "players", own, there, Object.keys(fields), "as usual").join("; "),
      }),
      remove: () => null,
      added: () => ({ order: orderAtEnd(mine) }),
    },
    makeId,
  );
}
