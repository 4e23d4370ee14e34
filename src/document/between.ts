import type { AnyRow, Body, Command, SimpleCommand, Tables } from "./command";

/**
 * The edit that makes one body into another of the same kind: rows added and removed, fields set.
 * @returns null where they are equal
 */
export function editBetween<T extends Tables>(from: Body<T>, to: Body<T>, label: string): Command<T> | null {
  const whole: Body = from;
  const wanted: Body = to;
  const removals: SimpleCommand[] = [];
  const changes: SimpleCommand[] = [];
  for (const table of new Set([...Object.keys(whole), ...Object.keys(wanted)])) {
    const [before, after] = [whole[table] ?? {}, wanted[table] ?? {}];
    for (const id of Object.keys(before))
      if (!Object.hasOwn(after, id)) removals.push({ type: "remove", table, id });
    for (const [id, row] of Object.entries(after)) {
      const old = Object.hasOwn(before, id) ? before[id]! : null;
      if (!old) changes.push({ type: "add", table, row });
      else {
        const fields = changedFields(old, row);
        if (fields) changes.push({ type: "set", table, id, fields });
      }
    }
  }
  const commands = [...changes, ...removals];
  return commands.length === 0 ? null : ({ type: "batch", label, commands } as Command<T>);
}

function changedFields(before: AnyRow, after: AnyRow): Record<string, unknown> | null {
  const fields = Object.entries(after).filter(
    ([field, value]) => JSON.stringify(before[field]) !== JSON.stringify(value),
  );
  return fields.length === 0 ? null : Object.fromEntries(fields);
}
