import type { Want, WantedSpan } from "@/core/loops";

const ROPE =
  "repeating-linear-gradient(115deg, currentColor 0 5px, color-mix(in oklab, currentColor 45%, transparent) 5px 8px)";

/** The part of a strand over one unit: rope where it is drawn, loose thread where it is free, nothing where it is cut. */
export function Strand({ spans, from, to }: { spans: readonly WantedSpan[]; from: number; to: number }) {
  const pieces = spans.flatMap((span) => {
    const [start, end] = [Math.max(from, span.from), Math.min(to, span.to ?? to)];
    return end > start ? [{ start, end, want: span.want }] : [];
  });
  const share = (tick: number) => `${((tick - from) / (to - from)) * 100}%`;
  return (
    <span className="pointer-events-none absolute inset-x-0 top-1/2 block h-0 border-t border-dotted border-base-content/40">
      {pieces.map(({ start, end, want }) => (
        <span
          key={start}
          className="absolute block"
          style={{ left: share(start), width: `${((end - start) / (to - from)) * 100}%` }}
        >
          <Piece want={want} />
        </span>
      ))}
    </span>
  );
}

const Piece = ({ want }: { want: Want }) =>
  want === "on" ? (
    <span
      className="absolute inset-x-0 -top-[4.5px] block h-2 text-base-content"
      style={{ background: ROPE }}
    />
  ) : (
    <svg
      viewBox="0 0 40 8"
      preserveAspectRatio="none"
      className="absolute inset-x-0 -top-[5px] h-2.5 w-full"
      aria-hidden="true"
    >
      <path
        d="M0 4q5-5 10 0t10 0t10 0t10 0"
        className="stroke-base-content"
        fill="none"
        strokeWidth="1.4"
        strokeDasharray="5 3"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
