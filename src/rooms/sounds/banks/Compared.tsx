"use client";

import { useMemo } from "react";
import { describeToneProblem, songPedals } from "@/core/sounds";
import { useEngines } from "@/engines/window";
import { SearchNote } from "@/ui/SearchNote";
import type { Tones } from "../use-sounds";

const SIZES = [3, 4, 8] as const;

/** The same song on other boxes: single pedals, and banks of three, four and eight slots. */
export function Compared({ tones }: { tones: Tones }) {
  const { song } = tones;
  const { asked } = song;
  const cases = useMemo(
    () =>
      new Map(
        (asked ? SIZES : []).map((slotsPerBank) => [
          String(slotsPerBank),
          { ...asked!, board: { ...asked!.board, slotsPerBank }, pins: [] },
        ]),
      ),
    [asked],
  );
  const search = useEngines("tones", cases);
  if (!asked) return null;
  const pedals = songPedals({ ...song, box: { ...song.box, kind: "banks", pedals: [] } });
  return (
    <section aria-labelledby="compared-title" className="mb-8">
      <h2 id="compared-title" className="mb-1">
        The same song on other boxes
      </h2>
      <p className="mb-2 max-w-3xl text-sm">
        With the gap, landing and number of banks of this box, and no pins. Single pedals have no gap and no
        memory. <SearchNote search={search} doing="Being worked out…" />
      </p>
      <div className="overflow-x-auto">
        <table className="table table-sm w-auto">
          <thead>
            <tr className="text-base-content">
              <th scope="col">Box</th>
              <th scope="col">Changes heard</th>
              <th scope="col">Bank changes</th>
              <th scope="col">Presses</th>
              <th scope="col">Banks</th>
              <th scope="col">Beside that</th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">
                single pedals, {pedals.plan.boundaries.length === 0 ? "none used" : "one an effect"}
              </th>
              <td>none</td>
              <td>none</td>
              <td>{pedals.plan.presses}</td>
              <td>none</td>
              <td>
                {pedals.plan.crowded.length === 0
                  ? "never more than two presses at once"
                  : `${pedals.plan.crowded.length} times more than two presses at once`}
                {pedals.turned.length > 0 && `; ${pedals.turned.length} times a setting turned by hand`}
              </td>
            </tr>
            {SIZES.map((size) => {
              const plan = search.data.get(String(size));
              const problem = search.problems.get(String(size));
              return (
                <tr key={size}>
                  <th scope="row">banks of {size}</th>
                  {problem ? (
                    <td colSpan={5}>{describeToneProblem(problem)}</td>
                  ) : !plan ? (
                    <td colSpan={5}>{search.error ? "not known" : "being worked out…"}</td>
                  ) : (
                    <>
                      <td>{plan.exposed}</td>
                      <td>{plan.bankChanges}</td>
                      <td>{plan.presses}</td>
                      <td>{plan.bankCount}</td>
                      <td>
                        {plan.filled} slots filled{plan.exact ? "" : ", the best plan found"}
                      </td>
                    </>
                  )}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
