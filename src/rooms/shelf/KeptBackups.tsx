"use client";

import { useId, useState } from "react";
import { bringKept, callTold, placeOf, saveKept } from "@/api";
import { useReady } from "@/ui/use-ready";

/** A backup the program has kept by itself, and when it was made (ISO 8601, UTC). */
export type KeptBackup = { readonly name: string; readonly at: string };

/** @example "30 Nov 2026, 14:00" in the clock of the machine the page is on */
const when = (at: string): string =>
  new Date(at).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });

/** Puts everything back as it stands in a kept backup; null where nothing is wanted but an empty start. */
export function useBringKept() {
  const [share, setShare] = useState<number | null>(null);
  const [said, setSaid] = useState("");
  const [lost, setLost] = useState<readonly string[]>([]);
  const bring = async (name: string | null) => {
    setSaid("");
    setShare(0);
    const brought = await callTold(bringKept, { sent: { name } }, (done, of) =>
      setShare(of === 0 ? 1 : done / of),
    );
    setShare(null);
    // What every window holds is of before: this one begins anew.
    if (brought.ok && brought.answer.leftOut.length === 0) return beginAnew();
    if (brought.ok) return setLost(brought.answer.leftOut.map((one) => `The ${one.name}: ${one.problem}.`));
    setSaid(
      brought.status === "away" ? "The server can’t be reached. Nothing was changed." : brought.message,
    );
  };
  return { share, said, lost, bring };
}

const beginAnew = () => window.location.assign("/");

/** What of a backup could not be put back, once the rest is. */
export function LostOfKept({ lost }: { lost: readonly string[] }) {
  if (lost.length === 0) return null;
  return (
    <div role="alert" className="mt-2 rounded-box border-2 border-warning p-3">
      <p>Everything else is back. This could not be, and is still in that backup:</p>
      <ul className="my-2 list-disc pl-5">
        {lost.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
      <button type="button" className="btn btn-sm btn-primary" onClick={beginAnew}>
        Go on
      </button>
    </div>
  );
}

/** How far it is, while it works. */
export const HowFar = ({ share }: { share: number }) => (
  <progress className="progress progress-primary w-64" max={1} value={share} aria-label="Back so far" />
);

/** Chooses one of the kept backups, by when it was made. */
export function ChooseKept({
  kept,
  chosen,
  onChoose,
}: {
  kept: readonly KeptBackup[];
  chosen: string;
  onChoose: (name: string) => void;
}) {
  const id = useId();
  // The server does not know the clock of the machine the page is on.
  const ready = useReady();
  return (
    <span className="flex items-center gap-2 text-sm">
      <label htmlFor={id}>As it was on</label>
      <select
        id={id}
        className="select select-sm w-60"
        value={chosen}
        onChange={(event) => onChoose(event.target.value)}
      >
        {kept.map(({ name, at }, index) => (
          <option key={name} value={name}>
            {ready ? when(at) : at.slice(0, 16).replace("T", ", ")}
            {index === 0 ? " (newest)" : ""}
          </option>
        ))}
      </select>
    </span>
  );
}

const howMany = (count: number): string =>
  count === 0 ? "None is there yet." : count === 1 ? "One is there." : `${count} are there.`;

/** The backups the program has kept: one can be saved out, or everything put back as it was then. */
export function KeptBackups({ kept, problem }: { kept: readonly KeptBackup[]; problem: string | null }) {
  const [chosen, setChosen] = useState(kept[0]?.name ?? "");
  const [isSure, setSure] = useState(false);
  const { share, said, lost, bring } = useBringKept();
  const name = kept.some((one) => one.name === chosen) ? chosen : (kept[0]?.name ?? "");
  return (
    <div className="mt-4">
      <p className="max-w-3xl text-sm">
        While it is used, the program keeps a backup every hour in its data folder: the newest 24, and one for
        each of 14 days. {howMany(kept.length)} They die with the disk: save one elsewhere now and then.
      </p>
      {problem !== null && (
        <p role="alert" className="mt-2 font-bold text-error">
          The last one could not be kept: {problem}
        </p>
      )}
      {kept.length > 0 && (
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <ChooseKept
            kept={kept}
            chosen={name}
            onChoose={(next) => {
              setChosen(next);
              setSure(false);
            }}
          />
          <a className="btn btn-sm" href={placeOf(saveKept, { sent: { name } })} download>
            Save this one
          </a>
          {share === null && !isSure && (
            <button type="button" className="btn btn-sm" onClick={() => setSure(true)}>
              Put everything back as it was then…
            </button>
          )}
          {share !== null && <HowFar share={share} />}
        </div>
      )}
      {isSure && share === null && (
        <p className="mt-2 flex flex-wrap items-center gap-3 rounded-box border-2 border-warning p-3">
          <span>
            All that is here now goes, and is kept as the newest backup first. Other windows must be loaded
            again.
          </span>
          <button type="button" className="btn btn-sm btn-primary" onClick={() => bring(name)}>
            Put it back
          </button>
          <button type="button" className="btn btn-sm" onClick={() => setSure(false)}>
            Leave it
          </button>
        </p>
      )}
      <LostOfKept lost={lost} />
      <p aria-live="polite" className="mt-2">
        {said}
      </p>
    </div>
  );
}
