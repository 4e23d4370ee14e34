"use client";

import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { followSettled } from "@/document/client";
import { OwnLine, type OwnSong } from "./own-line";
import { StageScreen } from "./StageScreen";
import { BetweenSongs } from "./seldom";
import { useStageSettings } from "./settings";
import type { NamesHere } from "./stage-line";

type Props = {
  readonly versionId: string;
  readonly revision: number;
  readonly song: OwnSong;
  /** The names the page was asked for, and its pack is told in. */
  readonly names: NamesHere;
};

/** A song's own stage: the stage of an evening of one song, led on this screen. */
export function OwnStage({ versionId, revision, song, names }: Props) {
  const [asked] = useState(() => said(names));
  const [line] = useState(() => new OwnLine(versionId, song, names));
  const [settings, change] = useStageSettings(asked);
  useEffect(() => line.take(song, names), [line, song, names]);
  useFollow(versionId, revision);
  return <StageScreen {...{ line, settings, change }} between={BetweenSongs} />;
}

/** What was asked for, without what was left to the device. */
const said = (names: NamesHere): Partial<NamesHere> =>
  Object.fromEntries(Object.entries(names).filter(([, one]) => one !== ""));

const SETTLE_MS = 150;

/** Takes up what others change: the part is worked out anew on the server. */
function useFollow(versionId: string, revision: number): void {
  const router = useRouter();
  const seen = useRef(revision);
  seen.current = Math.max(seen.current, revision);
  useEffect(
    () =>
      followSettled(
        versionId,
        () => seen.current,
        SETTLE_MS,
        () => router.refresh(),
      ),
    [versionId, router],
  );
}
