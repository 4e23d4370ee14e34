"use client";

import { useMemo, useState } from "react";
import { describeTabLoss, describeTabProblem, readTab, writeTab } from "@/core/formats";
import type { SheetRow } from "@/core/parts";
import { formatTuning, parseTuning } from "@/core/pitch";
import { ticksOfBar } from "@/core/rhythm";
import { addRiff } from "@/core/song/edit";
import { describePlaying } from "@/core/song/names";
import { neckOfRiff, notesOfRiff } from "@/core/song/read";
import type { Player, Riff } from "@/core/song/schema";
import { derive, makeId, useAct, useCurrentVersion, useNames, useRows } from "../../open";
import { plain } from "./Elsewhere";
import { newLine } from "./new-line";

type Props = {
  readonly riff: Riff | null;
  readonly row: SheetRow;
  readonly player: Player;
  readonly onMade: (id: string) => void;
};

/** A line as plain text tab, out and in. */
export function TextTab({ riff, row, player, onMade }: Props) {
  const { riffNotes } = useRows("riffNotes");
  const current = useCurrentVersion();
  const act = useAct();
  const [text, setText] = useState("");
  const bar = ticksOfBar(row.passage.meter);
  const names = useNames();
  const written = useMemo(() => {
    if (!riff) return null;
    const { tuning, capo } = neckOfRiff(riff);
    if (tuning.length === 0) return null;
    const notes = notesOfRiff({ riffNotes }, riff.id);
    const namer = names({ player, capo }, row.passage.shift);
    const played = describePlaying({ tuning: riff.tuning, capo }, namer);
    return writeTab({ tuning, capo, ticks: riff.ticks, bar, notes }, played);
  }, [riff, riffNotes, bar, names, player, row.passage.shift]);
  const own = parseTuning(player.tuning);
  const read =
    text.trim() === ""
      ? null
      : readTab(text, {
          bar,
          capo: player.capo,
          ...(own.ok && !/[a-g]\s*\|/iu.test(text) ? { tuning: own.value } : {}),
        });
  const take = () => {
    if (!read?.ok) return;
    const { tuning, capo, ticks, notes } = read.value;
    const line = newLine(current(), row, {
      name: `Line ${Object.keys(current().riffs).length + 1}`,
      tuning: formatTuning(tuning),
      capo,
      ticks: Math.max(1, ticks),
    });
    act(addRiff(current(), derive.cellIndex(current()), line, notes.map(plain), [], makeId));
    setText("");
    onMade(line.id);
  };
  return (
    <section aria-label="As text" className="mt-8">
      <h2>As text</h2>
      {riff && written && <WrittenTab name={riff.name} written={written} />}
      <label className="mt-3 flex flex-col gap-1 text-sm">
        Paste tab to make a line of it
        <textarea
          className="textarea w-full max-w-3xl font-mono"
          rows={7}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      {read && !read.ok && (
        <p role="alert" className="mt-1 text-sm text-error">
          {describeTabProblem(read.problem)}
        </p>
      )}
      {read?.ok && (
        <p className="mt-1 text-sm">
          {read.value.notes.length} notes on {read.value.tuning.length} strings
          {read.value.guessed &&
            ". When they come is guessed from where they stand between the bar lines: look at it"}
          .
        </p>
      )}
      <button type="button" className="btn btn-sm mt-2" disabled={!read?.ok} onClick={take}>
        Make a line of it
      </button>
    </section>
  );
}

/** A line as plain text, to be looked at or kept. */
function WrittenTab({ name, written }: { name: string; written: ReturnType<typeof writeTab> }) {
  return (
    <details className="mt-1">
      <summary className="cursor-pointer">{name} as plain text tab</summary>
      <pre className="mt-2 overflow-x-auto rounded-box bg-base-200 p-3 font-mono text-sm">{written.text}</pre>
      <p className="mt-1 flex flex-wrap gap-3 text-sm">
        <a
          className="link"
          download={`${name.replaceAll(/[^\p{L}\p{N} _-]/gu, "")}.txt`}
          href={`data:text/plain;charset=utf-8,${encodeURIComponent(written.text)}`}
        >
          Keep it as a file
        </a>
        {written.losses.map((loss) => (
          <span key={`${loss.code} ${loss.note}`}>{describeTabLoss(loss)}</span>
        ))}
      </p>
    </details>
  );
}
