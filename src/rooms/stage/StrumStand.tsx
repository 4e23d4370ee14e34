"use client";

import Link from "next/link";
import { useCallback, useEffect, useState } from "react";
import { useStore } from "zustand";
import { idOfUse, type StagePart, type StagePattern, type StageSheet, type StageStrum } from "@/core/stage";
import { SectionTag } from "@/ui/SectionTag";
import { StrumBars } from "@/ui/StrumBars";
import { useReady } from "@/ui/use-ready";
import { hearing, hear as hearScore, hush, scoreOfPattern } from "../hear";
import { useKeepLit } from "./keep-lit";
import { usePageKeys } from "./page-keys";
import { useStrokeNow } from "./use-stroke-now";

/** How much slower it can be practised, in hundredths of the song's tempo. */
const SPEEDS = [50, 60, 70, 80, 90, 100] as const;
/** Times round it is heard at most before it stops by itself. */
const ROUNDS = 40;

type Props = {
  readonly part: StagePart;
  readonly title: string;
  readonly versionId: string;
  /** The section to begin with; null is the first. */
  readonly useId: string | null;
};

type Strummed = StageSheet & { readonly strum: StageStrum };

/** The strums of a part as wide as the screen, one section at a time; heard slowly, with the stroke that sounds lit. */
export function StrumStand({ part, title, versionId, useId }: Props) {
  const sheets = strummedIn(part);
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      sheets.findIndex(({ id }) => idOfUse(id) === useId),
    ),
  );
  const ready = useReady();
  useKeepLit();
  const here = Math.min(at, Math.max(0, sheets.length - 1));
  const last = sheets.length - 1;
  const goOn = useCallback(() => setAt(Math.min(here + 1, last)), [here, last]);
  const goBack = useCallback(() => setAt(Math.max(here - 1, 0)), [here]);
  usePageKeys(goOn, goBack);
  const sheet = sheets[here];
  return (
    <main data-theme="stage" className="flex min-h-dvh flex-col bg-base-100 px-5 py-3 text-base-content">
      <header className="flex flex-wrap items-center gap-x-5 text-lg">
        <h1 className="text-lg">
          {title} · {part.player}
        </h1>
        <span className="ml-auto flex items-center gap-4">
          {sheets.length > 0 && (
            <span aria-live="polite">
              {here + 1} of {sheets.length}
            </span>
          )}
          <Link className="link" href={`/song/${versionId}/parts`} prefetch={false}>
            Leave
          </Link>
        </span>
      </header>
      {sheet ? (
        <BigStrum key={sheet.id} sheet={sheet} />
      ) : (
        <p className="flex-1 pt-10 text-2xl">No strum is played in this part: choose one in Parts.</p>
      )}
      <nav aria-label="Go through the sections" className="mt-2 flex items-stretch gap-3">
        <button type="button" className="btn btn-lg" onClick={goBack} disabled={here === 0}>
          Back
        </button>
        <span className="flex flex-1 items-center gap-4 bg-base-200 px-4 text-xl">
          {sheets[here + 1] && (
            <>
              <span className="text-base">next</span>
              <SectionTag label={sheets[here + 1]!.label} kind={sheets[here + 1]!.kind} />
            </>
          )}
        </span>
        <button
          type="button"
          className="btn btn-lg btn-primary"
          onClick={goOn}
          disabled={!ready || here >= last}
        >
          On
        </button>
      </nav>
    </main>
  );
}

/** Sections with a strum, each use once. */
function strummedIn({ sheets }: StagePart): Strummed[] {
  const seen = new Set<string>();
  return sheets.flatMap((sheet) => {
    const use = idOfUse(sheet.id);
    if (!sheet.strum || seen.has(use)) return [];
    seen.add(use);
    return [{ ...sheet, strum: sheet.strum }];
  });
}

/** Rows there are, and how wide a place of them may be, px: few bars are drawn larger. */
const stepFor = (bars: number): number => (bars <= 1 ? 140 : bars === 2 ? 96 : 64);

function BigStrum({ sheet }: { sheet: Strummed }) {
  const [speed, setSpeed] = useState<number>(100);
  const { playing, since, problem } = useStore(hearing);
  useEffect(() => hush, []);
  const { patterns, tempo } = sheet.strum;
  const slowed = { ...tempo, bpm: (tempo.bpm * speed) / 100 };
  const sounding = patterns.find(({ when }) => playing === `strum ${when}`);
  const now = useStrokeNow(sounding?.pattern ?? null, slowed, since);
  const hear = ({ pattern, when }: StagePattern) =>
    void hearScore(`strum ${when}`, () => scoreOfPattern(pattern, slowed, ROUNDS));
  return (
    <section aria-label={`The strum of ${sheet.label}`} className="flex flex-1 flex-col gap-4 py-3">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
        <h2 className="text-3xl">
          <SectionTag label={sheet.label} kind={sheet.kind} />
        </h2>
        {sheet.how.length > 0 && <span className="text-xl">{sheet.how.join(" · ")}</span>}
        <label className="ml-auto flex items-center gap-2 text-lg whitespace-nowrap">
          Tempo
          <select
            className="select w-60 text-lg"
            value={speed}
            onChange={(event) => {
              hush();
              setSpeed(Number(event.target.value));
            }}
          >
            {SPEEDS.map((one) => (
              <option key={one} value={one}>
                {one} %: {Math.round((tempo.bpm * one) / 100)} a minute
              </option>
            ))}
          </select>
        </label>
      </div>
      {problem && (
        <p role="status" className="text-xl">
          {problem.text}
        </p>
      )}
      {patterns.map((one) => (
        <div key={one.when} className="flex flex-col gap-2">
          <p className="flex items-center gap-4 text-2xl">
            {one.when}
            <button
              type="button"
              className="btn btn-lg"
              aria-pressed={sounding === one}
              onClick={() => hear(one)}
            >
              {sounding === one ? "Stop" : "Hear it"}
            </button>
          </p>
          <StrumBars
            drawn={one.drawn}
            now={sounding === one ? now : null}
            step={stepFor(one.drawn.bars.length)}
            className="text-4xl"
          />
        </div>
      ))}
      <p className="mt-auto text-base">
        First on damped strings, slowly. Pain or numbness means stop and rest; if it stays, see a clinician.
      </p>
    </section>
  );
}
