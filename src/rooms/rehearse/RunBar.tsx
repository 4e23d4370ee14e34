import { beginsOf, CLICKS, type Click, type HeardSong, SPEEDS } from "@/core/practice";
import { SelectField } from "@/ui/SelectField";
import { Tick } from "@/ui/Tick";
import { useReady } from "@/ui/use-ready";
import { type Rehearsal, type Rehearsing, stretchOf } from "./rehearsal";

const CLICK_WORDS: Readonly<Record<Click, string>> = {
  none: "none",
  beats: "on the beats",
  halves: "half as often",
  offbeats: "between the beats",
  "every other bar": "every other bar",
};
const bars = (count: number): string => (count === 0 ? "none" : count === 1 ? "1 bar" : `${count} bars`);
const STEP = 5;

/** Plays and stops; how fast, how it is counted in, whether it goes round, and the click. */
export function RunBar({
  rehearsal,
  now: { way, phase },
  song,
}: {
  readonly rehearsal: Rehearsal;
  readonly now: Rehearsing;
  readonly song: HeardSong;
}) {
  const ready = useReady();
  const stretch = stretchOf(song, way);
  const begins = beginsOf(song.passages);
  const opening = song.passages[begins.findLastIndex((begin) => begin <= stretch.from)]!;
  const percent = Math.round(way.speed * 100);
  const isSilent = phase === "silent";
  return (
    <section aria-label="Play" className="mb-3 flex flex-wrap items-end gap-x-5 gap-y-2">
      <button
        type="button"
        className="btn min-w-32 btn-primary"
        aria-pressed={!isSilent}
        disabled={!ready}
        title="It begins softly. Turn headphones down first: ears don’t heal."
        onClick={() => void rehearsal.toggle()}
      >
        {isSilent ? "Play" : "Stop"}
        <kbd className="kbd kbd-xs max-sm:hidden">Space</kbd>
      </button>
      <fieldset>
        <legend className="mb-1 text-sm">Tempo</legend>
        <span className="flex items-center gap-1">
          <button
            type="button"
            className="btn btn-sm"
            aria-label="Slower"
            disabled={way.speed <= SPEEDS.least}
            onClick={() => rehearsal.faster(-STEP)}
          >
            −
          </button>
          <output className="w-40 text-center" aria-live="off">
            <strong>{percent} %</strong>: {Math.round(opening.bpm * way.speed)} a minute
          </output>
          <button
            type="button"
            className="btn btn-sm"
            aria-label="Faster"
            disabled={way.speed >= SPEEDS.most}
            onClick={() => rehearsal.faster(STEP)}
          >
            +
          </button>
          <button
            type="button"
            className="btn btn-sm"
            disabled={way.speed === 1}
            onClick={() => rehearsal.setSpeed(1)}
          >
            As written
          </button>
          <button type="button" className="btn btn-sm" onClick={() => rehearsal.tap(opening.bpm)}>
            Tap
          </button>
        </span>
      </fieldset>
      <SelectField
        label="Counted in"
        className="w-28"
        value={String(way.countBars)}
        options={[0, 1, 2].map((count) => ({ value: String(count), label: bars(count) }))}
        onSet={(count) => rehearsal.change({ countBars: Number(count) })}
      />
      <SelectField
        label="Click"
        className="w-44"
        value={way.click}
        options={CLICKS.map((click) => ({ value: click, label: CLICK_WORDS[click] }))}
        onSet={(click) => rehearsal.change({ click })}
      />
      <Tick label="Round and round" on={way.circles} onSet={(circles) => rehearsal.change({ circles })} />
      {way.circles && (
        <SelectField
          label="Between rounds"
          className="w-28"
          value={String(way.gapBars)}
          options={[0, 1, 2, 4].map((count) => ({ value: String(count), label: bars(count) }))}
          onSet={(count) => rehearsal.change({ gapBars: Number(count) })}
        />
      )}
    </section>
  );
}
