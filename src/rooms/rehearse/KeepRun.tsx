import { useState } from "react";
import { Toggles } from "@/ui/Toggles";
import type { GoneThrough } from "./rehearsal";

/** What was gone through, by whom, and how often without a fault; null where nobody counted. */
export type KeptRun = GoneThrough & { readonly player: string; readonly clean: number | null };

/** More clean rounds than this are not asked for by buttons. */
const MOST_ASKED = 8;

/** What was gone through is told after Stop, and kept with one press. */
export function KeepRun({
  last,
  who,
  onKeep,
  onLetGo,
}: {
  readonly last: GoneThrough;
  readonly who: string;
  readonly onKeep: (clean: number | null) => void;
  readonly onLetGo: () => void;
}) {
  const [clean, setClean] = useState<number | null>(null);
  const { what, minutes, percent, rounds } = last;
  const most = Math.min(MOST_ASKED, Math.max(1, rounds));
  return (
    <section
      aria-label="Keep it"
      className="sticky bottom-0 z-10 mt-3 flex flex-wrap items-end gap-x-4 gap-y-2 rounded-box border-2 border-base-content bg-base-200 p-3"
    >
      <p className="pb-1">
        {who}: {what === "" ? "the whole song" : what}, {minutes} {minutes === 1 ? "minute" : "minutes"} at{" "}
        {percent} %{rounds > 0 && `, ${rounds} ${rounds === 1 ? "time" : "times"} through`}.
      </p>
      <Toggles
        label="Without a fault"
        value={clean}
        options={Array.from({ length: most + 1 }, (_, count) => ({ value: count, label: String(count) }))}
        onSet={setClean}
      />
      <button type="button" className="btn btn-sm btn-primary" onClick={() => onKeep(clean)}>
        Keep it in the log
      </button>
      <button type="button" className="btn btn-sm btn-ghost" onClick={onLetGo}>
        Let it go
      </button>
    </section>
  );
}
