const THICKNESS = [0, 2, 4, 7, 11] as const;
const LENGTH = 96;

type Props = {
  readonly light: number;
  readonly carries: boolean;
  /** The parts of the section that are played, as shares of it; all of it when left out. */
  readonly spans?: readonly (readonly [from: number, to: number])[];
};

/** A wick: as long as the bars a player plays, as thick as their light; who carries has the flame. */
export function Wick({ light, carries, spans = [[0, 1]] }: Props) {
  const thick = THICKNESS[light] ?? 0;
  const end = 2 + LENGTH * Math.max(0, ...spans.map(([, to]) => to));
  const whole = spans.length === 1 && spans[0]![0] === 0 && spans[0]![1] === 1;
  return (
    <svg viewBox="0 0 116 24" className="h-6 w-full max-w-29" aria-hidden="true">
      {(light === 0 || !whole) && (
        <path
          d="M2 14h96"
          className="stroke-base-content"
          strokeOpacity="0.55"
          strokeWidth="1"
          strokeDasharray="1 5"
        />
      )}
      {light > 0 &&
        spans.map(([from, to]) => (
          <rect
            key={from}
            x={2 + LENGTH * from}
            y={14 - thick / 2}
            width={Math.max(1, LENGTH * (to - from))}
            height={thick}
            className="fill-base-content"
            rx={thick / 2}
          />
        ))}
      {carries && light > 0 && (
        <path
          d={`M${end + 7} 3c4 5 5 8 5 11a5 5 0 0 1-10 0c0-3 3-5 5-11z`}
          className="fill-primary stroke-base-content"
          strokeWidth="1"
        />
      )}
    </svg>
  );
}
