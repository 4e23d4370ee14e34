"use client";

import { useState } from "react";
import { patternOfRow } from "@/core/parts";
import { describeJoinProblem, joinPatterns, type Pattern } from "@/core/rhythm";
import type { StrumRow } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";

/** Another pattern of the song joined behind one, in one act; why not, where they don't go together. */
export function JoinBehind({
  name,
  pattern,
  own,
  hideLabel = false,
  onJoined,
}: {
  readonly name: string;
  readonly pattern: Pattern;
  /** The song's patterns. */
  readonly own: readonly StrumRow[];
  readonly hideLabel?: boolean;
  readonly onJoined: (joined: Pattern, name: string) => void;
}) {
  const [problem, setProblem] = useState("");
  const join = (id: string) => {
    const other = own.find((one) => one.id === id);
    const behind = other && patternOfRow(other);
    if (!other || !behind) return;
    const joined = joinPatterns([pattern, behind]);
    setProblem(joined.ok ? "" : describeJoinProblem(joined.problem));
    if (joined.ok) onJoined(joined.value, `${name} + ${other.name}`);
  };
  return (
    <>
      <SelectField
        label={`After ${name}`}
        hideLabel={hideLabel}
        className={hideLabel ? "w-36" : "w-52"}
        value=""
        options={[
          { value: "", label: "join another…" },
          ...own
            .filter((one) => patternOfRow(one) !== null)
            .map((one) => ({ value: one.id, label: one.name })),
        ]}
        onSet={join}
      />
      {problem !== "" && (
        <p role="alert" className="w-full text-sm text-error">
          {problem}
        </p>
      )}
    </>
  );
}
