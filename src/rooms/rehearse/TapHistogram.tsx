"use client";

import { MsHistogram } from "../trainer";

/** Taps by how many ms they were off, in steps as fine as an ear tells. */
export const TapHistogram = ({ late }: { readonly late: readonly (number | null)[] }) => (
  <MsHistogram timed={late.flatMap((ms) => ms ?? [])} step={20} most={200} counted="taps" />
);
