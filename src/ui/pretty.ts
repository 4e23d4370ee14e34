import { realSigns as pretty } from "@/core/pitch";
import type { Role, SectionKind, SheetView } from "@/core/song/schema";

export { pretty };

/** "F♯ minor". */
export const describeKey = (key: string): string =>
  `${pretty(key.replace(/m$/u, ""))} ${key.endsWith("m") ? "minor" : "major"}`;

/** Minutes and seconds. @example describeTime(75) // => "1:15" */
export const describeTime = (seconds: number): string => {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
};

/** @example describePercent(0.64) // => "64 %" */
export const describePercent = (share: number): string => `${Math.round(share * 100)} %`;

export const describeCapo = (capo: number): string => (capo === 0 ? "no capo" : `capo ${capo}`);

export const ROLE_WORDS: Readonly<Record<Role, string>> = Object.freeze({
  carry: "carries",
  support: "supports",
  line: "plays a line",
  bass: "plays the bass",
  out: "stays out",
});

/** The sheets that can be made of a part with chords and a line. */
export const SHEET_WORDS: Readonly<Record<SheetView, string>> = Object.freeze({
  both: "chords and line",
  chords: "chords only",
  line: "line only",
});

/** The cut of a section's tag: kinds are told by shape, never by hue. */
export const CUT_OF_KIND: Readonly<Record<SectionKind, string>> = Object.freeze({
  intro: "slant",
  verse: "straight",
  "pre-chorus": "point",
  chorus: "round",
  bridge: "notch",
  instrumental: "slant",
  solo: "slant",
  tag: "point",
  outro: "slant",
  other: "straight",
});

/** What a pattern of its own for short chords is called. */
export const SHORT_CHORDS = "chords of half a bar:";
/** What the fill of the last beats before another chord is called. */
export const BEFORE_CHANGE = "before a change:";
