import type { CSSProperties, ReactNode } from "react";
import {
  coldInstrumentOf,
  idOfUse,
  type LeaderAct,
  type LiveItem,
  type LivePassage,
  type LiveState,
  type Place,
  type StagePart,
  type StageSheet,
} from "@/core/stage";
import { firstBarOf } from "../bar-of-line";
import { FeetStrip, NextStrip } from "../StagePieces";

import { KIND_WORDS, pedalAct } from "./act-words";
import { BetweenSongs } from "./BetweenSongs";
import { useClick } from "./click";
import { LeadBar } from "./LeadBar";
import type { Live, LiveLine } from "./live-line";
import { OwnNote } from "./OwnNote";
import { SongNow } from "./SongNow";
import { SIZES, type StageSettings } from "./settings";
import { useLeadKeys } from "./use-lead-keys";
import { useNow } from "./use-live";
import { usePages } from "./use-pages";
import { WhereWeAre } from "./WhereWeAre";

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
  const { box, peek, setPeek, goOn, goBack } = usePages(
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
  useLeadKeys(leads, press, () => void line.markBar());
  const left = settings.hand === "left";
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
      {place && passage && item && (place.phase !== "ended" || peek !== 0) ? (
        <>
          <WhereWeAre item={item} place={place} passage={passage} peek={peek} next={next} />
          <div style={{ "--stage-size": SIZES[settings.size] } as CSSProperties} className="contents">
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
      <GoThrough left={left} onBack={goBack} onOn={goOn}>
        {peek !== 0 ? (
          <BackToAll peek={peek} onGo={() => setPeek(0)} />
        ) : (
          <NextStrip
            next={next ? (sheets.find(({ id }) => id === next.id) ?? plainSheet(next)) : null}
            more={false}
            ended={place !== null && place.phase !== "ended" && !next}
            tab={firstBarOf(
              sheets.find(({ id }) => id === next?.id),
              settings.view || part?.sheet || "both",
            )}
          />
        )}
      </GoThrough>
      {leads && live.line !== "alone" && (
        <LeadBar {...{ state, item, place, press }} onMark={() => void line.markBar()} />
      )}
    </>
  );
}

/** A note of one's own is a player's: who looks on or joins cold has none. */
const writesNotes = ({ role, person }: Live): boolean =>
  role !== "viewer" && role !== "nobody" && coldInstrumentOf(person ?? "") === null;

/** Back and On, on the side of the hand that presses them, around what comes next. */
function GoThrough({
  left,
  onBack,
  onOn,
  children,
}: {
  left: boolean;
  onBack: () => void;
  onOn: () => void;
  children: ReactNode;
}) {
  return (
    <nav
      aria-label="Go through the song"
      className={`mt-2 flex items-stretch gap-3 ${left ? "flex-row-reverse" : ""}`}
    >
      <button type="button" className="btn btn-lg" onClick={onBack}>
        Back
      </button>
      {children}
      <button type="button" className="btn btn-lg btn-primary" onClick={onOn}>
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
      {part && <span className="max-sm:hidden">{sheet?.hand ?? part.hand}</span>}
      {children}
      <span className="ml-auto flex items-center gap-3">
        <span>{live.line === "step" ? "in step" : live.line === "alone" ? "on your own" : "…"}</span>
        <button type="button" className="btn btn-sm text-base" onClick={onOpen}>
          This screen
        </button>
        {live.role === "leader" && (
          <a className="link" href="/">
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
