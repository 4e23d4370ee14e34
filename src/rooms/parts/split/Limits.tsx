"use client";

import { useState } from "react";
import { arrangedPlayers, IDEAS, LIMIT_RULES, type Limit, type LimitRule } from "@/core/parts";
import { LIGHT_WORDS } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";
import type { Arranging } from "./use-arrangement";
import { RULE_WORDS } from "./words";

/** What is fixed before: limits as a leader says them, one after another, each to be taken back. */
export function Limits({ arranging }: { readonly arranging: Arranging }) {
  const { wishes, set } = arranging;
  return (
    <details className="max-w-4xl" open={wishes.limits.length > 0}>
      <summary className="cursor-pointer">What is fixed already</summary>
      {wishes.limits.length > 0 && (
        <ul className="mt-2 flex flex-wrap gap-2" aria-label="Fixed">
          {wishes.limits.map((limit) => (
            <li key={limit.words} className="rounded-field bg-base-200 px-3 py-1 text-sm">
              {limit.words}{" "}
              <button
                type="button"
                className="link ml-1"
                aria-label={`Let go: ${limit.words}`}
                onClick={() => set.limits(wishes.limits.filter((one) => one !== limit))}
              >
                let go
              </button>
            </li>
          ))}
        </ul>
      )}
      <NewLimit arranging={arranging} />
    </details>
  );
}

const EVERYBODY = "";
const EVERYWHERE = "";

function NewLimit({ arranging }: { readonly arranging: Arranging }) {
  const { sheet, wishes, set } = arranging;
  const players = arrangedPlayers(sheet);
  const [playerId, setPlayerId] = useState<string>(EVERYBODY);
  const [rule, setRule] = useState<LimitRule>("not before");
  const [where, setWhere] = useState<string>(EVERYWHERE);
  const [idea, setIdea] = useState<string>("");
  const [light, setLight] = useState(2);
  const who = players.findIndex(({ id }) => id === playerId);
  const player = players[who];
  const ideas = IDEAS.filter(({ instrument }) => instrument === player?.instrument);
  const places = placesOf(sheet);
  const place = places.find(({ id }) => id === where);
  const needsPlace = rule === "not before" || rule === "only in";
  const chosenIdea = ideas.find(({ id }) => id === idea) ?? ideas[0];
  const isReady = (!needsPlace || place !== undefined) && (rule !== "lock" || chosenIdea !== undefined);
  const add = () => {
    const name = player?.name ?? "everybody";
    const told = [
      name,
      rule === "lock"
        ? `plays ${chosenIdea?.words} in`
        : rule === "at most"
          ? `at most ${LIGHT_WORDS[light]} in`
          : RULE_WORDS[rule],
      place?.label ?? "the whole song",
    ].join(" ");
    const limit: Limit = {
      rule,
      player: player ? who : null,
      uses: place?.uses ?? null,
      idea: rule === "lock" ? (chosenIdea?.id ?? null) : null,
      instrument: rule === "lock" ? (chosenIdea?.instrument ?? null) : null,
      number: rule === "at most" ? light : null,
      words: told,
    };
    if (!wishes.limits.some(({ words }) => words === told)) set.limits([...wishes.limits, limit]);
  };
  return (
    <div className="mt-2 mb-3 flex flex-wrap items-end gap-3">
      <SelectField
        label="Who"
        className="w-40"
        value={playerId}
        options={[
          { value: EVERYBODY, label: "everybody" },
          ...players.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onSet={setPlayerId}
      />
      <SelectField
        label="What is fixed"
        className="w-52"
        value={rule}
        options={LIMIT_RULES.filter((one) => one !== "lock" || player !== undefined).map((value) => ({
          value,
          label: RULE_WORDS[value],
        }))}
        onSet={setRule}
      />
      {rule === "lock" && player && (
        <SelectField
          label="Idea"
          className="w-72"
          value={chosenIdea?.id ?? ""}
          options={ideas.map(({ id, words }) => ({ value: id, label: words }))}
          onSet={setIdea}
        />
      )}
      {rule === "at most" && (
        <SelectField
          label="Light"
          className="w-32"
          value={String(light)}
          options={LIGHT_WORDS.map((label, at) => ({ value: String(at), label }))}
          onSet={(value) => setLight(Number(value))}
        />
      )}
      <SelectField
        label="Where"
        className="w-52"
        value={where}
        options={[
          ...(needsPlace
            ? [{ value: EVERYWHERE, label: "choose a place" }]
            : [{ value: EVERYWHERE, label: "the whole song" }]),
          ...places.map(({ id, label }) => ({ value: id, label })),
        ]}
        onSet={setWhere}
      />
      <button type="button" className="btn btn-sm" disabled={!isReady} onClick={add}>
        Fix it
      </button>
    </div>
  );
}

/** Each time through a section, and before them each section that comes more than once, all its times together. */
function placesOf({
  rows,
}: Arranging["sheet"]): { readonly id: string; readonly label: string; readonly uses: readonly number[] }[] {
  const sections = [...new Set(rows.map(({ section }) => section.id))];
  const all = sections.flatMap((id) => {
    const uses = rows.flatMap((row, at) => (row.section.id === id ? [at] : []));
    return uses.length > 1 ? [{ id, label: `every ${rows[uses[0]!]!.section.label}`, uses }] : [];
  });
  return [...all, ...rows.map((row, at) => ({ id: row.use.id, label: row.label, uses: [at] }))];
}
