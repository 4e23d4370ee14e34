import { lazy } from "react";

/** What is not on every stage, or not at once: a phone that neither leads nor presses shows its sheet without it. */
const parts = {
  formMargin: () => import("./FormMargin"),
  leadBar: () => import("./LeadBar"),
  liveFeet: () => import("./LiveFeet"),
  thisScreen: () => import("./ThisScreen"),
};

export const FormMargin = lazy(async () => ({ default: (await parts.formMargin()).FormMargin }));
export const LeadBar = lazy(async () => ({ default: (await parts.leadBar()).LeadBar }));
export const LiveFeet = lazy(async () => ({ default: (await parts.liveFeet()).LiveFeet }));
export const ThisScreen = lazy(async () => ({ default: (await parts.thisScreen()).ThisScreen }));

/** Fetches all of it while there is a network. */
export const fetchSeldom = (): Promise<unknown> => Promise.all(Object.values(parts).map((part) => part()));
