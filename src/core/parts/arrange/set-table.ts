import { type Board, pairKey } from "./board";
import { type ArrangeCell, plays } from "./case";

/** Who does what in one use, by player: places in the board's options. */
export type Picks = Int16Array;

export type SetQuestion = {
  readonly board: Board;
  readonly at: number;
  /** By player: the options, and what each costs by itself, coming from where the song is. */
  readonly options: readonly Int16Array[];
  readonly own: readonly Float64Array[];
  /** By player and option: whether it keeps the idea of the round before; null where there is none. */
  readonly kept: readonly Uint8Array[] | null;
  /** At least and at most so many keep theirs. */
  readonly leastKept: number;
  readonly mostKept: number;
  /** What so many playing cost; voices are not counted. */
  readonly crowd: (playing: number) => number;
  /** At most so many play, voices too; null for any number. */
  readonly mostPlaying: number | null;
  /** What no carrier costs, what a lead not sung costs, and a missing bass. */
  readonly noCarrier: number;
  readonly noLead: number;
  readonly noBass: number;
};

/** What is asked of each option, looked up once a search. */
type Traits = {
  readonly plays: Uint8Array;
  readonly bass: Uint8Array;
  readonly carry: Uint8Array;
  readonly lead: Uint8Array;
  readonly kept: Uint8Array | null;
};

/** What could still come from a place in the order on. */
type Ahead = {
  readonly bass: boolean;
  readonly carry: boolean;
  readonly lead: boolean;
  /** How many could keep their idea. */
  readonly kept: number;
};

/** A use laid out to be searched: players in an order, each with the options tried, and what these cost alone and in pairs. */
export type SetTable = {
  /** Players, those with the fewest options first; all else goes by this order. */
  readonly order: readonly number[];
  readonly options: readonly (readonly number[])[];
  readonly own: readonly Float64Array[];
  readonly traits: readonly Traits[];
  readonly isVoice: readonly boolean[];
  /** By place and later place: the option of the one times how many the other has, plus the other's. */
  readonly tables: readonly (readonly (Float64Array | null)[])[];
  readonly ahead: readonly Ahead[];
  /** What so many playing cost. */
  readonly crowds: readonly number[];
  /** Whether all options are tried. */
  readonly whole: boolean;
};

export function setTable(question: SetQuestion, width: number): SetTable {
  const { board, at, crowd } = question;
  const { players, uses } = board.asked;
  const { bars } = uses[at]!;
  const order = [...question.options.keys()].sort(
    (a, b) => question.options[a]!.length - question.options[b]!.length || a - b,
  );
  const chosen = order.map((who) => narrowed(question, who, width));
  const options = order.map((who, place) => chosen[place]!.map((index) => question.options[who]![index]!));
  const traits = order.map((who, place) => traitsOf(question, who, options[place]!, chosen[place]!));
  const from = (place: number): Ahead => {
    const later = traits.slice(place);
    return {
      bass: later.some(({ bass }) => bass.includes(1)),
      carry: later.some(({ carry }) => carry.includes(1)),
      lead: later.some(({ lead }) => lead.includes(1)),
      kept: later.filter(({ kept }) => kept?.includes(1)).length,
    };
  };
  return {
    order,
    options,
    own: order.map((who, place) => Float64Array.from(chosen[place]!, (index) => question.own[who]![index]!)),
    traits,
    isVoice: order.map((who) => players[who]!.instrument === "voice"),
    tables: order.map((a, i) =>
      order.map((b, j) => (j > i ? tableOf(board, a, b, options[i]!, options[j]!, bars) : null)),
    ),
    ahead: [...order, -1].map((_, place) => from(place)),
    crowds: Array.from({ length: order.length + 1 }, (_, playing) => crowd(playing)),
    whole: order.every((who, place) => chosen[place]!.length === question.options[who]!.length),
  };
}

/** The options to be tried: the cheapest by themselves, and always the cheapest out, bass, carrier and keeper of an idea. */
function narrowed(question: SetQuestion, who: number, width: number): number[] {
  const own = question.own[who]!;
  const places = [...own.keys()].sort((a, b) => own[a]! - own[b]! || a - b);
  if (places.length <= width) return places;
  const cells = question.board.options[who]!;
  const cellAt = (place: number): ArrangeCell => cells[question.options[who]![place]!]!;
  const always = [
    places.find((place) => !plays(cellAt(place))),
    places.find((place) => cellAt(place).role === "bass"),
    places.find((place) => cellAt(place).role === "carry"),
    places.find((place) => question.kept?.[who]?.[place] === 1),
  ];
  return [...new Set([...places.slice(0, width - 4), ...always.flatMap((place) => place ?? [])])];
}

function traitsOf(
  { board, kept }: SetQuestion,
  who: number,
  options: readonly number[],
  places: readonly number[],
): Traits {
  const cells = options.map((option) => board.options[who]![option]!);
  const flags = (is: (cell: ArrangeCell) => boolean) => Uint8Array.from(cells, (cell) => Number(is(cell)));
  const sings = board.asked.players[who]!.instrument === "voice";
  return {
    plays: flags(plays),
    bass: flags(({ role }) => role === "bass"),
    carry: flags(({ role }) => role === "carry"),
    lead: flags(({ role }) => sings && role === "carry"),
    kept: kept ? Uint8Array.from(places, (place) => kept[who]![place]!) : null,
  };
}

/** What each pair of the options tried costs through the whole use. */
function tableOf(
  board: Board,
  a: number,
  b: number,
  own: readonly number[],
  others: readonly number[],
  bars: number,
): Float64Array {
  const [first, second] = a < b ? [a, b] : [b, a];
  const { eachBar, once } = board.pairs.get(pairKey(first, second))!;
  const width = board.options[second]!.length;
  const table = new Float64Array(own.length * others.length);
  for (const [i, one] of own.entries())
    for (const [j, other] of others.entries()) {
      const key = a < b ? one * width + other : other * width + one;
      table[i * others.length + j] = eachBar[key]! * bars + once[key]!;
    }
  return table;
}
