import { type ComponentType, type CSSProperties, type ReactNode, Suspense, useState } from "react";
import {
  idOfUse,
  isOnePerson,
  type LeaderAct,
  type LiveItem,
  type LivePassage,
  type LiveState,
  pedalAct,
  type StagePart,
  type StageSheet,
} from "@/core/stage";
import { barOfLine, firstBarOf } from "../bar-of-line";
import { isTabSheet } from "../sheet-view";
import { KIND_WORDS } from "./act-words";
import type { BetweenProps } from "./BetweenSongs";
import { useClick } from "./click";
import { OwnNote } from "./OwnNote";
import { SongNow } from "./SongNow";
import { BuildSection, FormMargin, LeadBar, LiveFeet } from "./seldom";
import { GATES, SIZES, type StageSettings } from "./settings";
import { FeetStrip } from "./sheet/FeetStrip";
import { NextStrip } from "./sheet/NextStrip";
import type { Live, StageLine } from "./stage-line";
import { useCuesNow } from "./use-cues-now";
import type { FootButton } from "./use-foot";
import { useLeadKeys } from "./use-lead-keys";
import { useNow } from "./use-live";
import { useOnce } from "./use-once";
import { usePages } from "./use-pages";
import { WhereWeAre } from "./WhereWeAre";

const NO_SHEETS: readonly StageSheet[] = [];
const NO_CHANGES: readonly string[] = [];

type Props = {
  readonly line: StageLine;
  readonly live: Live;
  readonly state: LiveState;
  readonly settings: StageSettings;
  readonly change: (fields: Partial<StageSettings>) => void;
  readonly press: (act: LeaderAct, ago?: number) => void;
  readonly onOpen: () => void;
  /** What stands between the songs and at the end. */
  readonly between: ComponentType<BetweenProps>;
};

/** A screen with somebody's part: what is now, what comes, and what this person does at it. */
export function OnStage({ line, live, state, settings, change, press, onOpen, between: Between }: Props) {
  const { itemId, stretch } = state.transport;
  const packed = live.pack?.songs.find((song) => song.itemId === itemId);
  const part = packed?.part ?? null;
  const sheets = part?.sheets ?? NO_SHEETS;
  const { item, place } = useNow(line, state, sheets);
  const cues = useCuesNow(item, place, sheets);
  const boxes = part?.feet ?? null;
  const [isFormOpen, setFormOpen] = useState(false);
  const isAlone = live.line === "alone";
  const isOwn = live.line === "own";
  const leads = isOwn || (settings.leads && live.role === "leader");
  const gateMs = GATES[settings.gate]!;
  const once = useOnce(press, gateMs);
  const moves = isAlone || isOwn || (leads && settings.pedals);
  const { box, peek, setPeek, hidden, look, button } = usePages(
    item,
    place,
    gateMs,
    moves
      ? {
          by: (by, ago) => {
            // Alone this screen turns for itself, at once.
            const act = pedalAct(state, item, place, by, isAlone ? "now" : settings.when);
            if (act) press(act, ago);
          },
          back: () => press({ type: "undo" }),
        }
      : null,
  );
  const shownIndex = (place?.index ?? 0) + peek;
  const passage = item?.passages[shownIndex];
  const sheet = sheets.find(({ id }) => id === passage?.id);
  const nextIndex = peek === 0 ? (place?.next ?? null) : shownIndex + 1;
  const next = nextIndex === null ? undefined : item?.passages[nextIndex];
  const nextSheet = sheets.find(({ id }) => id === next?.id);
  useClick(settings.click, place);
  const view = settings.view || part?.sheet || "both";
  useLeadKeys(leads, once, () => void line.markBar());
  const left = settings.hand === "left";
  const isPlayed = place !== null && passage !== undefined && (place.phase !== "ended" || peek !== 0);
  return (
    <>
      <TopLine live={live} item={item} part={part} sheet={sheet} onOpen={onOpen}>
        {sheet && item?.versionId && writesNotes(live) && (
          <OwnNote
            key={sheet.id}
            live={live}
            line={line}
            versionId={item.versionId}
            useId={idOfUse(sheet.id)}
          />
        )}
      </TopLine>
      <div className="flex min-h-0 flex-1 gap-4">
        {leads && !isAlone && item && (
          <Suspense fallback={<div className="form-margin" />}>
            <FormMargin
              {...{ state, item, place, settings, change, press: once }}
              isOpen={isFormOpen}
              onClose={() => setFormOpen(false)}
            />
          </Suspense>
        )}
        <div
          className="flex min-w-0 flex-1 flex-col"
          style={{ "--stage-size": SIZES[settings.size] } as CSSProperties}
        >
          {isPlayed && item ? (
            <>
              <WhereWeAre
                {...{ item, place, passage, peek, next }}
                changes={packed?.ready.changes ?? NO_CHANGES}
              />
              {place.phase === "waiting" && peek === 0 && boxes?.looper?.build && (
                <Suspense fallback={null}>
                  <BuildSection build={boxes.looper.build} className="stage-build" />
                </Suspense>
              )}
              {sheet ? (
                <SongNow
                  sheet={sheet}
                  sheets={sheets}
                  cues={cues}
                  passages={item.passages}
                  place={place}
                  stretch={stretch}
                  settings={settings}
                  part={part!}
                  tick={peek === 0 && place.phase !== "waiting" ? place.tick : null}
                  box={box}
                  onScroll={look}
                  left={left}
                />
              ) : (
                <p className="flex-1 pt-8 text-3xl">Your part is on its way…</p>
              )}
            </>
          ) : (
            <Suspense fallback={<div className="flex-1" />}>
              <Between item={item} isOver={place !== null} state={state} live={live} />
            </Suspense>
          )}
        </div>
      </div>
      {isPlayed && item && boxes ? (
        <Suspense fallback={<div className="live-feet-room" />}>
          <LiveFeet {...{ line, item, place, stretch, boxes, sheet }} />
        </Suspense>
      ) : (
        sheet && isPlayed && <FeetStrip sheet={sheet} />
      )}
      <div className="stage-foot">
        <GoThrough left={left} button={button}>
          {peek !== 0 ? (
            <BackToAll peek={peek} onGo={() => setPeek(0)} />
          ) : (
            <NextStrip
              next={hidden === null ? (nextSheet ?? (next ? plainSheet(next) : null)) : null}
              plays={part?.plays ?? false}
              more={hidden !== null}
              ended={place !== null && place.phase !== "ended" && !next && hidden === null}
              tab={
                hidden === null
                  ? firstBarOf(nextSheet, view)
                  : sheet && isTabSheet(sheet, view)
                    ? barOfLine(sheet.line, hidden)
                    : null
              }
            />
          )}
        </GoThrough>
        {leads && !isAlone && (
          <Suspense fallback={<div className="lead-bar min-h-14" />}>
            <LeadBar
              {...{ state, item, place, press: once }}
              onMark={() => void line.markBar()}
              onForm={() => setFormOpen(true)}
            />
          </Suspense>
        )}
      </div>
    </>
  );
}

/** A note of one's own is a player's: who looks on, reads along or joins cold has none. */
const writesNotes = ({ role, person }: Live): boolean =>
  role !== "viewer" && role !== "nobody" && person !== null && isOnePerson(person);

/** Back and On, on the side of the hand that presses them, around what comes next. */
function GoThrough({
  left,
  button,
  children,
}: {
  left: boolean;
  button: (key: "on" | "back") => FootButton;
  children: ReactNode;
}) {
  return (
    <nav
      aria-label="Go through the song"
      className={`mt-2 flex items-stretch gap-3 ${left ? "flex-row-reverse" : ""}`}
    >
      <button type="button" className="btn btn-lg touch-manipulation" {...button("back")}>
        Back
      </button>
      {children}
      <button type="button" className="btn btn-lg btn-primary touch-manipulation" {...button("on")}>
        On
      </button>
    </nav>
  );
}

const BackToAll = ({ peek, onGo }: { peek: number; onGo: () => void }) => (
  <button
    type="button"
    className="btn btn-lg h-auto min-w-0 flex-1 border-primary text-xl leading-tight max-sm:text-base"
    onClick={onGo}
  >
    You are looking {peek > 0 ? "ahead" : "back"}. To where everybody is
  </button>
);

const LINE_WORDS: Readonly<Record<Live["line"], string>> = {
  step: "in step",
  alone: "on your own",
  opening: "…",
  own: "",
};

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
  const name = live.people.find(({ person }) => person === live.person)?.name ?? part?.player ?? "";
  return (
    <header className="flex flex-wrap items-center gap-x-5 text-lg max-sm:flex-nowrap max-sm:gap-x-2 max-sm:text-sm">
      <h1 className="min-w-0 text-lg max-sm:flex-1 max-sm:truncate max-sm:text-base">
        {item?.title || (item ? KIND_WORDS[item.kind] : "")} · {name}
      </h1>
      {part?.plays && <span className="max-sm:hidden">{sheet?.hand ?? part.hand}</span>}
      {part && !part.plays && <span className="max-sm:hidden">you read along in this song</span>}
      {children}
      <span className="ml-auto flex shrink-0 items-center gap-3 max-sm:gap-2">
        <span className="max-sm:sr-only">{LINE_WORDS[live.line]}</span>
        <button
          type="button"
          aria-label="This screen"
          className="btn min-h-11 text-base max-sm:px-2 max-sm:text-sm"
          onClick={onOpen}
        >
          <span className="max-sm:hidden">This screen</span>
          <span className="sm:hidden">Screen</span>
        </button>
        {live.role === "leader" && (
          <a
            className="link inline-flex min-h-11 min-w-11 items-center justify-center"
            href={live.line === "own" ? `/song/${item?.versionId}` : "/"}
          >
            Leave
          </a>
        )}
      </span>
    </header>
  );
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
  strum: null,
  how: [],
  waits: null,
  standing: null,
  enters: 0,
  optional: false,
  otherwise: [],
  drawn: [],
  beatsInBar: 4,
  capo: 0,
  hand: "",
  lines: [],
  shapes: [],
  feet: [],
  cues: [],
});
