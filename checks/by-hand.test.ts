import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";

/**
 * No room tells a name or a moment by hand: chords, keys, notes and pitches come from `core/song/names`, bars, beats and words
 * from `core/song/moments`. What is looked for is how it was done before there were the two.
 */
const BY_HAND: readonly (readonly [what: string, pattern: RegExp])[] = [
  [
    "writes names itself",
    /import \{[^}]*\b(?:writeChord|writeNote|formatPitch|formatPitchIn|formatNoteName|stringNames)\b[^}]*\} from "@\/core/u,
  ],
  ["writes a key itself", /\bformatKey\(/u],
  ["sets accidentals itself", /\bpretty\(|\.map\(pretty\)/u],
  ["tells what sounds", /\$\{[^}]*\.sounding\}|>\s*\{[^}]*\.sounding\}/u],
  ["counts a bar itself", /\bbars? \$\{|>\s*bars? \{(?!bar)|\bbar \{(?:row|press|cue|one|first)\./u],
  ["tells a word itself", /(?:after|before|on) “\$\{/u],
];

/** Places that may, and why. */
const MAY: Readonly<Record<string, readonly string[]>> = {
  "writes names itself": ["src/rooms/new-song/Understood.tsx"],
  // A song that is only read yet is shown as it was pasted: nobody plays it.
  "sets accidentals itself": [
    "src/rooms/new-song/Guesses.tsx",
    "src/rooms/new-song/Looks.tsx",
    "src/rooms/new-song/Readings.tsx",
    // Tones of a chord by their degree, in every custom the same.
    "src/rooms/keys/NeckPage.tsx",
    "src/rooms/open/shapes/ChooseShape.tsx",
    "src/ui/dot-labels.ts",
    "src/ui/pretty.ts",
  ],
  // Keys as they are stored, to be chosen from, or to be read again.
  "writes a key itself": [
    "src/rooms/new-song/Guesses.tsx",
    "src/rooms/song/describe-form-of.ts",
    "src/rooms/song/key-choices.ts",
  ],
  // A bar of a line in tab, of a pass, of the build or of a grid is no moment of the song.
  "counts a bar itself": [
    "src/rooms/loops/feet/BuildRow.tsx",
    "src/rooms/loops/play/rope-marks.ts",
    "src/rooms/loops/ropes/strand-units.ts",
    "src/ui/TabLines.tsx",
  ],
};

const files = ["src/rooms", "src/ui"].flatMap((folder) =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((file) => /\.tsx?$/u.test(file) && !/\.test\./u.test(file))
    .map((file) => path.posix.join(folder, file)),
);

/** Text without comments. */
const codeOf = (file: string): string =>
  readFileSync(file, "utf8")
    .replaceAll(/\/\*[\s\S]*?\*\//gu, "")
    .replaceAll(/^\s*\/\/.*$/gmu, "");

describe("no room tells names or moments by hand", () => {
  it("reads the rooms at all", () => expect(files.length).toBeGreaterThan(200));

  it.each(BY_HAND)("none %s", (what, pattern) => {
    const found = files.filter((file) => pattern.test(codeOf(file)));
    expect(found.filter((file) => !(MAY[what] ?? []).includes(file))).toEqual([]);
    // What may do so and no longer does must leave the list.
    expect((MAY[what] ?? []).filter((file) => !found.includes(file))).toEqual([]);
  });
});
