import type { ReactNode } from "react";
import type { Moment } from "@/core/song/moments";
import { MomentTold } from "./MomentTold";

export type PressRow = {
  readonly moment: Moment;
  readonly press: string;
  readonly into: string;
  readonly when: ReactNode;
};

/** Presses of a foot, each with its moment. */
export function PressTable({ rows }: { rows: readonly PressRow[] }) {
  return (
    <div className="overflow-x-auto">
      <table className="table table-sm mt-3 w-auto">
        <thead>
          <tr className="text-base-content">
            <th scope="col">Where</th>
            <th scope="col">Press</th>
            <th scope="col">Into</th>
            <th scope="col">When</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => (
            <tr key={at}>
              <th scope="row">
                <MomentTold moment={row.moment} />
              </th>
              <td className="font-bold">{row.press}</td>
              <td>{row.into}</td>
              <td>{row.when}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
