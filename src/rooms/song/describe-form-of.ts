import { isMinorChord, parseChord } from "@/core/chord";
import { formatKey } from "@/core/pitch";
import type { BarSum } from "@/core/rhythm";
import { describeForm, nearestForm } from "@/core/song/read";
import { pretty } from "@/ui/pretty";
import type { NameOf } from "./names-shown";

/**
 * The form players know by name that a section goes by, or nearly, in the key of its first chord, in words.
 * @param nameOf how chords are shown here
 * @returns null where it is none
 */
export function describeFormOf(sum: BarSum | undefined, nameOf: NameOf): string | null {
  const bars = sum && !sum.open ? sum.bars.map(([first]) => nameOf(first?.symbol ?? "").name) : [];
  const tonic = parseChord(bars[0] ?? "");
  if (!tonic.ok || tonic.value.kind !== "chord") return null;
  const key = formatKey({ tonic: tonic.value.root, mode: isMinorChord(tonic.value) ? "minor" : "major" });
  const form = nearestForm(bars, key);
  return form && pretty(describeForm(form));
}
