import type { Arrangement } from "@/core/parts";

/** A proposal by its school; the second and third of one school by their number. */
export const nameOf = (proposals: readonly Arrangement[], at: number): string => {
  const { school } = proposals[at]!;
  const turn = proposals.slice(0, at).filter((one) => one.school === school).length;
  return turn === 0 ? school : `${school}, ${turn + 1}`;
};
