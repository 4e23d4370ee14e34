"use client";

import { useRef } from "react";
import { call, stageHeard } from "@/api";
import type { HeardSong } from "@/core/practice";
import { HearThis } from "./HearThis";
import { scoreOfPassage } from "./score-of";

/** A song as far as it is heard here, or null where it can't be worked out. */
export type HeardLater = Promise<Pick<HeardSong, "passages" | "parts"> | null>;

type Props = {
  readonly what: string;
  /** Changes with the song: what was fetched before an edit is not heard after it. */
  readonly of: unknown;
  /** Fetches the song, or has it worked out. */
  readonly song: () => HeardLater;
  /** The use of a section it is heard in, the first time through. */
  readonly useId: string;
  /** Null is everybody. */
  readonly playerId: string | null;
  readonly isKeyed?: boolean;
  readonly className?: string;
};

/** A part, or everybody, is heard in one section: what is played is worked out as soon as somebody comes near the button. */
export function HearPart({ what, of, song, useId, playerId, ...looks }: Props) {
  const fetched = useRef<{ readonly of: unknown; readonly song: HeardLater } | null>(null);
  const fetchOnce = (): HeardLater => {
    const known = fetched.current;
    if (known && known.of === of) return known.song;
    const fresh = song().catch(() => null);
    fetched.current = { of, song: fresh };
    return fresh;
  };
  const score = async () => {
    const heard = await fetchOnce();
    const at = heard?.passages.findIndex(({ id }) => id === `${useId} 0`) ?? -1;
    return heard && at >= 0 ? scoreOfPassage(heard, at, playerId) : null;
  };
  return <HearThis what={what} score={score} onNear={() => void fetchOnce()} {...looks} />;
}

/** A version as the server has it. */
export async function heardVersion(versionId: string): HeardLater {
  const heard = await call(stageHeard, { params: { eveningId: versionId }, sent: { versionId } });
  return heard.ok ? heard.answer : null;
}
