/** What the bar lines and signs of a measure say about the order of playing. */
export type Marks = {
  readonly forward: boolean;
  /** How often the stretch before is played in all, or 0. */
  readonly backward: number;
  /** The rounds an ending is for, where one begins here; null inside or outside one. */
  readonly ending: readonly number[] | null;
  readonly endingStops: boolean;
  readonly segno: boolean;
  readonly coda: boolean;
  readonly toCoda: boolean;
  readonly fine: boolean;
  readonly jump: "capo" | "segno" | null;
};

export type Played = { readonly measure: number; readonly round: number };

const MOST_PLAYED = 6000;

/**
 * The measures in the order they are played: repeats and endings, then da capo or dal segno once, to the end, to
 * "fine" or over to the coda. After a jump repeats are not taken again.
 * @returns null when there is no end to it
 */
export function playOrder(marks: readonly Marks[]): Played[] | null {
  const order: Played[] = [];
  const endings = endingsOf(marks);
  let from = 0;
  let round = 1;
  let jumped = false;
  let at = 0;
  while (at < marks.length) {
    if (order.length > MOST_PLAYED) return null;
    const mark = marks[at]!;
    if (mark.forward && at !== from) {
      from = at;
      round = 1;
    }
    const ending = endings[at];
    const wanted = jumped ? lastRound(endings, at) : round;
    if (ending && !ending.rounds.includes(wanted)) {
      at = ending.to + 1;
      continue;
    }
    order.push({ measure: at, round: wanted });
    if (jumped && mark.fine) return order;
    if (jumped && mark.toCoda) {
      const coda = marks.findIndex((one, index) => index > at && one.coda);
      if (coda > at) {
        at = coda;
        continue;
      }
    }
    if (mark.backward > 0 && !jumped) {
      const times = Math.max(mark.backward, endings[at] ? lastRound(endings, at) : 0);
      if (round < times) {
        round++;
        at = from;
        continue;
      }
      from = at + 1;
      // An ending that follows is for the round that has just been reached.
      if (!endings[at + 1]) round = 1;
      else round = Math.max(round, 1);
    }
    if (mark.endingStops && mark.backward === 0) {
      from = at + 1;
      round = 1;
    }
    if (mark.jump && !jumped) {
      jumped = true;
      at =
        mark.jump === "capo"
          ? 0
          : Math.max(
              0,
              marks.findIndex((one) => one.segno),
            );
      continue;
    }
    at++;
  }
  return order;
}

type Ending = { readonly rounds: readonly number[]; readonly from: number; readonly to: number };

/** The ending each measure lies in. */
function endingsOf(marks: readonly Marks[]): (Ending | null)[] {
  const found: (Ending | null)[] = marks.map(() => null);
  for (const [from, mark] of marks.entries()) {
    if (!mark.ending || found[from]) continue;
    let to = from;
    while (to < marks.length - 1 && !marks[to]!.endingStops && !marks[to + 1]!.ending) to++;
    const ending = { rounds: mark.ending, from, to };
    for (let at = from; at <= to; at++) found[at] = ending;
  }
  return found;
}

/** The highest round that endings side by side with this measure's are for. */
function lastRound(endings: readonly (Ending | null)[], at: number): number {
  let last = 1;
  for (let index = at; index < endings.length && endings[index]; index = endings[index]!.to + 1)
    last = Math.max(last, ...endings[index]!.rounds);
  for (let index = at; index >= 0 && endings[index]; index = endings[index]!.from - 1)
    last = Math.max(last, ...endings[index]!.rounds);
  return last;
}
