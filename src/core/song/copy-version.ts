import { type Body, REFERENCES, type Row, type VersionBody } from "./body";
import type { MakeId } from "./commands";

/**
 * A version copied under fresh ids. Every row that can tells in `originId` which row it began as, so that the two
 * can be compared later.
 */
export function copyVersion(body: VersionBody, name: string, makeId: MakeId): VersionBody {
  const tables = body as unknown as Body;
  const fresh = new Map<string, string>();
  for (const [table, rows] of Object.entries(tables))
    for (const id of Object.keys(rows)) fresh.set(`${table} ${id}`, makeId());
  const copied: Record<string, Record<string, Row>> = {};
  for (const [table, rows] of Object.entries(tables)) {
    copied[table] = {};
    for (const row of Object.values(rows)) {
      const id = fresh.get(`${table} ${row.id}`)!;
      const next: Record<string, unknown> & { id: string } = { ...row, id };
      if ("originId" in row) next.originId = row.id;
      for (const [field, target] of Object.entries(REFERENCES[table] ?? {})) {
        const named = row[field];
        if (typeof named === "string") next[field] = fresh.get(`${target} ${named}`) ?? null;
      }
      copied[table][id] = next;
    }
  }
  const [version] = Object.values(copied.version!);
  copied.version = { [version!.id]: { ...version!, name } };
  return copied as unknown as VersionBody;
}
