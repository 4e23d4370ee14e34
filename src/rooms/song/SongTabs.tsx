"use client";

import { PageTabs } from "../open";

const PAGES = [
  ["", "The sheet"],
  ["/versions", "Versions and history"],
  ["/evidence", "Evidence: sources compared"],
] as const;

/** The pages of the Song room. */
export const SongTabs = () => <PageTabs room="Song" pages={PAGES} />;
