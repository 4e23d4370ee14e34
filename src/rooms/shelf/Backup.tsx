"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { bringBackup, bringBackupPartly, callTold, placeOf, saveBackup } from "@/api";
import { HowFar, type KeptBackup, KeptBackups } from "./KeptBackups";

/** Brings a backup file back, tells how far it is, and can be stopped. */
function useBringBack() {
  const router = useRouter();
  const [said, setSaid] = useState("");
  /** A file of which some can't be brought back. */
  const [partly, setPartly] = useState<File | null>(null);
  /** How far it is, 0 to 1; null while nothing is brought back. */
  const [share, setShare] = useState<number | null>(null);
  const given = useRef<AbortController | null>(null);
  const bring = async (file: File, isPartly: boolean) => {
    given.current = new AbortController();
    const { signal } = given.current;
    setSaid("Bringing it back…");
    setPartly(null);
    setShare(0);
    const brought = await callTold(
      isPartly ? bringBackupPartly : bringBackup,
      { sent: file, signal },
      (done, of) => setShare(of === 0 ? 1 : done / of),
    );
    setShare(null);
    if (brought.ok) {
      const { documents, leftOut } = brought.answer;
      setSaid(
        `${documents} documents are back${leftOut.length > 0 ? `, ${leftOut.length} were left out` : ""}.`,
      );
      router.refresh();
      return;
    }
    if (brought.status !== "away" && brought.refusal?.leftOut) setPartly(file);
    if (signal.aborted) {
      setSaid("Stopped. What it had begun was taken back.");
      router.refresh();
    } else if (brought.status === "away") setSaid("The server can’t be reached. Nothing was changed.");
    else setSaid(brought.message);
  };
  return { said, partly, share, bring, stop: () => given.current?.abort() };
}

/** Everything as one file, out and in. */
export function Backup({ kept, problem }: { kept: readonly KeptBackup[]; problem: string | null }) {
  const { said, partly, share, bring, stop } = useBringBack();
  return (
    <section aria-label="Backup" className="mt-10 border-t border-base-300 pt-4">
      <h2>Backup</h2>
      <p className="mt-1 flex flex-wrap items-center gap-4">
        <a className="btn btn-sm" href={placeOf(saveBackup)} download>
          Save everything as one file
        </a>
        <label className="flex items-center gap-2 text-sm whitespace-nowrap">
          Bring a backup back
          <input
            type="file"
            accept=".zip,application/zip"
            className="file-input file-input-sm"
            disabled={share !== null}
            onChange={(event) => event.target.files?.[0] && bring(event.target.files[0], false)}
          />
        </label>
      </p>
      {share !== null && (
        <p className="mt-2 flex items-center gap-4">
          <HowFar share={share} />
          <button type="button" className="btn btn-sm" onClick={stop}>
            Stop
          </button>
        </p>
      )}
      <p aria-live="polite" className="mt-2">
        {said}{" "}
        {partly && (
          <button type="button" className="btn btn-sm" onClick={() => bring(partly, true)}>
            Leave these out and bring the rest back
          </button>
        )}
      </p>
      <KeptBackups kept={kept} problem={problem} />
    </section>
  );
}
