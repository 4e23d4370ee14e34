"use client";

import { PageTabs } from "../open";

const PAGES = [
  ["/parts", "The sheet"],
  ["/parts/split", "Split for me"],
  ["/parts/two-guitars", "Two guitars"],
  ["/parts/judgement", "Judgement"],
  ["/parts/patterns", "Patterns"],
  ["/parts/lines", "Lines"],
] as const;

/** The pages of the Parts room. */
export const PartsTabs = () => <PageTabs room="Parts" pages={PAGES} />;
