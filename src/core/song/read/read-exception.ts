import { fail, ok, type Result } from "../../../base";
import type { ExceptionKind, ExceptionTimes } from "../schema/sections";
import { foldText } from "./shelf-query";

/** An exception as somebody says it, before it has a place in the document. */
export type ExceptionSaid = {
  readonly kind: ExceptionKind;
  /** The times it is for, where they are said. */
  readonly times: ExceptionTimes | null;
  /** How long, where it is said. */
  readonly length: { readonly count: number; readonly unit: "beat" | "bar" } | null;
  /** Which chord: the first, the last, or one by its name; null where nothing is said of it. */
  readonly at: "first" | "last" | { readonly chord: string } | null;
  readonly cued: boolean;
  /** What follows, in small letters, where it is said. */
  readonly followedBy: string | null;
  /** The line by its number, where it is said. */
  readonly line: number | null;
};

export type SaidProblem = { readonly code: "not-understood"; readonly text: string };

/** Words by which a kind is known, the narrower before the wider. */
const KIND_SIGNS: readonly (readonly [ExceptionKind, RegExp])[] = [
  ["ending", /\bending\b/u],
  ["extra", /\bextra\b|\bone more line\b|\btag\b/u],
  ["words", /\b(other|different|own) words?\b|\bsung differently\b/u],
  ["chords", /\b(other|different|own) chords\b/u],
  ["line", /\bline\b.*\b(different|otherwise|changed)\b|\b(other|another|different) line\b/u],
  [
    "tacet",
    /\btacet\b|\bvoices? alone\b|\ba cappella\b|\b(band|everybody|all) (is |are )?(silent|out)\b|\bnobody plays\b/u,
  ],
  ["choke", /\bchok(e|ed)\b|\bdamp(ed)?\b/u],
  ["hit", /\bhit\b|\bone strike\b/u],
  ["late", /\blate(r)?\b|\blaid back\b/u],
  ["push", /\bpush(ed)?\b|\bearly\b|\bearlier\b|\banticipated\b/u],
  ["hold", /\bhold\b|\bheld\b|\bfermata\b|\buntil the sign\b/u],
  ["stop", /\bstops?\b|\bbreak\b|\bsilence\b/u],
];

const TIMES_SIGNS: readonly (readonly [ExceptionTimes, RegExp])[] = [
  ["later", /\bfrom the (second|2nd)( time)?( on)?\b|\bnot the first time\b/u],
  ["first", /\b(the |only )?first time\b|\bonly the first\b/u],
  ["last", /\b(the |only )?last time\b/u],
  ["every", /\bevery time\b|\balways\b|\beach time\b/u],
];

const NUMBERS: Readonly<Record<string, number>> = {
  half: 0.5,
  a: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  six: 6,
  eight: 8,
};

const LENGTH = /\b(half|a|one|two|three|four|six|eight|\d{1,3}(?:[.,]\d+)?) (?:a )?(beat|bar)s?\b/u;

/**
 * Reads what is to be otherwise from plain words.
 * @example readException("hit on one, then silence") // => { kind: "hit", at: "first", … }
 * @example readException("stop on the last chord, the last time") // => { kind: "stop", at: "last", times: "last", … }
 * @example readException("another ending when Bridge follows") // => { kind: "ending", followedBy: "bridge", … }
 */
export function readException(text: string): Result<ExceptionSaid, SaidProblem> {
  const said = foldText(text).replaceAll("’", "'");
  const times = TIMES_SIGNS.find(([, sign]) => sign.test(said))?.[0] ?? null;
  const rest = TIMES_SIGNS.reduce((left, [, sign]) => left.replace(sign, " "), said);
  const kind = KIND_SIGNS.find(([, sign]) => sign.test(rest))?.[0];
  if (!kind) return fail({ code: "not-understood", text });
  const follows = /\b(?:when|before|if)\s+(.+?)(?:\s+(?:follows|comes)\b.*)?$/u.exec(rest)?.[1] ?? null;
  const long = LENGTH.exec(rest);
  const line = /\bline (\d{1,3})\b/u.exec(rest);
  return ok({
    kind,
    times,
    length: long
      ? {
          count: NUMBERS[long[1]!] ?? Number(long[1]!.replace(",", ".")),
          unit: long[2] === "bar" ? "bar" : "beat",
        }
      : null,
    at: placeSaid(text, rest),
    cued: /\buntil (the|a|somebody's|his|her|their) (sign|nod|cue)\b|\buntil .*\bsign\b/u.test(rest),
    followedBy: kind === "ending" ? follows : null,
    line: line ? Number(line[1]) : null,
  });
}

function placeSaid(text: string, said: string): ExceptionSaid["at"] {
  if (/\b(the )?last chord\b/u.test(said)) return "last";
  if (/\b(the )?first chord\b|\bon (the )?(one|1)\b/u.test(said)) return "first";
  const chord = /\bon ([A-H][^\s,.;]*)/u.exec(text)?.[1];
  return chord ? { chord } : null;
}

/** What was understood, for who must put it right. @example "Understood: a stop on the last chord." */
export function describeSaid({ kind, at }: ExceptionSaid): string {
  const where = at === null ? "" : ` on ${typeof at === "string" ? `the ${at} chord` : at.chord}`;
  return `Understood: ${KIND_WORDS[kind]}${where}.`;
}

const KIND_WORDS: Readonly<Record<ExceptionKind, string>> = Object.freeze({
  line: "a different line",
  words: "other words",
  chords: "other chords",
  chord: "another chord",
  ending: "another ending",
  extra: "an extra last line",
  hold: "a hold",
  push: "a push",
  late: "a late chord",
  choke: "a choke",
  hit: "a hit",
  stop: "a stop",
  tacet: "a silence of the band",
});
