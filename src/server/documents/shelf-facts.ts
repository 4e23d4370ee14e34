import { shapesChosen } from "@/core/parts";
import { lastRehearsed } from "@/core/practice";
import { formatMeter } from "@/core/rhythm";
import { namerByShift } from "@/core/song/names";
import {
  chordMarks,
  foldText,
  meterOf,
  playedSymbols,
  songLength,
  titleKeyOf,
  versionRow,
} from "@/core/song/read";
import { type SongBody, VERDICT_ID, type Verdict, type VersionBody } from "@/core/song/schema";
import { byOrder, headOf, type Touch } from "@/document";
import { writeChosen } from "./chosen-often";

const LONGEST_SEARCHED = 200_000;

/** What the shelf shows of a version that its song says. */
export function songFacts(body: SongBody) {
  const { title, by, tags, archived, rehearsed: said } = headOf(body, "song");
  const rehearsed = lastRehearsed(said, Object.values(body.practices));
  const verdict: Verdict = body.verdicts[VERDICT_ID]?.verdict ?? "open";
  return { title, by, titleKey: titleKeyOf(title), tags, rehearsed, verdict, archived };
}

/** Everything a version is found by, folded: titles, names, tags and words. */
export function searchedText(song: SongBody, version: VersionBody): string {
  const { title, by, composer, tags } = headOf(song, "song");
  const words = Object.values(version.words).map((word) => word.text);
  const text = [title, by, composer, ...tags, versionRow(version).name, ...words].join(" ");
  return foldText(text).slice(0, LONGEST_SEARCHED);
}

/** The chords a version is found by: each that is played, as it sounds there. */
function chordsOf(body: VersionBody): string[] {
  const namerAt = namerByShift(body);
  const marks = playedSymbols(body).flatMap(({ symbol, shift }) =>
    chordMarks(namerAt(shift).name(symbol).sounding),
  );
  return [...new Set(marks)];
}

/** What of a version the shelf shows, a group of facts for each table it is read from. */
const GROUPS = {
  names: (body: VersionBody) => {
    const { name, key, bpm } = versionRow(body);
    return { versionName: name, key, bpm, meter: formatMeter(meterOf(body)) };
  },
  length: songLength,
  chords: (body: VersionBody) => ({ chords: chordsOf(body) }),
  players: (body: VersionBody) => ({
    players: Object.values(body.players)
      .sort(byOrder)
      .map((player) => player.name),
  }),
  chosen: (body: VersionBody) => ({ chosen: shapesChosen(body).map(writeChosen) }),
} as const;
type Group = keyof typeof GROUPS | "search";

const ALL: readonly Group[] = ["names", "length", "chords", "players", "chosen", "search"];
const FORM: readonly Group[] = ["length", "chords"];

/** The groups a table is read for; for some fields not all of them. */
const READ_FROM: Readonly<Record<string, readonly Group[]>> = {
  version: ["names", "length", "chords", "chosen", "search"],
  sections: FORM,
  lines: FORM,
  uses: FORM,
  exceptions: FORM,
  chords: FORM,
  words: ["search"],
  players: ["players", "chosen"],
  choices: ["chosen"],
};
const FIELDS_READ_FROM: Readonly<Record<string, readonly Group[]>> = {
  "chords symbol": ["chords"],
  "chords ticks": ["length"],
  "chords wordId": [],
  "chords offset": [],
  "chords sure": [],
  "chords guessed": [],
  "sections label": [],
  "uses label": [],
};

/** The groups that an edit may have changed; all of them where it is not known what was touched. */
export function groupsTouched(touched: readonly Touch[] | null): ReadonlySet<Group> {
  if (!touched) return new Set(ALL);
  return new Set(
    touched.flatMap(({ table, field }) => FIELDS_READ_FROM[`${table} ${field}`] ?? READ_FROM[table] ?? []),
  );
}

/** The facts of some groups. */
export function versionFacts(body: VersionBody, groups: ReadonlySet<Group>) {
  const of = <Name extends keyof typeof GROUPS>(name: Name): Partial<ReturnType<(typeof GROUPS)[Name]>> =>
    groups.has(name) ? (GROUPS[name](body) as ReturnType<(typeof GROUPS)[Name]>) : {};
  return { ...of("names"), ...of("length"), ...of("chords"), ...of("players"), ...of("chosen") };
}

/** All facts of a version. */
export const allFacts = (body: VersionBody) => ({
  ...GROUPS.names(body),
  ...GROUPS.length(body),
  ...GROUPS.chords(body),
  ...GROUPS.players(body),
  ...GROUPS.chosen(body),
});

/** Tables nothing of which changes what a song asks of its band. */
const WEIGHS_NOTHING: ReadonlySet<string> = new Set(["words", "loopRuns", "soundRuns", "cues", "melodies"]);

/** Whether an edit may have changed what a song asks of its band; where it is not known what was touched it may. */
export const mayWeighOtherwise = (touched: readonly Touch[] | null): boolean =>
  touched === null || touched.some(({ table }) => !WEIGHS_NOTHING.has(table));
