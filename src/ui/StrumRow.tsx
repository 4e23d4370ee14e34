import { type DrawnRow, FREE_WORDS, isOnset, type PickFinger, type Stroke, type Zone } from "@/core/rhythm";

const STEP = 22;
const MIDDLE = 30;
const DEPTH: Readonly<Record<1 | 2 | 3, number>> = { 1: 8, 2: 14, 3: 21 };

/** Picked strokes stand as high as the finger or zone that is highest of them. */
const FINGER_HEIGHT: Readonly<Record<PickFinger, number>> = { p: 50, i: 37, m: 24, a: 11 };
const ZONE_HEIGHT: Readonly<Record<Zone, number>> = { L: 48, M: 30, H: 12 };

/** How far from the strings the hand is at a stroke: below after a down stroke, above after an up one. */
function heightOf(stroke: Stroke): number {
  switch (stroke.kind) {
    case "down":
      return MIDDLE + DEPTH[stroke.weight];
    case "fingers":
      return FINGER_HEIGHT[stroke.fingers.at(-1) ?? "p"];
    case "zones":
      return ZONE_HEIGHT[stroke.zones.at(-1) ?? "L"];
    case "up":
      return MIDDLE - DEPTH[stroke.weight];
    case "dead":
      return MIDDLE + 6;
    default:
      return MIDDLE;
  }
}

type Props = {
  readonly row: DrawnRow;
  /** The place that is now. */
  readonly now?: number | null;
  /** How wide a place is at most, in px. */
  readonly step?: number;
  readonly className?: string;
};

/** As wide as it is drawn in its own units, a tenth more. */
const PLAIN_STEP = STEP * 1.1;

/** "1 accented down, 2 down, & up": a row in words; what rings on is left out. */
const tell = ({ words, counts, free }: DrawnRow): string =>
  free ? FREE_WORDS : words.flatMap((word, at) => (word === "" ? [] : [`${counts[at]} ${word}`])).join(", ");

/**
 * A pattern as the path of the hand: under the line after a down stroke, over it after an up, deeper where louder. Of a free
 * one only the path is drawn.
 */
export function StrumRow({ row, now = null, step = PLAIN_STEP, className = "" }: Props) {
  const { strokes, subdivision, counts, free } = row;
  const points = strokes.map((stroke, at) => ({ x: at * STEP + STEP / 2, y: heightOf(stroke), stroke }));
  const path = points
    .map(({ x, y }, at) => {
      if (at === 0) return `M${x} ${y}`;
      const before = points[at - 1]!;
      const middle = (before.x + x) / 2;
      return `C${middle} ${before.y} ${middle} ${y} ${x} ${y}`;
    })
    .join("");
  const width = strokes.length * STEP;
  const picked = strokes.some((stroke) => stroke.kind === "fingers" || stroke.kind === "zones");
  return (
    <svg
      viewBox={`0 0 ${width} 76`}
      role="img"
      aria-label={tell(row)}
      className={className}
      style={{ width: strokes.length * step, maxWidth: "100%" }}
    >
      {now !== null && (
        <rect
          data-now={now}
          x={now * STEP + 1}
          y="1"
          width={STEP - 2}
          height="74"
          rx="4"
          className="fill-primary stroke-base-content"
          fillOpacity="0.35"
          strokeWidth="1.5"
        />
      )}
      <line x1="0" x2={width} y1={MIDDLE} y2={MIDDLE} className="stroke-base-content" strokeOpacity="0.35" />
      {!picked && (
        <path
          d={path}
          fill="none"
          className="stroke-base-content"
          strokeWidth="2"
          strokeOpacity="0.8"
          strokeDasharray={free ? "3 4" : undefined}
        />
      )}
      {points.map(({ x, y, stroke }, at) => {
        const beat = at % subdivision === 0;
        return (
          <g key={at}>
            {!free && <Mark x={x} y={y} stroke={stroke} />}
            <text
              x={x}
              y="72"
              textAnchor="middle"
              fontSize="13"
              className="fill-base-content"
              fontWeight={isOnset(stroke) && (beat || !free) ? "700" : "400"}
              fillOpacity={isOnset(stroke) || beat ? "1" : "0.75"}
            >
              {counts[at]}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function Mark({ x, y, stroke }: { x: number; y: number; stroke: Stroke }) {
  switch (stroke.kind) {
    case "ring":
      return null;
    case "choke":
      return (
        <line x1={x} x2={x} y1={MIDDLE - 7} y2={MIDDLE + 7} className="stroke-base-content" strokeWidth="4" />
      );
    case "dead":
      return (
        <path
          d={`M${x - 4} ${y - 4}l8 8M${x + 4} ${y - 4}l-8 8`}
          className="stroke-base-content"
          strokeWidth="2"
        />
      );
    case "fingers":
    case "zones":
      return (
        <text
          x={x}
          y={y + 4}
          textAnchor="middle"
          fontSize="13"
          fontWeight="700"
          className="fill-base-content"
        >
          {stroke.kind === "fingers" ? stroke.fingers.join("") : stroke.zones.join("")}
        </text>
      );
    default:
      // A ring is a stroke over open strings, as it is where a string is left open.
      return (
        <circle
          cx={x}
          cy={y}
          r={stroke.weight + (stroke.open ? 3 : 2)}
          className={`stroke-base-content ${stroke.open ? "fill-base-100" : "fill-base-content"}`}
          strokeWidth={stroke.open ? 2.5 : 1.5}
        />
      );
  }
}
