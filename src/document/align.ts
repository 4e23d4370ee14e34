/** One step of an alignment: an entry of each list, or null where one has none. */
export type Pair<A, B> = { readonly a: A | null; readonly b: B | null };

/**
 * Lays two lists against each other by least cost: every entry is paired or stands alone. Exact, by dynamic
 * programming; of equal costs pairs come first, then an entry of `a` alone.
 * @param cost what a pair costs; `alone` is what an entry without a partner costs
 * @example alignLists(["G", "C"], ["G", "D", "C"], (a, b) => (a === b ? 0 : 2), 1) // pairs G–G, –D, C–C
 */
export function alignLists<A, B>(
  a: readonly A[],
  b: readonly B[],
  cost: (a: A, b: B) => number,
  alone = 1,
): Pair<A, B>[] {
  const width = b.length + 1;
  const best = new Float64Array((a.length + 1) * width);
  for (let i = a.length; i >= 0; i--) {
    for (let j = b.length; j >= 0; j--) {
      if (i === a.length && j === b.length) continue;
      const pair =
        i < a.length && j < b.length ? cost(a[i]!, b[j]!) + best[(i + 1) * width + j + 1]! : Infinity;
      const left = i < a.length ? alone + best[(i + 1) * width + j]! : Infinity;
      const right = j < b.length ? alone + best[i * width + j + 1]! : Infinity;
      best[i * width + j] = Math.min(pair, left, right);
    }
  }
  const pairs: Pair<A, B>[] = [];
  let [i, j] = [0, 0];
  while (i < a.length || j < b.length) {
    const here = best[i * width + j]!;
    if (i < a.length && j < b.length && cost(a[i]!, b[j]!) + best[(i + 1) * width + j + 1]! === here)
      pairs.push({ a: a[i++]!, b: b[j++]! });
    else if (i < a.length && alone + best[(i + 1) * width + j]! === here) pairs.push({ a: a[i++]!, b: null });
    else pairs.push({ a: null, b: b[j++]! });
  }
  return pairs;
}
