import type { AnyRow, Body, MakeId, Tables } from "./command";
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
  const tables: Body = body;
  const fresh = new Map<string, string>();
  for (const [table, rows] of Object.entries(tables))
    for (const id of Object.keys(rows)) fresh.set(`${table} ${id}`, makeId());
  const copied = Object.entries(tables).map(([table, rows]) => {
    const references = Object.entries(definition.tables[table]?.references ?? {});
    const copies = Object.values(rows).map((row): [string, AnyRow] => {
      const id = fresh.get(`${table} ${row.id}`)!;
      const named = references.flatMap(([field, { to }]) =>
        typeof row[field] === "string" ? [[field, fresh.get(`${to} ${row[field]}`) ?? null]] : [],
      );
      const origin = "originId" in row ? { originId: row.id } : {};
      return [id, { ...row, ...Object.fromEntries(named), ...origin, id }];
    });
    return [table, Object.fromEntries(copies)];
  });
  return Object.fromEntries(copied) as Body<T>;
}
