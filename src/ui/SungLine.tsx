import type { CSSProperties, ReactNode } from "react";
import type { StrokePlaced, SungPiece } from "@/core/song/read";

/** A part of a piece's time, a beat or less: how much of one, whether a bar begins with it, and whether it is silent or held. */
export type Notch = {
  readonly share: number;
  readonly bar: boolean;
  readonly silent: boolean;
  readonly held: boolean;
};

const SAME = 1e-9;

/**
 * The notches of a piece: one a beat, a short one where a beat is only begun. A chord that comes early begins before its
 * first beat, one that comes late after it; what is silent, and what a hold adds, stands by itself.
 * @example notches({ beats: 1.5, from: 3 }, 4).map(({ share, bar }) => [share, bar]) // => [[1, false], [0.5, true]]
 */
export function notches(
  piece: Pick<SungPiece, "beats" | "from" | "played" | "quiet">,
  beatsInBar: number,
): Notch[] {
  const { lead = 0, tail = 0, rest = 0, held = 0 } = piece.played ?? {};
  const [start, end] = [-lead, piece.beats + tail];
  const [silentFrom, heldFrom] = [end - rest, piece.beats - held];
  const cuts = [silentFrom, heldFrom].filter((cut) => cut > start + SAME && cut < end - SAME);
  for (let beat = Math.ceil(start); beat < end - SAME; beat++) if (beat > start + SAME) cuts.push(beat);
  const places = [...new Set([start, ...cuts])].sort((a, b) => a - b);
  return places.flatMap((place, index): Notch[] => {
    const share = Math.min(end, places[index + 1] ?? end) - place;
    if (share <= SAME) return [];
    const inBar = (piece.from + place) % beatsInBar;
    const isWhole = Math.abs(place - Math.round(place)) < SAME;
    const bar =
      isWhole && place >= 0 && place < heldFrom - SAME && (inBar < SAME || beatsInBar - inBar < SAME);
    const silent = place >= silentFrom - SAME || (piece.quiet?.includes(Math.floor(place + SAME)) ?? false);
    return [{ share, bar, silent, held: held > 0 && place >= heldFrom - SAME }];
  });
}

/** Whether a word goes on into the next piece: a chord on its second syllable. */
const isBroken = (piece: SungPiece, next: SungPiece | undefined): boolean =>
  next !== undefined && /[^\s-]$/u.test(piece.words) && /^\S/u.test(next.words);

const percent = (part: number, whole: number): string => `${(-100 * part) / Math.max(0.25, whole)}%`;

/** Moves what is drawn of a chord to where it sounds: a share of its piece to the left or the right. */
function shiftOf({ played, beats }: SungPiece): CSSProperties | undefined {
  if (!played || (played.lead === 0 && played.tail === 0)) return undefined;
  return { marginLeft: percent(played.lead, beats), marginRight: percent(played.tail, beats) };
}

/**
 * A line as it is sung and played: words, below them each chord's time as a wick with a notch a beat (a
 * taller one where a bar begins), and the chord's name hung beneath. A chord stands where it sounds.
 */
export function SungLine({
  pieces,
  beatsInBar,
  className = "",
  style,
  now = null,
  from,
  nameOf = plainName,
}: {
  pieces: readonly SungPiece[];
  beatsInBar: number;
  className?: string;
  style?: CSSProperties;
  /** The piece that sounds now, by its place; null lights none. */
  now?: number | null;
  /** Where it begins, in ticks: for what follows the music. */
  from?: number;
  /** How a chord's name is drawn, where it is more than text. */
  nameOf?: (piece: SungPiece, name: ReactNode) => ReactNode;
}) {
  const sung = pieces.some((piece) => piece.words !== "");
  // Where one piece has strokes all keep room for them: names stand in a row.
  const struck = pieces.some(({ strokes }) => strokes !== undefined);
  return (
    <div
      className={`sung-line ${className}`}
      style={style}
      data-here={now !== null || undefined}
      data-from={from}
    >
      {pieces.map((piece, index) => (
        <span
          key={piece.id}
          className="sung-piece"
          style={{ flexGrow: piece.beats }}
          data-now={index === now || undefined}
          data-silent={piece.silent}
        >
          {sung && (
            <span className="sung-words">
              {isBroken(piece, pieces[index + 1]) ? `${piece.words}-` : piece.words}
            </span>
          )}
          {piece.name !== null && (
            <span className="sung-under" style={shiftOf(piece)}>
              <Time piece={piece} beatsInBar={beatsInBar} />
              {struck && <Strokes strokes={piece.strokes ?? []} />}
              {nameOf(piece, <Name piece={piece} />)}
            </span>
          )}
        </span>
      ))}
    </div>
  );
}

const plainName = (_: SungPiece, name: ReactNode): ReactNode => name;

/** A chord's time as a notched line. */
const Time = ({ piece, beatsInBar }: { piece: SungPiece; beatsInBar: number }) => (
  <span className="sung-wick" aria-hidden="true">
    {notches(piece, beatsInBar).map((notch, index) => (
      <span
        key={index}
        className="sung-beat"
        data-bar={notch.bar}
        data-guessed={piece.guessed}
        data-rests={notch.silent || piece.silent || undefined}
        data-held={(notch.held && !piece.silent) || undefined}
        style={{ flexGrow: notch.share }}
      />
    ))}
  </span>
);

/** Strokes where they now fall, under a chord that is not played as it is written. */
const Strokes = ({ strokes }: { strokes: readonly StrokePlaced[] }) => (
  <span className="sung-strokes" aria-hidden="true">
    {strokes.map(({ at, sign, strong }) => (
      <span key={at} style={{ left: `${at * 100}%` }} data-strong={strong || undefined}>
        {sign}
      </span>
    ))}
  </span>
);

/** A chord's name, with what is done with it and whether it is sure. */
const Name = ({ piece }: { piece: SungPiece }) => (
  <span className="sung-chord" data-unreadable={piece.unreadable}>
    {piece.tied === "on" && <span className="sung-tie">‿</span>}
    {piece.silent ? <span className="sung-away">({piece.name})</span> : piece.name}
    {piece.unsure && (
      <span className="sung-doubt" title="not sure">
        ?<span className="sr-only"> not sure</span>
      </span>
    )}
    {piece.played && piece.played.said !== "" && piece.tied !== "on" && (
      <span className="sung-said">{piece.played.said}</span>
    )}
    {piece.tied === "early" && <span className="sung-said">early</span>}
    {piece.silent && <span className="sr-only"> you are silent</span>}
  </span>
);
