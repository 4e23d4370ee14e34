import { useEffect, useRef, useState } from "react";
import { useStore } from "zustand";
import { call, stageHeard, stagePack } from "@/api";
import type { HeardSong, RunPlace } from "@/core/practice";
import type { NamesChoice } from "@/core/song/names";
import type { StagePart, StageSheet } from "@/core/stage";
import { followSettled } from "@/document/client";
import { pieceAt } from "../stage";
import { Rehearsal, type Rehearsing } from "./rehearsal";

/** Of which stage, by its id, and which of its songs: of a song's own both are the version's. */
export type Where = { readonly stageId: string; readonly versionId: string };

const AWAY =
  "The server does not answer: what the band plays can’t be fetched. Load the page again in a moment.";

/** What others change is taken up so much later, ms: in one go. */
const SETTLE_MS = 300;

/** A song as it can be heard, fetched anew when it is changed. */
export function useHeardSong({ stageId, versionId }: Where): {
  readonly heard: HeardSong | null;
  /** What is wrong with it, in a sentence; null where nothing is. */
  readonly problem: string | null;
  /** Counts how often the song was changed. */
  readonly edits: number;
} {
  const [heard, setHeard] = useState<HeardSong | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [edits, setEdits] = useState(0);
  const revision = useRef(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: an edit is why it is asked for again
  useEffect(() => {
    const away = new AbortController();
    const asked = call(stageHeard, {
      params: { eveningId: stageId },
      sent: { versionId },
      signal: away.signal,
    });
    void asked.then((answer) => {
      if (away.signal.aborted) return;
      setProblem(answer.ok ? null : answer.status === "away" ? AWAY : answer.message);
      if (!answer.ok) return;
      revision.current = answer.answer.revision;
      setHeard(answer.answer);
    });
    return () => away.abort();
  }, [stageId, versionId, edits]);
  const isThere = heard !== null;
  useEffect(() => {
    if (!isThere || stageId !== versionId) return;
    return followSettled(
      versionId,
      () => revision.current,
      SETTLE_MS,
      () => setEdits((count) => count + 1),
    );
  }, [isThere, stageId, versionId]);
  return { heard, problem, edits };
}

/** A song to be gone through, for as long as the page is open. @param keeps whether this window keeps how */
export function useRehearsal(
  versionId: string,
  heard: HeardSong | null,
  keeps = true,
): { readonly rehearsal: Rehearsal; readonly now: Rehearsing } {
  const [rehearsal] = useState(() => new Rehearsal(versionId, keeps));
  const now = useStore(rehearsal.store);
  useEffect(() => {
    rehearsal.open();
    return () => rehearsal.close();
  }, [rehearsal]);
  useEffect(() => {
    if (heard) rehearsal.take(heard);
  }, [rehearsal, heard]);
  return { rehearsal, now };
}

/** The part of whoever reads, told in the names that are asked for; null while it is on its way. */
export function useReaderPart(
  { stageId, versionId }: Where,
  person: string | null,
  choice: NamesChoice,
  edits: number,
): StagePart | null {
  const [part, setPart] = useState<{ readonly of: string; readonly part: StagePart } | null>(null);
  const { shows, of, writing, accidentals, lines } = choice;
  const asked = `${person} ${shows} ${of} ${writing} ${accidentals} ${lines}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: `asked` is the choice, and an edit is why it is asked for again
  useEffect(() => {
    if (person === null) return;
    const away = new AbortController();
    const names = {
      shows: shows ?? undefined,
      writing: writing ?? undefined,
      accidentals: accidentals ?? undefined,
      lines: lines ?? undefined,
    };
    const sent = { person, ...names };
    void call(stagePack, { params: { eveningId: stageId }, sent, signal: away.signal }).then((pack) => {
      if (away.signal.aborted || !pack.ok) return;
      const found = pack.answer.songs.find((song) => song.versionId === versionId);
      if (found) setPart({ of: person, part: found.part });
    });
    return () => away.abort();
  }, [stageId, versionId, asked, edits]);
  return part?.of === person ? part.part : null;
}

/** What must be drawn anew for: everything else follows from it. */
function faceOf(place: RunPlace | null, sheets: readonly StageSheet[]): string {
  if (!place) return "";
  const { phase, round, count, passage, bar, beat, tick } = place;
  const sheet = sheets[passage];
  const piece = sheet ? pieceAt(sheet, tick) : null;
  const stroke = sheet?.strum?.ticks.findLastIndex((one) => one <= tick + 1);
  const note = sheet?.line?.notes.findLastIndex((one) => one.tick <= tick + 1);
  return [phase, round, count, passage, bar, beat, piece?.line, piece?.piece, stroke, note].join(" ");
}

const NO_SHEETS: readonly StageSheet[] = [];

/** Where it is heard now, drawn anew when a beat, a chord, a stroke or a note begins; null in silence. */
export function usePlace(
  rehearsal: Rehearsal,
  phase: Rehearsing["phase"],
  part: StagePart | null,
): RunPlace | null {
  const [place, setPlace] = useState<RunPlace | null>(null);
  const sheets = part?.sheets ?? NO_SHEETS;
  useEffect(() => {
    if (phase !== "running") {
      setPlace(null);
      return;
    }
    let frame = 0;
    let face = "";
    const look = () => {
      const now = rehearsal.place();
      const next = faceOf(now, sheets);
      if (next !== face) setPlace(now);
      face = next;
      frame = requestAnimationFrame(look);
    };
    look();
    return () => cancelAnimationFrame(frame);
  }, [rehearsal, phase, sheets]);
  return place;
}
