import type { RunPlace } from "@/core/practice";
import type { LivePassage } from "@/core/stage";
import type { Rehearsing } from "./rehearsal";

/** Where it is heard now, in words and large figures. */
export function WhereItIs({
  place,
  passages,
  phase,
  silence = "Silence. Play begins it.",
}: {
  readonly place: RunPlace | null;
  readonly passages: readonly LivePassage[];
  readonly phase: Rehearsing["phase"];
  /** What is said in silence. */
  readonly silence?: string;
}) {
  return (
    <p
      className="run-place min-h-10 text-xl"
      data-phase={place?.phase ?? phase}
      data-bar={place?.phase === "play" ? barNow(place) : ""}
      data-round={place?.round ?? 0}
    >
      {told()}
    </p>
  );

  /** The bar in its section, as everywhere. */
  function barNow({ passage, bar }: RunPlace): number {
    return bar - passages[passage]!.firstBar + 1;
  }

  function told() {
    if (phase === "opening") return "The band tunes up…";
    if (!place) return <span className="text-base">{silence}</span>;
    const { beat, round, count, passage } = place;
    const bar = barNow(place);
    const rounds = round > 0 ? `, round ${round + 1}` : "";
    switch (place.phase) {
      case "count":
        return (
          <>
            counted in: <strong className="text-3xl">{count}</strong>
          </>
        );
      case "gap":
        return `a breath, then round ${round + 2}`;
      case "over":
        return "that was the end";
      case "play":
        return (
          <>
            {passages[passage]?.label}, bar <strong className="text-3xl">{bar}</strong>, beat{" "}
            <strong className="text-3xl">{beat}</strong>
            {rounds}
          </>
        );
    }
  }
}
