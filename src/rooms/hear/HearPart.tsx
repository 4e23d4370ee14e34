"use client";

import { call, stageHeard } from "@/api";
import type { HeardSong } from "@/core/practice";
import { HearThis } from "./HearThis";
import { scoreOfPassage } from "./score-of";

/** A song as far as it is heard here, or null where it can't be worked out. */
export type HeardLater = Promise<Pick<HeardSong, "passages" | "parts"> | null>;

type Props = {
  readonly what: string;
  /** Gives the song; see {@link heardOnce}. */
  readonly song: () => HeardLater;
  /** The use of a section it is heard in, the first time through. */
  readonly useId: string;
  /** Null is everybody. */
  readonly playerId: string | null;
  readonly isKeyed?: boolean;
  readonly className?: string;
};

/** A part, or everybody, is heard in one section: what is played is worked out as soon as somebody comes near the button. */
export function HearPart({ what, song, useId, playerId, ...looks }: Props) {
  const score = async () => {
    const heard = await song();
    const at = heard?.passages.findIndex(({ id }) => id === `${useId} 0`) ?? -1;
    return heard && at >= 0 ? scoreOfPassage(heard, at, playerId) : null;
  };
  return <HearThis what={what} score={score} onNear={() => void song()} {...looks} />;
}

/** Fetches a song, or has it worked out, when it is first wanted, and once. */
export function heardOnce(make: () => HeardLater): () => HeardLater {
  let song: HeardLater | null = null;
  return () => {
    song ??= make().catch(() => null);
    return song;
  };
}

/** A version as the server has it. */
export async function heardVersion(versionId: string): HeardLater {
  const heard = await call(stageHeard, { params: { eveningId: versionId }, sent: { versionId } });
  return heard.ok ? heard.answer : null;
}
