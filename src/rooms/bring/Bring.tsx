"use client";

import Link from "next/link";
import { type DragEvent, useRef, useState } from "react";
import { call, makeSong } from "@/api";
import type { Doubt } from "@/core/formats";

import { toBase64 } from "@/ui/base64";
import { useReady } from "@/ui/use-ready";
import { droppedFiles, gather, type Waiting } from "./gather";

/** How one file fared. */
type Outcome =
  | {
      readonly kind: "in";
      readonly title: string;
      readonly versionId: string;
      /** What should be looked at, and what was only guessed, as in any sheet without beats. */
      readonly looks: readonly string[];
      readonly notes: readonly string[];
      /** How doubtful its guessed beats are, 0 to 1. */
      readonly doubt: number;
    }
  | {
      readonly kind: "double";
      readonly title: string;
      readonly of: readonly { versionId: string; title: string }[];
    }
  | { readonly kind: "not"; readonly why: string };
type Entry = { readonly name: string; readonly outcome: Outcome; readonly file: Waiting | null };

const AT_ONCE = 4;

async function send(file: Waiting, double: boolean): Promise<Outcome> {
  const made = await call(makeSong, {
    sent: { name: file.name, base64: toBase64(file.bytes), double },
  });
  if (!made.ok) {
    if (made.status === "away")
      return { kind: "not", why: "The server can’t be reached. Try this file again when it answers." };
    const { refusal, message } = made;
    return refusal
      ? { kind: "double", title: refusal.title, of: refusal.doubles }
      : { kind: "not", why: message };
  }
  const { title, versionId, looks, guesses } = made.answer;
  const unsure = guesses.key ? ["The key is a guess from the chords."] : [];
  return {
    kind: "in",
    title,
    versionId,
    looks: [...looks, ...unsure],
    notes: guesses.reading ? [describeReading(guesses.reading)] : guesses.beats ? ["Beats are guessed."] : [],
    doubt: guesses.reading?.doubt ?? 0,
  };
}

/** Where a reading is this doubtful the song wants a look. */
const DOUBTFUL = 0.5;

const describeReading = ({ taken, other, doubt }: Doubt): string =>
  other !== null && doubt >= DOUBTFUL
    ? `Beats are guessed: ${taken}. About as likely: ${other}.`
    : `Beats are guessed: ${taken}.`;

/** How much a file wants a look: what was not taken most, then what was said of it, then doubtful beats. */
function needOf({ outcome }: Entry): number {
  if (outcome.kind === "not") return 4;
  if (outcome.kind === "double") return 3;
  return (outcome.looks.length > 0 ? 1 : 0) + (outcome.doubt >= DOUBTFUL ? outcome.doubt : 0);
}

/** Sends files one after the other, a few at once; what came of each is kept. */
function useBringing() {
  const [entries, setEntries] = useState<readonly Entry[]>([]);
  const [waiting, setWaiting] = useState(0);
  const [running, setRunning] = useState(false);
  const isStopped = useRef(false);

  const bring = async (chosen: readonly File[]) => {
    if (chosen.length === 0 || running) return;
    setRunning(true);
    isStopped.current = false;
    const { files, passed } = await gather(chosen);
    setEntries(passed.map(({ name, why }) => ({ name, outcome: { kind: "not", why }, file: null })));
    setWaiting(files.length);
    let next = 0;
    const work = async () => {
      while (next < files.length && !isStopped.current) {
        const file = files[next++]!;
        const outcome = await send(file, false);
        setEntries((before) => [...before, { name: file.name, outcome, file }]);
        setWaiting((before) => before - 1);
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, work));
    setRunning(false);
  };
  const takeAnyway = async (entry: Entry) => {
    if (!entry.file) return;
    const outcome = await send(entry.file, true);
    setEntries((before) => before.map((one) => (one === entry ? { ...entry, outcome } : one)));
  };
  return { entries, waiting, running, bring, takeAnyway, stop: () => (isStopped.current = true) };
}

/** Many files at once: chosen, a folder, or a zip. Nothing that stands on the shelf is changed. */
export function Bring() {
  const ready = useReady();
  const { entries, waiting, running, bring, takeAnyway, stop } = useBringing();
  const [shown, setShown] = useState<"all" | "look">("all");
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    void droppedFiles(event.dataTransfer).then(bring);
  };
  const count = (kind: Outcome["kind"]) => entries.filter((entry) => entry.outcome.kind === kind).length;
  const toLook = entries.filter((entry) => needOf(entry) > 0);
  const total = entries.length + waiting;
  return (
    <main
      className="mx-auto max-w-5xl px-4 py-6"
      onDragOver={(event) => event.preventDefault()}
      onDrop={onDrop}
    >
      <p className="mb-2">
        <Link className="link" href="/">
          Back to the shelf
        </Link>
      </p>
      <h1>Bring many files in</h1>
      <p className="mt-1 mb-4 max-w-3xl">
        Choose files, a whole folder, or a zip: chords over words, ChordPro, MusicXML and MIDI, mixed as they
        are. Each becomes a song; songs that stand on the shelf already are not taken twice.
      </p>
      <div className="flex flex-wrap gap-6">
        <Chooser label="Files or zips" ready={ready && !running} onChosen={bring} />
        <Chooser label="A folder" folder ready={ready && !running} onChosen={bring} />
      </div>
      {total > 0 && (
        <section aria-label="What came in" className="mt-6">
          <div className="mb-2 flex flex-wrap items-center gap-4">
            <progress
              className="progress progress-primary w-64"
              max={total}
              value={entries.length}
              aria-label="Read so far"
            />
            <p aria-live="polite" data-done={!running}>
              {entries.length} of {total} read: {count("in")} came in, {count("double")} there already,{" "}
              {count("not")} not taken.
            </p>
            {running && (
              <button type="button" className="btn btn-sm" onClick={stop}>
                Stop after these
              </button>
            )}
            {!running && waiting > 0 && <p>Stopped; {waiting} were not read.</p>}
          </div>
          <p className="mb-2">
            <label className="flex items-center gap-2 text-sm">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={shown === "look"}
                onChange={(event) => setShown(event.target.checked ? "look" : "all")}
              />
              Only what needs a look ({toLook.length})
            </label>
          </p>
          <Table entries={shown === "look" ? toLook : entries} onTakeAnyway={takeAnyway} />
        </section>
      )}
    </main>
  );
}

function Chooser({
  label,
  folder = false,
  ready,
  onChosen,
}: {
  label: string;
  folder?: boolean;
  ready: boolean;
  onChosen: (files: readonly File[]) => void;
}) {
  return (
    <label className="flex flex-col gap-1">
      {label}
      <input
        type="file"
        multiple
        className="file-input"
        disabled={!ready}
        {...(folder ? { webkitdirectory: "" } : {})}
        onChange={(event) => onChosen([...(event.target.files ?? [])])}
      />
    </label>
  );
}

const MOST_ROWS = 500;
/** What needs a look first, then by name. */
const byNeed = (a: Entry, b: Entry) => needOf(b) - needOf(a) || a.name.localeCompare(b.name);

function Table({
  entries,
  onTakeAnyway,
}: {
  entries: readonly Entry[];
  onTakeAnyway: (entry: Entry) => void;
}) {
  return (
    <div className="overflow-x-auto">
      <table className="table">
        <thead className="text-base-content">
          <tr>
            <th scope="col">File</th>
            <th scope="col">Song</th>
            <th scope="col">What to know</th>
          </tr>
        </thead>
        <tbody>
          {[...entries]
            .sort(byNeed)
            .slice(0, MOST_ROWS)
            .map((entry) => (
              <tr key={`${entry.name} ${entry.outcome.kind}`}>
                <th scope="row" className="max-w-60 font-normal break-words">
                  {entry.name}
                </th>
                <td>
                  {entry.outcome.kind === "in" ? (
                    <Link className="link font-bold" href={`/song/${entry.outcome.versionId}`}>
                      {entry.outcome.title}
                    </Link>
                  ) : entry.outcome.kind === "double" ? (
                    "There already"
                  ) : (
                    "Not taken"
                  )}
                </td>
                <td className="text-sm">
                  <About entry={entry} onTakeAnyway={onTakeAnyway} />
                </td>
              </tr>
            ))}
        </tbody>
      </table>
      {entries.length > MOST_ROWS && (
        <p className="mt-2 text-sm">and {entries.length - MOST_ROWS} more files</p>
      )}
    </div>
  );
}

function About({ entry, onTakeAnyway }: { entry: Entry; onTakeAnyway: (entry: Entry) => void }) {
  const { outcome } = entry;
  if (outcome.kind === "not") return outcome.why;
  if (outcome.kind === "double")
    return (
      <>
        A song called{" "}
        {outcome.of.slice(0, 1).map((one) => (
          <Link key={one.versionId} className="link" href={`/song/${one.versionId}`}>
            {one.title}
          </Link>
        ))}{" "}
        is on the shelf.{" "}
        <button type="button" className="link font-bold" onClick={() => onTakeAnyway(entry)}>
          Take it all the same
        </button>
      </>
    );
  if (outcome.looks.length + outcome.notes.length === 0) return "Nothing to look at.";
  return (
    <ul>
      {[...outcome.looks.slice(0, 4), ...outcome.notes].map((look) => (
        <li key={look}>{look}</li>
      ))}
      {outcome.looks.length > 4 && <li>and {outcome.looks.length - 4} more</li>}
    </ul>
  );
}
