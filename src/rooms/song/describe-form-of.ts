import { isMinorChord, parseChord } from "@/core/chord";
import { formatKey } from "@/core/pitch";
import type { BarSum } from "@/core/rhythm";
import type { Namer } from "@/core/song/names";
import { describeForm, nearestForm } from "@/core/song/read";

/**
 * The form players know by name that a section goes by, or nearly, in the key of its first chord, in words.
 * @returns null where it is none
 */
export function describeFormOf(sum: BarSum | undefined, namer: Namer): string | null {
  const bars = sum && !sum.open ? sum.bars.map(([first]) => namer.name(first?.symbol ?? "").sounding) : [];
  const tonic = parseChord(bars[0] ?? "");
  if (!tonic.ok || tonic.value.kind !== "chord") return null;
  const key = formatKey({ tonic: tonic.value.root, mode: isMinorChord(tonic.value) ? "minor" : "major" });
  const form = nearestForm(bars, key);
  return form && describeForm(form, (symbol) => namer.readSounding(symbol));
}
