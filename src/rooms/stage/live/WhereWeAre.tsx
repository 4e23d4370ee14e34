import { barInSection, type LiveItem, type LivePassage, type Place } from "@/core/stage";
import { describeNext } from "./act-words";
import { BeatRow } from "./BeatRow";

const PHASE_WORDS: Readonly<Record<Place["phase"], string>> = {
  waiting: "not begun",
  counting: "counting in",
  playing: "",
  holding: "held",
  sign: "until the sign",
  stopped: "stopped",
  ended: "the song is over",
};

/** Bar of the section and beat, how it stands, and how long until the next section. */
export function WhereWeAre({
  item,
  place,
  passage,
  peek,
  next,
  changes,
}: {
  item: LiveItem;
  place: Place;
  passage: LivePassage;
  peek: number;
  next: LivePassage | undefined;
  /** What this player changes before the song, in words. */
  changes: readonly string[];
}) {
  const words = PHASE_WORDS[place.phase];
  const { bar, bars } = barInSection(item.passages, place);
  return (
    <div
      className="where-we-are"
      data-phase={place.phase}
      data-passage={item.passages[place.index]?.id}
      data-tick={Math.round(place.tick)}
    >
      <span className="text-2xl whitespace-nowrap">
        {bar < 1 ? (
          "pickup"
        ) : (
          <>
            bar <strong className="inline-block min-w-[2ch] font-mono text-3xl">{bar}</strong>
          </>
        )}{" "}
        <span className="text-xl">of {bars}</span>
      </span>
      <BeatRow place={place} />
      {words !== "" && <strong className="text-2xl whitespace-nowrap max-sm:text-base">{words}</strong>}
      {place.phase === "waiting" && item.note && <span className="text-xl max-sm:text-sm">{item.note}</span>}
      {place.phase === "waiting" && place.index === 0 && changes.length > 0 && (
        <strong className="text-xl max-sm:text-sm">you change: {changes.join("; ")}</strong>
      )}
      <span className="where-next ml-auto text-2xl whitespace-nowrap max-sm:text-xl">
        {peek === 0 && place.phase !== "ended" && (
          <>
            {place.circles && "round and round · "}
            <strong data-asked={place.asked} className={place.asked ? "border-b-4 border-primary" : ""}>
              {describeNext(place, next?.label)}
            </strong>
          </>
        )}
        {peek !== 0 && <strong>{passage.label}</strong>}
      </span>
    </div>
  );
}
