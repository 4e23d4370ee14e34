/**
 * Fits the weights of a shape's difficulty and price to the orderings in `src/core/fretboard/orderings.ts`.
 *
 * Every ordering becomes inequalities "this + margin ≤ that" between sums of terms; a step of projected subgradient
 * descent moves the weights against each one that is broken, and bounds keep every weight believable on its own.
 * Every third ordering is held back and only counted at the end. Run: `npx tsx scripts/fit-difficulty.ts`; copy what
 * it prints into `src/core/fretboard/weights.ts`.
 */

import { unwrap } from "../src/base";
import { parseChord } from "../src/core/chord";
import { type Fingering, fingerings, TERMS, type Term, WEIGHTS } from "../src/core/fretboard";
import { describeOrdering, FITTED, HELD_OUT, type Ordering, sixFrets } from "../src/core/fretboard/orderings";
import { HAND_TERMS, MISSING_TERMS } from "../src/core/fretboard/terms";
import { GUITAR_TUNING, parseTuning } from "../src/core/pitch";

/** The least and the most a unit of each term may cost: a finger is worth something. */
const BOUNDS: Record<Term, [least: number, most: number]> = {
  fingers: [1.6, 3.2],
  "little finger": [1.1, 2.56],
  thumb: [1.6, 4.8],
  "index barre": [1.6, 2.88],
  "other barre": [2.24, 6.4],
  "barre strings": [0.16, 0.96],
  "span mm": [0.0128, 0.064],
  "wide span mm": [0.1088, 0.192],
  "stretch mm": [0.032, 0.192],
  "across strings": [0.32, 1.92],
  height: [0.064, 0.674],
  "damped inside": [0.96, 3.2],
  "open beside high": [1.8, 2.56],
  "fewer strings": [3.2, 70.4],
  "high strings left out": [3.2, 18.6],
  "bass higher": [1.6, 9.6],
  "nothing firm over the bass": [1.76, 4.8],
  "omitted tones": [2.56, 9.6],
  "damped inside a strum": [9.6, 16],
  "flat finger": [1.6, 6.4],
  "open beside far frets": [9, 9],
  "colour over the bass": [4.75, 6.4],
  "foreign bass doubled": [0.96, 4.8],
  "fifth not over root": [3.2, 9.6],
  "power strings": [0.64, 3.2],
  "root with fifth": [8, 8],
  "neither third nor fifth": [16, 16],
  "not the root": [6, 6],
};
const MARGIN = 0.3;
const ROUNDS = 12;
const KEPT_ROUNDS = 4;
const STEPS = 400;
/** How much a weight is held to where it began. */
const PULL = 0.02;

type Amounts = Float64Array;
type Shape = { frets: string; sounding: number; hands: { amounts: Amounts; fingers: string }[] };

const tuning = unwrap(parseTuning([...GUITAR_TUNING]));
const shapesOf = new Map<string, Shape[]>();
const isHand = TERMS.map((term) => (HAND_TERMS as readonly string[]).includes(term));

const amountsOf = (one: Fingering): Amounts => {
  const told = [...one.why, ...one.missing, ...one.unusual];
  return Float64Array.from(TERMS, (term) => told.find((reason) => reason.term === term)?.amount ?? 0);
};

function shapes(symbol: string): Shape[] {
  const known = shapesOf.get(symbol);
  if (known) return known;
  const byFrets = new Map<string, Shape>();
  for (const one of fingerings(unwrap(parseChord(symbol)), { tuning, hands: true }).fingerings) {
    const id = one.frets.join();
    const sounding = one.frets.filter((fret) => fret !== null).length;
    const shape = byFrets.get(id) ?? { frets: id, sounding, hands: [] };
    shape.hands.push({
      amounts: amountsOf(one),
      fingers: one.fingers.map((finger) => finger ?? "-").join(""),
    });
    byFrets.set(id, shape);
  }
  const list = [...byFrets.values()];
  shapesOf.set(symbol, list);
  return list;
}

const cost = (weights: readonly number[], amounts: Amounts, handOnly: boolean): number => {
  let sum = 0;
  for (let term = 0; term < amounts.length; term++)
    if (!handOnly || isHand[term]) sum += amounts[term]! * weights[term]!;
  return sum;
};

/** The hand of least price. */
function bestHand(weights: readonly number[], { hands }: Shape): { amounts: Amounts; cost: number } {
  let best = { amounts: hands[0]!.amounts, cost: Number.POSITIVE_INFINITY };
  for (const { amounts } of hands) {
    const price = cost(weights, amounts, false);
    if (price < best.cost) best = { amounts, cost: price };
  }
  return best;
}

function find(symbol: string, text: string): Shape {
  const id = sixFrets(text).join();
  const shape = shapes(symbol).find((one) => one.frets === id);
  if (!shape) throw new Error(`Expected ${symbol} to have the shape ${text}.`);
  return shape;
}

/** An inequality: the first costs less than the second, by the hand alone or by the price. */
type Pair = { readonly less: Amounts; readonly more: Amounts; readonly handOnly: boolean };

/** The inequalities of an ordering at the present weights. */
function pairsOf(weights: readonly number[], ordering: Ordering): Pair[] {
  const best = (shape: Shape) => bestHand(weights, shape);
  const pair = (less: Amounts, more: Amounts, handOnly = false): Pair => ({ less, more, handOnly });
  switch (ordering.kind) {
    case "before":
      return [
        pair(
          best(find(ordering.symbol, ordering.one)).amounts,
          best(find(ordering.symbol, ordering.other)).amounts,
        ),
      ];
    case "easier":
      return [pair(best(find(...ordering.one)).amounts, best(find(...ordering.other)).amounts, true)];
    case "hand": {
      const { hands } = find(ordering.symbol, ordering.frets);
      const wanted = hands.find(({ fingers }) => fingers === ordering.fingers);
      if (!wanted) throw new Error(`Expected ${describeOrdering(ordering)} to be a hand.`);
      // Hands that cost the same in any weights are ties, and ties go by list order.
      return hands.flatMap((one) =>
        one.amounts.every((amount, term) => amount === wanted.amounts[term])
          ? []
          : [pair(wanted.amounts, one.amounts)],
      );
    }
    case "among":
    case "firstFull": {
      const ids = ordering.frets.map((text) => sixFrets(text).join());
      const list = shapes(ordering.symbol);
      const wanted = list
        .filter(({ frets }) => ids.includes(frets))
        .map(best)
        .sort((a, b) => a.cost - b.cost)[0];
      if (!wanted) throw new Error(`Expected ${describeOrdering(ordering)} to be found.`);
      const rivals = list
        .filter(
          ({ frets, sounding }) => !ids.includes(frets) && (ordering.kind === "among" || sounding !== 4),
        )
        .map(best)
        .sort((a, b) => a.cost - b.cost);
      const may = ordering.kind === "among" ? ordering.first - 1 : 0;
      return rivals.slice(may, may + 6).map(({ amounts }) => pair(wanted.amounts, amounts));
    }
  }
}

const gapOf = (weights: readonly number[], { less, more, handOnly }: Pair): number =>
  cost(weights, more, handOnly) - cost(weights, less, handOnly);

/** Orderings that do not hold, with the gap of their worst inequality. */
const broken = (weights: readonly number[], orderings: readonly Ordering[], margin: number): string[] =>
  orderings.flatMap((ordering) => {
    const gap = Math.min(...pairsOf(weights, ordering).map((pair) => gapOf(weights, pair)));
    return gap < margin ? [`${describeOrdering(ordering)} (${gap.toFixed(3)})`] : [];
  });

const clamp = (value: number, term: number): number => {
  const [least, most] = BOUNDS[TERMS[term]!];
  return Math.min(most, Math.max(least, value));
};

let weights = TERMS.map((term, at) => clamp(WEIGHTS[term], at));
const start = [...weights];
const width = TERMS.map((term) => BOUNDS[term][1] - BOUNDS[term][0]);
let best = { weights, loss: Number.POSITIVE_INFINITY };
/** The inequalities of the last rounds: which rivals come closest changes with the weights. */
const recent: Pair[][] = [];
for (let round = 0; round < ROUNDS; round++) {
  const pairs = FITTED.map((ordering) => pairsOf(weights, ordering));
  const worst = pairs.map((own) => Math.min(...own.map((pair) => gapOf(weights, pair))));
  const loss = lossOf(worst);
  if (loss < best.loss) best = { weights: [...weights], loss };
  if (round % 10 === 0)
    console.log(
      `round ${round}: ${worst.filter((gap) => gap < MARGIN).length} under the margin, loss ${loss.toFixed(3)}`,
    );
  if (loss === 0) break;
  recent.push(pairs.flat());
  if (recent.length > KEPT_ROUNDS) recent.shift();
  weights = descend(recent.flat(), weights);
}

polish();

/** What the orderings lack of the margin, and one more for each that does not hold. */
function lossOf(worst: readonly number[]): number {
  return worst.reduce((sum, gap) => sum + Math.max(0, MARGIN - gap) + (gap <= 0 ? 1 : 0), 0);
}

/** Tries each weight by itself up and down, by ever smaller steps, while that makes the best one better. */
function polish(): void {
  const lossAt = (trial: readonly number[]) =>
    lossOf(FITTED.map((ordering) => Math.min(...pairsOf(trial, ordering).map((pair) => gapOf(trial, pair)))));
  for (const step of [0.25, 0.1, 0.04, 0.015]) {
    let better = true;
    while (better && best.loss > 0) {
      better = false;
      for (const [term] of TERMS.entries())
        for (const sign of [1, -1]) {
          const trial = best.weights.with(
            term,
            clamp(best.weights[term]! + sign * step * width[term]!, term),
          );
          const loss = lossAt(trial);
          if (loss < best.loss - 1e-9) {
            best = { weights: trial, loss };
            better = true;
          }
        }
    }
    console.log(`polished by ${step}: loss ${best.loss.toFixed(3)}`);
  }
}

/** Steps down the sum of what the inequalities lack of the margin, each weight in its bounds. */
function descend(pairs: readonly Pair[], from: readonly number[]): number[] {
  let now = [...from];
  let lowest = { weights: now, lack: Number.POSITIVE_INFINITY };
  for (let step = 0; step < STEPS; step++) {
    const slope = now.map(() => 0);
    let lack = 0;
    for (const pair of pairs) {
      const gap = gapOf(now, pair);
      if (gap >= MARGIN) continue;
      lack += MARGIN - gap;
      for (const term of now.keys())
        if (!pair.handOnly || isHand[term]) slope[term]! += pair.less[term]! - pair.more[term]!;
    }
    const away = now.reduce((sum, weight, term) => sum + distance(weight, term) ** 2, 0);
    if (lack + PULL * away < lowest.lack) lowest = { weights: now, lack: lack + PULL * away };
    const downhill = slope.map(
      (value, term) => (value + 2 * PULL * (distance(now[term]!, term) / (width[term] || 1))) * width[term]!,
    );
    const steep = Math.hypot(...downhill) || 1;
    const rate = 0.05 / Math.sqrt(1 + step);
    now = now.map((weight, term) => clamp(weight - (rate * downhill[term]! * width[term]!) / steep, term));
  }
  return lowest.weights;
}

/** How far a weight went from where it began, in parts of its bounds. */
function distance(weight: number, term: number): number {
  return width[term] ? (weight - start[term]!) / width[term]! : 0;
}

const rounded = best.weights.map((weight) => Math.round(weight * 1000) / 1000);
console.log(
  `best: loss ${best.loss.toFixed(3)} at a margin of ${MARGIN}; weight of fullness ${MISSING_TERMS.reduce((sum, term) => sum + rounded[TERMS.indexOf(term)]!, 0).toFixed(3)}`,
);
for (const [term, weight] of rounded.entries()) console.log(`  ${JSON.stringify(TERMS[term])}: ${weight},`);
const residuals = (name: string, orderings: readonly Ordering[]) => {
  console.log(`${name}: ${orderings.length}, of them broken:`, broken(rounded, orderings, 0.0005));
  console.log(`${name}, within the margin:`, broken(rounded, orderings, MARGIN).length);
};
residuals("fitted", FITTED);
residuals("held back", HELD_OUT);
