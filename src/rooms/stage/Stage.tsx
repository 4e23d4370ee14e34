"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { type ReactNode, useCallback, useEffect, useRef, useState } from "react";
import type { NamesChoice } from "@/core/song/names";
import type { SheetView } from "@/core/song/schema";
import type { StagePart } from "@/core/stage";
import { followDocument } from "@/document/client";
import { SHEET_WORDS } from "@/ui/pretty";
import { Tick } from "@/ui/Tick";
import { useReady } from "@/ui/use-ready";
import { PageNames } from "../names";
import { barOfLine, firstBarOf } from "./bar-of-line";
import { useKeepLit } from "./keep-lit";
import { usePageKeys } from "./page-keys";
import {
  AsideOf,
  FeetStrip,
  firstHiddenLine,
  NextStrip,
  NowHead,
  PhoneStrip,
  SheetLines,
} from "./StagePieces";
import { hasBoth, isTabSheet } from "./sheet-view";

type Props = {
  readonly part: StagePart;
  /** How names are told in it. */
  readonly names: NamesChoice;
  readonly title: string;
  readonly versionId: string;
  readonly revision: number;
};

/**
 * One player's stage: what is now as a full sheet, what is next as a folded strip. Going on first brings the
 * lines that do not fit yet, then the next section.
 */
export function Stage({ part, names, title, versionId, revision }: Props) {
  const ready = useReady();
  const [counts, setCounts] = useState(false);
  const [view, setView] = useState<SheetView>(part.sheet);
  const { sheet, look, more, hidden, here, goOn, goBack } = usePages(part, `${view} ${counts}`);
  const last = part.sheets.length - 1;
  const now = part.sheets[here];
  const next = part.sheets[here + 1];
  usePageKeys(goOn, goBack);
  useFollow(versionId, revision);
  useKeepLit();

  return (
    <main
      data-theme="stage"
      className="flex h-dvh flex-col overflow-hidden bg-base-100 px-5 py-3 text-base-content"
    >
      <TopLine
        part={part}
        names={names}
        title={title}
        versionId={versionId}
        now={now}
        where={part.sheets.length === 0 ? "" : `${here + 1} of ${part.sheets.length}`}
      >
        {part.sheets.some((one) => isTabSheet(one, view)) && (
          <Tick label="counts over tab" on={counts} onSet={setCounts} />
        )}
      </TopLine>
      {now ? (
        <>
          <NowHead sheet={now} />
          {part.sheets.some(hasBoth) && <ViewChoice view={view} onSet={setView} />}
          <PhoneStrip sheet={now} leftHanded={part.leftHanded} view={view} />
          <div className="flex min-h-0 flex-1 gap-4">
            <section
              ref={sheet}
              onScroll={look}
              // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keys
              tabIndex={0}
              aria-label={`${now.label}, words and chords`}
              className="stage-sheet min-w-0 flex-1 overflow-y-auto"
            >
              <SheetLines sheet={now} beatsInBar={now.beatsInBar} view={view} counts={counts} />
            </section>
            <AsideOf sheet={now} leftHanded={part.leftHanded} view={view} />
          </div>
        </>
      ) : (
        <p className="flex-1 pt-10 text-2xl">
          Nothing is played yet. Put sections in the form in the Song room.
        </p>
      )}
      {now && <FeetStrip sheet={now} />}
      <nav aria-label="Go through the song" className="mt-2 flex items-stretch gap-3">
        <button type="button" className="btn btn-lg" onClick={goBack} disabled={here === 0 && !more}>
          Back
        </button>
        <NextStrip
          next={more ? null : next}
          more={more}
          ended={now !== undefined && !next && !more}
          tab={
            hidden !== null && now && isTabSheet(now, view)
              ? barOfLine(now.line, hidden)
              : more
                ? null
                : firstBarOf(next, view)
          }
        />
        <button
          type="button"
          className="btn btn-lg btn-primary"
          onClick={goOn}
          disabled={!ready || (here === last && !more)}
        >
          On
        </button>
      </nav>
    </main>
  );
}

/** Which of three sheets is shown of a part with chords and a line. */
function ViewChoice({ view, onSet }: { view: SheetView; onSet: (view: SheetView) => void }) {
  return (
    <p className="flex items-center gap-2 text-lg">
      <span aria-hidden="true">Sheet</span>
      <select
        aria-label="Sheet"
        className="select w-52 text-lg"
        value={view}
        onChange={(event) => onSet(event.target.value as SheetView)}
      >
        {Object.entries(SHEET_WORDS).map(([one, words]) => (
          <option key={one} value={one}>
            {words}
          </option>
        ))}
      </select>
    </p>
  );
}

/**
 * Going through the sheets: the lines that do not fit yet come first, then the next section.
 * @param shown how sheets are shown: what fits is looked at anew when that changes
 */
function usePages(part: StagePart, shown: string) {
  const [at, setAt] = useState(0);
  const sheet = useRef<HTMLElement>(null);
  const [more, setMore] = useState(false);
  /** Where the first row of tab begins that is not in sight. */
  const [hidden, setHidden] = useState<number | null>(null);
  const last = part.sheets.length - 1;
  const here = Math.min(at, Math.max(0, last));

  const look = useCallback(() => {
    const box = sheet.current;
    setMore(box !== null && box.scrollHeight - box.clientHeight - box.scrollTop > 8);
    const from = box && firstHiddenLine(box)?.dataset.from;
    setHidden(from ? Number(from) : null);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new sheet is looked at from its top
  useEffect(() => {
    sheet.current?.scrollTo(0, 0);
    look();
    window.addEventListener("resize", look);
    return () => window.removeEventListener("resize", look);
  }, [here, look, part, shown]);

  const goOn = useCallback(() => {
    const box = sheet.current;
    const hidden = box && firstHiddenLine(box);
    if (box && hidden) {
      box.scrollTo(0, hidden.offsetTop - box.offsetTop);
      look();
    } else setAt(Math.min(here + 1, Math.max(0, last)));
  }, [here, last, look]);
  const goBack = useCallback(() => {
    const box = sheet.current;
    if (box && box.scrollTop > 0) {
      box.scrollTo(0, Math.max(0, box.scrollTop - box.clientHeight + 140));
      look();
    } else setAt(Math.max(0, here - 1));
  }, [here, look]);
  return { sheet, look, more, hidden, here, goOn, goBack };
}

type TopProps = Pick<Props, "part" | "names" | "title" | "versionId"> & {
  readonly now: StagePart["sheets"][number] | undefined;
  /** "2 of 7". */
  readonly where: string;
  /** How it is shown here. */
  readonly children?: ReactNode;
};

function TopLine({ part, names, title, versionId, now, where, children }: TopProps) {
  return (
    <header className="flex flex-wrap items-center gap-x-5 gap-y-1 text-lg max-sm:text-base">
      <h1 className="text-lg">
        {title} · {part.player}
      </h1>
      <span>{now?.hand ?? part.hand}</span>
      <span className="max-sm:hidden">
        {part.meter}, {part.bpm} a minute
      </span>
      <span className="ml-auto flex flex-wrap items-center gap-x-3">
        <span aria-live="polite">{where}</span>
        {children}
        <PageNames choice={names} />
        <Link className="link" href={`/song/${versionId}`} prefetch={false}>
          Leave
        </Link>
      </span>
    </header>
  );
}

/** Takes up what others change: the part is worked out anew on the server. */
function useFollow(versionId: string, revision: number): void {
  const router = useRouter();
  const seen = useRef(revision);
  seen.current = Math.max(seen.current, revision);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const unfollow = followDocument(versionId, seen.current, (edit) => {
      if (edit.revision <= seen.current) return;
      clearTimeout(timer);
      timer = setTimeout(() => router.refresh(), 150);
    });
    return () => {
      clearTimeout(timer);
      unfollow();
    };
  }, [versionId, router]);
}
