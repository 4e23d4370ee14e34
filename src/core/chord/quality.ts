import type { Degree, Tone } from "./tone";

/**
 * What the text after a chord's root says, read by one left-to-right grammar:
 * a base (major, minor, diminished…), a seventh or stack, then any number of additions,
 * alterations, suspensions and omissions, with or without brackets.
 */
export type Quality = {
  /** Chord tones, root first, by rising degree. */
  readonly tones: readonly Tone[];
  /** Degrees that only stand because a higher one was stacked on them ("9" in a thirteenth chord). */
  readonly implied: readonly Degree[];
  /** Degrees a player may leave out without a word: the third of "A2" (common practice, no source). */
  readonly free: readonly Degree[];
};

type Draft = {
  third: Tone | null;
  suspended: Set<2 | 4>;
  fifths: Map<number, Tone>;
  noFifth: boolean;
  seventh: number | null;
  /** Whether "7" means the major seventh here. */
  majorSeventh: boolean;
  diminished: boolean;
  stack: 0 | 7 | 9 | 11 | 13;
  added: Map<string, Tone>;
  /** Whether a bare "2" leaves the major third to the hand. */
  second: boolean;
};

type Rule = readonly [pattern: RegExp, apply: (draft: Draft, match: RegExpExecArray) => void];

const addTone = (draft: Draft, degree: Degree, alter: number): void => {
  if (degree === 5) draft.fifths.set(alter, { degree, alter });
  else draft.added.set(`${alter}:${degree}`, { degree, alter });
};

const setStack = (draft: Draft, to: 7 | 9 | 11 | 13): void => {
  draft.stack = to;
  draft.seventh = draft.majorSeventh ? 0 : draft.diminished ? -2 : -1;
};

const MINOR = /^(?:minor|min|mi|MIN|Min|MI|m(?!a(?:j|[679]|1[13]))|-|−|–)/u;
const MAJOR_WITH_NUMBER = /^(?:major|Major|MAJ|Maj|maj|MA|Ma|ma|M|Δ|∆|△|j)(?=\(?(?:6|7|9|11|13))/u;

/** Rules for the head of a quality; the first that fits is used, once. */
const BASES: readonly Rule[] = [
  [
    /^(?:dim|DIM|°|º|o(?=7))/u,
    (d) => {
      d.third = { degree: 3, alter: -1 };
      d.fifths.set(-1, { degree: 5, alter: -1 });
      d.diminished = true;
    },
  ],
  [
    /^(?:ø|Ø|⌀)7?/u,
    (d) => {
      d.third = { degree: 3, alter: -1 };
      d.fifths.set(-1, { degree: 5, alter: -1 });
      d.seventh = -1;
      d.stack = 7;
    },
  ],
  [/^(?:aug|AUG|\+(?!5|9|11|13))/u, (d) => d.fifths.set(1, { degree: 5, alter: 1 })],
  [
    MINOR,
    (d) => {
      d.third = { degree: 3, alter: -1 };
    },
  ],
];

/** Signs written before or after a number: "♯9", "9+", "-5". */
const alterOfSign = (sign: string): number => (sign === "#" || sign === "+" ? 1 : sign === "" ? 0 : -1);

/** Rules for what follows, tried in this order until nothing is left. */
const PARTS: readonly Rule[] = [
  [
    MAJOR_WITH_NUMBER,
    (d) => {
      d.majorSeventh = true;
    },
  ],
  [
    /^(?:Δ|∆|△)/u,
    (d) => {
      d.majorSeventh = true;
      setStack(d, 7);
    },
  ],
  [
    /^(?:sus2sus4|sus24|sus2\/4|sus4\/2|sus42)/u,
    (d) => {
      d.suspended.add(2).add(4);
    },
  ],
  [
    /^(?:sus|SUS|Sus)([24]?)(?!\d)/u,
    (d, m) => {
      d.suspended.add(m[1] === "2" ? 2 : 4);
    },
  ],
  [
    /^(?:no|omit)\s?(?:3|3rd|third)/u,
    (d) => {
      d.third = null;
    },
  ],
  [
    /^(?:no|omit)\s?(?:5|5th|fifth)/u,
    (d) => {
      d.noFifth = true;
    },
  ],
  [
    /^(?:add|Add|ADD)\s?([#b+-]?)(13|11|9|6|4|2)/u,
    (d, m) => addTone(d, asTension(m[2]!), alterOfSign(m[1]!)),
  ],
  [
    /^alt/u,
    (d) => {
      setStack(d, 7);
      d.fifths.set(1, { degree: 5, alter: 1 });
      addTone(d, 9, 1);
    },
  ],
  [
    /^(?:6\/9|69)/u,
    (d) => {
      addTone(d, 6, 0);
      addTone(d, 9, 0);
    },
  ],
  [/^([#b+-])(5|6|9|11|13)/u, (d, m) => addTone(d, asTension(m[2]!), alterOfSign(m[1]!))],
  [
    /^([#b])7/u,
    (d, m) => {
      d.seventh = alterOfSign(m[1]!) < 0 ? -1 : 0;
    },
  ],
  [/^(13|11|9|7)(?!\d)/u, (d, m) => setStack(d, Number(m[1]) as 7)],
  [
    /^\/(13|11|9|7|6|4|2)(?!\d)/u,
    (d, m) => (m[1] === "7" ? setStack(d, 7) : addTone(d, asTension(m[1]!), 0)),
  ],
  [/^\/(?=[#b+-]\d|maj|Maj|M7|add|sus)/u, () => {}],
  [/^6(?!\d)/u, (d) => addTone(d, 6, 0)],
  [
    /^2(?!\d)/u,
    (d) => {
      addTone(d, 9, 0);
      d.second = true;
    },
  ],
  [/^4(?!\d)/u, (d) => addTone(d, 11, 0)],
  [/^(?:maj|Maj|MAJ|major|Major)(?![a-z0-9])/u, () => {}],
  [/^\+$/u, (d) => d.fifths.set(1, { degree: 5, alter: 1 })],
];

/** Rules inside brackets where a bare number is an addition: "C(9)", "C7(13)". */
const BRACKETED: readonly Rule[] = [
  [/^([#b+-]?)(13|11|9|6|5|4|2)(?!\d)/u, (d, m) => addTone(d, asTension(m[2]!), alterOfSign(m[1]!))],
  [
    /^(?:major|MAJ|Maj|maj|MA|Ma|ma|M|Δ|∆|△)\s?(7|9|11|13)?/u,
    (d, m) => {
      d.majorSeventh = true;
      setStack(d, Number(m[1] ?? 7) as 7);
    },
  ],
];

/** Added seconds and fourths are named as ninths and elevenths: the octave is free on a fretboard. */
const asTension = (text: string): Degree => {
  const degree = Number(text);
  return (degree === 2 ? 9 : degree === 4 ? 11 : degree) as Degree;
};

const emptyDraft = (): Draft => ({
  third: { degree: 3, alter: 0 },
  suspended: new Set(),
  fifths: new Map(),
  noFifth: false,
  seventh: null,
  majorSeventh: false,
  diminished: false,
  stack: 0,
  added: new Map(),
  second: false,
});

/**
 * Reads a quality, or null when any part of the text is not one.
 * @example parseQuality("m7")?.tones.map(formatTone) // => ["1", "b3", "5", "b7"]
 */
export function parseQuality(text: string): Quality | null {
  const draft = emptyDraft();
  let rest = text.replaceAll("♯", "#").replaceAll("♭", "b");
  if (rest === "5") {
    draft.third = null;
    return finish(draft);
  }
  if (rest === "M" || rest === "MAJ") return finish(draft);
  rest = applyFirst(BASES, rest, draft) ?? rest;
  while (rest !== "") {
    const bracket = /^[([]([^()[\]]+)[)\]]/u.exec(rest);
    if (bracket) {
      if (!readBracket(bracket[1]!, draft)) return null;
      rest = rest.slice(bracket[0].length);
      continue;
    }
    const after = applyFirst(PARTS, rest, draft);
    if (after === null) return null;
    rest = after;
  }
  return finish(draft);
}

function readBracket(text: string, draft: Draft): boolean {
  for (const item of text.split(/[,\s]+/u)) {
    let rest = item;
    while (rest !== "") {
      const after = applyFirst(BRACKETED, rest, draft) ?? applyFirst(PARTS, rest, draft);
      if (after === null) return false;
      rest = after;
    }
  }
  return true;
}

/** Applies the first rule that fits and returns what follows it, or null. */
function applyFirst(rules: readonly Rule[], text: string, draft: Draft): string | null {
  for (const [pattern, apply] of rules) {
    const match = pattern.exec(text);
    if (match && match[0] !== "") {
      apply(draft, match);
      return text.slice(match[0].length);
    }
  }
  return null;
}

function finish(draft: Draft): Quality {
  const tones: Tone[] = [{ degree: 1, alter: 0 }];
  const implied: Degree[] = [];
  for (const degree of draft.suspended) tones.push({ degree, alter: 0 });
  if (draft.suspended.size === 0 && draft.third) tones.push(draft.third);
  if (!draft.noFifth) {
    if (draft.fifths.size > 0) tones.push(...draft.fifths.values());
    else tones.push({ degree: 5, alter: 0 });
  }
  if (draft.seventh !== null) tones.push({ degree: 7, alter: draft.seventh });
  for (const degree of [9, 11, 13] as const) {
    if (draft.stack < degree || hasDegree(draft, degree)) continue;
    if (degree === 11 && draft.suspended.has(4)) continue;
    if (degree === 9 && draft.suspended.has(2)) continue;
    tones.push({ degree, alter: 0 });
    if (degree < draft.stack) implied.push(degree);
  }
  tones.push(...draft.added.values());
  if (draft.stack === 11) implied.push(3);
  const free: Degree[] = draft.second && tones.some(isMajorThird) ? [3] : [];
  return { tones: tones.sort((a, b) => a.degree - b.degree || a.alter - b.alter), implied, free };
}

const isMajorThird = ({ degree, alter }: Tone): boolean => degree === 3 && alter === 0;

const hasDegree = (draft: Draft, degree: Degree): boolean =>
  [...draft.added.values()].some((tone) => tone.degree === degree);
