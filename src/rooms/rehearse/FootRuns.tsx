import type { FootRun } from "@/core/practice";
import { remove } from "@/core/song/edit";
import { useAct } from "../open";
import { LogHeads } from "./LogHeads";

/** Runs on the simulated looper and boxes of this version: how many presses were right, and how far off. */
export function FootRuns({ runs }: { readonly runs: readonly FootRun[] }) {
  const act = useAct();
  if (runs.length === 0) return null;
  return (
    <section aria-labelledby="foot-runs" className="mt-6">
      <h2 id="foot-runs" className="mb-2">
        Feet on the simulated boxes
      </h2>
      <div className="overflow-x-auto">
        <table className="table-sm table">
          <LogHeads heads={["Day", "On", "Who", "Presses right", "On the whole", "Not asked for"]} />
          <tbody>
            {runs.toReversed().map(({ table, id, day, on, player, due, right, meanMs, unasked }) => (
              <tr key={id}>
                <td className="whitespace-nowrap">{day}</td>
                <td>{on}</td>
                <td>{player}</td>
                <td>
                  {right} of {due}
                </td>
                <td>{meanMs === null ? "" : tellOff(meanMs)}</td>
                <td>{unasked || ""}</td>
                <td>
                  <button
                    type="button"
                    className="btn btn-xs"
                    aria-label={`Remove the run on the ${on}, ${day}`}
                    onClick={() => act(remove(table, { id }))}
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

/** @example tellOff(-20) // => "20 ms early" */
const tellOff = (ms: number): string =>
  ms === 0 ? "in time" : `${Math.abs(ms)} ms ${ms < 0 ? "early" : "late"}`;
