import { beatsOfTicks, type LineSum } from "@/core/rhythm";
import type { OutlineLine, SungPiece } from "@/core/song/read";

/** Cuts a line at its chords into what stands under each. `nameOf` gives a chord's name for the reader. */
export function piecesOf(
  line: OutlineLine,
  sum: LineSum | undefined,
  beatUnit: string,
  nameOf: (symbol: string) => { name: string; readable: boolean },
): SungPiece[] {
  const pieces: SungPiece[] = [];
  const head = line.text.slice(0, line.chords[0]?.at ?? line.text.length);
  if (head !== "" || line.chords.length === 0) {
    pieces.push({
      id: `${line.line.id} head`,
      words: head,
      name: null,
      beats: 0,
      from: 0,
      guessed: false,
      unreadable: false,
    });
  }
  let gone = sum?.carryIn ?? 0;
  for (const [index, { chord, at }] of line.chords.entries()) {
    const { name, readable } = nameOf(chord.symbol);
    pieces.push({
      id: chord.id,
      words: line.text.slice(at, line.chords[index + 1]?.at ?? line.text.length),
      name,
      beats: beatsOfTicks(chord.ticks, beatUnit),
      from: beatsOfTicks(gone, beatUnit),
      guessed: chord.guessed,
      unreadable: !readable,
      unsure: !chord.sure,
    });
    gone += chord.ticks;
  }
  return pieces;
}
