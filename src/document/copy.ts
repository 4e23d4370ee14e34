import type { Body, MakeId, Tables } from "./command";
import { copiedRow } from "./compare";
import type { Definition } from "./definition";

/**
 * A body copied under fresh ids. Every row that can tells in `originId` which row it began as, so that the two can be
 * compared later.
 */
export function copyBody<T extends Tables>(
  definition: Definition<T>,
  body: Body<T>,
  makeId: MakeId,
): Body<T> {
  const tables = Object.entries<Body[string]>(body);
  const fresh = Object.fromEntries(
    tables.map(([table, rows]) => [table, new Map(Object.keys(rows).map((id) => [id, makeId()]))]),
  );
  const copied = tables.map(([table, rows]) => {
    const copies = Object.values(rows).map((row) => {
      const copy = copiedRow<Tables, string>(definition, table, row, fresh[table]!.get(row.id)!, fresh);
      return [copy.id, copy];
    });
    return [table, Object.fromEntries(copies)];
  });
  return Object.fromEntries(copied) as Body<T>;
}
