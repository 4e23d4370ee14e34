"use client";

import { PageTabs } from "../house/PageTabs";

const PAGES = [
  ["", "The sheet"],
  ["/versions", "Versions and history"],
  ["/evidence", "Evidence: sources compared"],
] as const;

/** The pages of the Song room. */
export const SongTabs = () => <PageTabs room="Song" pages={PAGES} />;
