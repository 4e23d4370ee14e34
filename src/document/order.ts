/**
 * Fractional indexing: list places as text, so that moving one row changes one field of one row.
 * Keys compare as plain strings over the digits 0–9, A–Z, a–z and never end in "0", so there is
 * always room between two.
 */
const DIGITS = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz";
const BASE = DIGITS.length;

const digit = (key: string, at: number): number => (at < key.length ? DIGITS.indexOf(key[at]!) : 0);

/**
 * A place strictly between two others; null stands for the start or the end of the list.
 * @example orderBetween(null, null) // => "V"
 * @example orderBetween("V", "W") // => "VV"
 */
export function orderBetween(before: string | null, after: string | null): string {
  if (before !== null && after !== null && before >= after) {
    throw new Error(`Expected the place before to be lower, got ${before} and ${after}.`);
  }
  let key = "";
  let bounded = after !== null;
  for (let at = 0; ; at++) {
    const low = before === null ? 0 : digit(before, at);
    const high = bounded ? digit(after!, at) : BASE;
    if (high - low > 1) return key + DIGITS[low + Math.floor((high - low) / 2)];
    key += DIGITS[low];
    if (high > low) bounded = false;
  }
}

/** Places for a fresh list, evenly spread and of equal length. @example ordersFor(3).length // => 3 */
export function ordersFor(count: number): string[] {
  let width = 1;
  while (BASE ** width < (count + 1) * 2) width++;
  const step = Math.floor(BASE ** width / (count + 1));
  return Array.from({ length: count }, (_, index) => {
    let value = step * (index + 1);
    if (value % BASE === 0) value++;
    let key = "";
    for (let place = 0; place < width; place++) {
      key = DIGITS[value % BASE] + key;
      value = Math.floor(value / BASE);
    }
    return key;
  });
}

/** Rows by their place; equal places (two windows at once) by id. */
export const byOrder = (a: { order: string; id: string }, b: { order: string; id: string }): number =>
  a.order < b.order ? -1 : a.order > b.order ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
