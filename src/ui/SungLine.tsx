import type { CSSProperties } from "react";
import type { SungPiece } from "@/core/song/read";

/** Which notches of a piece begin a bar: a notch a beat, the last one short when beats are not whole. */
export function notches(
  piece: Pick<SungPiece, "beats" | "from">,
  beatsInBar: number,
): { share: number; bar: boolean }[] {
  const marks: { share: number; bar: boolean }[] = [];
  for (let beat = 0; beat < piece.beats - 1e-9; beat++) {
    const place = (piece.from + beat) % beatsInBar;
    marks.push({ share: Math.min(1, piece.beats - beat), bar: place < 1e-9 || beatsInBar - place < 1e-9 });
  }
  return marks;
}

/** Whether a word goes on into the next piece: a chord on its second syllable. */
const isBroken = (piece: SungPiece, next: SungPiece | undefined): boolean =>
  next !== undefined && /[^\s-]$/u.test(piece.words) && /^\S/u.test(next.words);

/**
 * A line as it is sung and played: words, below them each chord's time as a wick with a notch a beat (a
 * taller one where a bar begins), and the chord's name hung beneath.
 */
export function SungLine({
  pieces,
  beatsInBar,
  className = "",
  style,
  now = null,
}: {
  pieces: readonly SungPiece[];
  beatsInBar: number;
  className?: string;
  style?: CSSProperties;
  /** The piece that sounds now, by its place; null lights none. */
  now?: number | null;
}) {
  const sung = pieces.some((piece) => piece.words !== "");
  return (
    <div className={`sung-line ${className}`} style={style} data-here={now !== null || undefined}>
      {pieces.map((piece, index) => (
        <span
          key={piece.id}
          className="sung-piece"
          style={{ flexGrow: piece.beats }}
          data-now={index === now || undefined}
        >
          {sung && (
            <span className="sung-words">
              {isBroken(piece, pieces[index + 1]) ? `${piece.words}-` : piece.words}
            </span>
          )}
          {piece.name !== null && (
            <>
              <span className="sung-wick" aria-hidden="true">
                {notches(piece, beatsInBar).map((notch, index) => (
                  <span
                    key={index}
                    className="sung-beat"
                    data-bar={notch.bar}
                    data-guessed={piece.guessed}
                    style={{ flexGrow: notch.share }}
                  />
                ))}
              </span>
              <span className="sung-chord" data-unreadable={piece.unreadable}>
                {piece.name}
                {piece.unsure && (
                  <span className="sung-doubt" title="not sure">
                    ?<span className="sr-only"> not sure</span>
                  </span>
                )}
              </span>
            </>
          )}
        </span>
      ))}
    </div>
  );
}
