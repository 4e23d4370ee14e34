import { Fragment, memo, useMemo } from "react";
import type { SheetView } from "@/core/song/schema";
import type { StageRiff, StageShape, StageSheet } from "@/core/stage";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { ROLE_WORDS } from "@/ui/pretty";
import { SectionTag } from "@/ui/SectionTag";
import { StrumBars } from "@/ui/StrumBars";
import { SungLine } from "@/ui/SungLine";
import { type SaidAt, TabLines } from "@/ui/TabLines";
import { Wick } from "@/ui/Wick";
import { pieceAt } from "./piece-at";
import { hasBoth, hasShapes, isTabSheet } from "./sheet-view";

/** A line that is drawn anew only when the chord that sounds in it changes: with every beat all others stay as they are. */
const StageSungLine = memo(SungLine);
/** The same of tab. */
const StageTab = memo(TabLines);

/** The strum of a section and its shapes, beside its words. */
export function AsideOf({
  sheet,
  leftHanded,
  view = "both",
  tick = null,
}: {
  sheet: StageSheet;
  leftHanded: boolean;
  view?: SheetView;
  /** Where the music is, in ticks of the passage; null where no clock runs. */
  tick?: number | null;
}) {
  const isShaped = hasShapes(sheet, view);
  if (!isShaped && (!sheet.strum || hasBoth(sheet))) return null;
  return (
    <aside
      aria-label="Strum and shapes"
      className={`shrink-0 overflow-y-auto max-md:hidden ${sheet.strum ? "w-96" : isMany(sheet) ? "w-80" : "w-64"}`}
    >
      <StrumStrip sheet={sheet} tick={tick} />
      {isShaped && (
        <ul aria-label="Shapes" className={`grid content-start gap-x-2 gap-y-3 ${columnsFor(sheet)}`}>
          {sheet.shapes.map((shape) => (
            <li key={`${shape.name} ${shape.frets.join()}`} className="text-center text-2xl">
              <NamedShape shape={shape} capo={sheet.capo} leftHanded={leftHanded} />
              {shape.really !== null && <span className="block text-lg">is {shape.really}</span>}
              {shape.where !== null && <span className="block text-lg">{shape.where}</span>}
            </li>
          ))}
        </ul>
      )}
    </aside>
  );
}

/** A shape under its name. */
const NamedShape = ({
  shape,
  capo,
  leftHanded,
}: {
  shape: StageShape;
  capo: number;
  leftHanded: boolean;
}) => (
  <>
    <span className="font-mono font-bold">{shape.name}</span>
    <ChordDiagram
      shape={shape}
      name={shape.name}
      capo={capo}
      leftHanded={leftHanded}
      className="mx-auto w-full"
    />
  </>
);

/** More shapes than stand whole in two columns above what feet press. */
const isMany = ({ shapes }: StageSheet): boolean => shapes.length > 4;

/** Beside a strum there is room for more shapes in a row, and less below. */
const columnsFor = (sheet: StageSheet): string => {
  if (sheet.strum === null) return isMany(sheet) ? "grid-cols-3" : "grid-cols-2";
  return sheet.shapes.length > 3 ? "grid-cols-4" : "grid-cols-3";
};

/** The width of a place of a strum on stage, px: its counts are read from two metres; and of one on a phone in the hand. */
const STAGE_STEP = 46;
const PHONE_STEP = 31;
/** What fits beside the words at that width. */
const MOST_PLACES = 8;

/**
 * The strum of a section, the bar that is now of it.
 * @param tick where the music is, in ticks of the passage; null where no clock runs
 * @param small for a screen in the hand
 */
export function StrumStrip({
  sheet,
  tick = null,
  small = false,
}: {
  sheet: StageSheet;
  tick?: number | null;
  small?: boolean;
}) {
  if (!sheet.strum) return null;
  const { patterns, ticks, at, of } = sheet.strum;
  const now = tick === null ? -1 : ticks.findLastIndex((one) => one <= tick + 1);
  return (
    <div data-strum className="my-1 flex flex-wrap items-center gap-x-4 text-2xl">
      {patterns.map(({ pattern, when, fill }, index) => (
        <Fragment key={when}>
          {when !== "" && <span className="text-lg">{when}</span>}
          <StrumBars
            pattern={pattern}
            fill={fill}
            now={of[now] === index ? at[now]! : null}
            oneBar
            step={small ? PHONE_STEP : STAGE_STEP}
            mostPlaces={MOST_PLACES}
          />
        </Fragment>
      ))}
    </div>
  );
}

/** So many shapes find room beside the strum on a phone. */
const FEW_SHAPES = 2;

/** On a phone the strum stands above the words, with the shapes where they are one or two. */
export function PhoneStrip({
  sheet,
  leftHanded,
  view = "both",
  tick = null,
}: {
  sheet: StageSheet;
  leftHanded: boolean;
  view?: SheetView;
  tick?: number | null;
}) {
  if (hasBoth(sheet) && view === "line") return null;
  return (
    <div className="flex flex-wrap items-center gap-x-4 md:hidden">
      <StrumStrip sheet={sheet} tick={tick} small />
      {sheet.shapes.length <= FEW_SHAPES &&
        sheet.shapes.map((shape) => (
          <span key={`${shape.name} ${shape.frets.join()}`} className="w-16 text-center">
            <NamedShape shape={shape} capo={sheet.capo} leftHanded={leftHanded} />
          </span>
        ))}
    </div>
  );
}

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

/**
 * How long a player still waits.
 * @example "you come in after 16 bars, at Verse 2"
 */
export function describeWait({ waits, label }: Pick<StageSheet, "waits" | "label">): string {
  const left = Math.ceil((waits?.bars ?? 0) - 1e-6);
  if (!waits || left <= 0) return "";
  const where = waits.label === label ? "" : `, at ${waits.label}`;
  return `you come in after ${left} ${left === 1 ? "bar" : "bars"}${where}`;
}

/** The section that is now: its name, the player's light and role, what is otherwise. */
export function NowHead({
  sheet,
  plays,
}: {
  sheet: StageSheet;
  /** Whether it is somebody's part; who reads along has no light and no role. */
  plays: boolean;
}) {
  const wait = describeWait(sheet);
  return (
    <div className="my-1 flex flex-wrap items-center gap-x-4">
      <h2 className="text-3xl max-sm:text-2xl">
        <SectionTag label={sheet.label} kind={sheet.kind} />
      </h2>
      {sheet.round && <span className="text-2xl">{sheet.round}</span>}
      {plays && (
        <>
          <Wick light={sheet.light} carries={sheet.role === "carry"} />
          <span className="text-2xl max-sm:text-lg">
            {ROLE_WORDS[sheet.role]}
            {sheet.optional && ", may be left out"}
            {sheet.note && `: ${sheet.note}`}
          </span>
        </>
      )}
      {wait && <strong className="text-2xl max-sm:text-lg">{wait}</strong>}
      {sheet.how.length > 0 && <span className="text-xl max-sm:text-base">{sheet.how.join(" · ")}</span>}
      {sheet.otherwise.length > 0 && (
        <span className="w-full text-2xl font-bold max-sm:text-lg">{sheet.otherwise.join(" · ")}</span>
      )}
      {sheet.drawn.length > 0 && (
        <span className="w-full text-lg max-sm:text-sm">{sheet.drawn.join(" · ")}</span>
      )}
    </div>
  );
}

/**
 * The lines of a section.
 * @param tick where the music is, in ticks of the passage: the chord that sounds is lit; null marks none
 */
export function SheetLines({
  sheet,
  beatsInBar,
  view = "both",
  counts = false,
  tick = null,
}: {
  sheet: StageSheet;
  beatsInBar: number;
  view?: SheetView;
  /** Whether what is counted stands above the strings of tab. */
  counts?: boolean;
  tick?: number | null;
}) {
  if (isTabSheet(sheet, view))
    return <TabSheet sheet={sheet} isBeside={hasShapes(sheet, view)} counts={counts} tick={tick} />;
  if (sheet.lines.length === 0) return <p className="stage-line">No lines in this section.</p>;
  const now = tick === null ? null : pieceAt(sheet, tick);
  return sheet.lines.map((line, at) => (
    <StageSungLine
      key={line.id}
      className="stage-line"
      from={line.starts[0] ?? 0}
      pieces={line.pieces}
      beatsInBar={beatsInBar}
      now={now?.line === at ? now.piece : null}
    />
  ));
}

/** What is told of each piece of a sheet where it begins; that of a pickup stands with the first bar. */
function saidIn(
  sheet: StageSheet,
  tell: (piece: StageSheet["lines"][number]["pieces"][number]) => string | null,
): SaidAt[] {
  const first = sheet.line?.bars[0] ?? 0;
  const said: SaidAt[] = [];
  for (const { pieces, starts } of sheet.lines)
    for (const [at, piece] of pieces.entries()) {
      const text = tell(piece)?.trim() ?? "";
      const tick = Math.max(first, starts[at] ?? 0);
      const before = said.at(-1);
      if (text === "") continue;
      if (before?.tick === tick) said[said.length - 1] = { tick, text: `${before.text} ${text}` };
      else said.push({ tick, text });
    }
  return said;
}

/** The chords of a sheet, and its words, where they begin. */
export const chordsOf = (sheet: StageSheet): SaidAt[] => saidIn(sheet, ({ name }) => name);
export const wordsOf = (sheet: StageSheet): SaidAt[] => saidIn(sheet, ({ words }) => words);

/** The line of a section as wide as the screen, chords over its bars and what is sung below. */
function TabSheet({
  sheet,
  isBeside,
  counts,
  tick,
}: {
  sheet: StageSheet & { readonly line: StageRiff };
  /** Whether shapes stand beside it. */
  isBeside: boolean;
  counts: boolean;
  tick: number | null;
}) {
  const over = useMemo(() => chordsOf(sheet), [sheet]);
  const under = useMemo(() => wordsOf(sheet), [sheet]);
  // Drawn anew once a beat, not with every look at the clock.
  const { line } = sheet;
  const [first] = line.bars;
  const beats = tick === null ? 0 : Math.floor((tick - (first ?? 0)) / line.beat);
  const now = tick === null ? null : (first ?? 0) + beats * line.beat;
  const own = useMemo(() => withCounts(line, counts), [line, counts]);
  const shown = { line: own, over, under, now, rowClass: "stage-line tab-row" };
  return (
    <>
      <div className="max-md:hidden">
        <StageTab {...shown} size={isBeside ? "beside" : "stage"} />
      </div>
      <div className="md:hidden">
        <StageTab {...shown} size="phone" />
      </div>
    </>
  );
}

/** A line with what is counted above its strings, or without. */
export const withCounts = ({ counts, ...line }: StageRiff, wanted: boolean) =>
  wanted ? { ...line, counts } : line;

/** Frets alone: what is folded says where the hand goes, not how. */
const bare = (tab: StageRiff) => ({
  ...withCounts(tab, false),
  reads: "tab" as const,
  strokes: tab.strokes.map(() => null),
  fingers: tab.fingers.map(() => null),
});

/** The first bar of a line that comes next; in a hand there is no room for more than its first note. */
function FoldedTab({ tab }: { tab: StageRiff | null }) {
  const first = tab?.notes[0];
  if (!tab || !first) return null;
  return (
    <>
      <div className="w-80 shrink-0 max-md:hidden">
        <TabLines line={bare(tab)} size="next" />
      </div>
      <span className="font-mono font-bold md:hidden">
        {tab.strings[first.string]} {first.fret}
      </span>
    </>
  );
}

/** So many of its chords are told. */
const MOST_CHORDS_NEXT = 6;

/** What comes next, folded: its name, its first chords, whether the player is in. */
export function NextStrip({
  next,
  more,
  ended,
  tab = null,
  plays = true,
}: {
  next: StageSheet | null | undefined;
  more: boolean;
  ended: boolean;
  /** The first bar of what comes next, where that is tab. */
  tab?: StageRiff | null;
  plays?: boolean;
}) {
  const chords =
    next?.lines.flatMap((line) =>
      line.pieces.flatMap((piece) => (piece.name === null ? [] : [piece.name])),
    ) ?? [];
  const most = tab ? 1 : MOST_CHORDS_NEXT;
  // That there are more is said.
  const told = [...chords.slice(0, most), ...(chords.length > most && !tab ? ["…"] : [])].join("  ");
  return (
    <div
      className="flex min-w-0 flex-1 items-center gap-4 overflow-hidden rounded-field border-t-4 border-base-300 bg-base-200 px-4 text-2xl whitespace-nowrap max-sm:gap-2 max-sm:px-2 max-sm:text-base"
      aria-live="polite"
    >
      {more && (
        <span>
          <span className="max-sm:hidden">more lines of this section</span>
          <span className="sm:hidden">more below</span>
        </span>
      )}
      {ended && <span>the end</span>}
      {more && <FoldedTab tab={tab} />}
      {next && (
        <>
          <span className="text-base max-sm:sr-only">next</span>
          <SectionTag label={next.label} kind={next.kind} />
          <span className="min-w-0 truncate font-mono font-bold">{told}</span>
          <FoldedTab tab={tab} />
          {plays && (
            <span className="min-w-0 truncate text-lg max-sm:hidden">
              {next.role === "out" ? "you stay out" : next.optional ? "may be left out" : next.note}
            </span>
          )}
        </>
      )}
    </div>
  );
}

/** The first line that is not wholly in sight below, or null. */
export const firstHiddenLine = (box: HTMLElement): HTMLElement | null => {
  const foot = box.getBoundingClientRect().bottom;
  if (box.scrollHeight - box.clientHeight - box.scrollTop <= 8) return null;
  return (
    [...box.querySelectorAll<HTMLElement>(".stage-line")].find(
      (line) => line.getBoundingClientRect().bottom > foot + 2,
    ) ?? null
  );
};
