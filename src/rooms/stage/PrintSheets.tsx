"use client";

import Link from "next/link";
import { Fragment, type ReactNode, useState } from "react";
import { capital } from "@/base";
import type { NamesChoice } from "@/core/song/names";
import type { SheetView } from "@/core/song/schema";
import type { StagePart, StageSheet } from "@/core/stage";
import { BuildSection } from "@/ui/BuildSection";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { describeTime, ROLE_WORDS, SHEET_WORDS } from "@/ui/pretty";
import { SectionTag } from "@/ui/SectionTag";
import { StrumBars } from "@/ui/StrumBars";
import { SungLine } from "@/ui/SungLine";
import { TabLines } from "@/ui/TabLines";
import { Tick } from "@/ui/Tick";
import { PageNames } from "../names";
import { describeWait } from "./describe-wait";
import { shapesToHold } from "./shapes-to-hold";
import { hasBoth, hasShapes, isTabSheet } from "./sheet-view";
import { chordsOf, withCounts, wordsOf } from "./tab-words";

type Props = {
  readonly title: string;
  readonly by: string;
  readonly versionId: string;
  /** How names are told. */
  readonly names: NamesChoice;
  readonly parts: readonly { readonly id: string; readonly part: StagePart }[];
};

/** One clean sheet a player, for paper: shapes at the head, each section once, later times as a line. */
export function PrintSheets({ title, by, versionId, parts, names }: Props) {
  const [chosen, setChosen] = useState<string>("all");
  const [view, setView] = useState<SheetView | "">("");
  const [counts, setCounts] = useState(false);
  const shown = parts.filter(({ id }) => chosen === "all" || id === chosen);
  return (
    <main className="mx-auto max-w-4xl bg-white px-6 py-4 text-black">
      <header className="no-print mb-6 flex flex-wrap items-center gap-3 border-b pb-3">
        <h1 className="sr-only">Print {title}</h1>
        <Link className="link mr-auto" href={`/song/${versionId}`}>
          Back to the song
        </Link>
        <label className="flex items-center gap-2 whitespace-nowrap">
          Sheets of
          <select
            className="select select-sm"
            value={chosen}
            onChange={(event) => setChosen(event.target.value)}
          >
            <option value="all">every player</option>
            {parts.map(({ id, part }) => (
              <option key={id} value={id}>
                {part.player}
              </option>
            ))}
          </select>
        </label>
        {parts.some(({ part }) => part.sheets.some(hasBoth)) && (
          <select
            aria-label="Sheet"
            className="select select-sm w-52"
            value={view}
            onChange={(event) => setView(event.target.value as SheetView | "")}
          >
            <option value="">as each player has it</option>
            {Object.entries(SHEET_WORDS).map(([one, words]) => (
              <option key={one} value={one}>
                {words}
              </option>
            ))}
          </select>
        )}
        {parts.some(({ part }) => part.sheets.some(({ line }) => line !== null)) && (
          <Tick label="counts over tab" on={counts} onSet={setCounts} />
        )}
        <PageNames choice={names} />
        <button type="button" className="btn btn-primary btn-sm" onClick={() => window.print()}>
          Print
        </button>
      </header>
      {parts.length === 0 && <p>Nobody plays yet: a sheet stands here for each player.</p>}
      {shown.map(({ id, part }) => (
        <PrintSheet key={id} part={part} title={title} by={by} view={view || part.sheet} counts={counts} />
      ))}
    </main>
  );
}

/** @param children what stands between the shapes and the sections */
export function PrintSheet({
  part,
  title,
  by,
  view = "both",
  counts = false,
  children,
}: {
  part: StagePart;
  title: string;
  by: string;
  /** Which sheet of a part with chords and a line. */
  view?: SheetView;
  /** Whether what is counted stands above tab. */
  counts?: boolean;
  children?: ReactNode;
}) {
  const shapes = shapesToHold(
    part.sheets.filter((sheet) => sheet.capo === part.capo && hasShapes(sheet, view)),
  );
  const seen = new Map<string, string>();
  return (
    <article aria-label={`${title}, ${part.player}`} className="mb-10 break-after-page last:break-after-auto">
      <h2 className="text-2xl">
        {title} <span className="font-normal">for {part.player}</span>
      </h2>
      <p>
        {by && `${by}. `}
        {capital(part.hand)}. {part.meter}, {part.bpm} a minute, {describeTime(part.seconds)}.
      </p>
      <ul className="my-3 flex flex-wrap gap-3">
        {shapes.map((shape) => (
          <li key={`${shape.name} ${shape.frets.join()}`} className="max-w-40 text-center">
            <span className="font-mono font-bold">{shape.name}</span>
            <ChordDiagram
              shape={shape}
              name={shape.name}
              capo={part.capo}
              leftHanded={part.leftHanded}
              className="mx-auto h-20 text-black [--color-base-100:#fff]"
            />
            {shape.really !== null && <span className="block text-sm">is {shape.really}</span>}
            {shape.where !== null && <span className="block text-sm">{shape.where}</span>}
          </li>
        ))}
      </ul>
      {part.feet?.looper?.build && (
        <BuildSection build={part.feet.looper.build} className="my-3 border-t pt-2" />
      )}
      {children}
      {part.sheets.map((sheet) => {
        const content = JSON.stringify([sheet.lines, sheet.capo, sheet.strum?.patterns, sheet.line?.notes]);
        // Of nothing there is nothing to be as before.
        const before = sheet.lines.length > 0 || sheet.strum ? seen.get(content) : undefined;
        if (before === undefined) seen.set(content, sheet.label);
        return (
          <PrintPassage
            key={sheet.id}
            sheet={sheet}
            part={part}
            again={before !== undefined}
            view={view}
            counts={counts}
          />
        );
      })}
    </article>
  );
}

function PrintPassage({
  sheet,
  part,
  again,
  view,
  counts,
}: {
  sheet: StageSheet;
  part: StagePart;
  again: boolean;
  view: SheetView;
  counts: boolean;
}) {
  return (
    <section className="mt-3 break-inside-avoid">
      <h3 className="flex flex-wrap items-baseline gap-x-3">
        <SectionTag label={sheet.label} kind={sheet.kind} />
        {sheet.round && <span className="text-sm">{sheet.round}</span>}
        <span className="text-sm">
          {sheet.bars} bars; {ROLE_WORDS[sheet.role]}
          {sheet.optional && ", may be left out"}
          {describeWait(sheet) && `; ${describeWait(sheet)}`}
          {sheet.note && `: ${sheet.note}`}
          {sheet.how.length > 0 && `; ${sheet.how.join("; ")}`}
          {sheet.capo !== part.capo && `; here ${sheet.hand}`}
          {again && "; as before"}
        </span>
      </h3>
      {sheet.otherwise.length > 0 && (
        <p className="text-sm font-bold first-letter:uppercase">{sheet.otherwise.join("; ")}</p>
      )}
      {sheet.drawn.length > 0 && <p className="text-sm first-letter:uppercase">{sheet.drawn.join("; ")}</p>}
      {sheet.strum && !again && !(hasBoth(sheet) && view === "line") && (
        <div className="flex flex-wrap items-center gap-x-6 text-black [--color-base-content:#000]">
          {sheet.strum.patterns.map(({ drawn, when }) => (
            <Fragment key={when}>
              {when !== "" && <span className="text-sm">{when}</span>}
              <StrumBars drawn={drawn} />
            </Fragment>
          ))}
        </div>
      )}
      {sheet.line && !again && !(hasBoth(sheet) && view === "chords") && (
        <div className="text-sm text-black [--color-base-100:#fff] [--color-base-content:#000]">
          <TabLines
            line={withCounts(sheet.line, counts)}
            size="print"
            over={chordsOf(sheet)}
            under={isTabSheet(sheet, view) ? wordsOf(sheet) : []}
            fold
          />
        </div>
      )}
      {!again &&
        !isTabSheet(sheet, view) &&
        sheet.lines.map((line) => (
          <SungLine key={line.id} className="mt-1" pieces={line.pieces} beatsInBar={sheet.beatsInBar} />
        ))}
    </section>
  );
}
