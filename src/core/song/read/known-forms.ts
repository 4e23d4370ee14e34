import { isMinorChord, parseChord } from "../../chord";
import { formatKey, type Key, moveKey, parseKey, pitchClassOf } from "../../pitch";

/** A form players know by name: degrees of its bars, as semitones above the tonic; common practice, no source. */
type Form = {
  readonly name: string;
  readonly pattern: RegExp;
  /** One line a row; "m" is a minor chord. */
  readonly rows: readonly (readonly string[])[];
};

const FORMS: readonly Form[] = Object.freeze([
  {
    name: "minor twelve-bar",
    pattern: /^minor\s+(?:12|twelve)[\s-]?bars?(?:\s+blues)?|^(?:12|twelve)[\s-]?bar\s+minor(?:\s+blues)?/iu,
    rows: [
      ["0m", "0m", "0m", "0m"],
      ["5m", "5m", "0m", "0m"],
      ["8", "7", "0m", "0m"],
    ],
  },
  {
    name: "twelve-bar with a quick change",
    pattern: /^quick[\s-]change(?:\s+(?:12|twelve)[\s-]?bars?)?(?:\s+blues)?/iu,
    rows: [
      ["0", "5", "0", "0"],
      ["5", "5", "0", "0"],
      ["7", "5", "0", "7"],
    ],
  },
  {
    name: "twelve-bar",
    pattern: /^(?:12|twelve)[\s-]?bars?(?:\s+blues)?/iu,
    rows: [
      ["0", "0", "0", "0"],
      ["5", "5", "0", "0"],
      ["7", "5", "0", "7"],
    ],
  },
  {
    name: "eight-bar blues",
    pattern: /^(?:8|eight)[\s-]?bar\s+blues/iu,
    rows: [
      ["0", "7", "5", "5"],
      ["0", "7", "0", "7"],
    ],
  },
]);

const IN_KEY = /^\s*(?:in|,|\()\s*([A-G][#b♯♭]?)(m|7|m7)?\s*\)?\s*$/u;

/** A form with its chords, a row a line. */
export type KnownForm = { readonly name: string; readonly lines: readonly (readonly string[])[] };

/**
 * Reads the name of a form in a key, one chord a bar.
 * @returns null where it is none
 * @example readForm("twelve-bar in A").lines[1] // => ["D", "D", "A", "A"]
 * @example readForm("12 bar blues in E7").lines[0] // => ["E7", "E7", "E7", "E7"]
 */
export function readForm(text: string): KnownForm | null {
  const plain = text.trim().replace(/[.:]$/u, "");
  for (const form of FORMS) {
    const head = form.pattern.exec(plain)?.[0];
    const told = head === undefined ? null : IN_KEY.exec(plain.slice(head.length));
    if (!told) continue;
    const isMinor = told[2]?.startsWith("m") ?? false;
    const own = isMinor ? FORMS[0]! : form;
    return { name: own.name, lines: rowsIn(own, told[1]!, told[2]?.endsWith("7") ? "7" : "") };
  }
  return null;
}

function rowsIn(form: Form, tonic: string, seventh: string): string[][] {
  const key = parseKey(tonic.replaceAll("♯", "#").replaceAll("♭", "b"));
  if (!key.ok) return [];
  return form.rows.map((row) => row.map((degree) => chordOn(key.value, degree, seventh)));
}

function chordOn(key: Key, degree: string, seventh: string): string {
  const root = formatKey(moveKey({ ...key, mode: "major" }, Number.parseInt(degree, 10)));
  return `${root}${degree.endsWith("m") ? "m" : ""}${seventh}`;
}

/** Where a section departs from the form it nearly is. */
export type Departure = { readonly bar: number; readonly chord: string; readonly usual: string };

/** Of so many bars one may be otherwise; with more it is another form. */
const BARS_A_DEPARTURE = 6;

/**
 * The form a section goes by, or nearly.
 * @param bars the chord each bar begins with
 * @param key the section's own, in letters
 * @returns the nearest form and where it departs from it, from bar 1; null where it is none
 */
export function nearestForm(
  bars: readonly string[],
  key: string,
): { readonly name: string; readonly key: string; readonly departures: readonly Departure[] } | null {
  const parsed = parseKey(key);
  if (!parsed.ok) return null;
  const near = FORMS.flatMap((form) => {
    const usual = form.rows.flat();
    if (usual.length !== bars.length) return [];
    const tonic = formatKey({ ...parsed.value, mode: "major" });
    const named = rowsIn(form, tonic, "").flat();
    const departures = bars.flatMap((chord, at) =>
      rootAndThird(chord) === rootAndThird(named[at]!) ? [] : [{ bar: at + 1, chord, usual: named[at]! }],
    );
    return [{ name: form.name, key, departures }];
  });
  const best = near.toSorted((a, b) => a.departures.length - b.departures.length)[0];
  return best && BARS_A_DEPARTURE * best.departures.length <= bars.length ? best : null;
}

/** What two chords of a form must share: "A7" goes as "A". */
function rootAndThird(symbol: string): string {
  const chord = parseChord(symbol);
  if (!chord.ok || chord.value.kind !== "chord") return symbol;
  return `${pitchClassOf(chord.value.root)}${isMinorChord(chord.value) ? "m" : ""}`;
}

/**
 * @param nameOf how chords and the key are told
 * @example "Goes as a twelve-bar in A, but for bar 10: E where D is usual."
 */
export function describeForm(
  {
    name,
    key,
    departures,
  }: { readonly name: string; readonly key: string; readonly departures: readonly Departure[] },
  nameOf: (symbol: string) => string = (symbol) => symbol,
): string {
  const goes = `Goes as ${/^[aeiou]/u.test(name) ? "an" : "a"} ${name} in ${nameOf(key)}`;
  if (departures.length === 0) return `${goes}.`;
  const named = departures.map(
    ({ bar, chord, usual }) => `bar ${bar}: ${nameOf(chord)} where ${nameOf(usual)} is usual`,
  );
  return `${goes}, but for ${named.join("; ")}.`;
}
