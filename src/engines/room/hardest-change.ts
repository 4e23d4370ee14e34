import { ok } from "@/base";
import { behindCapo, listChanges, type PlanRequest, planShapes } from "@/core/parts";
import { roomEngine } from "../engine";

export type HardestQuestion = { readonly request: PlanRequest; readonly capo: number };

/** The dearest change of a song behind one capo, by sounding symbols. */
export type HardestChange = { readonly from: string; readonly to: string; readonly cost: number };

/** The hardest change behind a capo, or null where there is none. */
export const hardestChange = roomEngine({
  name: "hardest-change",
  steps: null,
  compute: ({ request, capo }: HardestQuestion) => {
    const [hardest] = listChanges(planShapes(behindCapo(request, capo)));
    return ok<HardestChange | null>(
      hardest ? { from: hardest.from.symbol, to: hardest.to.symbol, cost: hardest.cost } : null,
    );
  },
});
