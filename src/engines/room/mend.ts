import { ok } from "@/base";
import { bandSheet, type ChordSum, type Mend, mendSum } from "@/core/parts";
import { namerByShift } from "@/core/song/names";
import type { VersionBody } from "@/core/song/schema";
import { roomEngine } from "../engine";

export type MendQuestion = { readonly body: VersionBody; readonly sum: ChordSum };

/** The smallest change of one player that mends a chord, or null where no shape of one player does. */
export const mend = roomEngine({
  name: "mend",
  steps: null,
  compute: ({ body, sum }: MendQuestion) => {
    const row = bandSheet(body).rows.find(({ use }) => use.id === sum.useId);
    return ok<Mend | null>(row ? mendSum(row, sum, namerByShift(body)(row.passage.shift).key) : null);
  },
});
