const THICKNESS = [0, 2, 4, 7, 11] as const;

/** A wick: as long as the bars a player plays, as thick as their light; who carries has the flame. */
export function Wick({ light, carries, share = 1 }: { light: number; carries: boolean; share?: number }) {
  const thick = THICKNESS[light] ?? 0;
  const width = 96 * share;
  return (
    <svg viewBox="0 0 116 24" className="h-6 w-29" aria-hidden="true">
      {light === 0 ? (
        <path
          d="M2 14h96"
          className="stroke-base-content"
          strokeOpacity="0.55"
          strokeWidth="1"
          strokeDasharray="1 5"
        />
      ) : (
        <rect
          x="2"
          y={14 - thick / 2}
          width={width}
          height={thick}
          className="fill-base-content"
          rx={thick / 2}
        />
      )}
      {carries && light > 0 && (
        <path
          d={`M${width + 9} 3c4 5 5 8 5 11a5 5 0 0 1-10 0c0-3 3-5 5-11z`}
          className="fill-primary stroke-base-content"
          strokeWidth="1"
        />
      )}
    </svg>
  );
}
