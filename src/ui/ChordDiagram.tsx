import type { Frets } from "@/core/fretboard";

type Shape = {
  readonly frets: Frets;
  readonly fingers: readonly (number | "T" | null)[];
};

/** Where one finger lies over several strings of a fret. */
function barresOf({ frets, fingers }: Shape): { fret: number; from: number; to: number }[] {
  const barres: { fret: number; from: number; to: number }[] = [];
  for (const finger of [1, 2, 3, 4]) {
    const strings = frets.flatMap((_, string) => (fingers[string] === finger ? [string] : []));
    if (strings.length > 1)
      barres.push({ fret: frets[strings[0]!]!, from: strings[0]!, to: strings.at(-1)! });
  }
  return barres;
}

const ROWS = 4;
const STEP_X = 13;
const STEP_Y = 16;
const LEFT = 22;
const TOP = 20;

/** A shape in words, for those who do not see it. @example "low to high: not played, 3, 2, open, 1, open" */
export const sayFrets = (frets: Frets): string =>
  frets.map((fret) => (fret === null ? "not played" : fret === 0 ? "open" : fret)).join(", ");

/** "x 3 2 0 1 0". */
export const writeFrets = (frets: Frets): string => frets.map((fret) => fret ?? "x").join(" ");

/**
 * A chord shape on the neck: the string nearest the player's face at left, frets counted from the capo,
 * finger numbers in the dots.
 */
export function ChordDiagram({
  shape,
  name,
  capo = 0,
  className = "",
}: {
  shape: Shape;
  name: string;
  capo?: number;
  className?: string;
}) {
  const { frets, fingers } = shape;
  const fretted = frets.filter((fret): fret is number => fret !== null && fret > 0);
  const highest = Math.max(0, ...fretted);
  const first = highest <= ROWS ? 1 : Math.min(...fretted);
  const rows = Math.max(ROWS, highest - first + 1);
  const width = LEFT + (frets.length - 1) * STEP_X + 12;
  const height = TOP + rows * STEP_Y + 6;
  const x = (string: number) => LEFT + string * STEP_X;
  const y = (fret: number) => TOP + (fret - first + 0.5) * STEP_Y;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className={className}
      role="img"
      aria-label={`${name}: ${sayFrets(frets)}`}
    >
      <g className="stroke-current" strokeWidth="1">
        {frets.map((_, string) => (
          <path key={`s${string}`} d={`M${x(string)} ${TOP}v${rows * STEP_Y}`} strokeOpacity="0.75" />
        ))}
        {Array.from({ length: rows + 1 }, (_, row) => (
          <path
            key={`f${row}`}
            d={`M${x(0)} ${TOP + row * STEP_Y}H${x(frets.length - 1)}`}
            strokeOpacity="0.55"
          />
        ))}
        {first === 1 && (
          <path d={`M${x(0) - 1} ${TOP}H${x(frets.length - 1) + 1}`} strokeWidth={capo > 0 ? 5 : 3} />
        )}
      </g>
      <g className="fill-current font-sans" fontSize="10" textAnchor="middle">
        {first > 1 ? (
          <text x={LEFT - 13} y={y(first) + 4} fontSize="11">
            {first}
          </text>
        ) : (
          capo > 0 && (
            <text x={LEFT - 13} y={TOP + 4} fontSize="10" fontWeight="700">
              C{capo}
            </text>
          )
        )}
        {frets.map((fret, string) =>
          fret === null ? (
            <path
              key={`m${string}`}
              d={`M${x(string) - 3} 9l6 6m0-6l-6 6`}
              className="stroke-current"
              strokeWidth="1.4"
            />
          ) : fret === 0 ? (
            <circle
              key={`m${string}`}
              cx={x(string)}
              cy="12"
              r="3.4"
              fill="none"
              className="stroke-current"
              strokeWidth="1.4"
            />
          ) : null,
        )}
        {barresOf(shape).map((barre) => (
          <rect
            key={`b${barre.fret}-${barre.from}`}
            x={x(barre.from) - 5.5}
            y={y(barre.fret) - 5.5}
            width={x(barre.to) - x(barre.from) + 11}
            height="11"
            rx="5.5"
          />
        ))}
        {frets.map((fret, string) =>
          fret !== null && fret > 0 ? (
            <g key={`d${string}`}>
              <circle cx={x(string)} cy={y(fret)} r="5.8" />
              <text x={x(string)} y={y(fret) + 3.4} className="fill-base-100" fontSize="9" fontWeight="700">
                {fingers[string] ?? ""}
              </text>
            </g>
          ) : null,
        )}
      </g>
    </svg>
  );
}
