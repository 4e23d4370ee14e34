"use client";

import { describePress, footPresses, type LoopWay } from "@/core/loops";
import { chanceOf, oddsOf } from "@/performance/judged";
import { duePresses } from "@/performance/loops";
import { describeChance, describeWrong } from "../loop-words";
import type { Loops } from "../use-loops";

/** What less footwork would cost, and by the trainer's log how likely each plan comes off clean. */
export function Trade({ loops, trade }: { loops: Loops; trade: readonly LoopWay[] | null }) {
  const { shown, body } = loops;
  if (!shown) return null;
  const runs = Object.values(body.loopRuns).filter(({ of }) => of === "song");
  const odds = oddsOf(runs);
  const ways = [shown.plan, ...(trade ?? [])].map((way) => {
    const presses = footPresses(shown.song, way);
    return {
      way,
      presses,
      chance: chanceOf(duePresses(shown.song, way), odds),
    };
  });
  const [own] = ways;
  const better =
    runs.length === 0
      ? undefined
      : ways.find(({ chance, presses }, at) => at > 0 && presses.length > 0 && chance > own!.chance + 1e-9);
  return (
    <section aria-labelledby="trade-title" className="mb-8">
      <h2 id="trade-title">What less footwork would cost</h2>
      <p className="mb-2 max-w-3xl text-sm">
        {runs.length === 0
          ? "How likely each comes off clean is told once there are runs in the log: play it a few times, on the page “Play it”."
          : `The chance that every press is right, from ${runs.length} ${runs.length === 1 ? "run" : "runs"} in the log.`}
      </p>
      {trade === null ? (
        <p className="text-sm">Being worked out…</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="table table-sm w-auto">
            <thead>
              <tr className="text-base-content">
                <th scope="col">Plan</th>
                <th scope="col">Foot cost</th>
                <th scope="col">Not as wanted</th>
                <th scope="col">Presses</th>
                {runs.length > 0 && <th scope="col">Chance of a clean run</th>}
              </tr>
            </thead>
            <tbody>
              {ways.map(({ way, presses, chance }, at) => (
                <tr key={way.footCost}>
                  <th scope="row">{at === 0 ? "the plan" : `instead ${at}`}</th>
                  <td>{way.footCost}</td>
                  <td>{describeWrong(way.wrongBars)}</td>
                  <td className="max-w-md">
                    {presses.length === 0
                      ? "none"
                      : `${presses.length}: ${presses.slice(0, 4).map(describePress).join(", ")}${presses.length > 4 ? " …" : ""}`}
                  </td>
                  {runs.length > 0 && <td>{describeChance(chance)}</td>}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {better && (
        <p className="mt-2 max-w-3xl text-sm">
          Foot cost {better.way.footCost} raises the chance from {describeChance(own!.chance)} to{" "}
          {describeChance(better.chance)}, for {describeWrong(better.way.wrongBars - shown.plan.wrongBars)}{" "}
          more. To take it, leave loose what it leaves out.
        </p>
      )}
      {trade?.length === 0 && <p className="text-sm">No plan has fewer presses.</p>}
    </section>
  );
}
