import type { ReactNode } from "react";

export type PressRow = {
  readonly bar: number;
  readonly beat: number;
  /** The last word sung before it, and the next one; null where nothing is sung near. */
  readonly word: string | null;
  readonly nextWord: string | null;
  readonly press: string;
  readonly into: string;
  readonly when: ReactNode;
};

function sung({ word, nextWord }: PressRow): string {
  if (word && nextWord) return `after “${word}”, before “${nextWord}”`;
  if (word) return `after “${word}”`;
  return nextWord ? `before “${nextWord}”` : "nothing is sung";
}

/** Presses of a foot, each with its bar, beat and word. */
export function PressTable({ rows }: { rows: readonly PressRow[] }) {
  return (
    <div className="overflow-x-auto">
      <table className="table table-sm mt-3 w-auto">
        <thead>
          <tr className="text-base-content">
            <th scope="col">Where</th>
            <th scope="col">Word</th>
            <th scope="col">Press</th>
            <th scope="col">Into</th>
            <th scope="col">When</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => (
            <tr key={at}>
              <th scope="row">
                bar {row.bar}, beat {row.beat}
              </th>
              <td>{sung(row)}</td>
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
