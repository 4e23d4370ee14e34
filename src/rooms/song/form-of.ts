import type { BarSum } from "@/core/rhythm";
import { nearestForm } from "@/core/song/read";

/** The form players know by name that a section goes by, or nearly; null where it is none. */
export const formOf = (sum: BarSum | undefined, key: string): ReturnType<typeof nearestForm> =>
  sum && !sum.open
    ? nearestForm(
        sum.bars.map(([first]) => first?.symbol ?? ""),
        key,
      )
    : null;
