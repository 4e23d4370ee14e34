"use client";

import { useMemo, useState } from "react";
import { evidenceOf } from "@/core/evidence";
import { readSheet, versionOfSheet } from "@/core/formats";
import { batch, removalIn } from "@/core/song/edit";
import { keysOf, versionRow } from "@/core/song/read";
import type { Source, VersionBody } from "@/core/song/schema";
import { byOrder } from "@/document";
import { useAct, useCurrentVersion, useOpenSong, useRows, useWholeVersion } from "../open";
import { EvidenceChart, type Reading } from "./EvidenceChart";
import { fetchVersion, type ListedVersion } from "./fetch-version";
import { KIND_WORDS, NewSource } from "./NewSource";
import { SongTabs } from "./SongTabs";
import { Ways } from "./Ways";

const MOST_SOURCES = 4;

/** Several sources of the song laid against each other, what is in doubt, and what to listen to. */
export function EvidencePage({ versions }: { versions: readonly ListedVersion[] }) {
  const body = useWholeVersion();
  const { version } = useOpenSong();
  const [others, setOthers] = useState<readonly { id: string; name: string; body: VersionBody }[]>([]);
  const [problem, setProblem] = useState("");
  const sources = Object.values(body.sources).sort(byOrder);
  const own = versions.filter((one) => one.id !== version.id);
  const toggle = async (listed: ListedVersion) => {
    if (others.some((one) => one.id === listed.id)) {
      setOthers(others.filter((one) => one.id !== listed.id));
      return;
    }
    try {
      const fetched = await fetchVersion(listed.id);
      setOthers((before) => [...before, { id: listed.id, name: listed.name, body: fetched }]);
      setProblem("");
    } catch {
      setProblem(`“${listed.name}” can’t be fetched: the server doesn’t answer.`);
    }
  };
  const readings = useReadings(body, sources, others);
  return (
    <>
      <h1 className="sr-only">Evidence: sources compared</h1>
      <SongTabs />
      <p className="mb-4 max-w-3xl">
        Sheets, takes and ears disagree. Lay them against this version, bar by bar: where all agree nothing
        needs a look; where they don’t, listen to the bars listed and say what is right.
      </p>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[minmax(0,1fr)_22rem]">
        <div>
          {readings.length < 2 ? (
            <p className="rounded-box bg-base-200 p-4">
              Add a second source: paste another sheet of this song, or choose another version of it.
            </p>
          ) : (
            <EvidenceChart readings={readings} />
          )}
          <Ways body={body} />
        </div>
        <aside className="flex flex-col gap-4">
          <section aria-label="Sources" className="rounded-box bg-base-200 p-4">
            <h2 className="mb-2">Sources</h2>
            <ul className="flex flex-col gap-2">
              <li>
                <strong>{versionRow(body).name}</strong>, the version open here
              </li>
              {sources.map((source) => (
                <SourceRow
                  key={source.id}
                  source={source}
                  used={readings.some((one) => one.sourceId === source.id)}
                />
              ))}
              {own.map((listed) => (
                <li key={listed.id}>
                  <label className="flex items-center gap-2">
                    <input
                      type="checkbox"
                      className="checkbox checkbox-sm"
                      checked={others.some((one) => one.id === listed.id)}
                      onChange={() => toggle(listed)}
                    />
                    {listed.name}, another version
                  </label>
                </li>
              ))}
            </ul>
            {problem && (
              <p role="alert" className="text-error">
                {problem}
              </p>
            )}
          </section>
          <NewSource />
        </aside>
      </div>
    </>
  );
}

/** The version and every source with a text of its own, played out in the version's key. */
function useReadings(
  body: VersionBody,
  sources: readonly Source[],
  others: readonly { id: string; name: string; body: VersionBody }[],
): Reading[] {
  return useMemo(() => {
    const key = keysOf(body).sounding;
    const mine: Reading = {
      source: evidenceOf(body, versionRow(body).name),
      sourceId: null,
      name: versionRow(body).name,
    };
    const fromTexts = sources.flatMap((source): Reading[] => {
      if (source.text.trim() === "") return [];
      let count = 0;
      const sheet = readSheet(source.text);
      const made = versionOfSheet(sheet, { name: source.name, kind: source.kind }, () => `e${count++}`);
      return [{ source: evidenceOf(made, source.name, key), sourceId: source.id, name: source.name }];
    });
    const fromVersions = others.map(
      (other): Reading => ({
        source: evidenceOf(other.body, other.name, key),
        sourceId: null,
        name: other.name,
      }),
    );
    return [mine, ...fromTexts, ...fromVersions].slice(0, MOST_SOURCES);
  }, [body, sources, others]);
}

function SourceRow({ source, used }: { source: Source; used: boolean }) {
  const act = useAct();
  const current = useCurrentVersion();
  const count = Object.values(useRows("chords").chords).filter(
    (chord) => chord.sourceId === source.id,
  ).length;
  return (
    <li>
      <strong>{source.name}</strong>, {KIND_WORDS[source.kind]}
      <span className="block text-sm">
        {count > 0 && `${count === 1 ? "1 chord" : `${count} chords`} of this version from it. `}
        {used
          ? "Laid against this version."
          : source.text === ""
            ? "Its text is not kept."
            : "Four are laid at most."}{" "}
        <button
          type="button"
          className="link"
          onClick={() => act(batch("Remove a source", removalIn(current(), "sources", source.id)))}
        >
          Remove
        </button>
      </span>
    </li>
  );
}
