import { parseChord } from "@/core/chord";
import { formatKey } from "@/core/pitch";
import type { BarSum } from "@/core/rhythm";
import { nearestForm } from "@/core/song/read";

/** The form players know by name that a section goes by, or nearly, in the key of its first chord; null where it is none. */
export function formOf(sum: BarSum | undefined): ReturnType<typeof nearestForm> {
  const bars = sum && !sum.open ? sum.bars.map(([first]) => first?.symbol ?? "") : [];
  const tonic = parseChord(bars[0] ?? "");
  if (!tonic.ok || tonic.value.kind !== "chord") return null;
  const isMinor = tonic.value.tones.some(({ degree, alter }) => degree === 3 && alter === -1);
  return nearestForm(bars, formatKey({ tonic: tonic.value.root, mode: isMinor ? "minor" : "major" }));
}
