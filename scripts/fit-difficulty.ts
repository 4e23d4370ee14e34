/**
 * Fits the weights of a shape's difficulty to the orderings in `src/core/fretboard/orderings.ts`.
 *
 * Every ordering becomes inequalities "easier + margin ≤ harder" between sums of terms; a step of
 * projected subgradient descent moves the weights against each one that is broken, and bounds keep
 * every weight believable on its own. Run: `npx tsx scripts/fit-difficulty.ts`; copy what it prints
 * into `src/core/fretboard/weights.ts`.
 */

import { unwrap } from "../src/base";
import { parseChord } from "../src/core/chord";
import { fingerings, TERMS, type Term, WEIGHTS } from "../src/core/fretboard";
import { FITTED, HELD_OUT, type Ordering, readFrets } from "../src/core/fretboard/orderings";
import { GUITAR_TUNING, parseTuning } from "../src/core/pitch";

/** The least and the most a unit of each term may cost: a finger is worth something. */
const BOUNDS: Record<Term, [least: number, most: number]> = {
  fingers: [0.6, 1.5],
  "little finger": [0.2, 1],
  thumb: [0.5, 1.5],
  "index barre": [0.4, 2],
  "other barre": [0.6, 3],
  "barre strings": [0.05, 0.4],
  "span mm": [0.004, 0.02],
  "stretch mm": [0.008, 0.04],
  "across strings": [0.1, 0.6],
  height: [0.1, 0.4],
  "damped inside": [0.6, 2],
  "left out low": [0.05, 0.4],
  "left out high": [0.2, 1],
  "fewer strings": [0.3, 1.2],
  "omitted tones": [0.3, 1.5],
  "open beside high": [0.4, 1.6],
};
const MARGIN = 0.15;
const ROUNDS = 800;

type Amounts = number[];
type Shape = { frets: string; sounding: number; hands: Amounts[] };

const tuning = unwrap(parseTuning([...GUITAR_TUNING]));
const shapesOf = new Map<string, Shape[]>();

function shapes(symbol: string): Shape[] {
  const known = shapesOf.get(symbol);
  if (known) return known;
  const byFrets = new Map<string, Shape>();
  for (const one of fingerings(unwrap(parseChord(symbol)), { tuning, hands: true }).fingerings) {
    const id = one.frets.join();
    const sounding = one.frets.filter((fret) => fret !== null).length;
    const shape = byFrets.get(id) ?? { frets: id, sounding, hands: [] };
    shape.hands.push(TERMS.map((term) => one.why.find((reason) => reason.term === term)?.amount ?? 0));
    byFrets.set(id, shape);
  }
  const list = [...byFrets.values()];
  shapesOf.set(symbol, list);
  return list;
}

const cost = (weights: number[], amounts: Amounts): number =>
  amounts.reduce((sum, amount, term) => sum + amount * weights[term]!, 0);

function easiestHand(weights: number[], shape: Shape): { amounts: Amounts; cost: number } {
  let best = { amounts: shape.hands[0]!, cost: Number.POSITIVE_INFINITY };
  for (const amounts of shape.hands) {
    const price = cost(weights, amounts);
    if (price < best.cost) best = { amounts, cost: price };
  }
  return best;
}

function find(symbol: string, text: string): Shape {
  const id = readFrets(text).join();
  const shape = shapes(symbol).find((one) => one.frets === id);
  if (!shape) throw new Error(`Expected ${symbol} to have the shape ${text}.`);
  return shape;
}

/** The inequalities of an ordering as pairs of shapes, at the present weights. */
function* pairs(weights: number[], ordering: Ordering): Generator<[easier: Shape, harder: Shape]> {
  if (ordering.kind === "before") {
    yield [find(...ordering.easier), find(...ordering.harder)];
    return;
  }
  const wanted = ordering.frets.map((text) => find(ordering.symbol, text));
  const easiest = wanted.reduce((a, b) =>
    easiestHand(weights, a).cost <= easiestHand(weights, b).cost ? a : b,
  );
  for (const other of shapes(ordering.symbol)) {
    if (wanted.includes(other)) continue;
    if (ordering.kind === "firstFull" && other.sounding === 4) continue;
    yield [easiest, other];
  }
}

function broken(weights: number[], orderings: readonly Ordering[], margin: number): string[] {
  const found: string[] = [];
  for (const ordering of orderings) {
    for (const [easier, harder] of pairs(weights, ordering)) {
      const gap = easiestHand(weights, harder).cost - easiestHand(weights, easier).cost;
      if (gap < margin) found.push(`${JSON.stringify(ordering)}: ${harder.frets} (${gap.toFixed(3)})`);
    }
  }
  return found;
}

let weights = TERMS.map((term) => Math.min(BOUNDS[term][1], Math.max(BOUNDS[term][0], WEIGHTS[term])));
const start = [...weights];
let best = { weights, count: Number.POSITIVE_INFINITY };
for (let round = 0; round < ROUNDS && best.count > 0; round++) {
  const slope = weights.map(() => 0);
  let count = 0;
  for (const ordering of FITTED) {
    for (const [easier, harder] of pairs(weights, ordering)) {
      const low = easiestHand(weights, easier);
      const high = easiestHand(weights, harder);
      if (high.cost - low.cost >= MARGIN) continue;
      count++;
      for (const term of weights.keys()) slope[term]! += low.amounts[term]! - high.amounts[term]!;
    }
  }
  if (count < best.count) best = { weights: [...weights], count };
  if (round % 100 === 0) console.log(`round ${round}: ${count} broken`);
  const rate = 0.02 / Math.sqrt(1 + round / 50);
  weights = weights.map((weight, term) => {
    const [least, most] = BOUNDS[TERMS[term]!];
    const scale = (most - least) ** 2;
    const pull = 0.02 * (start[term]! - weight);
    return Math.min(
      most,
      Math.max(least, weight - (rate * slope[term]! * scale) / Math.max(1, Math.sqrt(count)) + rate * pull),
    );
  });
}
const rounded = best.weights.map((weight) => Math.round(weight * 1000) / 1000);
console.log(`best: ${best.count} broken at a margin of ${MARGIN}`);
for (const [term, weight] of rounded.entries()) console.log(`  ${JSON.stringify(TERMS[term])}: ${weight},`);
console.log("fitted, broken at margin 0.001:", broken(rounded, FITTED, 0.001));
console.log("held out, broken at margin 0.001:", broken(rounded, HELD_OUT, 0.001));
