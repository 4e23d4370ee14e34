import type { StageSheet } from "@/core/stage";

/** What feet press in a section, and cues of one's own, at the foot of the screen. */
export function FeetStrip({ sheet }: { sheet: StageSheet }) {
  if (sheet.feet.length === 0) return null;
  return (
    <ul
      aria-label="Feet and cues"
      className="mt-1 flex flex-wrap gap-x-6 gap-y-1 border-t-4 border-primary pt-1 text-xl max-sm:text-base"
    >
      {sheet.feet.map((press, at) => (
        <li key={at}>
          <strong>{press.text}</strong> {press.place} {press.words}
        </li>
      ))}
    </ul>
  );
}
