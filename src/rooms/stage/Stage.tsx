"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { pretty, ROLE_WORDS, sayCapo } from "@/ui/pretty";
import { SectionTag } from "@/ui/SectionTag";
import { SungLine } from "@/ui/SungLine";
import { TabLines } from "@/ui/TabLines";
import { useReady } from "@/ui/use-ready";
import { Wick } from "@/ui/Wick";
import { followDocument } from "../document/live";
import type { StagePart, StageSheet } from "./stage-sheets";

type Props = {
  readonly part: StagePart;
  readonly title: string;
  readonly versionId: string;
  readonly revision: number;
};

const ON = new Set(["ArrowRight", " ", "PageDown"]);
const BACK = new Set(["ArrowLeft", "PageUp"]);

/**
 * One player's stage: what is now as a full sheet, what is next as a folded strip. Going on first brings the
 * lines that do not fit yet, then the next section.
 */
export function Stage({ part, title, versionId, revision }: Props) {
  const ready = useReady();
  const [at, setAt] = useState(0);
  const sheet = useRef<HTMLElement>(null);
  const [more, setMore] = useState(false);
  const last = part.sheets.length - 1;
  const here = Math.min(at, Math.max(0, last));
  const now = part.sheets[here];
  const next = part.sheets[here + 1];

  const look = useCallback(() => {
    const box = sheet.current;
    setMore(box !== null && box.scrollHeight - box.clientHeight - box.scrollTop > 8);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new sheet is looked at from its top
  useEffect(() => {
    sheet.current?.scrollTo(0, 0);
    look();
    window.addEventListener("resize", look);
    return () => window.removeEventListener("resize", look);
  }, [here, look, part]);

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

  // With the drawing, not after it: a press that comes as soon as the sheet is seen must not be lost.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (ON.has(event.key)) goOn();
      else if (BACK.has(event.key)) goBack();
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [goOn, goBack]);
  useFollow(versionId, revision);
  useWakeLock();

  return (
    <main
      data-theme="stage"
      className="flex h-dvh flex-col overflow-hidden bg-base-100 px-5 py-3 text-base-content"
    >
      <header className="flex flex-wrap items-center gap-x-5 gap-y-1 text-lg max-sm:text-base">
        <h1 className="text-lg">
          {title} · {part.player}
        </h1>
        <span>
          {part.instrument === "guitar"
            ? `${sayCapo(now?.capo ?? part.capo)}, shapes of ${pretty(now?.key ?? part.key)}`
            : `sounds in ${pretty(part.sounding)}`}
        </span>
        <span className="max-sm:hidden">
          {part.meter}, {part.bpm} a minute
        </span>
        <span className="ml-auto flex items-center gap-3">
          <span aria-live="polite">
            {part.sheets.length === 0 ? "" : `${here + 1} of ${part.sheets.length}`}
          </span>
          <Link className="link" href={`/song/${versionId}`} prefetch={false}>
            Leave
          </Link>
        </span>
      </header>
      {now ? (
        <>
          <NowHead sheet={now} />
          <div className="flex min-h-0 flex-1 gap-4">
            <section
              ref={sheet}
              onScroll={look}
              // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keys
              tabIndex={0}
              aria-label={`${now.label}, words and chords`}
              className="stage-sheet min-w-0 flex-1 overflow-y-auto"
            >
              <SheetLines sheet={now} beatsInBar={now.beatsInBar} />
            </section>
            {now.line && now.shapes.length === 0 && (
              <aside aria-label="The line" className="w-96 shrink-0 overflow-y-auto max-md:hidden">
                <TabLines {...now.line} />
              </aside>
            )}
            {now.shapes.length > 0 && (
              <ul
                aria-label="Shapes"
                className="grid w-64 shrink-0 grid-cols-2 content-start gap-x-2 gap-y-3 overflow-y-auto max-md:hidden"
              >
                {now.shapes.map((shape) => (
                  <li key={shape.name} className="text-center">
                    <span className="font-mono text-2xl font-bold">{pretty(shape.name)}</span>
                    <ChordDiagram
                      shape={shape}
                      name={shape.name}
                      capo={now.capo}
                      leftHanded={part.leftHanded}
                      className="mx-auto w-full"
                    />
                    {shape.really !== null && <span className="text-lg">is {pretty(shape.really)}</span>}
                  </li>
                ))}
              </ul>
            )}
          </div>
        </>
      ) : (
        <p className="flex-1 pt-10 text-2xl">
          Nothing is played yet. Put sections in the form in the Song room.
        </p>
      )}
      {now && now.feet.length > 0 && (
        <ul
          aria-label="Feet and cues"
          className="mt-1 flex flex-wrap gap-x-6 gap-y-1 border-t-4 border-primary pt-1 text-xl max-sm:text-base"
        >
          {now.feet.map((press, at) => (
            <li key={at}>
              <strong>{press.text}</strong> bar {press.bar} {press.words}
            </li>
          ))}
        </ul>
      )}
      <nav aria-label="Go through the song" className="mt-2 flex items-stretch gap-3">
        <button type="button" className="btn btn-lg" onClick={goBack} disabled={here === 0 && !more}>
          Back
        </button>
        <NextStrip next={more ? null : next} more={more} ended={now !== undefined && !next && !more} />
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

function NowHead({ sheet }: { sheet: StageSheet }) {
  return (
    <div className="my-1 flex flex-wrap items-center gap-x-4">
      <h2 className="text-3xl max-sm:text-2xl">
        <SectionTag label={sheet.label} kind={sheet.kind} />
      </h2>
      {sheet.round && <span className="text-2xl">{sheet.round}</span>}
      <Wick light={sheet.light} carries={sheet.role === "carry"} />
      <span className="text-2xl max-sm:text-lg">
        {ROLE_WORDS[sheet.role]}
        {sheet.note && `: ${sheet.note}`}
      </span>
      {sheet.how.length > 0 && <span className="text-xl max-sm:text-base">{sheet.how.join(" · ")}</span>}
      <span className="ml-auto text-xl max-sm:hidden">
        {sheet.bars} bars from bar {sheet.firstBar}
      </span>
      {sheet.otherwise.length > 0 && (
        <span className="w-full text-2xl font-bold max-sm:text-lg">
          {sheet.otherwise.map(pretty).join(" · ")}
        </span>
      )}
    </div>
  );
}

function SheetLines({ sheet, beatsInBar }: { sheet: StageSheet; beatsInBar: number }) {
  if (sheet.lines.length === 0) return <p className="text-3xl">No lines in this section.</p>;
  return sheet.lines.map((line) => (
    <SungLine key={line.id} className="stage-line" pieces={line.pieces} beatsInBar={beatsInBar} />
  ));
}

/** What comes next, folded: its name, its first chords, whether the player is in. */
function NextStrip({
  next,
  more,
  ended,
}: {
  next: StageSheet | null | undefined;
  more: boolean;
  ended: boolean;
}) {
  const chords =
    next?.lines
      .flatMap((line) => line.pieces.flatMap((piece) => (piece.name === null ? [] : [piece.name])))
      .slice(0, 6) ?? [];
  return (
    <div
      className="flex min-w-0 flex-1 items-center gap-4 overflow-hidden rounded-field border-t-4 border-base-300 bg-base-200 px-4 text-2xl whitespace-nowrap max-sm:text-base"
      aria-live="polite"
    >
      {more && <span>more lines of this section</span>}
      {ended && <span>the end</span>}
      {next && (
        <>
          <span className="text-base">next</span>
          <SectionTag label={next.label} kind={next.kind} />
          <span className="font-mono font-bold">{chords.map(pretty).join("  ")}</span>
          <span className="text-lg">{next.role === "out" ? "you stay out" : next.note}</span>
        </>
      )}
    </div>
  );
}

const firstHiddenLine = (box: HTMLElement): HTMLElement | null => {
  const foot = box.getBoundingClientRect().bottom;
  if (box.scrollHeight - box.clientHeight - box.scrollTop <= 8) return null;
  return (
    [...box.querySelectorAll<HTMLElement>(".stage-line")].find(
      (line) => line.getBoundingClientRect().bottom > foot + 2,
    ) ?? null
  );
};

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

/** Keeps the screen lit while the stage is open, where the browser can. */
function useWakeLock(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let ended = false;
    const ask = async () => {
      try {
        if (document.visibilityState === "visible")
          lock = (await navigator.wakeLock?.request("screen")) ?? null;
        if (ended) await lock?.release();
      } catch {
        // A browser that refuses only lets the screen sleep.
      }
    };
    void ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      ended = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release().catch(() => {});
    };
  }, []);
}
