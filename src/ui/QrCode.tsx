/** A QR code's squares, row by row: "1" is dark. */
export type QrSquares = { readonly size: number; readonly dark: string };

/** Squares of quiet around it (ISO/IEC 18004 asks for four). */
const QUIET = 4;

/** A QR code, always dark on light: a camera reads it no other way. */
export function QrCode({ code, label, className }: { code: QrSquares; label: string; className?: string }) {
  const { size, dark } = code;
  const path = [...dark]
    .map((square, at) =>
      square === "1" ? `M${QUIET + (at % size)} ${QUIET + Math.floor(at / size)}h1v1h-1z` : "",
    )
    .join("");
  const side = size + 2 * QUIET;
  return (
    <svg
      viewBox={`0 0 ${side} ${side}`}
      role="img"
      aria-label={label}
      className={className}
      shapeRendering="crispEdges"
    >
      <rect width={side} height={side} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}
