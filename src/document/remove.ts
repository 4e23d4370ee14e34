import type { Body, RemoveCommand, SetCommand, SimpleCommand, Tables } from "./command";
import type { Definition } from "./definition";
import { rulesOf } from "./rules";

/**
 * The edits that remove a row and all that hangs on it: rows that name it go with it, except where the reference
 * is one that is let go (a chord whose word is gone stays).
 */
export function removalOf<T extends Tables>(
  definition: Definition<T>,
  body: Body<NoInfer<T>>,
  table: keyof T & string,
  id: string,
): SimpleCommand<T>[] {
  const rules = rulesOf(definition);
  const gone = new Map<string, Set<string>>([[table, new Set([id])]]);
  const removals: RemoveCommand[] = [{ type: "remove", table, id }];
  const released = new Map<string, SetCommand>();
  const isGone = (where: string, row: string) => gone.get(where)?.has(row) ?? false;
  const waiting: { readonly table: string; readonly ids: ReadonlySet<string> }[] = [
    { table, ids: new Set([id]) },
  ];
  for (let next = waiting.shift(); next; next = waiting.shift()) {
    for (const { table: from, field, whenGone } of rules.to(next.table)) {
      const fresh = new Set<string>();
      for (const row of Object.values((body as Body)[from] ?? {})) {
        const named = row[field];
        if (typeof named !== "string" || !next.ids.has(named) || isGone(from, row.id)) continue;
        if (whenGone === "lets go") {
          const place = `${from} ${row.id}`;
          const fields = { ...released.get(place)?.fields, [field]: null };
          released.set(place, { type: "set", table: from, id: row.id, fields });
          continue;
        }
        gone.set(from, (gone.get(from) ?? new Set()).add(row.id));
        removals.push({ type: "remove", table: from, id: row.id });
        fresh.add(row.id);
      }
      if (fresh.size > 0) waiting.push({ table: from, ids: fresh });
    }
  }
  const letGo = [...released.values()].filter((command) => !isGone(command.table, command.id));
  return [...letGo, ...removals] as SimpleCommand<T>[];
}
