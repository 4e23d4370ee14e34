"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { bringBackup, bringBackupPartly, call, placeOf, saveBackup } from "@/api";

/** Everything as one file, out and in. */
export function Backup() {
  const router = useRouter();
  const [said, setSaid] = useState("");
  /** A file of which some can't be brought back. */
  const [partly, setPartly] = useState<File | null>(null);
  const restore = async (file: File, isPartly: boolean) => {
    setSaid("Bringing it back…");
    setPartly(null);
    const brought = await call(isPartly ? bringBackupPartly : bringBackup, { sent: file });
    if (brought.ok) {
      const { documents, leftOut } = brought.answer;
      setSaid(
        `${documents} documents are back${leftOut.length > 0 ? `, ${leftOut.length} were left out` : ""}.`,
      );
      router.refresh();
      return;
    }
    if (brought.status !== "away" && brought.refusal?.leftOut) setPartly(file);
    if (brought.status === "away") setSaid("The server can’t be reached. Nothing was changed.");
    else setSaid(brought.message);
  };
  return (
    <section aria-label="Backup" className="mt-10 border-t border-base-300 pt-4">
      <h2>Backup</h2>
      <p className="mt-1 flex flex-wrap items-center gap-4">
        <a className="btn btn-sm" href={placeOf(saveBackup)} download>
          Save everything as one file
        </a>
        <label className="flex items-center gap-2 text-sm">
          Bring a backup back
          <input
            type="file"
            accept=".zip,application/zip"
            className="file-input file-input-sm"
            onChange={(event) => event.target.files?.[0] && restore(event.target.files[0], false)}
          />
        </label>
      </p>
      <p aria-live="polite" className="mt-2">
        {said}{" "}
        {partly && (
          <button type="button" className="btn btn-sm" onClick={() => restore(partly, true)}>
            Leave these out and bring the rest back
          </button>
        )}
      </p>
    </section>
  );
}
