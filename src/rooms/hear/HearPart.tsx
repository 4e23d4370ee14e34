"use client";

import { useRef } from "react";
import { call, stageHeard } from "@/api";
import type { HeardSong } from "@/core/practice";
import { HearThis } from "./HearThis";
import { scoreOfPassage } from "./score-of";

type Props = {
  readonly what: string;
  readonly versionId: string;
  /** The version's revision: what was fetched before an edit is not heard after it. */
  readonly revision: number;
  /** The use of a section it is heard in, the first time through. */
  readonly useId: string;
  /** Null is everybody. */
  readonly playerId: string | null;
};

/** A part is heard in one section: what is played is worked out on the server, as soon as somebody comes near the button. */
export function HearPart({ what, versionId, revision, useId, playerId }: Props) {
  const fetched = useRef<{ readonly of: string; readonly song: Promise<HeardSong | null> } | null>(null);
  const song = (): Promise<HeardSong | null> => {
    const of = `${versionId} ${revision}`;
    if (fetched.current?.of !== of) fetched.current = { of, song: heardSong(versionId) };
    return fetched.current.song;
  };
  const score = async () => {
    const heard = await song();
    const at = heard?.passages.findIndex(({ id }) => id === `${useId} 0`) ?? -1;
    return heard && at >= 0 ? scoreOfPassage(heard, at, playerId) : null;
  };
  return <HearThis what={what} score={score} onNear={() => void song()} />;
}

async function heardSong(versionId: string): Promise<HeardSong | null> {
  const heard = await call(stageHeard, { params: { eveningId: versionId }, sent: { versionId } });
  return heard.ok ? heard.answer : null;
}
