"use client";

import { useEffect, useState } from "react";
import { call, keepPractice, stageMe, stagePeople } from "@/api";
import { OWN_NAMES } from "@/core/song/names";
import type { StagePerson } from "@/core/stage";
import { SelectField } from "@/ui/SelectField";
import { today } from "@/ui/tell-day";
import type { KeptRun } from "./KeepRun";
import { RehearseScreen } from "./RehearseScreen";

type Props = {
  readonly eveningId: string;
  readonly songs: readonly { readonly versionId: string; readonly title: string }[];
};

/** The songs of an evening on somebody's own device, to be practised before it: the band is heard, their sheet runs along. */
export function PhoneRehearsal({ eveningId, songs }: Props) {
  const [versionId, setVersion] = useState(songs[0]?.versionId ?? "");
  const [people, setPeople] = useState<readonly StagePerson[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  /** Whether this device may write into the songs' logs: whoever only looks on may not. */
  const [mayKeep, setMayKeep] = useState(false);
  const [said, setSaid] = useState("");
  useEffect(() => {
    const params = { eveningId };
    void Promise.all([call(stageMe, { params }), call(stagePeople, { params })]).then(([me, found]) => {
      if (!me.ok || !found.ok)
        return setProblem("The server does not answer: load the page again in a moment.");
      const { person, role } = me.answer;
      setMayKeep(role === "player" || role === "leader");
      const all = found.answer.people;
      // Whoever has said who they are comes first.
      setPeople([
        ...all.filter((one) => one.person === person),
        ...all.filter((one) => one.person !== person),
      ]);
    });
  }, [eveningId]);
  const keep = async ({ player: _player, ...kept }: KeptRun, person: string) => {
    const sent = { ...kept, person, versionId, day: today() };
    const answer = await call(keepPractice, { params: { eveningId }, sent });
    if (answer.ok) setSaid("It is in the song’s log.");
    else if (answer.status === "away")
      setSaid("It did not reach the server: try again when the network is back.");
    else setSaid(`It was not kept: ${answer.path} ${answer.message}.`);
  };
  return (
    <main className="mx-auto max-w-5xl px-4 pt-3 pb-24">
      <div className="mb-2 flex flex-wrap items-end gap-4">
        <h1 className="mr-auto">Rehearse</h1>
        <a className="link inline-flex min-h-11 items-center" href={`/live/${eveningId}`}>
          Back to the stage
        </a>
      </div>
      <p role="status" className="text-sm">
        {said}
      </p>
      {songs.length === 0 ? (
        <p className="rounded-box bg-base-200 p-4">There is no song in this evening yet.</p>
      ) : (
        <>
          {songs.length > 1 && (
            <SelectField
              label="Song"
              className="mb-3 w-64 max-w-full"
              value={versionId}
              options={songs.map((song) => ({ value: song.versionId, label: song.title }))}
              onSet={setVersion}
            />
          )}
          {problem !== null ? (
            <p role="alert">{problem}</p>
          ) : people === null ? (
            <p role="status">Listening to the parts…</p>
          ) : (
            <RehearseScreen
              key={versionId}
              where={{ stageId: eveningId, versionId }}
              readers={people.map(({ person, name }) => ({ id: person, name }))}
              names={OWN_NAMES}
              {...(mayKeep ? { onKeep: keep } : {})}
            />
          )}
        </>
      )}
    </main>
  );
}
