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
const RIGHT = 12;
const TOP = 20;

/** A shape in words, for those who do not see it. @example "low to high: not played, 3, 2, open, 1, open" */
export const describeFrets = (frets: Frets): string =>
  frets.map((fret) => (fret === null ? "not played" : fret === 0 ? "open" : fret)).join(", ");

/** "x 3 2 0 1 0". */
export const writeFrets = (frets: Frets): string => frets.map((fret) => fret ?? "x").join(" ");

/** What stands in the dots instead of finger numbers, a string each: note names or degrees. */
export type DotLabels = readonly (string | null)[];

type Props = {
  readonly shape: Shape;
  readonly name: string;
  readonly capo?: number;
  readonly leftHanded?: boolean;
  readonly labels?: DotLabels | undefined;
  readonly className?: string;
};

/**
 * A chord shape on the neck, frets counted from the capo, finger numbers in the dots. The string nearest the
 * player's face is at left, or, for the left-handed, at right. A capo is drawn where it lies.
 */
export function ChordDiagram({ shape, name, capo = 0, leftHanded = false, labels, className = "" }: Props) {
  const { frets, fingers } = shape;
  const fretted = frets.filter((fret): fret is number => fret !== null && fret > 0);
  const highest = Math.max(0, ...fretted);
  const first = highest <= ROWS ? 1 : Math.min(...fretted);
  const rows = Math.max(ROWS, highest - first + 1);
  const span = (frets.length - 1) * STEP_X;
  const width = LEFT + span + RIGHT;
  const height = TOP + rows * STEP_Y + 6;
  const x = (string: number) => LEFT + (leftHanded ? span - string * STEP_X : string * STEP_X);
  const y = (fret: number) => TOP + (fret - first + 0.5) * STEP_Y;
  const dots = frets.flatMap((fret, at) => (fret !== null && fret > 0 ? [{ at, fret }] : []));
  const heard = labels ? ` (${labels.filter((label) => label !== null).join(", ")})` : "";
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className={className}
      role="img"
      aria-label={`${name}: ${describeFrets(frets)}${heard}${capo > 0 ? `, capo ${capo}` : ""}`}
    >
      <Grid strings={frets.map((_, string) => x(string))} rows={rows} isNut={first === 1} capo={capo} />
      <g className="fill-current font-sans" fontSize="10" textAnchor="middle">
        {first > 1 && (
          <text x={LEFT - 13} y={y(first) + 4} fontSize="11">
            {first}
          </text>
        )}
        <AboveNut
          strings={frets.map((fret, string) => ({ x: x(string), fret, label: labels?.[string] ?? null }))}
        />
        {barresOf(shape).map((barre) => (
          <rect
            key={`b${barre.fret}-${barre.from}`}
            x={Math.min(x(barre.from), x(barre.to)) - 5.5}
            y={y(barre.fret) - 5.5}
            width={Math.abs(x(barre.to) - x(barre.from)) + 11}
            height="11"
            rx="5.5"
          />
        ))}
        <path d={dots.map(({ at, fret }) => circle(x(at), y(fret), 6)).join("")} />
        <Signs
          size={labels ? 7.5 : 9}
          of={dots.map(({ at, fret }) => ({
            x: x(at),
            y: y(fret) + 3.2,
            text: String(labels ? (labels[at] ?? "") : (fingers[at] ?? "")),
          }))}
        />
      </g>
    </svg>
  );
}

/** Strings and frets; the nut, or the capo where one lies. */
function Grid({
  strings,
  rows,
  isNut,
  capo,
}: {
  strings: readonly number[];
  rows: number;
  isNut: boolean;
  capo: number;
}) {
  const [low, high] = [Math.min(...strings), Math.max(...strings)];
  return (
    <g className="stroke-current" strokeWidth="1">
      <path d={strings.map((at) => `M${at} ${TOP}v${rows * STEP_Y}`).join("")} strokeOpacity="0.75" />
      <path
        d={Array.from({ length: rows + 1 }, (_, row) => `M${low} ${TOP + row * STEP_Y}H${high}`).join("")}
        strokeOpacity="0.55"
      />
      {isNut && capo === 0 && <path d={`M${low - 1} ${TOP}H${high + 1}`} strokeWidth="3" />}
      {isNut && capo > 0 && (
        <g className="fill-current" stroke="none">
          <rect x={low - 6} y={TOP - 3.5} width={high - low + 12} height="7" rx="3.5" />
          <text x={low - 9} y={TOP + 3.5} fontSize="9" fontWeight="700" textAnchor="end">
            {capo}
          </text>
        </g>
      )}
    </g>
  );
}

type AtNut = { readonly x: number; readonly fret: number | null; readonly label: string | null };

/** Above the strings: a cross on each that is not played, a ring on each that is open, with its label if there is one. */
function AboveNut({ strings }: { strings: readonly AtNut[] }) {
  const open = strings.filter(({ fret }) => fret === 0);
  const labelled = open.filter(({ label }) => label !== null);
  const crosses = strings.filter(({ fret }) => fret === null).map(({ x }) => `M${x - 3} 7l6 6m0-6l-6 6`);
  const rings = open.map(({ x, label }) => circle(x, 9, label === null ? 3.4 : 6));
  return (
    <>
      <path
        d={[...crosses, ...(labelled.length === 0 ? rings : [])].join("")}
        fill="none"
        className="stroke-current"
        strokeWidth="1.4"
      />
      {labelled.length > 0 && (
        <path d={rings.join("")} fill="none" className="stroke-current" strokeWidth="1" />
      )}
      {labelled.map(({ x, label }) => (
        <text key={x} x={x} y="11.6" fontSize="7.5" fontWeight="700">
          {label}
        </text>
      ))}
    </>
  );
}

type Sign = { readonly x: number; readonly y: number; readonly text: string };

/** What stands in the dots. Signs of one letter each are one text with a place for each: a stage draws many of them at once. */
function Signs({ of, size }: { of: readonly Sign[]; size: number }) {
  const said = of.filter(({ text }) => text !== "");
  const isPlain = said.every(({ text }) => text.length === 1);
  const texts = isPlain ? [said] : said.map((one) => [one]);
  return texts.map(
    (own) =>
      own.length > 0 && (
        <text
          key={own[0]!.x}
          x={own.map(({ x }) => x).join(" ")}
          y={own.map(({ y }) => y).join(" ")}
          className="fill-base-100"
          fontSize={size}
          fontWeight="700"
        >
          {own.map(({ text }) => text).join("")}
        </text>
      ),
  );
}

/** A circle as a path, so that many are one. */
const circle = (x: number, y: number, r: number): string =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;
