import type { StageSheet } from "@/core/stage";

/** The piece of a sheet that sounds at a tick of its passage, by line and piece; null before the first. */
export function pieceAt(
  { lines }: Pick<StageSheet, "lines">,
  tick: number,
): { readonly line: number; readonly piece: number } | null {
  const reached = tick + 1e-3;
  let found: { line: number; piece: number } | null = null;
  for (const [line, { starts }] of lines.entries())
    for (const [piece, start] of starts.entries()) if (start <= reached) found = { line, piece };
  return found;
}
