"use client";

import type { Proposal, School, SplitWeights } from "@/core/parts";
import { SelectField } from "@/ui/SelectField";

const MEANS: Readonly<Record<School, string>> = {
  "layered build": "The light only grows while the energy does; players come in one after another.",
  "carry and colour": "Somebody carries every section, the others colour it.",
  sparse: "Where the song is quiet at most two play.",
};

export const TERM_WORDS: Readonly<Record<keyof SplitWeights, string>> = {
  register: "one register",
  rhythm: "same strokes",
  bass: "no bass",
  voice: "in the voice",
  energy: "light off",
  change: "changes",
  idle: "out",
};

type Props = {
  readonly proposals: readonly Proposal[];
  readonly school: number;
  readonly against: number | null;
  readonly onSchool: (school: number) => void;
  readonly onAgainst: (school: number | null) => void;
};

const plain = (value: number): string => (Math.round(value * 100) / 100).toFixed(2);

/** What a proposal costs by each term, summed over the song. */
function totals(proposal: Proposal): [string, number][] {
  const sums = new Map<string, number>();
  for (const { name, value, weight } of proposal.terms)
    sums.set(TERM_WORDS[name], (sums.get(TERM_WORDS[name]) ?? 0) + value * weight);
  return [...sums].filter(([, sum]) => sum > 0.005).sort((a, b) => b[1] - a[1]);
}

/** The three proposals side by side with what counts against each; one is laid over the sheet below. */
export function SchoolChoice({ proposals, school, against, onSchool, onAgainst }: Props) {
  return (
    <>
      <div className="grid gap-3 md:grid-cols-3">
        {proposals.map((proposal, at) => (
          <section
            key={proposal.school}
            aria-label={proposal.school}
            className={`rounded-box border p-3 ${at === school ? "border-2 border-base-content bg-base-200" : "border-base-300"}`}
          >
            <h2 className="first-letter:uppercase">{proposal.school}</h2>
            <p className="text-sm">{MEANS[proposal.school]}</p>
            <p className="mt-2">
              <strong>{plain(proposal.score)}</strong> against it, less is better
            </p>
            <ul className="text-sm">
              {totals(proposal).map(([name, sum]) => (
                <li key={name}>
                  {name}: {plain(sum)}
                </li>
              ))}
              <li>
                {proposal.exact
                  ? "No plan scores less."
                  : `No single change scores less${proposal.bound > 0.005 ? `; nothing at all less than ${plain(proposal.bound)}` : ""}.`}
              </li>
            </ul>
            {proposal.violations.length > 0 && (
              <ul className="mt-2 text-sm text-warning">
                {[...new Set(proposal.violations.map((one) => one.words))].map((words) => (
                  <li key={words}>Can’t be held: {words}.</li>
                ))}
              </ul>
            )}
            <button
              type="button"
              className="btn btn-sm mt-2"
              aria-pressed={at === school}
              onClick={() => onSchool(at)}
            >
              {at === school ? "Shown below" : "Show it below"}
            </button>
          </section>
        ))}
      </div>
      <SelectField
        label="Compare with"
        className="mt-3 w-52"
        value={against === null || against === school ? "" : String(against)}
        options={[
          { value: "", label: "nothing" },
          ...proposals.flatMap((proposal, at) =>
            at === school ? [] : [{ value: String(at), label: proposal.school }],
          ),
        ]}
        onSet={(value) => onAgainst(value === "" ? null : Number(value))}
      />
    </>
  );
}
