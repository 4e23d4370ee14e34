import Link from "next/link";
import { type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { LeaderAct, LiveItem, LivePassage, LiveState, Place } from "@/core/stage";
import { pretty, sayCapo } from "@/ui/pretty";
import { SectionTag } from "@/ui/SectionTag";
import { isTyping, usePageKeys } from "../page-keys";
import { AsideOf, FeetStrip, firstHiddenLine, NextStrip, NowHead, SheetLines } from "../StagePieces";
import type { StagePart, StageSheet } from "../stage-sheets";
import { KIND_WORDS, pedalAct, sayBarsLeft } from "./act-words";
import { BeatRow } from "./BeatRow";
import { CueRise } from "./CueRise";
import { useClick } from "./click";
import { LeadBar } from "./LeadBar";
import type { Live, LiveLine } from "./live-line";
import { OwnNote } from "./OwnNote";
import { SIZES, type StageSettings } from "./settings";
import { useNow } from "./use-live";

const NO_SHEETS: readonly StageSheet[] = [];

type Props = {
  readonly line: LiveLine;
  readonly live: Live;
  readonly state: LiveState;
  readonly settings: StageSettings;
  readonly press: (act: LeaderAct) => void;
  readonly onOpen: () => void;
};

/** A screen with somebody's part: what is now, what comes, and what this person does at it. */
export function OnStage({ line, live, state, settings, press, onOpen }: Props) {
  const { itemId } = state.transport;
  const part = live.pack?.songs.find((song) => song.itemId === itemId)?.part ?? null;
  const sheets = part?.sheets ?? NO_SHEETS;
  const { item, place } = useNow(line, state, sheets);
  const leads = settings.leads && live.role === "leader";
  const moves = live.line === "alone" || (leads && settings.pedals);
  const { box, peek, setPeek, look, goOn, goBack } = usePages(
    item,
    place,
    moves ? (by) => movedBy(state, item, place, by, press) : null,
  );
  const shownIndex = (place?.index ?? 0) + peek;
  const passage = item?.passages[shownIndex];
  const sheet = sheets.find(({ id }) => id === passage?.id);
  const nextIndex = peek === 0 ? (place?.next ?? null) : shownIndex + 1;
  const next = nextIndex === null ? undefined : item?.passages[nextIndex];
  useClick(settings.click, place);
  const left = settings.hand === "left";
  return (
    <>
      <TopLine live={live} item={item} part={part} sheet={sheet} onOpen={onOpen}>
        {sheet && item?.versionId && live.role !== "viewer" && live.role !== "nobody" && (
          <OwnNote
            key={sheet.id}
            live={live}
            line={line}
            versionId={item.versionId}
            useId={sheet.id.split(" ")[0]!}
          />
        )}
      </TopLine>
      {place && passage && item && (place.phase !== "ended" || peek !== 0) ? (
        <>
          <WhereWeAre item={item} place={place} passage={passage} peek={peek} next={next} />
          <div style={{ "--stage-size": SIZES[settings.size] } as React.CSSProperties} className="contents">
            {sheet ? (
              <SongNow
                sheet={sheet}
                sheets={sheets}
                passages={item.passages}
                place={place}
                stretch={state.transport.stretch}
                settings={settings}
                part={part!}
                tick={peek === 0 && place.phase !== "waiting" ? place.tick : null}
                box={box}
                onLook={look}
                left={left}
              />
            ) : (
              <p className="flex-1 pt-8 text-3xl">
                {live.pack === null ? "Your part is on its way…" : "You don’t play in this song."}
              </p>
            )}
          </div>
          {sheet && <FeetStrip sheet={sheet} />}
        </>
      ) : (
        <BetweenSongs item={item} isOver={place !== null} state={state} live={live} />
      )}
      <nav
        aria-label="Go through the song"
        className={`mt-2 flex items-stretch gap-3 ${left ? "flex-row-reverse" : ""}`}
      >
        <button type="button" className="btn btn-lg" onClick={goBack}>
          Back
        </button>
        {peek !== 0 ? (
          <button
            type="button"
            className="btn btn-lg flex-1 border-primary text-xl"
            onClick={() => setPeek(0)}
          >
            You are looking {peek > 0 ? "ahead" : "back"}. To where everybody is
          </button>
        ) : (
          <NextStrip
            next={next ? (sheets.find(({ id }) => id === next.id) ?? plainSheet(next)) : null}
            more={false}
            ended={place !== null && place.phase !== "ended" && !next}
          />
        )}
        <button type="button" className="btn btn-lg btn-primary" onClick={goOn}>
          On
        </button>
      </nav>
      {leads && live.line !== "alone" && <LeadBar state={state} item={item} place={place} press={press} />}
      {leads && <LeadKeys item={item} state={state} place={place} press={press} />}
    </>
  );
}

/** What On and Back do where they move more than the page: everybody, or this screen while it is alone. */
function movedBy(
  state: LiveState,
  item: LiveItem | null,
  place: Place | null,
  by: 1 | -1,
  press: (act: LeaderAct) => void,
): void {
  const act = pedalAct(state, item, place, by);
  if (act) press(act);
}

/**
 * On and Back of one screen: lines that don't fit come first, then a look at the sections around. What everybody does
 * brings the screen back.
 * @param move where they move the music instead
 */
function usePages(item: LiveItem | null, place: Place | null, move: ((by: 1 | -1) => void) | null) {
  const box = useRef<HTMLElement>(null);
  const [peek, setPeek] = useState(0);
  const here = `${item?.id} ${place?.index}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another section is looked at from its top
  useEffect(() => {
    setPeek(0);
    box.current?.scrollTo(0, 0);
  }, [here]);
  const look = useCallback(() => {}, []);
  const goOn = useCallback(() => {
    const hidden = box.current && firstHiddenLine(box.current);
    if (move) move(1);
    else if (box.current && hidden) box.current.scrollTo(0, hidden.offsetTop - box.current.offsetTop);
    else if (item && place && place.index + peek + 1 < item.passages.length) {
      setPeek(peek + 1);
      box.current?.scrollTo(0, 0);
    }
  }, [move, item, place, peek]);
  const goBack = useCallback(() => {
    if (move) move(-1);
    else if (box.current && box.current.scrollTop > 0)
      box.current.scrollTo(0, Math.max(0, box.current.scrollTop - box.current.clientHeight + 140));
    else if (place && place.index + peek > 0) setPeek(peek - 1);
  }, [move, place, peek]);
  usePageKeys(goOn, goBack);
  return { box, peek, setPeek, look, goOn, goBack };
}

const LEAD_KEYS: Readonly<Record<string, LeaderAct["type"]>> = {
  h: "hold",
  g: "goOn",
  m: "repeat",
  l: "skip",
  s: "stop",
  u: "undo",
  n: "next",
};

/** The leader's letters: the same acts as the buttons. */
function LeadKeys({
  press,
}: {
  item: LiveItem | null;
  state: LiveState;
  place: Place | null;
  press: (act: LeaderAct) => void;
}) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      if (event.key === "c") return press({ type: "start", passage: null, countBars: 1 });
      const type = LEAD_KEYS[event.key.toLowerCase()];
      if (type) press({ type } as LeaderAct);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [press]);
  return null;
}

function TopLine({
  live,
  item,
  part,
  sheet,
  onOpen,
  children,
}: {
  live: Live;
  item: LiveItem | null;
  part: StagePart | null;
  sheet: StageSheet | undefined;
  onOpen: () => void;
  children: ReactNode;
}) {
  const name = live.people.find(({ person }) => person === live.person)?.name ?? "";
  return (
    <header className="flex flex-wrap items-center gap-x-5 text-lg max-sm:text-base">
      <h1 className="text-lg">
        {item?.title || (item ? KIND_WORDS[item.kind] : "")} · {name}
      </h1>
      {part && (
        <span className="max-sm:hidden">
          {part.instrument === "guitar"
            ? `${sayCapo(sheet?.capo ?? part.capo)}, shapes of ${pretty(sheet?.key ?? part.key)}`
            : `sounds in ${pretty(part.sounding)}`}
        </span>
      )}
      {children}
      <span className="ml-auto flex items-center gap-3">
        <span>{live.line === "step" ? "in step" : live.line === "alone" ? "on your own" : "…"}</span>
        <button type="button" className="btn btn-sm text-base" onClick={onOpen}>
          This screen
        </button>
        {live.role === "leader" && (
          <Link className="link" href="/" prefetch={false}>
            Leave
          </Link>
        )}
      </span>
    </header>
  );
}

const PHASE_WORDS: Readonly<Record<Place["phase"], string>> = {
  waiting: "not begun",
  counting: "counting in",
  playing: "",
  holding: "held",
  sign: "until the sign",
  stopped: "stopped",
  ended: "the song is over",
};

/** Bar and beat, how it stands, and how long until the next section. */
function WhereWeAre({
  item,
  place,
  passage,
  peek,
  next,
}: {
  item: LiveItem;
  place: Place;
  passage: LivePassage;
  peek: number;
  next: LivePassage | undefined;
}) {
  const words = PHASE_WORDS[place.phase];
  return (
    <div
      className="where-we-are"
      data-phase={place.phase}
      data-passage={item.passages[place.index]?.id}
      data-tick={Math.round(place.tick)}
    >
      <span className="text-2xl whitespace-nowrap">
        bar <strong className="inline-block min-w-[2ch] font-mono text-3xl">{place.bar}</strong>
      </span>
      <BeatRow place={place} />
      {words !== "" && <strong className="text-2xl whitespace-nowrap">{words}</strong>}
      {place.phase === "waiting" && item.note && <span className="text-xl">{item.note}</span>}
      <span className="ml-auto text-2xl whitespace-nowrap">
        {peek === 0 && place.phase !== "ended" && (
          <>
            <strong>{sayBarsLeft(place)}</strong>
            {next ? ` to ${next.label}` : " to the end"}
          </>
        )}
        {peek !== 0 && <strong>{passage.label}</strong>}
      </span>
    </div>
  );
}

function SongNow({
  sheet,
  sheets,
  passages,
  place,
  stretch,
  settings,
  part,
  tick,
  box,
  onLook,
  left,
}: {
  sheet: StageSheet;
  sheets: readonly StageSheet[];
  passages: readonly LivePassage[];
  place: Place;
  stretch: number;
  settings: StageSettings;
  part: StagePart;
  tick: number | null;
  box: React.RefObject<HTMLElement | null>;
  onLook: () => void;
  left: boolean;
}) {
  const isCues = settings.density === "cues";
  const rise = <CueRise {...{ sheets, passages, place, stretch, large: isCues }} />;
  useFollowLine(box, sheet, tick);
  return (
    <>
      <NowHead sheet={sheet} bars={false} />
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
            onScroll={onLook}
            // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keys
            tabIndex={0}
            aria-label={`${sheet.label}, words and chords`}
            data-density={settings.density}
            className="stage-sheet min-w-0 flex-1 overflow-y-auto"
          >
            <SheetLines sheet={sheet} beatsInBar={sheet.beatsInBar} tick={tick} />
          </section>
          <AsideOf sheet={sheet} leftHanded={part.leftHanded} />
        </div>
      )}
    </>
  );
}

/** Keeps the line that is played in sight, with the next one below it. */
function useFollowLine(
  box: React.RefObject<HTMLElement | null>,
  sheet: StageSheet,
  tick: number | null,
): void {
  const at = useMemo(
    () => (tick === null ? -1 : sheet.lines.findLastIndex(({ starts }) => (starts[0] ?? 0) <= tick + 1)),
    [sheet, tick],
  );
  useEffect(() => {
    const frame = box.current;
    const lines = frame?.querySelectorAll<HTMLElement>(".stage-line");
    const here = lines?.[at];
    if (!frame || !here || at < 0) return;
    const below = (lines[at + 1] ?? here).getBoundingClientRect().bottom;
    const { top, bottom } = frame.getBoundingClientRect();
    if (below > bottom + 2 || here.getBoundingClientRect().top < top - 2)
      frame.scrollTo(0, here.offsetTop - frame.offsetTop);
  }, [box, at]);
}

/** A section of which this player has no sheet, as far as the strip below shows it. */
const plainSheet = ({ id, label, kind, firstBar, bars }: LivePassage): StageSheet => ({
  id,
  label,
  kind,
  round: "",
  bars: bars.length,
  firstBar,
  light: 0,
  role: "support",
  note: "",
  line: null,
  how: [],
  otherwise: [],
  beatsInBar: 4,
  capo: 0,
  key: "",
  lines: [],
  shapes: [],
  feet: [],
  cues: [],
});

/** A talk, a prayer, a pause, or the end of a song; and what comes after it, with what this player gets ready for it. */
function BetweenSongs({
  item,
  isOver,
  state,
  live,
}: {
  item: LiveItem | null;
  isOver: boolean;
  state: LiveState;
  live: Live;
}) {
  const at = state.items.findIndex(({ id }) => id === item?.id);
  const song = state.items.slice(at + 1).find(({ kind }) => kind === "song");
  const part = live.pack?.songs.find(({ itemId }) => itemId === song?.id)?.part;
  return (
    <section className="flex flex-1 flex-col justify-center gap-6">
      <h2 className="text-5xl">
        {isOver ? "The song is over" : item?.title || (item && KIND_WORDS[item.kind])}
      </h2>
      {item?.note && !isOver && <p className="text-3xl">{item.note}</p>}
      {song ? (
        <div className="border-t-4 border-base-300 pt-4 text-3xl">
          <p>
            next <strong>{song.title}</strong>
          </p>
          {song.note && <p className="mt-2 text-2xl">{song.note}</p>}
          {live.pack && !part && <Ready>You don’t play in it.</Ready>}
          {part && (
            <Ready>
              {part.instrument === "guitar"
                ? `${sayCapo(part.capo)}, shapes of ${pretty(part.key)}`
                : `sounds in ${pretty(part.sounding)}`}
              {part.sheets[0] && (
                <>
                  {" "}
                  · begins with <SectionTag label={part.sheets[0].label} kind={part.sheets[0].kind} />
                </>
              )}
            </Ready>
          )}
        </div>
      ) : (
        <p className="text-3xl">That is the end of the evening.</p>
      )}
    </section>
  );
}

const Ready = ({ children }: { children: ReactNode }) => <p className="mt-2 text-2xl">{children}</p>;
