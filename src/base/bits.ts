/** How many members a set written as bits has. @example countBits(0b1011) // => 3 */
export function countBits(set: number): number {
  let count = 0;
  for (let rest = set; rest !== 0; rest &= rest - 1) count++;
  return count;
}
