/**
 * Orderings any guitarist would sign, as data: what `scripts/fit-difficulty.ts` fits the weights to, and
 * what the tests hold them to. Common practice, no source.
 *
 * `first`: the shape is the easiest of all. `firstFull`: the easiest of all with five or more strings, and
 * easier than every shape of three. `before`: one shape is easier than another.
 */
export type Ordering =
  | { readonly kind: "first"; readonly symbol: string; readonly frets: readonly string[] }
  | { readonly kind: "firstFull"; readonly symbol: string; readonly frets: readonly string[] }
  | {
      readonly kind: "before";
      readonly easier: readonly [symbol: string, frets: string];
      readonly harder: readonly [symbol: string, frets: string];
    };

const first = (symbol: string, ...frets: string[]): Ordering => ({ kind: "first", symbol, frets });
const firstFull = (symbol: string, ...frets: string[]): Ordering => ({ kind: "firstFull", symbol, frets });
const before = (easier: [string, string], harder: [string, string]): Ordering => ({
  kind: "before",
  easier,
  harder,
});

/** What the weights were fitted to. */
export const FITTED: readonly Ordering[] = Object.freeze([
  first("E", "022100"),
  first("Em", "022000"),
  first("A", "x02220"),
  first("Am", "x02210"),
  first("D", "xx0232"),
  first("Dm", "xx0231"),
  first("C", "x32010"),
  first("G", "320003", "320033"),
  firstFull("Bm", "x24432"),
  firstFull("Bb", "x13331"),
  firstFull("D/F#", "200232"),
  firstFull("F#m", "244222"),
  firstFull("F", "133211"),
  before(["A", "x02220"], ["A", "577655"]),
  before(["E", "022100"], ["E", "x79997"]),
  before(["Em", "022000"], ["Em", "x79987"]),
  before(["G", "320003"], ["G", "355433"]),
  before(["C", "x32010"], ["C", "x35553"]),
  before(["Em", "022000"], ["Bb", "x13331"]),
  before(["C", "x32010"], ["Bb", "x13331"]),
]);

/** What the fit did not see; the tests ask for these too. */
export const HELD_OUT: readonly Ordering[] = Object.freeze([
  first("E7", "020100"),
  first("Am7", "x02010"),
  first("Asus2", "x02200"),
  first("D7", "xx0212"),
  first("Dsus4", "xx0233"),
  first("Cmaj7", "x32000"),
  first("G7", "320001"),
  firstFull("B", "x24442"),
  firstFull("C#m", "x46654"),
  firstFull("Fm", "133111"),
  before(["D", "xx0232"], ["D", "x57775"]),
  before(["Am", "x02210"], ["Am", "577555"]),
  before(["Dm", "xx0231"], ["Dm", "x57765"]),
  before(["Am", "x02210"], ["F", "133211"]),
  before(["D", "xx0232"], ["Bm", "x24432"]),
  before(["Em", "022000"], ["F#m", "244222"]),
  before(["B7", "x21202"], ["B", "x24442"]),
  before(["G", "320003"], ["G", "3x0003"]),
]);

/** Reads "x02210" (one sign a string; a dot between frets of two digits). */
export const readFrets = (text: string): (number | null)[] =>
  (text.includes(".") ? text.split(".") : [...text]).map((sign) => (sign === "x" ? null : Number(sign)));
