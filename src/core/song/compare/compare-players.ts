import { type MakeId, pairRows } from "../../../document";
import { orderAtEnd } from "../edit/commands";
import { DOCUMENTS } from "../schema/documents";
import { rowDifferences } from "./compare-rows";
import type { Difference, Side } from "./side";

/** A value as it is told of the other side. */
const describeSetting = (value: unknown): string =>
  value === null ? "as usual" : Array.isArray(value) ? value.join(" ") : String(value);

/** Players by their names. One who plays only here stays: their parts would go with them. */
export function playerDifferences(a: Side, b: Side, makeId: MakeId): Difference[] {
  const [mine, theirs] = [Object.values(a.body.players), Object.values(b.body.players)];
  const pairs = pairRows(mine, theirs, [(one, two) => one.name === two.name]);
  const { compared } = DOCUMENTS.version.tables.players;
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
      otherwise: ({ name }, _, fields) => ({
        where: name,
        words: Object.entries(fields)
          .map(([field, value]) => `${compared[field]} ${describeSetting(value)} there`)
          .join(", "),
      }),
      remove: () => null,
      added: () => ({ order: orderAtEnd(mine) }),
    },
    makeId,
  );
}
