import { type ComponentType, lazy } from "react";

/** What is not on every stage, or not at once: a phone that neither leads, presses, strums nor reads tab shows its sheet without it. */
const parts = {
  betweenSongs: () => import("./BetweenSongs"),
  leading: () => import("./leading"),
  liveFeet: () => import("./LiveFeet"),
  whoAreYou: () => import("./WhoAreYou"),
  thisScreen: () => import("./ThisScreen"),
  markBar: () => import("./mark-bar"),
  strum: () => import("./sheet/StrumStrip"),
  film: () => import("../film"),
  tab: () => import("./sheet/TabSheet"),
  foldedTab: () => import("./sheet/FoldedTab"),
};

/** Without a network it is asked for again so much later, ms: the sheet stays as it is meanwhile. */
const AGAIN_MS = 2000;

async function patiently<Part>(load: () => Promise<Part>): Promise<Part> {
  for (;;) {
    try {
      return await load();
    } catch {
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
    }
  }
}

const seldom = <Part, Props extends object>(
  load: () => Promise<Part>,
  of: (part: Part) => ComponentType<Props>,
) => lazy(async () => ({ default: of(await patiently(load)) }));

export const BetweenSongs = seldom(parts.betweenSongs, (part) => part.BetweenSongs);
export const FormMargin = seldom(parts.leading, (part) => part.FormMargin);
export const LeadBar = seldom(parts.leading, (part) => part.LeadBar);
export const LiveFeet = seldom(parts.liveFeet, (part) => part.LiveFeet);
export const BuildSection = seldom(parts.liveFeet, (part) => part.BuildSection);
export const ThisScreen = seldom(parts.thisScreen, (part) => part.ThisScreen);

export const StrumStrip = seldom(parts.strum, (part) => part.StrumStrip);
export const TabSheet = seldom(parts.tab, (part) => part.TabSheet);
export const FoldedTab = seldom(parts.foldedTab, (part) => part.FoldedTab);
export const WhoAreYou = seldom(parts.whoAreYou, (part) => part.WhoAreYou);

/** Fetches all of it while there is a network. */
export const fetchSeldom = (): Promise<unknown> => Promise.all(Object.values(parts).map((part) => part()));
