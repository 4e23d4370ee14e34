"use client";

import { useState } from "react";
import { BetweenSongs } from "./BetweenSongs";
import { LiveLine } from "./live-line";
import { StageScreen } from "./StageScreen";
import { useStageSettings } from "./settings";

/** One screen of an evening. */
export function LiveStage({ eveningId }: { eveningId: string }) {
  const [line] = useState(() => new LiveLine(eveningId));
  const [settings, change] = useStageSettings();
  return <StageScreen {...{ line, settings, change }} between={BetweenSongs} />;
}
