"use client";

import dynamic from "next/dynamic";
import { useMemo, useState } from "react";
import {
  type FootRun,
  footRunRow,
  footRuns,
  LOG_COLUMNS,
  lastRehearsed,
  logRow,
  practiceDays,
} from "@/core/practice";
import { songEdits } from "@/core/song/edit";
import type { Practice, PracticeKind } from "@/core/song/schema";
import { byOrder } from "@/document";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { tellDay } from "@/ui/tell-day";
import { useReady } from "@/ui/use-ready";
import { useActOnSong, useRows, useSong } from "../open";
import { FootRuns } from "./FootRuns";
import { LogHeads } from "./LogHeads";
import { MarkedBars } from "./MarkedBars";
import { RehearseTabs } from "./RehearseTabs";
import { useKeep } from "./use-keep";

const LogChart = dynamic(() => import("./LogChart").then((part) => part.LogChart), {
  ssr: false,
  loading: () => <p role="status">The chart is drawn…</p>,
});

const KIND_WORDS: Readonly<Record<PracticeKind, string>> = {
  part: "own part",
  ladder: "ladder",
  changes: "changes",
  band: "whole band",
};
const EVERYBODY = "";

/** What was practised of this song: by whom, how long, how far they came. */
export function LogPage() {
  const { practices, song } = useSong();
  const [who, setWho] = useState(EVERYBODY);
  const all = Object.values(practices).sort(byOrder);
  const body = useRows("loopRuns", "soundRuns", "players", "loopBoxes");
  const feet = useMemo(() => footRuns(body), [body]);
  const named = [...all, ...feet].flatMap(({ player }) => (player === "" ? [] : [player]));
  const people = [...new Set(named)].toSorted();
  const isAsked = ({ player }: { readonly player: string }) => who === EVERYBODY || player === who;
  const log = all.filter(isAsked);
  const runs = feet.filter(isAsked);
  const { rehearsed, title } = Object.values(song)[0]!;
  const last = lastRehearsed(rehearsed, all);
  return (
    <>
      <h1 className="mb-1">Rehearse</h1>
      <RehearseTabs />
      <p className="mb-3">
        {last === null
          ? "Nobody has rehearsed this song yet, as far as is known."
          : `Last rehearsed on ${tellDay(last)}.`}
      </p>
      <BandRehearsed />
      {all.length + feet.length === 0 ? (
        <p className="max-w-3xl rounded-box bg-base-200 p-4">
          Nothing is written down yet. Play a section in “Play it”: after Stop it can be kept here with one
          press, and so can each minute of “Hard changes”.
        </p>
      ) : (
        <>
          <div className="mb-3 flex flex-wrap items-end gap-4">
            {people.length > 1 && (
              <SelectField
                label="Of"
                className="w-44"
                value={who}
                options={[
                  { value: EVERYBODY, label: "everybody" },
                  ...people.map((name) => ({ value: name, label: name })),
                ]}
                onSet={setWho}
              />
            )}
            <button type="button" className="btn btn-sm" onClick={() => void saveCsv(title, log, runs)}>
              Save as CSV
            </button>
          </div>
          {log.length > 0 && (
            <>
              <LogChart days={practiceDays(log)} />
              <LogTable log={log} />
            </>
          )}
          <FootRuns runs={runs} />
        </>
      )}
      <MarkedBars who={who} />
    </>
  );
}

/** One press after a rehearsal of the whole band, with its minutes and a note. */
function BandRehearsed() {
  const keep = useKeep();
  const ready = useReady();
  const [minutes, setMinutes] = useState(20);
  const [note, setNote] = useState("");
  return (
    <section aria-label="The whole band rehearsed it" className="mb-5 flex flex-wrap items-end gap-3">
      <button
        type="button"
        className="btn btn-sm btn-primary"
        disabled={!ready}
        onClick={() => {
          keep({ kind: "band", player: "", what: "", minutes, note });
          setNote("");
        }}
      >
        The band rehearsed it today
      </button>
      <NumberField label="For" least={1} most={600} unit="minutes" value={minutes} onSet={setMinutes} />
      <TextField label="Note" className="w-72" longest={400} value={note} onSet={setNote} />
    </section>
  );
}

function LogTable({ log }: { readonly log: readonly Practice[] }) {
  const act = useActOnSong();
  const told = (entry: Practice): string =>
    `${KIND_WORDS[entry.kind]}${entry.what === "" ? "" : `, ${entry.what}`}, ${entry.day}`;
  return (
    <section aria-labelledby="all-practised" className="mt-6">
      <h2 id="all-practised" className="mb-2">
        All of it
      </h2>
      <div className="overflow-x-auto">
        <table className="table-sm table">
          <LogHeads
            heads={["Day", "What", "Who", "Part of the song", "Minutes", "Tempo", "Times", "Clean", "Note"]}
          />
          <tbody>
            {log.toReversed().map((entry) => (
              <tr key={entry.id}>
                <td className="whitespace-nowrap">{entry.day}</td>
                <td>{KIND_WORDS[entry.kind]}</td>
                <td>{entry.player || "everybody"}</td>
                <td>{entry.what || "the whole song"}</td>
                <td>{entry.minutes}</td>
                <td>{entry.percent === null ? "" : `${entry.percent} %`}</td>
                <td>{entry.rounds ?? ""}</td>
                <td>{entry.clean ?? ""}</td>
                <td>{entry.note}</td>
                <td>
                  <button
                    type="button"
                    className="btn btn-xs"
                    aria-label={`Remove ${told(entry)}`}
                    onClick={() => act(songEdits.remove("practices", { id: entry.id }))}
                  >
                    Remove
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Hands the log out as a table other programs read (CSV, RFC 4180). */
async function saveCsv(title: string, log: readonly Practice[], runs: readonly FootRun[]): Promise<void> {
  const { default: papa } = await import("papaparse");
  const text = papa.unparse(
    { fields: [...LOG_COLUMNS], data: [...log.map(logRow), ...runs.map(footRunRow)].map((row) => [...row]) },
    { escapeFormulae: true },
  );
  const address = URL.createObjectURL(new Blob([text], { type: "text/csv;charset=utf-8" }));
  const link = document.createElement("a");
  link.href = address;
  link.download = `${title} log.csv`;
  link.click();
  URL.revokeObjectURL(address);
}
