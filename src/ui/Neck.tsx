import { fretMm } from "@/core/fretboard";

/** A mark on the neck. */
type NeckMark = {
  readonly string: number;
  readonly fret: number;
  readonly label: string;
  readonly isRoot: boolean;
};

type Props = {
  /** Names of the strings, the one nearest the player's face first. */
  readonly strings: readonly string[];
  readonly marks: readonly NeckMark[];
  readonly from?: number;
  readonly to: number;
  readonly capo?: number;
  readonly leftHanded?: boolean;
  readonly title: string;
  /** How long it is drawn, against the size of its marks. */
  readonly length?: number;
  readonly className?: string;
};

const LEFT = 84;
const RIGHT = 18;
const TOP = 14;
const GAP = 26;
const LENGTH = 880;
/** Frets people count by: a ring on the edge of the neck. */
const RINGED = [3, 5, 7, 9, 12, 15, 17, 19, 21, 24];

/**
 * A neck lying on its side, frets spaced as they truly lie and counted from the capo. The string nearest the player's
 * face is at the foot, as in tab; for the left-handed the nut is at right.
 */
export function Neck({
  strings,
  marks,
  from = 0,
  to,
  capo = 0,
  leftHanded = false,
  title,
  length = LENGTH,
  className = "",
}: Props) {
  const first = Math.max(0, from - 1);
  const mm = (fret: number) => fretMm(capo + fret, 648);
  const [start, end] = [mm(first), mm(to)];
  const width = LEFT + length + RIGHT;
  const along = (at: number) => {
    const x = LEFT + ((at - start) / (end - start)) * length;
    return leftHanded ? width - x : x;
  };
  const fretX = (fret: number) => along(mm(fret));
  const middle = (fret: number) =>
    fret === 0 ? (leftHanded ? width - LEFT + 15 : LEFT - 15) : along((mm(fret - 1) + mm(fret)) / 2);
  const y = (string: number) => TOP + (strings.length - 1 - string) * GAP + 4;
  const foot = y(0);
  const height = foot + 32;
  const frets = Array.from({ length: to - first + 1 }, (_, step) => first + step);
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className={className} role="img" aria-label={title}>
      <g className="stroke-current" strokeWidth="1">
        {strings.map((name, string) => (
          <path
            key={`s${name}${string}`}
            d={`M${fretX(first)} ${y(string)}H${fretX(to)}`}
            strokeOpacity="0.75"
          />
        ))}
        {frets.map((fret) => (
          <path
            key={`f${fret}`}
            d={`M${fretX(fret)} ${y(strings.length - 1)}V${foot}`}
            strokeOpacity={fret === 0 ? 1 : 0.5}
            strokeWidth={fret === 0 ? (capo > 0 ? 8 : 4) : 1}
            strokeLinecap="round"
          />
        ))}
      </g>
      <g className="fill-current font-sans" fontSize="13" textAnchor="middle">
        {strings.map((name, string) => (
          <text
            key={`n${name}${string}`}
            x={leftHanded ? width - 2 : 2}
            y={y(string) + 4.5}
            textAnchor={leftHanded ? "end" : "start"}
          >
            {name}
          </text>
        ))}
        {frets
          .filter((fret) => fret > first || fret === 0)
          .map((fret) => (
            <text
              key={`t${fret}`}
              x={middle(fret)}
              y={foot + 25}
              fontWeight={RINGED.includes(fret) ? 700 : 400}
              fillOpacity={RINGED.includes(fret) || fret === 0 ? 1 : 0.75}
            >
              {fret === 0 ? (capo > 0 ? `capo ${capo}` : "open") : fret}
            </text>
          ))}
        {marks
          .filter((mark) => mark.fret <= to && (mark.fret >= from || mark.fret === 0))
          .map((mark) => (
            <Mark key={`${mark.string} ${mark.fret}`} x={middle(mark.fret)} y={y(mark.string)} mark={mark} />
          ))}
      </g>
    </svg>
  );
}

/** The root is a filled square, other notes rings on paper: told apart by shape, not by hue. */
function Mark({ x, y, mark }: { x: number; y: number; mark: NeckMark }) {
  return (
    <g>
      {mark.isRoot ? (
        <rect x={x - 11} y={y - 11} width="22" height="22" rx="3" />
      ) : (
        <circle cx={x} cy={y} r="11" className="fill-base-100 stroke-current" strokeWidth="1.5" />
      )}
      <text
        x={x}
        y={y + 4.2}
        fontSize="11.5"
        fontWeight="700"
        className={mark.isRoot ? "fill-base-100" : "fill-current"}
      >
        {mark.label}
      </text>
    </g>
  );
}
