"use client";

import { useState } from "react";
import { arrangedPlayers, type ContrastOffer, takeArrangement, tellIdea } from "@/core/parts";
import type { AnswerOf, QuestionOf } from "@/engines/window";
import { describePercent } from "@/ui/pretty";
import { derive, makeId, useAct, useCurrentVersion, useDerived } from "../../open";
import { Strokes } from "../split";

type Props = {
  readonly question: QuestionOf<"contrast">;
  readonly answer: AnswerOf<"contrast">;
  readonly isOld: boolean;
};

const plain = (value: number): string => value.toFixed(1);

/** The ways to part two guitars, least shared first, each beside what is now; one press takes one over. */
export function Offers({ question, answer, isOld }: Props) {
  const current = useCurrentVersion();
  const act = useAct();
  const sheet = useDerived(derive.sheet);
  const [said, setSaid] = useState("");
  const names = question.players.map((id) => sheet.players.find((one) => one.id === id)?.name ?? "gone");
  const take = (offer: ContrastOffer) => {
    const body = current();
    const cells = sheet.rows.map(({ use }) => {
      const pair = offer.cells[answer.useIds.indexOf(use.id)];
      return arrangedPlayers(sheet).map(({ id }) => pair?.[question.players.indexOf(id)]);
    });
    const words = `Parted ${names.join(" and ")}: ${offer.way}`;
    act(takeArrangement(body, sheet, derive.cellIndex(body), { cells }, words, makeId));
    setSaid(`${words}.`);
  };
  const { before, offers } = answer;
  return (
    <section aria-label="Ways to part them" className={`mt-4 ${isOld ? "opacity-60" : ""}`}>
      <p>
        Now they share <strong>{plain(before.semitones)}</strong> semitones and{" "}
        <strong>{describePercent(before.strokes)}</strong> of their strokes
        {effort(before.effort, names)}.
      </p>
      <p role="status" className="min-h-6 text-sm font-bold">
        {said}
      </p>
      {offers.length === 0 && <p>Neither of them can do any of the ways within their level.</p>}
      <ol className="grid gap-3 md:grid-cols-2 xl:grid-cols-3">
        {offers.map((offer) => (
          <li
            key={offer.way}
            aria-label={offer.way}
            className="flex flex-col rounded-box border border-base-300 p-3"
          >
            <h2 className="first-letter:uppercase">{offer.way}</h2>
            <p className="text-sm">
              Then <strong>{plain(offer.semitones)}</strong> semitones and{" "}
              <strong>{describePercent(offer.strokes)}</strong> of their strokes{effort(offer.effort, names)}.
            </p>
            {names.map((name, one) => (
              <div key={question.players[one]} className="mt-2">
                <p>
                  <strong>{name}</strong>: {ideasOf(offer, one)}
                </p>
                <Strokes cell={offer.cells[0]![one as 0 | 1]} />
              </div>
            ))}
            <div className="mt-auto pt-3">
              <button type="button" className="btn btn-primary btn-sm" onClick={() => take(offer)}>
                Take it {answer.useIds.length === 1 ? "here" : `in ${answer.useIds.length} places`}
              </button>
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** The ideas of one of them, each once, in the order they come. */
const ideasOf = ({ cells }: ContrastOffer, one: number): string =>
  [...new Set(cells.map((pair) => tellIdea(pair[one as 0 | 1])))].join("; ");

/** What the hands are asked for, a beat; nothing where it is not known. */
function effort(efforts: Props["answer"]["before"]["effort"], names: readonly string[]): string {
  const told = efforts.flatMap((value, one) => (value === null ? [] : [`${names[one]} ${plain(value)}`]));
  return told.length > 0 ? `; effort a beat: ${told.join(", ")}` : "";
}
