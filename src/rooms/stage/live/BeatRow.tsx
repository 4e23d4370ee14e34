import type { Place } from "@/core/stage";

/** The beats of the bar as notches; a flame stands at the one that is now. While counting in, the count in figures. */
export function BeatRow({ place }: { place: Place }) {
  const { phase, beat, beatsInBar, count } = place;
  const counting = phase === "counting";
  const moves = counting || phase === "playing";
  const on = counting ? ((count - 1) % beatsInBar) + 1 : beat;
  return (
    <span className="flex items-end gap-1.5" aria-hidden="true" data-beat={moves ? on : 0}>
      {Array.from({ length: beatsInBar }, (_, at) => (
        <span key={at} className="beat-notch" data-first={at === 0} data-on={moves && at + 1 === on} />
      ))}
      {counting && (
        <span className="ml-2 font-mono text-4xl font-bold max-sm:ml-0 max-sm:text-2xl">
          {count > 0 ? on : "·"}
        </span>
      )}
    </span>
  );
}
