"use client";

import { type ArrangeCase, type Arrangement, sumsOf, tellArrangement } from "@/core/parts";
import { SelectField } from "@/ui/SelectField";
import { nameOf } from "./proposal-name";
import type { Arranging } from "./use-arrangement";
import { TERM_WORDS } from "./words";

type Props = {
  readonly arranging: Arranging;
  readonly asked: ArrangeCase;
  readonly against: number | null;
  readonly onAgainst: (proposal: number | null) => void;
};

const plain = (value: number): string => (Math.round(value * 10) / 10).toFixed(1);

/** So many of what counts most against a proposal are told. */
const TOLD = 3;

/** The proposals, best first, each with its idea in a sentence and what counts most against it; one is shown below. */
export function ProposalList({ arranging, asked, against, onAgainst }: Props) {
  const { proposals, chosen, choose } = arranging;
  const names = namesIn(arranging, asked);
  return (
    <>
      <ol className="grid gap-3 md:grid-cols-2 xl:grid-cols-3" aria-label="Proposals">
        {proposals.map((proposal, at) => (
          <li
            key={nameOf(proposals, at)}
            aria-label={nameOf(proposals, at)}
            className={`flex flex-col rounded-box border p-3 ${at === chosen ? "border-2 border-base-content bg-base-200" : "border-base-300"}`}
          >
            <h2 className="first-letter:uppercase">{nameOf(proposals, at)}</h2>
            <p className="mt-1">{tellArrangement(asked, proposal, names)}</p>
            <p className="mt-1 text-sm">
              <strong>{plain(proposal.score)}</strong> against it, most of it{" "}
              {mostOf(proposal)
                .map(([name, sum]) => `${name} ${plain(sum)}`)
                .join(", ")}
              .{" "}
              {proposal.exact
                ? "No split scores less."
                : `Nothing scores less than ${plain(proposal.bound)}.`}
            </p>
            <Broken proposal={proposal} names={names} asked={asked} />
            <div className="mt-auto pt-2">
              <button
                type="button"
                className="btn btn-sm"
                aria-pressed={at === chosen}
                onClick={() => choose(at)}
              >
                {at === chosen ? "Shown below" : "Show it below"}
              </button>
            </div>
          </li>
        ))}
      </ol>
      {proposals.length > 1 && (
        <SelectField
          label="Lay beside"
          className="mt-3 w-60"
          value={against === null || against === chosen ? "" : String(against)}
          options={[
            { value: "", label: "nothing" },
            ...proposals.flatMap((_, at) =>
              at === chosen ? [] : [{ value: String(at), label: nameOf(proposals, at) }],
            ),
          ]}
          onSet={(value) => onAgainst(value === "" ? null : Number(value))}
        />
      )}
    </>
  );
}

const mostOf = ({ terms }: Arrangement): readonly (readonly [string, number])[] =>
  [...sumsOf(terms)]
    .sort((a, b) => b[1] - a[1])
    .slice(0, TOLD)
    .map(([name, sum]) => [TERM_WORDS[name], sum] as const);

/** How players and places of a case are called on the sheet. */
export function namesIn({ sheet }: Pick<Arranging, "sheet">, asked: ArrangeCase) {
  const player = new Map(sheet.players.map(({ id, name }) => [id, name]));
  const row = new Map(sheet.rows.map(({ use, label }) => [use.id, label]));
  return {
    player: (who: number) => player.get(asked.players[who]!.id) ?? "a player who is gone",
    use: (at: number) => row.get(asked.uses[at]!.id) ?? "a section that is gone",
  };
}

/** What could not be held, each once, with where. */
function Broken({
  proposal: { violations },
  asked,
  names,
}: {
  readonly proposal: Arrangement;
  readonly asked: ArrangeCase;
  readonly names: ReturnType<typeof namesIn>;
}) {
  if (violations.length === 0) return null;
  const told = violations.map(({ use, player, words }) => {
    const at = asked.uses.findIndex(({ id }) => id === use);
    const who = asked.players.findIndex(({ id }) => id === player);
    const other = asked.players.findIndex(({ id }) => words.endsWith(` ${id}`));
    const said =
      other < 0 ? words : `${words.slice(0, -asked.players[other]!.id.length)}${names.player(other)}`;
    // A limit is told as it was asked for: it says itself whom it is about.
    const isLimit = asked.limits.some((limit) => limit.words === words);
    return [at < 0 ? "" : `${names.use(at)}: `, who < 0 || isLimit ? "" : `${names.player(who)} `, said].join(
      "",
    );
  });
  return (
    <ul className="mt-2 text-sm text-warning">
      {[...new Set(told)].map((words) => (
        <li key={words}>Can’t be held: {words}.</li>
      ))}
    </ul>
  );
}
