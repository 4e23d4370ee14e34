"use client";

import { PageTabs } from "../open";

const PAGES = [
  ["/rehearse", "Play it"],
  ["/rehearse/next", "Next ten minutes"],
  ["/rehearse/ladder", "Ladder"],
  ["/rehearse/changes", "Hard changes"],
  ["/rehearse/log", "Log"],
  ["/rehearse/fit", "Does it fit"],
] as const;

/** The pages of the Rehearse room. */
export const RehearseTabs = () => <PageTabs room="Rehearse" pages={PAGES} />;
