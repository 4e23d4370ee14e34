"use client";

import { useParams } from "next/navigation";
import { type CSSProperties, useState } from "react";
import { useStore } from "zustand";
import { listChanges } from "@/core/parts";
import { type HeardSong, type LadderStep, ladderOf, type StepKind } from "@/core/practice";
import { hasStrings } from "@/core/song/read";
import type { Player, Practice } from "@/core/song/schema";
import { byOrder } from "@/document";
import { useEngine } from "@/engines/window";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { hearing } from "../hear";
import { windowNames } from "../names";
import { derive, useDerived, useRows, useSong } from "../open";
import { PassageSheet } from "../stage";
import { LadderStepRow } from "./LadderStepRow";
import { RehearseTabs } from "./RehearseTabs";
import { REHEARSAL } from "./rehearsal";
import { sectionsOf } from "./sections-of";
import { useKeep } from "./use-keep";
import { useLadder } from "./use-ladder";
import { useHeardSong, usePlace, useReaderPart } from "./use-rehearsal";
import { WhereItIs } from "./WhereItIs";

const STEP_WORDS: Readonly<Record<StepKind, string>> = {
  "right hand": "The striking hand alone, on damped strings",
  "left hand": "The other hand alone: each chord struck once",
  "on the beat": "The chords on every beat",
  pattern: "The pattern",
  line: "The line",
  all: "All of it, with the band",
};

/** The ladder of a part: one hand, the other, both, slow to full; a step is done when it was played in time, or the player says so. */
export function LadderPage() {
  const { players } = useRows("players");
  const { versionId } = useParams<{ versionId: string }>();
  const { heard, problem, edits } = useHeardSong({ stageId: versionId, versionId });
  const [id, setId] = useState("");
  const inOrder = Object.values(players).sort(byOrder);
  const player = inOrder.find((one) => one.id === id) ?? inOrder[0];
  return (
    <>
      <h1 className="mb-1">Rehearse</h1>
      <RehearseTabs />
      {problem !== null ? (
        <p role="alert">{problem}</p>
      ) : !player ? (
        <p className="rounded-box bg-base-200 p-4">Nobody plays yet: put players in the song in Players.</p>
      ) : !heard ? (
        <p role="status">Listening to the parts…</p>
      ) : heard.passages.length === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          There is nothing to practise yet: put sections in the form in Song.
        </p>
      ) : (
        <Ladder key={player.id} {...{ heard, player, edits }} players={inOrder} onPlayer={setId} />
      )}
    </>
  );
}

type Props = {
  readonly heard: HeardSong;
  readonly player: Player;
  readonly players: readonly Player[];
  readonly edits: number;
  readonly onPlayer: (id: string) => void;
};

function Ladder(props: Props) {
  return hasStrings(props.player) ? <WithHand {...props} /> : <Steps {...props} load={0} />;
}

/** How hard the hardest change of a hand is for the time it has, by the second. */
function WithHand(props: Props) {
  const request = useDerived((body) => derive.planOf(body, props.player));
  const search = useEngine("shape-plan", request);
  // Steps go by it: one that is played must not become another meanwhile.
  if (!search.data) return <SearchNote search={search} doing="planning the hand’s way…" />;
  const [hardest] = listChanges(search.data);
  return <Steps {...props} load={hardest?.cost ?? 0} />;
}

function Steps({ heard, player, players, edits, onPlayer, load }: Props & { readonly load: number }) {
  const sections = sectionsOf(heard);
  const [at, setAt] = useState(0);
  const section = sections[at] ?? sections[0]!;
  const part = heard.parts.find((one) => one.player.id === player.id);
  const steps = part ? ladderOf(part, section.from, section.to, load) : [];
  const { practices } = useSong();
  const keep = useKeep();
  const ladder = useLadder(heard, player.id, section);
  const reader = useReaderPart(
    { stageId: heard.versionId, versionId: heard.versionId },
    player.id,
    useStore(windowNames),
    edits,
  );
  const place = usePlace(ladder.rehearsal, ladder.phase, reader);
  const soundProblem = useStore(hearing, (one) => one.problem);
  const isDone = (step: LadderStep): boolean =>
    Object.values(practices).some((one) => isOf(one, player.name, section.label, step));
  const next = steps.find((step) => !isDone(step)) ?? null;
  const sheet = reader?.sheets[place?.passage ?? section.passage];
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end gap-4">
        <SelectField
          label="Part of"
          className="w-44"
          value={player.id}
          options={players.map(({ id, name }) => ({ value: id, label: name }))}
          onSet={onPlayer}
        />
        <SelectField
          label="In"
          className="w-52"
          value={String(at)}
          options={sections.map(({ label }, index) => ({ value: String(index), label }))}
          onSet={(value) => {
            ladder.stop();
            setAt(Number(value));
          }}
        />
      </div>
      <p className="mb-3 max-w-3xl text-sm">
        Play along, and tap each stroke with any letter or a foot on Page Down if you like: it says how near
        you were. First slowly; pain or numbness means stop and rest, and if it stays, see a clinician.
      </p>
      {soundProblem?.by === REHEARSAL && (
        <p role="status" className="mb-2 text-sm">
          {soundProblem.text}
        </p>
      )}
      <div className="flex gap-6 max-lg:flex-col">
        <div className="min-w-0 flex-1">
          {steps.length === 0 ? (
            <p className="rounded-box bg-base-200 p-4">
              {player.name} has nothing to sound in {section.label}.
            </p>
          ) : (
            <ol className="flex flex-col gap-2">
              {steps.map((step) => (
                <LadderStepRow
                  key={`${step.kind} ${step.percent}`}
                  step={step}
                  words={STEP_WORDS[step.kind]}
                  isDone={isDone(step)}
                  isNext={step === next}
                  ladder={ladder}
                  onDone={() =>
                    keep({
                      kind: "ladder",
                      player: player.name,
                      what: `${section.label}: ${step.kind}`,
                      minutes: ladder.minutes(),
                      percent: step.percent,
                    })
                  }
                />
              ))}
            </ol>
          )}
        </div>
        <section
          aria-label="The sheet"
          className="rehearse-sheet rehearse-words flex w-[26rem] flex-col max-lg:w-full"
          style={{ "--stage-size": 0.55 } as CSSProperties}
        >
          <WhereItIs
            place={place}
            passages={heard.passages}
            phase={ladder.phase}
            silence="Play a step, and the sheet runs with it."
          />
          {reader && sheet && (
            <PassageSheet part={reader} sheet={sheet} tick={place?.phase === "play" ? place.tick : null} />
          )}
        </section>
      </div>
    </>
  );
}

const isOf = (one: Practice, player: string, label: string, { kind, percent }: LadderStep): boolean =>
  one.kind === "ladder" &&
  one.player === player &&
  one.what === `${label}: ${kind}` &&
  (one.percent ?? 0) >= percent;
