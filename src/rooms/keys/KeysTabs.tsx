"use client";

import { PageTabs } from "../open";

const PAGES = [
  ["/keys", "Key and capos"],
  ["/keys/shapes", "Shapes to learn"],
  ["/keys/book", "Shape book"],
  ["/keys/planted", "Planted fingers"],
  ["/keys/neck", "The neck"],
  ["/keys/tuning", "Tuning"],
] as const;

/** The pages of the Keys room. */
export const KeysTabs = () => <PageTabs room="Keys" pages={PAGES} />;
