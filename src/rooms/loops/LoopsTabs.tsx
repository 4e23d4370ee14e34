"use client";

import { PageTabs } from "../open";

const PAGES = [
  ["/loops", "The ropes"],
  ["/loops/feet", "Tracks and feet"],
  ["/loops/box", "Box and levels"],
  ["/loops/play", "Play it"],
] as const;

/** The pages of the Loops room. */
export const LoopsTabs = () => <PageTabs room="Loops" pages={PAGES} />;
