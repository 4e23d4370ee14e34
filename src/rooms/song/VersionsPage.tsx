"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { call, exportVersion, placeOf, startVersion } from "@/api";
import { set } from "@/core/song/edit";
import { versionRow } from "@/core/song/read";
import type { VersionBody } from "@/core/song/schema";
import { TextField } from "@/ui/TextField";
import { useReady } from "@/ui/use-ready";
import { useAct, useNames, useOpenSong, useRows } from "../open";
import { Compare } from "./CompareVersions";
import { fetchVersion, type ListedVersion } from "./fetch-version";
import { History } from "./History";
import { SongTabs } from "./SongTabs";

/** The versions of a song: start one from another, lay two side by side, go back in time. */
export function VersionsPage({ versions }: { versions: readonly ListedVersion[] }) {
  const { version } = useOpenSong();
  const row = versionRow(useRows("version"));
  const namer = useNames()();
  const act = useAct();
  const [other, setOther] = useState<{ listed: ListedVersion; body: VersionBody } | null>(null);
  const [problem, setProblem] = useState("");
  const compare = async (listed: ListedVersion) => {
    setProblem("");
    try {
      setOther({ listed, body: await fetchVersion(listed.id) });
    } catch {
      setProblem(`“${listed.name}” can’t be fetched: the server doesn’t answer. Nothing was changed.`);
    }
  };
  return (
    <>
      <h1 className="sr-only">Versions and history</h1>
      <SongTabs />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="flex flex-col gap-5">
          <section aria-label="Versions">
            <h2 className="mb-2">Versions</h2>
            <ul className="flex flex-col">
              {versions.map((listed) => (
                <li
                  key={listed.id}
                  className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-300 py-2"
                >
                  {listed.id === version.id ? (
                    <TextField
                      label="Name of this version"
                      hideLabel
                      value={row.name}
                      required
                      longest={80}
                      className="w-56"
                      onSet={(name) => act(set("version", row.id, { name }))}
                    />
                  ) : (
                    <Link className="link w-56 font-bold" href={`/song/${listed.id}`}>
                      {listed.name}
                    </Link>
                  )}
                  <span className="text-sm">
                    {namer.keyNamed(listed.id === version.id ? row.key : listed.key)},{" "}
                    {listed.id === version.id ? row.bpm : listed.bpm} a minute
                  </span>
                  {listed.id === version.id ? (
                    <span className="text-sm">open here</span>
                  ) : (
                    <button type="button" className="btn btn-sm" onClick={() => compare(listed)}>
                      Compare with this one
                    </button>
                  )}
                </li>
              ))}
            </ul>
            {problem && (
              <p role="alert" className="text-error">
                {problem}
              </p>
            )}
            <NewVersion from={version.id} name={row.name} />
          </section>
          {other && (
            <Compare
              key={other.listed.id}
              name={other.listed.name}
              theirs={other.body}
              onClose={() => setOther(null)}
            />
          )}
          <Export versionId={version.id} />
        </div>
        <History />
      </div>
    </>
  );
}

function NewVersion({ from, name }: { from: string; name: string }) {
  const router = useRouter();
  const ready = useReady();
  const [text, setText] = useState("");
  const [problem, setProblem] = useState("");
  const make = async () => {
    setProblem("");
    const made = await call(startVersion, { sent: { from, name: text } });
    if (made.ok) router.push(`/song/${made.answer.versionId}`);
    else if (made.status === "away") setProblem("The server can’t be reached. Nothing was changed.");
    else setProblem(`The ${made.path} ${made.message}.`);
  };
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void make();
      }}
    >
      <label className="flex flex-col gap-1 text-sm">
        A new version, started from {name}
        <input
          className="input input-sm w-56"
          placeholder="Two guitars"
          value={text}
          maxLength={80}
          readOnly={!ready}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-sm" disabled={!ready || text.trim() === ""}>
        Start it
      </button>
      {problem && (
        <span role="alert" className="text-sm text-error">
          {problem}
        </span>
      )}
    </form>
  );
}

function Export({ versionId }: { versionId: string }) {
  const [losses, setLosses] = useState<readonly { what: string; text: string }[] | null>(null);
  const look = async () => {
    const written = await call(exportVersion, { params: { id: versionId }, sent: { losses: "" } });
    setLosses(written.ok ? written.answer.losses : null);
  };
  return (
    <section aria-label="Write it out">
      <h2 className="mb-1">Write it out as ChordPro</h2>
      <p className="flex flex-wrap items-center gap-4">
        <a className="btn btn-sm" href={placeOf(exportVersion, { params: { id: versionId } })} download>
          Save as a ChordPro file
        </a>
        <button type="button" className="link text-sm" onClick={look}>
          What can’t such a file hold?
        </button>
      </p>
      {losses && (
        <ul className="mt-2 list-disc pl-5 text-sm">
          {losses.length === 0 && <li>It holds all of this version.</li>}
          {losses.map((loss, index) => (
            <li key={`${loss.what} ${index}`}>
              {loss.what}
              {loss.text && `: ${loss.text}`}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
