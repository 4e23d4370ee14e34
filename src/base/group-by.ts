/**
 * Entries of a list by a key, in the order met.
 * @example groupBy(["ab", "c", "a"], (word) => word[0]!) // => Map { "a" => ["ab", "a"], "c" => ["c"] }
 */
export function groupBy<One>(list: readonly One[], keyOf: (one: One) => string): Map<string, One[]> {
  const groups = new Map<string, One[]>();
  for (const one of list) {
    const key = keyOf(one);
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return groups;
}
