"use client";

import { PageTabs } from "../open";

const PAGES = [
  ["/sounds", "The ledger"],
  ["/sounds/banks", "Banks and presses"],
  ["/sounds/box", "The box"],
  ["/sounds/times", "Times and harmony"],
  ["/sounds/evening", "An evening"],
  ["/sounds/play", "Play it"],
] as const;

/** The pages of the Sounds room. */
export const SoundsTabs = () => <PageTabs room="Sounds" pages={PAGES} />;
