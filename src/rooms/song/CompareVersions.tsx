"use client";

import { useMemo } from "react";
import { useStore } from "zustand";
import { compareVersions } from "@/core/song/compare";
import { type OutlineLine, versionRow } from "@/core/song/read";
import type { VersionBody } from "@/core/song/schema";
import { piecesOf } from "@/ui/pieces";
import { SectionTag } from "@/ui/SectionTag";
import { SungLine } from "@/ui/SungLine";
import { windowNames } from "../names";
import { makeId, nameBy, namesBy, useAct, useNames, useWholeVersion } from "../open";

/** This version and another side by side: what differs in words, each to be taken over on its own. */
export function Compare({
  name,
  theirs,
  onClose,
}: {
  name: string;
  theirs: VersionBody;
  onClose: () => void;
}) {
  const mine = useWholeVersion();
  const act = useAct();
  const names = useNames();
  const found = useMemo(
    () => compareVersions(mine, theirs, makeId, (symbol) => names().readSounding(symbol)),
    [mine, theirs, names],
  );
  return (
    <section aria-label={`Compared with ${name}`}>
      <header className="mb-2 flex flex-wrap items-center gap-3">
        <h2>
          {versionRow(mine).name} beside {name}
        </h2>
        <button type="button" className="link ml-auto text-sm" onClick={onClose}>
          Close
        </button>
      </header>
      {found.differences.length === 0 ? (
        <p className="rounded-box bg-base-200 p-3">The two are the same.</p>
      ) : (
        <ul aria-label="Differences" className="mb-4 flex flex-col">
          {found.differences.map((one) => (
            <li key={one.id} className="flex flex-wrap items-center gap-3 border-b border-base-300 py-1">
              <strong className="w-48">{one.where}</strong>
              <span className="min-w-0 flex-1">{one.words}</span>
              {one.take && (
                <button type="button" className="btn btn-sm" onClick={() => one.take && act(one.take)}>
                  Take it over
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {found.sections.map((pair) => {
        const section = (pair.a ?? pair.b)!.section;
        const differing = pair.lines.filter((line) => !line.same);
        if (differing.length === 0) return null;
        return (
          <div key={section.id} className="mb-4">
            <SectionTag label={section.label} kind={section.kind} />
            {differing.map((line, index) => (
              <div
                key={`${line.a?.line.id} ${line.b?.line.id} ${index}`}
                className="mt-1 grid gap-x-6 border-l-4 border-warning pl-3 md:grid-cols-2"
              >
                <Side line={line.a} body={mine} empty="not here" />
                <Side line={line.b} body={found.theirs} empty="not there" />
              </div>
            ))}
          </div>
        );
      })}
    </section>
  );
}

function Side({ line, body, empty }: { line: OutlineLine | null; body: VersionBody; empty: string }) {
  const version = versionRow(body);
  const choice = useStore(windowNames);
  const nameOf = useMemo(() => nameBy(namesBy(choice, body)()), [choice, body]);
  if (!line) return <p className="text-sm italic">{empty}</p>;
  return (
    <SungLine beatsInBar={version.meterBeats} pieces={piecesOf(line, undefined, version.beatUnit, nameOf)} />
  );
}
