import {
  barInSection,
  type LivePassage,
  nextEntry,
  type Place,
  type StageCue,
  type StagePart,
  type StageSheet,
} from "@/core/stage";
import { CueRise } from "./CueRise";
import type { StageSettings } from "./settings";
import { NowHead } from "./sheet/NowHead";
import { AsideOf, PhoneStrip, StrumOf } from "./sheet/SheetAside";
import { SheetLines } from "./sheet/SheetLines";
import { useFollowLine } from "./sheet/use-follow-line";

/** The section that is now, as much of it as this device shows: words and chords, chords, or cues only. */
export function SongNow({
  sheet,
  sheets,
  cues,
  passages,
  place,
  stretch,
  settings,
  part,
  tick,
  box,
  onScroll,
  left,
}: {
  sheet: StageSheet;
  sheets: readonly StageSheet[];
  cues: readonly StageCue[];
  passages: readonly LivePassage[];
  place: Place;
  stretch: number;
  settings: StageSettings;
  part: StagePart;
  tick: number | null;
  box: React.RefObject<HTMLElement | null>;
  /** The sheet is scrolled: other lines are in sight. */
  onScroll: () => void;
  left: boolean;
}) {
  const gone = Math.max(0, barInSection(passages, place).bar - 1);
  const view = settings.view || part.sheet;
  const isCues = settings.density === "cues";
  const rise = <CueRise {...{ cues, passages, place, stretch, large: isCues }} />;
  const isHere = sheets[place.index]?.id === sheet.id;
  useFollowLine(box, sheet, view, tick);
  return (
    <>
      <NowHead
        sheet={isHere ? { ...sheet, waits: nextEntry(sheets, place, gone) } : sheet}
        plays={part.plays}
      />
      {isCues ? (
        <StrumOf sheet={sheet} tick={tick} />
      ) : (
        <PhoneStrip sheet={sheet} leftHanded={part.leftHanded} view={view} tick={tick} />
      )}
      {isCues && (
        <div className="flex min-h-0 flex-1 items-center gap-10 overflow-hidden max-sm:flex-col max-sm:justify-center">
          <p className="text-center text-2xl" aria-hidden="true">
            <span className="stage-count block">{place.barsLeft}</span>
            {place.barsLeft === 1 ? "bar left" : "bars left"}
          </p>
          {rise}
        </div>
      )}
      {!isCues && rise}
      {!isCues && (
        <div className={`flex min-h-0 flex-1 gap-4 ${left ? "flex-row-reverse" : ""}`}>
          <section
            ref={box}
            onScroll={onScroll}
            // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keys
            tabIndex={0}
            aria-label={`${sheet.label}, words and chords`}
            data-density={settings.density}
            className="stage-sheet min-w-0 flex-1 overflow-y-auto"
          >
            <SheetLines
              sheet={sheet}
              beatsInBar={sheet.beatsInBar}
              view={view}
              counts={settings.counts}
              tick={tick}
            />
          </section>
          <AsideOf sheet={sheet} leftHanded={part.leftHanded} view={view} tick={tick} />
        </div>
      )}
    </>
  );
}
