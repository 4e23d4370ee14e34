import {
  comparePatterns,
  describeMeeting,
  describeMeetingProblem,
  isOnset,
  type Pattern,
  type RhythmMeeting,
  strokeTicks,
  ticksOfPattern,
} from "@/core/rhythm";

type Named = { readonly name: string; readonly pattern: Pattern };

/** Two patterns laid over one another, the first above: where they meet, where only one fills. */
export function TwoStrums({ a, b }: { readonly a: Named; readonly b: Named }) {
  const met = comparePatterns(a.pattern, b.pattern);
  if (!met.ok) return <p className="mt-2 text-sm">{describeMeetingProblem(met.problem)}</p>;
  return (
    <>
      <Over a={a.pattern} b={b.pattern} met={met.value} names={[a.name, b.name]} />
      <p>{describeMeeting(met.value)}</p>
      <p className="text-sm">
        {met.value.shared} strokes together, {met.value.onlyA.length} only {a.name} (above),{" "}
        {met.value.onlyB.length} only {b.name} (below).
      </p>
    </>
  );
}

const WIDTH = 640;
/** The longest stretch drawn, in strokes of the finer one. */
const MOST_DRAWN = 64;

function Over({
  a,
  b,
  met,
  names,
}: {
  a: Pattern;
  b: Pattern;
  met: RhythmMeeting;
  names: readonly [string, string];
}) {
  const shown = Math.min(met.ticks, Math.max(ticksOfPattern(a), ticksOfPattern(b), 3840) * 4);
  const both = new Set(met.both);
  const places = (pattern: Pattern) => {
    const length = ticksOfPattern(pattern);
    const own = strokeTicks(pattern).filter((_, at) => isOnset(pattern.strokes[at]!));
    return Array.from({ length: Math.ceil(shown / length) }, (_, round) =>
      own.map((tick) => tick + round * length),
    )
      .flat()
      .filter((tick) => tick < shown)
      .slice(0, MOST_DRAWN);
  };
  const x = (tick: number) => 8 + (tick / shown) * (WIDTH - 16);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 70`}
      role="img"
      aria-label={`${names[0]} over ${names[1]}: ${describeMeeting(met)}`}
      className="my-2 w-full max-w-3xl"
    >
      <line x1="0" x2={WIDTH} y1="35" y2="35" className="stroke-base-content" strokeOpacity="0.35" />
      {[a, b].map((pattern, row) =>
        places(pattern).map((tick) => (
          <g key={`${row} ${tick}`}>
            <line
              x1={x(tick)}
              x2={x(tick)}
              y1="35"
              y2={row === 0 ? 14 : 56}
              className="stroke-base-content"
              strokeWidth={both.has(tick % met.ticks) ? 3 : 1.5}
            />
            <circle
              cx={x(tick)}
              cy={row === 0 ? 12 : 58}
              r="5"
              className={`stroke-base-content ${both.has(tick % met.ticks) ? "fill-primary" : "fill-base-100"}`}
            />
          </g>
        )),
      )}
    </svg>
  );
}
